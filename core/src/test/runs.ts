/**
 * How often a property that is dear to try is tried. Enough for every change; before something is released, or where
 * one is doubted, `HUM_LEVER_RUNS=5 npm test` tries each five times as often.
 */
export const runs = (usual: number): number =>
  Math.ceil(usual * ((globalThis as { timesAsOften?: number }).timesAsOften ?? 1));
