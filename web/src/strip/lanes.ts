import {
  followRegions,
  type EntryOf,
  type Gadget,
  type OutputEntry,
  type TraceEntry,
  type Visit,
} from '@hum-lever/core';
import { isOutputEntry, toldOf, type Band } from '../outputs/index.ts';
import { showMessage } from '../shared/units.ts';
import { firstAt } from '../workers/index.ts';
import { laneOf, outsideKey, standsStill } from './laneOf.ts';
import { stateLane } from './rows.ts';

export type Span = { fromUs: number; toUs: number };

/** A piece of a lane, in virtual time. `entry` is the trace entry behind it. */
export type Mark =
  | { kind: 'level'; lane: string; span: Span; level: 0 | 1; entry: number }
  | { kind: 'tick'; lane: string; atUs: number; entry: number; text: string; bad: boolean }
  | { kind: 'band'; lane: string; span: Span; text: string; entry: number; dim: boolean }
  | { kind: 'shade'; span: Span; entry: number }
  /** More happened there than is kept. */
  | { kind: 'thin'; span: Span };

/** Ids of the controls in which something happened in a window, and the row of what came in from outside. */
export function awakeIn(trace: readonly TraceEntry[], { fromUs, toUs }: Span): Set<string> {
  const awake = new Set<string>();
  const end = firstAt(trace, toUs + 1);
  for (let index = firstAt(trace, fromUs); index < end; index += 1) {
    const entry = trace[index]!;
    const lane = laneOf(entry);
    if (lane === outsideKey) awake.add(outsideKey);
    // A ghost moves, too: it is what one wants to see.
    else if (lane !== null && 'id' in entry && entry.id !== null && /^(contact|clean|gesture) /.test(lane))
      awake.add(entry.id);
  }
  return awake;
}

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
type Lasting = EntryOf<'contact' | 'clean'> | OutputEntry;
const levels = new Set<string>(['contact', 'clean']);
const bandsOf = (entry: OutputEntry): Band<OutputEntry> | null => {
  const { strip } = toldOf(entry);
  return typeof strip === 'function' ? null : strip;
};
const lasts = (entry: TraceEntry): entry is Lasting =>
  isOutputEntry(entry) ? bandsOf(entry) !== null : levels.has(entry.lane);

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
  const marks: Mark[] = [];
  const regions = followRegions(gadget.flow);
  const showVisits = (visits: readonly Visit[]) =>
    visits.forEach(({ regionId, stateId, entry, ...visit }) => {
      if (visit.toUs <= window.fromUs) return;
      const span = { fromUs: Math.max(window.fromUs, visit.fromUs), toUs: visit.toUs };
      const text = names.get(stateId) ?? 'removed';
      marks.push({ kind: 'band', lane: stateLane(regionId), span, text, entry, dim: false });
    });
  const first = firstAt(trace, window.fromUs);
  const end = firstAt(trace, window.toUs + 1);
  const open = new Map<string, number>();
  const outputs = new Map<string, unknown>();
  const shown = new Map<string, BandWords>();
  /** What is active, and what each output has been told so far. */
  const note = (entry: TraceEntry, index: number) => {
    if (entry.lane === 'state') showVisits(regions.enter(entry.id, entry.atUs, index));
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
  const ticks = new Map<string, number>();
  const close = (lane: string, toUs: number) => {
    const index = open.get(lane);
    if (index === undefined) return;
    const entry = trace[index] as Lasting;
    const span = { fromUs: Math.max(window.fromUs, entry.atUs), toUs };
    if (span.toUs < span.fromUs) return;
    if (entry.lane === 'contact' || entry.lane === 'clean')
      marks.push({ kind: 'level', lane, span, level: entry.level, entry: index });
    else marks.push({ kind: 'band', lane, span, entry: index, ...shown.get(entry.id)! });
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
    if (lane === null || entry.lane === 'state') {
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
  showVisits(regions.close(window.toUs));
  for (const { fromUs, toUs } of thin)
    if (toUs >= window.fromUs && fromUs <= window.toUs)
      marks.push({
        kind: 'thin',
        span: { fromUs: Math.max(fromUs, window.fromUs), toUs: Math.min(toUs, window.toUs) },
      });
  return banded(marks, window);
}

/** What is written in a band. */
interface BandWords {
  text: string;
  dim: boolean;
}

/** So many values of one control closer than this share of the window are not told apart: they flicker. */
const flickers = 4;
const flickerShare = 1 / 60;

/** Values that flicker are one band from the lowest to the highest, not words over words. */
function banded(marks: readonly Mark[], { fromUs, toUs }: Span): Mark[] {
  const nearUs = (toUs - fromUs) * flickerShare;
  const runs = new Map<string, Tick[]>();
  const left: Mark[] = [];
  const end = (run: readonly Tick[]) => {
    if (run.length < flickers) return left.push(...run);
    const values = run.map(({ text }) => Number(text));
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const text = low === high ? String(low) : `${low} to ${high}`;
    const { lane, entry } = run.at(-1)!;
    left.push({
      kind: 'band',
      lane,
      span: { fromUs: run[0]!.atUs, toUs: run.at(-1)!.atUs },
      text,
      entry,
      dim: false,
    });
  };
  for (const mark of marks) {
    // Values stand alone at their moment; what is written together with something else stays.
    if (mark.kind !== 'tick' || mark.bad || !/^-?\d+$/.test(mark.text)) {
      left.push(mark);
      continue;
    }
    const run = runs.get(mark.lane);
    if (run && mark.atUs - run.at(-1)!.atUs <= nearUs) run.push(mark);
    else {
      if (run) end(run);
      runs.set(mark.lane, [mark]);
    }
  }
  for (const run of runs.values()) end(run);
  return left;
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
    return entry.skipped ? { text: 'missed', bad: true } : { text: '', bad: false };
  if (entry.lane === 'value') return { text: String(entry.value), bad: false };
  if (entry.lane === 'heard') return { text: '', bad: entry.codeId !== entry.sentId };
  if (entry.lane === 'code') return { text: entry.gesture, bad: false };
  if (entry.lane === 'turned') return { text: `${entry.detents > 0 ? '+' : ''}${entry.detents}`, bad: false };
  if (entry.lane === 'ghost') return { text: entry.level === 1 ? 'ghost' : 'hidden', bad: true };
  return { text: '', bad: false };
}
