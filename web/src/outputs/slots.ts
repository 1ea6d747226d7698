import type { OutputActionKind } from '@hum-lever/core';
import { light } from './light/slots.tsx';
import { lights } from './lights/slots.tsx';
import { midi } from './midi/slots.tsx';
import { moved } from './motion/slots.tsx';
import { text } from './screen/slots.tsx';
import { tone } from './sound/slots.tsx';
import type { SlotsBy } from './slotsBy.ts';
import { line } from './switching/slots.tsx';
import { typist } from './typing/slots.tsx';

/** Everything that an output can be told has its sentence: one that is missing here fails to compile. */
export const outputSlots: SlotsBy<OutputActionKind> = {
  ...light,
  ...lights,
  ...text,
  ...tone,
  ...moved,
  ...midi,
  ...line,
  ...typist,
};
