import { useDocument } from '../../client/index.ts';
import { goTo } from '../../shared/index.ts';
import classes from './Flow.module.css';

/** All states in one line, always in view: the one in hand lit, each leading to its card. */
export function StateIndex({ currentId }: { currentId: string | null }) {
  const { states } = useDocument().flow;
  return (
    <nav className={classes.index} aria-label="States">
      {states.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          aria-current={id === currentId || undefined}
          onClick={() => goTo({ kind: 'state', id })}
        >
          {name}
        </button>
      ))}
    </nav>
  );
}
