import type { OutputOf } from '@hum-lever/core';
import { useEffect, useRef } from 'react';
import { OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';
import classes from './Mover.module.css';
import { moverUnits } from './units.ts';

/** Small servos turn by 60° in about 0.12 s without a load. */
const msPerDegree = 2;
/** A wheel at full speed is drawn as one turn in this time: faster could not be seen. */
const fullTurnMs = 600;

/** An arm that turns to its angle at the speed of a small servo. */
function Arm({ value, reachDeg }: { value: number; reachDeg: number }) {
  const arm = useRef<SVGLineElement>(null);
  const was = useRef(value);
  useEffect(() => {
    // Set before the angle: it takes as long as the way is.
    arm.current?.style.setProperty('transition-duration', `${Math.abs(value - was.current) * msPerDegree}ms`);
    arm.current?.style.setProperty('transform', `rotate(${value - reachDeg / 2}deg)`);
    was.current = value;
  }, [value, reachDeg]);
  return (
    <svg viewBox="0 0 40 40" className={classes.drawn} aria-hidden>
      <rect x="12" y="16" width="16" height="20" rx="2" />
      <line ref={arm} className={classes.arm} x1="20" y1="22" x2="20" y2="5" />
      <circle cx="20" cy="22" r="3" />
    </svg>
  );
}

/** A wheel that turns the faster the harder it runs. */
function Wheel({ percent }: { percent: number }) {
  const durationMs = percent > 0 ? Math.round((fullTurnMs * 100) / percent) : 0;
  return (
    <svg viewBox="0 0 40 40" className={classes.drawn} aria-hidden>
      <circle cx="20" cy="20" r="15" />
      <path
        className={classes.wheel}
        data-runs={percent > 0 || undefined}
        style={{ animationDuration: `${durationMs}ms` }}
        d="M20 20V5M20 20L33 27.5M20 20L7 27.5"
      />
    </svg>
  );
}

/** A servo as an arm or a motor as a wheel, with where it is or how hard it runs. */
export function Mover({ output }: { output: OutputOf<'servo' | 'motor'> }) {
  const { id, kind, name } = output;
  const value = useOutput(kind, id)?.value ?? 0;
  const drawn =
    output.kind === 'servo' ? <Arm value={value} reachDeg={output.reachDeg} /> : <Wheel percent={value} />;
  return (
    <OutputFigure id={id} name={name} on={value > 0} drawn={drawn}>
      {value}
      {'\u202f'}
      {moverUnits[kind]}
    </OutputFigure>
  );
}
