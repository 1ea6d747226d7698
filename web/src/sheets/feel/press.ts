import {
  algorithms,
  cleanEdges,
  defaultSetting,
  type Button,
  type DebounceSetting,
  type Edge,
  type GestureKind,
  type MadePress,
  type TraceEntry,
  type WireTrace,
} from '@hum-lever/core';

/** One real press, taken from the trace. Times are absolute, so that the turns of the loop fall where they fell. */
export interface RealPress {
  downUs: number;
  /** null: still held. */
  upUs: number | null;
  raw: Edge[];
  clean: Edge[];
  gestures: { atUs: number; gesture: GestureKind }[];
}

/** The newest press of a control up to a moment, with everything it led to before the next; null: none yet. */
export function lastPress(
  trace: readonly TraceEntry[],
  controlId: string,
  untilUs: number,
): RealPress | null {
  const start = trace.findLastIndex(
    (entry) => entry.lane === 'finger' && entry.id === controlId && entry.down && entry.atUs <= untilUs,
  );
  if (start < 0) return null;
  const press: RealPress = { downUs: trace[start]!.atUs, upUs: null, raw: [], clean: [], gestures: [] };
  for (const entry of trace.slice(start + 1)) {
    if (!('id' in entry) || entry.id !== controlId) continue;
    if (entry.lane === 'finger') {
      if (entry.down) break;
      press.upUs = entry.atUs;
    } else if (entry.lane === 'contact') press.raw.push({ atUs: entry.atUs, level: entry.level });
    else if (entry.lane === 'clean') press.clean.push({ atUs: entry.atUs, level: entry.level });
    else if (entry.lane === 'gesture') press.gestures.push({ atUs: entry.atUs, gesture: entry.gesture });
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

export type View = 'ends' | 'whole';

export interface Window {
  fromUs: number;
  toUs: number;
}

/** Least span of a magnified end: what is quicker than this needs no more room. */
const leastSpanUs = 4_000;

/**
 * The stretches of time that a view shows: the two ends of the press, at one scale, or all of it.
 * A press that is still held has one end.
 */
export function windowsOf(press: RealPress, answers: Answer[], view: View): Window[] {
  const ends = [press.raw, press.clean, ...answers.map(({ edges }) => edges)].flat().map(({ atUs }) => atUs);
  const { downUs, upUs } = press;
  const lastUs = (fromUs: number, limitUs: number) =>
    Math.max(fromUs + leastSpanUs, ...ends.filter((at) => at >= fromUs && at < limitUs));
  if (view === 'whole') {
    const endUs = lastUs(upUs ?? downUs, Infinity);
    const padUs = (endUs - downUs) * 0.04;
    return [{ fromUs: downUs - padUs, toUs: endUs + padUs }];
  }
  const spans = [{ atUs: downUs, endUs: lastUs(downUs, upUs ?? Infinity) }];
  if (upUs !== null) spans.push({ atUs: upUs, endUs: lastUs(upUs, Infinity) });
  const spanUs = Math.max(...spans.map(({ atUs, endUs }) => endUs - atUs));
  return spans.map(({ atUs }) => ({ fromUs: atUs - spanUs * 0.08, toUs: atUs + spanUs * 1.12 }));
}

/** Presses that hands have made, whole ones, of any button. */
export function madePresses(trace: readonly TraceEntry[]): MadePress[] {
  const downs = new Map<string, number>();
  const presses: MadePress[] = [];
  for (const entry of trace) {
    if (entry.lane !== 'finger') continue;
    const downUs = downs.get(entry.id);
    if (entry.down) downs.set(entry.id, entry.atUs);
    else if (downUs !== undefined) presses.push({ atUs: downUs, heldUs: entry.atUs - downUs });
  }
  return presses.sort((a, b) => a.atUs - b.atUs);
}

/** Everything that a contact has done on the strip, as a record of a wire; time begins with the strip's first entry. */
export function wireOf(trace: readonly TraceEntry[], { id, name }: Pick<Button, 'id' | 'name'>): WireTrace {
  const startUs = trace[0]?.atUs ?? 0;
  const edges = trace.flatMap((entry): Edge[] =>
    entry.lane === 'contact' && entry.id === id ? [{ atUs: entry.atUs - startUs, level: entry.level }] : [],
  );
  const first = edges[0]?.level === 0 ? 1 : 0;
  return { name, first, edges, endUs: (trace.at(-1)?.atUs ?? 0) - startUs };
}
