// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from './light/figures.tsx';
import { text } from './screen/figures.tsx';
import { screen } from './screen/figures.tsx';
import { tone } from './sound/figures.tsx';
import { servo } from './motion/figures.ts';
import { motor } from './motion/figures.ts';
import { midi } from './midi/figures.tsx';
import { typist } from './typing/figures.ts';
import { lights } from './lights/figures.tsx';
import { line } from './switching/figures.tsx';
import { serial } from './serial/figures.tsx';
import { setting } from './module/figures.tsx';
import { player } from './player/figures.tsx';

export const figures = {
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
