import { ActionIcon, Button } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { sameForAlike } from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { edit, useGadget } from '../client/index.ts';
import classes from './Workshop.module.css';

/** So many are named; of the others it is said how many there are. */
const named = 3;
const listed = (names: readonly string[]): string => {
  const shown = names.slice(0, names.length > named + 1 ? named : names.length);
  const all = shown.length < names.length ? [...shown, `${names.length - shown.length} more`] : shown;
  return all.length === 1 ? all[0]! : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;
};

/** What was just changed of one of several that are alike, offered for the others; gone with the next change. */
export default function Alike() {
  const { document, made } = useGadget();
  const [passed, setPassed] = useState<typeof made>(null);
  const offer = useMemo(
    // Undone, there is nothing to do to others.
    () => (made && made.is === document ? sameForAlike(made.was, made.is) : null),
    [made, document],
  );
  if (!offer || passed === made) return null;
  const { changed, others } = offer;
  return (
    <aside className={classes.alike} aria-label="Others like it">
      <span role="status">
        Only {changed} was changed. {listed(others)} {others.length === 1 ? 'is' : 'are'} of the same class.
      </span>
      <Button size="compact-sm" variant="default" onClick={() => edit(offer.edit)}>
        {others.length === 1 ? 'Change it too' : `Change these ${others.length} too`}
      </Button>
      <ActionIcon variant="subtle" size="sm" aria-label="Leave the others" onClick={() => setPassed(made)}>
        <IconX size={15} />
      </ActionIcon>
    </aside>
  );
}
