import { NavLink } from 'react-router';
import { useSnags } from '../snags/index.ts';
import { count } from '../shared/index.ts';
import { sheetOf, sheets } from './sheets.ts';
import classes from './Spine.module.css';

const groups = ['Plan', 'Shape', 'Prove'] as const;

/** The sheets in the order of the work, each with its count of snags. */
export function Spine({ gadgetId }: { gadgetId: string }) {
  const report = useSnags((state) => state.report);
  const found = (sheet: string) =>
    report?.snags.filter(({ rule, place }) => sheetOf(rule, place) === sheet) ?? [];
  return (
    <nav className={classes.spine} aria-label="Sheets">
      {groups.map((group) => (
        <section key={group}>
          <h2>{group}</h2>
          {sheets
            .filter((sheet) => sheet.group === group)
            .map(({ id, title, icon: Icon }) => {
              const snags = found(id);
              const stop = snags.some(({ level }) => level === 'stop');
              return (
                <NavLink key={id} to={`/g/${gadgetId}/${id}`} className={classes.link!} title={title}>
                  <Icon size={18} stroke={1.7} aria-hidden />
                  <span>{title}</span>
                  {snags.length > 0 && (
                    <span
                      className={`number ${classes.count}`}
                      data-stop={stop || undefined}
                      aria-label={count(snags.length, 'snag')}
                    >
                      {snags.length}
                    </span>
                  )}
                </NavLink>
              );
            })}
        </section>
      ))}
    </nav>
  );
}
