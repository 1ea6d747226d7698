import type { Output, OutputKind, OutputOf } from '@hum-lever/core';
import type { ReactNode } from 'react';
import { LightInHand } from './light/LightInHand.tsx';
import { LightsInHand } from './lights/LightsInHand.tsx';
import { Mover } from './motion/Mover.tsx';
import { Display } from './screen/Display.tsx';
import { SentLine } from './SentLine.tsx';
import { Sounder } from './sound/Sounder.tsx';

import { ComputerInHand } from './typing/ComputerInHand.tsx';
import { SwitchInHand } from './switching/SwitchInHand.tsx';

type Picture<K extends OutputKind> = (props: { output: OutputOf<K> }) => ReactNode;

/** Every kind has its picture in hand, in this order; one that is missing here fails to compile. */
const pictures: { readonly [K in OutputKind]: Picture<K> } = {
  text: Display,
  lights: LightsInHand,
  light: LightInHand,
  tone: Sounder,
  servo: Mover,
  motor: Mover,
  line: SwitchInHand,
  midi: SentLine,
  typist: ComputerInHand,
};
/** Those that take the whole width, above all else. */
const wide: ReadonlySet<OutputKind> = new Set(['text']);

/** Outputs in hand, kind by kind. @param across those that take the whole width, or all others */
export function Pictures({ outputs, across }: { outputs: readonly Output[]; across: boolean }) {
  const kinds = (Object.keys(pictures) as OutputKind[]).filter((kind) => wide.has(kind) === across);
  return kinds.flatMap((kind) => {
    const Shown = pictures[kind] as (props: { output: Output }) => ReactNode;
    return outputs.flatMap((output) =>
      output.kind === kind ? [<Shown key={output.id} output={output} />] : [],
    );
  });
}
