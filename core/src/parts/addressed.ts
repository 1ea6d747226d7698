import { signal } from '../gadget/index.ts';
import { listens, mv, perMille, powerEnds, ua } from './kind.ts';

/** Figures of lights that each keep a colour and are told over one data line, besides how many there are. */
export const addressedFigures = {
  supplyMinMv: mv('Works from'),
  supplyMaxMv: mv('Works up to'),
  eachUa: ua('Each at full white'),
  idleUa: ua('Each when dark'),
  usualPerMille: perMille('Usual share of full white'),
};
/** Source: reckoning, Electric: pixel lights. */
export const addressedDefaults = {
  supplyMinMv: 3_700,
  supplyMaxMv: 5_300,
  eachUa: 60_000,
  idleUa: 1_000,
  usualPerMille: 150,
};

interface Addressed {
  pixels: number;
  supplyMinMv: number;
  supplyMaxMv: number;
  eachUa: number;
  idleUa: number;
  usualPerMille: number;
}
/** What follows from them. */
export const addressed = {
  terminals: ({ pixels, eachUa }: Addressed) => [
    signal('data', 'out', listens),
    ...powerEnds({ worstUa: pixels * eachUa }),
  ],
  draws: ({ pixels, eachUa, idleUa, usualPerMille }: Addressed) => ({
    typicalUa: Math.round(pixels * (idleUa + (eachUa * usualPerMille) / 1_000)),
    worstUa: pixels * eachUa,
  }),
  supply: ({ supplyMinMv, supplyMaxMv }: Addressed) => ({ minMv: supplyMinMv, maxMv: supplyMaxMv }),
};
