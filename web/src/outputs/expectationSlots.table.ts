// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from './light/ExpectationSlots.tsx';
import { text } from './screen/ExpectationSlots.tsx';
import { screen } from './screen/ExpectationSlots.tsx';
import { tone } from './sound/ExpectationSlots.tsx';
import { servo } from './motion/ExpectationSlots.tsx';
import { motor } from './motion/ExpectationSlots.tsx';
import { midi } from './midi/ExpectationSlots.tsx';
import { typist } from './typing/ExpectationSlots.tsx';
import { lights } from './lights/ExpectationSlots.tsx';
import { line } from './switching/ExpectationSlots.tsx';
import { serial } from './serial/ExpectationSlots.tsx';
import { setting } from './module/ExpectationSlots.tsx';
import { player } from './player/ExpectationSlots.tsx';

export const expectationSlots = {
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
