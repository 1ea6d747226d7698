import { Button } from '@mantine/core';
import { differences, madeThings, type Difference, type Menu } from '@hum-lever/core';
import { useMemo } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { count } from '../../../shared/index.ts';
import classes from './Menus.module.css';

const howWords: Record<Difference['how'], string> = {
  changed: 'would be made otherwise',
  gone: 'would come back',
  own: 'would go',
};
/** More than that are counted. */
const told = 6;

/** What is kept by hand since the menu was opened out, and what the menu would make of it. */
export function OpenedOut({ menu }: { menu: Menu }) {
  const gadget = useDocument();
  const found = useMemo(() => differences(gadget, menu), [gadget, menu]);
  return (
    <div className={classes.openedOut}>
      <p>
        It stands in Flow as states and rules that are kept by hand; the outline changes nothing there.{' '}
        {found.length === 0
          ? 'Nothing differs from what the outline would make.'
          : `Worked out anew, ${count(found.length, 'thing differs', 'things differ')}:`}
      </p>
      <ul>
        {found.slice(0, told).map(({ kind, id, name, how }) => (
          <li key={`${kind} ${id} ${how}`}>
            {kind === 'rule' ? `a rule of ${name}` : `${kind} ${name}`} {howWords[how]}
          </li>
        ))}
        {found.length > told && <li>and {found.length - told} more</li>}
      </ul>
      <Button
        size="compact-sm"
        variant="default"
        onClick={() => edit({ name: 'closeMenu', args: [menu.id, { ids: madeThings(gadget, menu) }] })}
      >
        Go back to the outline
      </Button>
    </div>
  );
}
