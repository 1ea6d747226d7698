import { Suspense, useState, type ReactNode } from 'react';
import { useEver, useFound } from '../../shared/index.ts';
import classes from './Flow.module.css';

/** A card that is shut until it is wanted, or until something in it is gone to; what is in it comes then. */
export function Fold({
  summary,
  title,
  holds,
  children,
}: {
  summary: ReactNode;
  title?: string;
  /** Ids of the places in it. */
  holds: readonly string[];
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const ledTo = useFound(({ place }) => place !== null && holds.includes(place.id));
  if (ledTo && !open) setOpen(true);
  const ever = useEver(open);
  return (
    <details
      className={`card ${classes.variables}`}
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary title={title}>{summary}</summary>
      {ever && <Suspense fallback={null}>{children}</Suspense>}
    </details>
  );
}
