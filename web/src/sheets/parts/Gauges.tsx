import { boardOf, gaugesOf, type Gauge } from '@hum-lever/core';
import { useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { showBytes, showCurrent } from '../../shared/index.ts';
import classes from './Parts.module.css';

const words: Record<Gauge['id'], { title: string; show: (value: number) => string }> = {
  pins: { title: 'Pins', show: String },
  analog: { title: 'Analog inputs', show: String },
  pwm: { title: 'Dimming (PWM)', show: String },
  edge: { title: 'Interrupt, wake-up', show: String },
  bus: { title: 'Bus lines', show: String },
  railTypical: { title: 'Current, typically', show: showCurrent },
  railWorst: { title: 'Current at worst', show: showCurrent },
  ram: { title: 'Memory (RAM), known', show: showBytes },
  flash: { title: 'Program (flash), known', show: showBytes },
  settings: { title: 'Settings memory', show: showBytes },
};

/** What the parts take of the board, as bars. */
export function Gauges() {
  const gadget = useDocument();
  const board = boardOf(gadget);
  const gauges = useMemo(() => gaugesOf(gadget), [gadget]);
  if (!board || gadget.parts.length === 0) return null;
  return (
    <section aria-label="Gauges">
      <h2 className={classes.heading}>What the parts take of {board.name}</h2>
      <ul className={classes.gauges}>
        {gauges.map(({ id, used, of }) => {
          const { title, show } = words[id];
          const over = of !== null && used > of;
          const share = of === null || of === 0 ? (used > 0 ? 1 : 0) : Math.min(1, used / of);
          return (
            <li key={id} data-over={over || undefined}>
              <span>{title}</span>
              <span className="number">
                {show(used)}
                {of !== null && <span className="soft"> of {show(of)}</span>}
              </span>
              <span className={classes.bar} aria-hidden>
                <span style={{ width: `${Math.round(share * 100)}%` }} />
              </span>
              {over && <strong>too much</strong>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
