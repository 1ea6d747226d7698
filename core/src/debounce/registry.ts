// Written by scripts/registries.mjs from the files beside it; do not edit.
import { integrator } from './algorithms/integrator.algorithm.ts';
import { lockout } from './algorithms/lockout.algorithm.ts';
import { none } from './algorithms/none.algorithm.ts';
import { stable } from './algorithms/stable.algorithm.ts';

export const algorithms = [integrator, lockout, none, stable] as const;
