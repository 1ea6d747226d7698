import type { ReactNode } from 'react';
import { useIsLit } from '../shared/index.ts';
import classes from './Figure.module.css';

/** What sounds, drawn as the holes of its case. */
export const grille = <span className={classes.grille} aria-hidden />;

/** An output that is told by its name and what it does just now. @param drawn what it looks like; without: by its name alone */
export function OutputFigure({
  id,
  name,
  on = false,
  drawn,
  children,
}: {
  id: string;
  name: string;
  on?: boolean;
  drawn?: ReactNode;
  children: ReactNode;
}) {
  const pointed = useIsLit(id);
  return (
    <figure className={classes.sounder} data-on={on || undefined} data-lit={pointed}>
      {drawn}
      <figcaption>
        {name}
        <span className="number">{children}</span>
      </figcaption>
    </figure>
  );
}
