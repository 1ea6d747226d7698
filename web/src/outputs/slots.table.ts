// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from './light/slots.tsx';
import { text } from './screen/slots.tsx';
import { screen } from './screen/slots.tsx';
import { tone } from './sound/slots.tsx';
import { midi } from './midi/slots.tsx';
import { typist } from './typing/slots.tsx';
import { lights } from './lights/slots.tsx';
import { line } from './switching/slots.tsx';
import { serial } from './serial/slots.tsx';
import { setting } from './module/slots.tsx';
import { player } from './player/slots.tsx';
import { moved } from './motion/slots.tsx';

export const slots = {
  ...light,
  ...text,
  ...screen,
  ...tone,
  ...midi,
  ...typist,
  ...lights,
  ...line,
  ...serial,
  ...setting,
  ...player,
  ...moved,
};
