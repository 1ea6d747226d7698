import type { DebounceSetting, Edge } from '../../gadget/index.ts';
import { noiseAt } from '../../kernel/index.ts';
import { Clock } from '../readings.ts';
import { Bench, type Presses, type Tally } from './tally.ts';

/** Between two presses that are each judged from rest: longer than any debouncing waits. */
const restUs = 2_000_000;

/**
 * Presses given by their edges from the first touch at 0, put one after the other, each from rest and each at its own
 * place between two turns.
 */
export function apart(presses: readonly (readonly Edge[])[], heldUs: number, periodUs: number): Presses {
  const downUs = Float64Array.from(
    presses,
    (_, index) => index * (heldUs + restUs) + (noiseAt(0, 0, index) % periodUs),
  );
  return {
    presses: presses.length,
    downUs,
    upUs: downUs.map((us) => us + heldUs),
    edgeUs: Float64Array.from(
      presses.flatMap((edges, index) => edges.map(({ atUs }) => atUs + downUs[index]!)),
    ),
  };
}

/**
 * How a setting does on a set of presses, each from rest.
 * @param presses raw edges from the first touch at 0, each held for `heldUs`
 */
export function measureSetting(
  setting: DebounceSetting,
  periodUs: number,
  presses: readonly (readonly Edge[])[],
  heldUs: number,
): Tally {
  return new Bench(apart(presses, heldUs, periodUs), new Clock(periodUs)).tally(setting);
}
