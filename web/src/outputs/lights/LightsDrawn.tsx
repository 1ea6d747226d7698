import type { OutputOf } from '@hum-lever/core';
import classes from './Lights.module.css';
import { paperOf } from './paper.ts';
import { placesOf } from './places.ts';

/** Lights by number in these colours, as they lie; for a look at them, not in hand. */
export function LightsDrawn({
  output,
  colours,
}: {
  output: Pick<OutputOf<'lights'>, 'shape' | 'count' | 'columns'>;
  colours: readonly number[];
}) {
  const { width, height, places, radius } = placesOf(output);
  return (
    <svg className={classes.drawn} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {places.map(({ x, y }, n) => (
        <circle key={n} cx={x} cy={y} r={radius} style={paperOf(colours[n] ?? 0)} />
      ))}
    </svg>
  );
}
