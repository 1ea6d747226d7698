import type { Colour } from '@hum-lever/core';
import { cssOf } from './inks.ts';
import classes from './Swatches.module.css';

/** Inks to choose from, by their number. */
export function Swatches({
  label,
  inks,
  chosen,
  choose,
}: {
  label: string;
  inks: readonly { ink: number; colour: Colour }[];
  chosen: unknown;
  choose: (ink: number) => void;
}) {
  return (
    <span role="group" aria-label={label} className={classes.swatches}>
      {inks.map(({ ink, colour }) => (
        <button
          key={ink}
          type="button"
          className={classes.swatch}
          aria-label={`Ink ${ink}`}
          title={`Ink ${ink}`}
          aria-pressed={chosen === ink}
          onClick={() => choose(ink)}
        >
          <span style={{ background: cssOf(colour) }} />
          <span className="number">{ink}</span>
        </button>
      ))}
    </span>
  );
}
