// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from './light/offers.ts';
import { lights } from './lights/offers.ts';
import { text } from './screen/offers.ts';
import { screen } from './screen/offers.ts';
import { tone } from './sound/offers.ts';
import { midi } from './midi/offers.ts';
import { line } from './switching/offers.ts';
import { motor } from './motion/offers.ts';
import { player } from './player/offers.ts';
import { serial } from './serial/offers.ts';
import { servo } from './motion/offers.ts';
import { setting } from './module/offers.ts';
import { typist } from './typing/offers.ts';

export const offers = {
  light,
  lights,
  text,
  screen,
  tone,
  midi,
  line,
  motor,
  player,
  serial,
  servo,
  setting,
  typist,
};
