import type { OutputOf } from '@hum-lever/core';
import { OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';
import classes from './Switch.module.css';
import { lineWords } from './words.ts';

/** A contact that closes and opens; in between it lets go. */
export function SwitchInHand({ output: { id, name, switches, powerUp } }: { output: OutputOf<'line'> }) {
  const { level, carrierHz } = useOutput('line', id) ?? { level: powerUp, carrierHz: 0 };
  const turn = level === 'on' ? 0 : level === 'off' ? -28 : -50;
  const drawn = (
    <svg viewBox="0 0 40 20" className={classes.contact} data-on={level === 'on' || undefined} aria-hidden>
      <path d="M1 14H9M31 14H39" />
      <path d="M10 14H30" style={{ transform: `rotate(${turn}deg)`, transformOrigin: '10px 14px' }} />
      <circle cx="10" cy="14" r="1.8" />
      <circle cx="30" cy="14" r="1.8" />
    </svg>
  );
  return (
    <OutputFigure id={id} name={name} drawn={drawn}>
      {switches === '' ? '' : `${switches} `}
      {lineWords(level, carrierHz)}
    </OutputFigure>
  );
}
