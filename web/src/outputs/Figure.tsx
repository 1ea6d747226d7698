import type { ReactNode } from 'react';
import { useIsLit } from '../shared/index.ts';
import classes from './Figure.module.css';

/** An output that is told by its name and what it does just now. @param on null: it has nothing that could be on */
export function OutputFigure({
  id,
  name,
  on,
  children,
}: {
  id: string;
  name: string;
  on: boolean | null;
  children: ReactNode;
}) {
  const pointed = useIsLit(id);
  return (
    <figure className={classes.sounder} data-on={on || undefined} data-lit={pointed}>
      {on !== null && <span className={classes.grille} aria-hidden />}
      <figcaption>
        {name}
        <span className="number">{children}</span>
      </figcaption>
    </figure>
  );
}
