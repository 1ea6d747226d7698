import type { OutputOf } from '@hum-lever/core';
import { OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';
import classes from './Setting.module.css';

/** What the module has taken, on a scale from its lowest to its highest value; a mark shows what is on its way. */
export function SettingInHand({ output }: { output: OutputOf<'setting'> }) {
  const { id, name, unit, low, high, start } = output;
  const { value, queue } = useOutput('setting', id) ?? { value: start, queue: [] };
  const at = (one: number) => 2 + (36 * (one - low)) / (high - low);
  const drawn = (
    <svg viewBox="0 0 40 12" className={classes.scale} aria-hidden>
      <path d="M2 9H38M2 6V11M38 6V11M20 7V10" />
      <path className={classes.pointer} d="M0 8L-3 2H3Z" transform={`translate(${at(value)} 0)`} />
      {queue[0] !== undefined && <circle className={classes.coming} cx={at(queue[0])} cy="9" r="2" />}
    </svg>
  );
  return (
    <OutputFigure id={id} name={name} drawn={drawn}>
      {value}
      {unit !== '' && `\u202f${unit}`}
      {queue.length > 0 && ` ← ${queue.at(-1)}`}
    </OutputFigure>
  );
}
