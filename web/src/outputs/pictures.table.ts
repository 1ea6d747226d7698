// Written by scripts/registries.mjs from the files beside it; do not edit.
import { text } from './screen/picture.ts';
import { screen } from './screen/picture.ts';
import { serial } from './serial/picture.ts';
import { lights } from './lights/picture.ts';
import { light } from './light/picture.ts';
import { tone } from './sound/picture.ts';
import { player } from './player/picture.ts';
import { servo } from './motion/picture.ts';
import { motor } from './motion/picture.ts';
import { line } from './switching/picture.ts';
import { setting } from './module/picture.ts';
import { midi } from './midi/picture.ts';
import { typist } from './typing/picture.ts';

export const pictures = {
  text,
  screen,
  serial,
  lights,
  light,
  tone,
  player,
  servo,
  motor,
  line,
  setting,
  midi,
  typist,
};
