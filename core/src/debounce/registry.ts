// Written by scripts/registries.mjs from the files beside it; do not edit.
import { none } from './algorithms/none.algorithm.ts';
import { lockout } from './algorithms/lockout.algorithm.ts';
import { asymmetric } from './algorithms/asymmetric.algorithm.ts';
import { stable } from './algorithms/stable.algorithm.ts';
import { blocking } from './algorithms/blocking.algorithm.ts';
import { integrator } from './algorithms/integrator.algorithm.ts';
import { history } from './algorithms/history.algorithm.ts';
import { vertical } from './algorithms/vertical.algorithm.ts';
import { rc } from './algorithms/rc.algorithm.ts';

export const algorithms = [none, lockout, asymmetric, stable, blocking, integrator, history, vertical, rc] as const;
