import type { ReactNode } from 'react';
import { useIsLit } from '../../shared/index.ts';
import { brightStyle } from './inks.ts';
import classes from './Display.module.css';

/** What the case has room for; wider displays are drawn smaller, and say so. */
const roomMm = 56;

/** A display as it lies in the case, in its true width where there is room. */
export function DisplayInCase({
  id,
  name,
  wideMm,
  ground,
  bright = 1,
  children,
}: {
  id: string;
  name: string;
  wideMm: number;
  /** Colour of what lies around its pixels. */
  ground: string | undefined;
  /** 1: as usual. */
  bright?: number;
  children: ReactNode;
}) {
  const pointed = useIsLit(id);
  const scale = Math.min(1, roomMm / wideMm);
  return (
    <figure className={classes.display} data-lit={pointed}>
      <div
        className={classes.glass}
        style={{
          width: `${wideMm * scale}mm`,
          background: ground,
          ...brightStyle(bright),
        }}
      >
        {children}
      </div>
      <figcaption>
        {name}
        {scale < 1 && <span className="number"> drawn at {Math.round(scale * 100)} %</span>}
      </figcaption>
    </figure>
  );
}
