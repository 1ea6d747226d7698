import type { OutputOf } from '@hum-lever/core';
import { OutputFigure } from '../Figure.tsx';
import { moverUnits } from './units.ts';
import { useOutput } from '../useOutput.ts';

/** A servo or motor, with where it is or how hard it runs. */
export function Mover({ output: { id, kind, name } }: { output: OutputOf<'servo' | 'motor'> }) {
  const value = useOutput(kind, id)?.value ?? 0;
  return (
    <OutputFigure id={id} name={name} on={value > 0}>
      {value}
      {'\u202f'}
      {moverUnits[kind]}
    </OutputFigure>
  );
}
