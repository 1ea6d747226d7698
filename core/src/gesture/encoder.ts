import type { EncoderReading } from '../gadget/index.ts';

/** An encoder on its way from two levels to steps. Plain JSON. */
export interface DecoderState {
  a: 0 | 1;
  b: 0 | 1;
  /** Counts that do not make a step yet. */
  rest: number;
  lastStepUs: number | null;
}

/** As it is read at power-up: whatever the channels say then is where it starts. */
export const decodeRest = (a: 0 | 1, b: 0 | 1): DecoderState => ({ a, b, rest: 0, lastStepUs: null });

export interface Decoded {
  state: DecoderState;
  /** Counts that this reading made, clockwise positive. */
  counts: number;
  /** Steps, with what acceleration makes of them. */
  steps: number;
  /** Both channels have changed since the last reading: which way is anyone's guess, so nothing is counted. */
  skipped: boolean;
}

/** Place in the cycle of the two levels, clockwise: 00, 10, 11, 01. */
const quarter = (a: 0 | 1, b: 0 | 1) => (a === 0 ? (b === 0 ? 0 : 3) : b === 0 ? 1 : 2);

/**
 * The table: from the place in the cycle before to the one now. A neighbour is one count, the place across is two
 * counts of unknown sign.
 */
function byTable(was: DecoderState, a: 0 | 1, b: 0 | 1): { counts: number; skipped: boolean } {
  const moved = (quarter(a, b) - quarter(was.a, was.b) + 4) % 4;
  if (moved === 2) return { counts: 0, skipped: true };
  return { counts: moved === 3 ? -1 : moved, skipped: false };
}

/**
 * The shortcut: on an edge of channel A, channel B tells the way. Every bounce of A counts again, which is its
 * fault. Where four counts make a step only the rising edge is looked at; else both edges, two counts each.
 */
function byEdge(
  was: DecoderState,
  a: 0 | 1,
  b: 0 | 1,
  countsPerStep: number,
): { counts: number; skipped: boolean } {
  const rising = was.a === 0 && a === 1;
  const falling = was.a === 1 && a === 0;
  const each = countsPerStep === 4 ? 4 : 2;
  if (rising) return { counts: b === 0 ? each : -each, skipped: false };
  if (falling && countsPerStep < 4) return { counts: b === 1 ? each : -each, skipped: false };
  return { counts: 0, skipped: false };
}

/** How many a step counts for that comes so long after the one before it; 1 without acceleration. */
export function quickening(reading: Pick<EncoderReading, 'faster'>, gapUs: number | null): number {
  const { faster } = reading;
  if (faster === null || gapUs === null || gapUs >= faster.fromUs) return 1;
  return Math.max(1, Math.min(faster.most, Math.round(faster.fromUs / Math.max(1, gapUs))));
}

/** One reading of both channels. Turning back takes the same counts the same way: what is left over keeps its sign. */
export function feedChannels(
  state: DecoderState,
  a: 0 | 1,
  b: 0 | 1,
  nowUs: number,
  reading: EncoderReading,
): Decoded {
  const seen = reading.method === 'table' ? byTable(state, a, b) : byEdge(state, a, b, reading.countsPerStep);
  const counts = reading.reversed ? -seen.counts : seen.counts;
  const sum = state.rest + counts;
  const plain = Math.trunc(sum / reading.countsPerStep);
  if (plain === 0) return { state: { ...state, a, b, rest: sum }, counts, steps: 0, skipped: seen.skipped };
  const gapUs = state.lastStepUs === null ? null : nowUs - state.lastStepUs;
  return {
    state: { a, b, rest: sum - plain * reading.countsPerStep, lastStepUs: nowUs },
    counts,
    steps: plain * quickening(reading, gapUs),
    skipped: seen.skipped,
  };
}

/** Steps that one whole turn gives at that speed, with acceleration. @param turnUs for the whole turn */
export function stepsPerTurn(
  reading: EncoderReading,
  detents: number,
  countsPerDetent: number,
  turnUs: number,
): number {
  const plain = Math.floor((detents * countsPerDetent) / reading.countsPerStep);
  return plain === 0 ? 0 : plain * quickening(reading, turnUs / plain);
}
