import type { TraceEntry } from '../machine/index.ts';

/** Two texts that change places on a display, over and over. */
export interface Alternating {
  outputId: string;
  texts: readonly [string, string];
  /** Changes from one to the other, a second. */
  perSecond: number;
}

/** So often, in the time that is looked at, one of them has to come back: less is a blink, or a clock that stands still. */
const leastReturns = 5;

interface Place {
  outputId: string;
  /** The two that stood there last, the newer one first. */
  now: string;
  before: string | null;
  returns: number;
  changes: number;
  firstUs: number;
  lastUs: number;
}

/** What is written at each place of a display by an entry: rows of characters, and texts of a page by their order. */
function writtenBy(entry: TraceEntry): (readonly [place: string, text: string])[] {
  if (entry.lane === 'text') return [[`${entry.id} row ${entry.row}`, entry.text.trim()]];
  if (entry.lane !== 'screen') return [];
  return entry.texts.map((text, n) => [`${entry.id} ${entry.pageId} ${n}`, text] as const);
}

/**
 * Texts that flicker: at one place the same two come and go in turn. One that goes on to others, as a clock does, and
 * one that comes and goes with nothing, as a blink does, are none.
 * @param trace of a stretch in which nobody does anything
 */
export function alternatingIn(trace: readonly TraceEntry[]): Alternating[] {
  const places = new Map<string, Place>();
  for (const entry of trace)
    for (const [key, text] of writtenBy(entry)) {
      const place = places.get(key);
      if (!place) {
        places.set(key, {
          outputId: (entry as { id: string }).id,
          now: text,
          before: null,
          returns: 0,
          changes: 0,
          firstUs: 0,
          lastUs: 0,
        });
        continue;
      }
      if (text === place.now) continue;
      if (text === place.before && text !== '' && place.now !== '') place.returns += 1;
      place.before = place.now;
      place.now = text;
      place.changes += 1;
      if (place.changes === 1) place.firstUs = entry.atUs;
      place.lastUs = entry.atUs;
    }
  return [...places.values()].flatMap(
    ({ outputId, now, before, returns, changes, firstUs, lastUs }): Alternating[] => {
      if (returns < leastReturns || before === null) return [];
      const texts = [before, now].sort() as [string, string];
      return [
        {
          outputId,
          texts,
          perSecond: Math.round(((changes - 1) * 1_000_000) / Math.max(1, lastUs - firstUs)),
        },
      ];
    },
  );
}
