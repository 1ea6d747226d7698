import {
  nowActiveIn,
  type Control,
  type EntryOf,
  type Gadget,
  type OutputEntry,
  type TraceEntry,
} from '@hum-lever/core';
import { isOutputEntry, toldOf, type Band } from '../outputs/index.ts';
import type { Stage } from '../shared/index.ts';
import { showMessage } from '../shared/units.ts';
import { byHand } from '../words/index.ts';
import { firstAt } from '../workers/index.ts';

/** One horizontal lane of the strip. */
export interface StripLane {
  key: string;
  stage: Stage;
  label: string;
}

export type Span = { fromUs: number; toUs: number };

/** A piece of a lane, in virtual time. `entry` is the trace entry behind it. */
export type Mark =
  | { kind: 'level'; lane: string; span: Span; level: 0 | 1; entry: number }
  | { kind: 'tick'; lane: string; atUs: number; entry: number; text: string; bad: boolean }
  | { kind: 'band'; lane: string; span: Span; text: string; entry: number; dim: boolean }
  | { kind: 'shade'; span: Span; entry: number }
  /** More happened there than is kept. */
  | { kind: 'thin'; span: Span };

/** Controls that get lanes of their own. A keypad's would push the rest of the path out of sight. */
const controlsShown = 3;

/** The controls that were touched last, in document order; those of a small gadget are all shown. */
export function controlsInView({ controls }: Gadget, trace: readonly TraceEntry[]): Control[] {
  if (controls.length <= controlsShown) return controls;
  const touched = new Set<string>();
  for (let index = trace.length - 1; index >= 0 && touched.size < controlsShown; index -= 1) {
    const entry = trace[index]!;
    // A ghost touches too: it is what one wants to see.
    if ((byHand.has(entry.lane) || entry.lane === 'ghost') && 'id' in entry && entry.id !== null)
      touched.add(entry.id);
  }
  // Before the first touch any will do; then the lanes have their places already.
  for (const { id } of controls) if (touched.size < controlsShown) touched.add(id);
  return controls.filter(({ id }) => touched.has(id));
}

/** Whether any rule waits for what is no hand on a control: messages, lines, characters, being woken, a low cell. */
const hearsOutside = ({ states }: Gadget['flow']): boolean =>
  states.some(({ rules }) =>
    rules.some(({ trigger: { kind } }) => ['midi', 'line', 'character', 'power'].includes(kind)),
  );

/** The lanes of a gadget, in the order of the path, with those of the given controls. */
export function lanesOf({ outputs, flow }: Gadget, controls: readonly Control[]): StripLane[] {
  const many = controls.length > 1;
  const name = (word: string, of: string) => (many ? `${word} ${of}` : word);
  return [
    ...(hearsOutside(flow) ? [{ key: 'outside', stage: 'contact', label: 'Comes in' } as const] : []),
    ...controls.flatMap(({ id, name: of }): StripLane[] => [
      { key: `contact ${id}`, stage: 'contact', label: name('Contact', of) },
      { key: `clean ${id}`, stage: 'clean', label: name('Clean', of) },
      { key: `gesture ${id}`, stage: 'gesture', label: name('Gesture', of) },
    ]),
    ...(flow.states.length > 0 ? [{ key: 'state', stage: 'state', label: 'State' } as const] : []),
    ...outputs.map(({ id, name: label }): StripLane => ({ key: `output ${id}`, stage: 'output', label })),
  ];
}

const laneOf = (entry: TraceEntry): string | null => {
  if (isOutputEntry(entry)) return `output ${entry.id}`;
  switch (entry.lane) {
    case 'contact':
    case 'clean':
    case 'gesture':
      return `${entry.lane} ${entry.id}`;
    case 'swallowed':
      return `clean ${entry.id}`;
    case 'counted':
    case 'value':
    case 'heard':
      return `clean ${entry.id}`;
    case 'code':
      return `gesture ${entry.id}`;
    case 'ghost':
    case 'finger':
    case 'turned':
    case 'moved':
    case 'sent':
      return `contact ${entry.id}`;
    case 'state':
      return 'state';
    case 'signal':
    case 'still':
      return 'state';
    case 'lineIn':
    case 'characterIn':
    case 'midiIn':
    case 'power':
      return 'outside';
    default:
      return null;
  }
};

type Tick = Extract<Mark, { kind: 'tick' }>;

/** As much as can be read at one place. */
const mostWords = 60;

/** Words of one lane at one moment are written as one. @param lastAt where the last tick of each lane stands */
function addTick(marks: Mark[], tick: Tick, lastAt: Map<string, number>): void {
  const at = lastAt.get(tick.lane);
  const last = at === undefined ? undefined : (marks[at] as Tick);
  if (last?.atUs === tick.atUs && last.text !== '') {
    if (last.text.length < mostWords) marks[at!] = { ...tick, text: `${last.text}, ${tick.text}` };
    return;
  }
  lastAt.set(tick.lane, marks.length);
  marks.push(tick);
}

/** What lasts until the next entry of its lane; everything else is a moment. */
type Own = EntryOf<'contact' | 'clean' | 'state'>;
type Lasting = Own | OutputEntry;
const ownLasting = new Set<string>(['contact', 'clean', 'state']);
const bandsOf = (entry: OutputEntry): Band<OutputEntry> | null => {
  const { strip } = toldOf(entry);
  return typeof strip === 'function' ? null : strip;
};
const lasts = (entry: TraceEntry): entry is Lasting =>
  isOutputEntry(entry) ? bandsOf(entry) !== null : ownLasting.has(entry.lane);

/** Entries to look back through for what was there before the window; older than that is rare and only paint. */
const lookBack = 4_000;

/**
 * What the strip shows of a window of time: pieces per lane, each with the entry behind it. Pieces are cut at the
 * window's edges. Cost follows the entries in the window.
 */
export function marksIn(
  gadget: Gadget,
  trace: readonly TraceEntry[],
  window: Span,
  thin: readonly Span[] = [],
): Mark[] {
  const names = new Map([...gadget.flow.states, ...gadget.flow.signals].map(({ id, name }) => [id, name]));
  const inState = statesIn(gadget);
  const first = firstAt(trace, window.fromUs);
  const end = firstAt(trace, window.toUs + 1);
  const open = new Map<string, number>();
  const outputs = new Map<string, unknown>();
  const shown = new Map<string, BandWords>();
  /** What is active, and what each output has been told so far. */
  const note = (entry: TraceEntry, index: number) => {
    if (entry.lane === 'state') inState.enter(entry.id, index);
    // Without power they forget what they were told; what that looks like is told next.
    if (entry.lane === 'power' && entry.event === 'cycle') outputs.clear();
    const strip = isOutputEntry(entry) && bandsOf(entry);
    if (!strip) return;
    const is = strip.gather(outputs.get(entry.id), entry);
    outputs.set(entry.id, is);
    shown.set(entry.id, strip.show(is));
  };
  for (let index = Math.max(0, first - lookBack); index < first; index += 1) {
    const entry = trace[index]!;
    if (lasts(entry)) open.set(laneOf(entry)!, index);
    note(entry, index);
  }
  const marks: Mark[] = [];
  const ticks = new Map<string, number>();
  const close = (lane: string, toUs: number) => {
    const index = open.get(lane);
    if (index === undefined) return;
    const entry = trace[index] as Lasting;
    const span = { fromUs: Math.max(window.fromUs, entry.atUs), toUs };
    if (span.toUs < span.fromUs) return;
    if (entry.lane === 'contact' || entry.lane === 'clean')
      marks.push({ kind: 'level', lane, span, level: entry.level, entry: index });
    else marks.push({ kind: 'band', lane, span, entry: index, ...bandOf(entry, inState.at(index), shown) });
  };
  for (let index = first; index < end; index += 1) {
    const entry = trace[index]!;
    if (standsStill(entry)) {
      marks.push({
        kind: 'shade',
        span: { fromUs: entry.atUs, toUs: Math.min(entry.untilUs, window.toUs) },
        entry: index,
      });
      continue;
    }
    const lane = laneOf(entry);
    if (lane === null) {
      note(entry, index);
      continue;
    }
    if (lasts(entry)) {
      close(lane, entry.atUs);
      note(entry, index);
      open.set(lane, index);
      if (entry.lane === 'clean' && entry.extra)
        addTick(
          marks,
          { kind: 'tick', lane, atUs: entry.atUs, entry: index, text: 'again!', bad: true },
          ticks,
        );
    } else {
      addTick(marks, { kind: 'tick', lane, atUs: entry.atUs, entry: index, ...tickOf(entry, names) }, ticks);
      note(entry, index);
    }
  }
  for (const lane of open.keys()) close(lane, window.toUs);
  for (const { fromUs, toUs } of thin)
    if (toUs >= window.fromUs && fromUs <= window.toUs)
      marks.push({
        kind: 'thin',
        span: { fromUs: Math.max(fromUs, window.fromUs), toUs: Math.min(toUs, window.toUs) },
      });
  return marks;
}

/** What is written in a band. */
interface BandWords {
  text: string;
  dim: boolean;
}
const bandOf = (
  entry: Exclude<Lasting, EntryOf<'contact' | 'clean'>>,
  states: string,
  shown: ReadonlyMap<string, BandWords>,
): BandWords => (isOutputEntry(entry) ? shown.get(entry.id)! : { text: states, dim: false });

/** What is active from each state entry on, as the innermost names, those of other regions beside one another. */
function statesIn(gadget: Gadget) {
  const { states } = gadget.flow;
  const nameOf = new Map(states.map(({ id, name }) => [id, name]));
  const holds = new Set(states.map(({ parentId }) => parentId));
  const next = nowActiveIn(gadget);
  const texts = new Map<number, string>();
  let active: string[] = [];
  return {
    enter: (id: string, index: number) => {
      active = next(active, id);
      const inner = active.filter((one) => !holds.has(one));
      texts.set(
        index,
        (inner.length > 0 ? inner : [id]).map((one) => nameOf.get(one) ?? 'removed').join(' · '),
      );
    },
    at: (index: number) => texts.get(index) ?? '',
  };
}

const powerTicks: Record<EntryOf<'power'>['event'], string> = {
  cycle: 'power',
  wake: 'woken',
  low: 'cell low',
};

function tickOf(entry: TraceEntry, names: ReadonlyMap<string, string>): { text: string; bad: boolean } {
  if (entry.lane === 'signal') return { text: names.get(entry.id) ?? '', bad: false };
  if (entry.lane === 'still') return { text: 'stands still', bad: true };
  if (isOutputEntry(entry)) {
    const { strip } = toldOf(entry);
    return { text: typeof strip === 'function' ? strip(entry) : '', bad: false };
  }
  if (entry.lane === 'lineIn') return { text: entry.open ? `${entry.text}…` : entry.text, bad: false };
  if (entry.lane === 'characterIn') return { text: entry.character, bad: false };
  if (entry.lane === 'midiIn') return { text: showMessage(entry.bytes), bad: false };
  if (entry.lane === 'power') return { text: powerTicks[entry.event], bad: false };
  if (entry.lane === 'gesture') return { text: entry.gesture, bad: false };
  if (entry.lane === 'swallowed') return { text: 'swallowed', bad: true };
  if (entry.lane === 'counted')
    return entry.skipped ? { text: 'missed', bad: true } : { text: String(entry.counts), bad: false };
  if (entry.lane === 'value') return { text: String(entry.value), bad: false };
  if (entry.lane === 'heard') return { text: '', bad: entry.codeId !== entry.sentId };
  if (entry.lane === 'code') return { text: entry.gesture, bad: false };
  if (entry.lane === 'turned') return { text: `${entry.detents > 0 ? '+' : ''}${entry.detents}`, bad: false };
  if (entry.lane === 'ghost') return { text: entry.level === 1 ? 'ghost' : 'hidden', bad: true };
  return { text: '', bad: false };
}

/** Entries that the keys walk through: those that a lane shows. */
export function isShown(entry: TraceEntry): boolean {
  return standsStill(entry) || laneOf(entry) !== null;
}

const standsStill = (entry: TraceEntry): entry is EntryOf<'blocked' | 'busy'> =>
  entry.lane === 'blocked' || entry.lane === 'busy';
