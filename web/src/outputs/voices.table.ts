// Written by scripts/registries.mjs from the files beside it; do not edit.
import { tone } from './sound/voices.ts';
import { midi } from './midi/voices.ts';
import { player } from './player/voices.ts';

export const voices = {
  tone,
  midi,
  player,
};
