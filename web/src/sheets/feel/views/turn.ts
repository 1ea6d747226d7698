import type { Edge, TraceEntry } from '@hum-lever/core';

/** One turn of an encoder, taken from the trace. */
export interface RealTurn {
  fromUs: number;
  spanUs: number;
  detents: number;
  a: Edge[];
  b: Edge[];
  beforeA: 0 | 1;
  beforeB: 0 | 1;
  counted: { atUs: number; text: string }[];
  said: { atUs: number; text: string }[];
  counts: number;
  steps: number;
  missed: number;
}

/** A turn is over when nothing has come for so long. */
const afterUs = 60_000;

/** The newest turn of an encoder up to a moment; clicks close together are one turn. null: none yet. */
export function lastTurn(trace: readonly TraceEntry[], controlId: string, untilUs: number): RealTurn | null {
  const turned = trace.flatMap((entry, index) =>
    entry.lane === 'turned' && entry.id === controlId && entry.atUs <= untilUs ? [{ entry, index }] : [],
  );
  let first = turned.length - 1;
  if (first < 0) return null;
  while (first > 0) {
    const before = turned[first - 1]!.entry;
    if (turned[first]!.entry.atUs - (before.atUs + before.overUs) > afterUs) break;
    first -= 1;
  }
  const clicks = turned.slice(first);
  const { entry: start, index } = clicks[0]!;
  const endUs = Math.max(...clicks.map(({ entry }) => entry.atUs + entry.overUs)) + afterUs;
  const turn: RealTurn = {
    fromUs: start.atUs,
    spanUs: endUs - afterUs / 2 - start.atUs,
    detents: clicks.reduce((sum, { entry }) => sum + entry.detents, 0),
    a: [],
    b: [],
    beforeA: 0,
    beforeB: 0,
    counted: [],
    said: [],
    counts: 0,
    steps: 0,
    missed: 0,
  };
  for (const entry of trace.slice(0, index))
    if (entry.lane === 'channel' && entry.id === controlId)
      turn[entry.channel === 'a' ? 'beforeA' : 'beforeB'] = entry.level;
  for (const entry of trace.slice(index)) {
    if (entry.atUs > Math.min(endUs, untilUs)) break;
    if (!('id' in entry) || entry.id !== controlId) continue;
    if (entry.lane === 'channel') turn[entry.channel].push({ atUs: entry.atUs, level: entry.level });
    else if (entry.lane === 'counted') {
      turn.counts += entry.counts;
      if (entry.skipped) turn.missed += 1;
      turn.counted.push({
        atUs: entry.atUs,
        text: entry.skipped ? 'missed' : String(entry.counts).replace('-', '−'),
      });
    } else if (entry.lane === 'gesture' && (entry.gesture === 'up' || entry.gesture === 'down')) {
      turn.steps += entry.gesture === 'up' ? 1 : -1;
      turn.said.push({ atUs: entry.atUs, text: entry.gesture });
    }
  }
  return turn;
}
