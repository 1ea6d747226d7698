// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from './light/expectation.ts';
import { text } from './screen/expectation.ts';
import { screen } from './screen/expectation.ts';
import { tone } from './sound/expectation.ts';
import { servo } from './motion/expectation.ts';
import { motor } from './motion/expectation.ts';
import { midi } from './midi/expectation.ts';
import { typist } from './typing/expectation.ts';
import { lights } from './lights/expectation.ts';
import { line } from './switching/expectation.ts';
import { serial } from './serial/expectation.ts';
import { setting } from './module/expectation.ts';
import { player } from './player/expectation.ts';

export const expectations = {
  light,
  text,
  screen,
  tone,
  servo,
  motor,
  midi,
  typist,
  lights,
  line,
  serial,
  setting,
  player,
};
