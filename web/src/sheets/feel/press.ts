import {
  algorithms,
  cleanEdges,
  defaultSetting,
  type Button,
  type DebounceSetting,
  type Edge,
  type TraceEntry,
} from '@hum-lever/core';

/** One real press, taken from the trace. Times are absolute, so that the turns of the loop fall where they fell. */
export interface RealPress {
  downUs: number;
  /** null: still held. */
  upUs: number | null;
  raw: Edge[];
  clean: Edge[];
  gestures: { atUs: number; gesture: string }[];
}

/** The newest press of a control up to a moment, with everything it led to before the next; null: none yet. */
export function lastPress(
  trace: readonly TraceEntry[],
  controlId: string,
  untilUs: number,
): RealPress | null {
  const start = trace.findLastIndex(
    (entry) => entry.lane === 'finger' && entry.id === controlId && entry.down && entry.at <= untilUs,
  );
  if (start < 0) return null;
  const press: RealPress = { downUs: trace[start]!.at, upUs: null, raw: [], clean: [], gestures: [] };
  for (const entry of trace.slice(start + 1)) {
    if (!('id' in entry) || entry.id !== controlId) continue;
    if (entry.lane === 'finger') {
      if (entry.down) break;
      press.upUs = entry.at;
    } else if (entry.lane === 'contact') press.raw.push({ atUs: entry.at, level: entry.level });
    else if (entry.lane === 'clean') press.clean.push({ atUs: entry.at, level: entry.level });
    else if (entry.lane === 'gesture') press.gestures.push({ atUs: entry.at, gesture: entry.gesture });
  }
  return press;
}

export interface Answer {
  setting: DebounceSetting;
  title: string;
  /** Whether it is the one in hand. */
  chosen: boolean;
  edges: Edge[];
  /** Times it came through, and how long after the finger the first time was. */
  presses: number;
  latencyUs: number | null;
}

/** The setting each algorithm is tried with: the button's own for its own algorithm, else the default. */
export function settingsToTry(button: Button): DebounceSetting[] {
  return algorithms.map(({ id }) =>
    id === button.debounce.algorithm ? button.debounce : defaultSetting(id),
  );
}

/** What every algorithm would have made of that very press, from rest. */
export function answersTo(press: RealPress, button: Button, periodUs: number): Answer[] {
  return settingsToTry(button).map((setting, index) => {
    const edges = cleanEdges(setting, periodUs, press.raw);
    const down = edges.filter(({ level }) => level === 1);
    return {
      setting,
      title: algorithms[index]!.title,
      chosen: setting === button.debounce,
      edges,
      presses: down.length,
      latencyUs: down.length > 0 ? down[0]!.atUs - press.downUs : null,
    };
  });
}

export type View = 'closing' | 'whole' | 'opening';

/** The stretch of time that a view magnifies. */
export function windowOf(press: RealPress, answers: Answer[], view: View): { fromUs: number; toUs: number } {
  const ends = [press.raw, press.clean, ...answers.map(({ edges }) => edges)].flat().map(({ atUs }) => atUs);
  const endUs = Math.max(press.downUs + 5_000, press.upUs ?? 0, ...ends);
  if (view === 'whole')
    return {
      fromUs: press.downUs - (endUs - press.downUs) * 0.03,
      toUs: endUs + (endUs - press.downUs) * 0.03,
    };
  const startUs = view === 'closing' ? press.downUs : (press.upUs ?? press.downUs);
  const limitUs = view === 'closing' ? (press.upUs ?? Infinity) : Infinity;
  const lastUs = Math.max(startUs + 4_000, ...ends.filter((at) => at >= startUs && at < limitUs));
  const padUs = (lastUs - startUs) * 0.08;
  return { fromUs: startUs - padUs, toUs: lastUs + 2 * padUs };
}
