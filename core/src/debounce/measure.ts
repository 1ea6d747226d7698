import type { DebounceSetting, Edge } from '../gadget/index.ts';
import { noiseAt } from '../kernel/index.ts';
import { cleanEdges } from './clean.ts';

export interface Measure {
  presses: number;
  /** Presses answered more than once. */
  extra: number;
  /** Presses never answered. */
  missed: number;
  /** From the finger to the clean press, of those answered; null: none was. */
  medianUs: number | null;
  worstUs: number | null;
}

/**
 * How a setting does on a set of presses, each from rest and each at its own place between two turns.
 * @param presses raw edges from the first touch at 0
 */
export function measureSetting(
  setting: DebounceSetting,
  periodUs: number,
  presses: readonly (readonly Edge[])[],
): Measure {
  let extra = 0;
  let missed = 0;
  const latencies: number[] = [];
  presses.forEach((edges, index) => {
    const touchUs = noiseAt(0, 0, index) % periodUs;
    const clean = cleanEdges(
      setting,
      periodUs,
      edges.map(({ atUs, level }) => ({ atUs: atUs + touchUs, level })),
    ).filter(({ level }) => level === 1);
    if (clean.length === 0) missed += 1;
    else latencies.push(clean[0]!.atUs - touchUs);
    if (clean.length > 1) extra += 1;
  });
  latencies.sort((a, b) => a - b);
  return {
    presses: presses.length,
    extra,
    missed,
    medianUs: latencies[latencies.length >> 1] ?? null,
    worstUs: latencies.at(-1) ?? null,
  };
}
