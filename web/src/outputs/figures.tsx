import { edit } from '../client/index.ts';
import type { Output, OutputKind } from '@hum-lever/core';
import type { ReactNode } from 'react';
import type { FiguresOf } from './figuresOf.ts';
import { LightFigures } from './light/figures.tsx';
import { LightsFigures } from './lights/figures.tsx';
import { TextFigures } from './screen/figures.tsx';
import { LineFigures } from './switching/figures.tsx';
import { ToneFigures } from './sound/figures.tsx';

const nothing = () => null;
/** One that is missing here fails to compile. */
const figures: { readonly [K in OutputKind]: FiguresOf<K> } = {
  light: LightFigures,
  text: TextFigures,
  tone: ToneFigures,
  servo: nothing,
  motor: nothing,
  midi: nothing,
  typist: nothing,
  lights: LightsFigures,
  line: LineFigures,
};

/** The fields of an output on the sheet of parts. */
export function OutputFigures({ output }: { output: Output }) {
  const Fields = figures[output.kind] as (props: {
    output: Output;
    change: (patch: Partial<Output>) => string | null;
  }) => ReactNode;
  return (
    <Fields
      output={output}
      change={(patch) => edit({ name: 'changeOutput', args: [output.id, patch as never] })}
    />
  );
}
