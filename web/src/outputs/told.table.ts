// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from './light/told.ts';
import { text } from './screen/told.ts';
import { screen } from './screen/told.ts';
import { tone } from './sound/told.ts';
import { midi } from './midi/told.ts';
import { typist } from './typing/told.ts';
import { lights } from './lights/told.ts';
import { line } from './switching/told.ts';
import { serial } from './serial/told.ts';
import { setting } from './module/told.ts';
import { player } from './player/told.ts';
import { moved } from './motion/told.ts';

export const told = {
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
