import type { OutputOf } from '@hum-lever/core';
import { OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';

const units = { servo: '°', motor: '%' } as const;

/** A servo or motor, with where it is or how hard it runs. */
export function Mover({ output: { id, kind, name } }: { output: OutputOf<'servo' | 'motor'> }) {
  const value = useOutput(kind, id)?.value ?? 0;
  return (
    <OutputFigure id={id} name={name} on={value > 0}>
      {value}
      {'\u202f'}
      {units[kind]}
    </OutputFigure>
  );
}
