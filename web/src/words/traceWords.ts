import {
  findRule,
  layerKeyOf,
  sensingByte,
  type EntryOf,
  type Gadget,
  type OutputLane,
  type TraceEntry,
} from '@hum-lever/core';
import type { Stage } from '../shared/stages.tsx';
import { codeWords, gestureWords } from './gestureWords.ts';
import { valueWords } from './valueWords.ts';
import { isOutputEntry, toldOf } from '../outputs/index.ts';
import { meaning } from '../outputs/midi/meaning.ts';
import { showMessage, showDuration } from '../shared/units.ts';
import { sayStill } from './stillWords.ts';

/** Which stage of the path an entry belongs to. */
const ownStages: Record<Exclude<TraceEntry['lane'], OutputLane>, Stage> = {
  finger: 'contact',
  contact: 'contact',
  pin: 'contact',
  turned: 'contact',
  channel: 'contact',
  moved: 'contact',
  sent: 'contact',
  heard: 'clean',
  counted: 'clean',
  value: 'clean',
  code: 'gesture',
  chord: 'gesture',
  ghost: 'contact',
  clean: 'clean',
  swallowed: 'clean',
  gesture: 'gesture',
  rule: 'state',
  state: 'state',
  variable: 'state',
  ended: 'state',
  signal: 'state',
  saved: 'state',
  mishap: 'state',
  power: 'contact',
  midiIn: 'contact',
  lineIn: 'contact',
  characterIn: 'contact',
  blocked: 'state',
  busy: 'output',
  still: 'state',
};

export const stageOf = (entry: TraceEntry): Stage =>
  isOutputEntry(entry) ? 'output' : ownStages[entry.lane];

/** Names of what the ids stand for; what is gone is said to be. */
export function namesOf(gadget: Gadget): (id: string) => string {
  const { controls, chords, outputs, flow } = gadget;
  const codes = controls.flatMap((control) => (control.kind === 'codes' ? control.codes : []));
  const all = [
    ...controls,
    ...codes,
    ...chords,
    ...outputs,
    ...flow.variables,
    ...flow.signals,
    ...flow.states,
  ];
  const names = new Map(all.map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? 'something removed since';
}

const swallowedBecause: Record<EntryOf<'swallowed'>['reason'], (e: EntryOf<'swallowed'>) => string> = {
  lockout: ({ hadUs, neededUs }) =>
    `the lockout of the press before was still running for ${showDuration(neededUs)}, and this one had ended after ${showDuration(hadUs)}`,
  'too-short': ({ hadUs, neededUs }) =>
    `it lasted ${showDuration(hadUs)}, and the debouncing wants ${showDuration(neededUs)} to be sure`,
  'between-samples': ({ hadUs, neededUs }) =>
    `it lasted ${showDuration(hadUs)} and fell between two readings, which are ${showDuration(neededUs)} apart`,
  masked: ({ hadUs }) =>
    `other keys of its array hid it from the scan for the ${showDuration(hadUs)} that it lasted`,
  deaf: ({ hadUs }) =>
    `the rest level of the pad has drifted so far that a finger of ${showDuration(hadUs)} did not reach its threshold`,
  blocked: ({ hadUs, neededUs }) =>
    `everything stood still for ${showDuration(neededUs)} from its start, and it had ended after ${showDuration(hadUs)}`,
};

/** Whether a rule answered a gesture: its entry follows at the same moment, before any other gesture. */
function answerTo(trace: readonly TraceEntry[], index: number): EntryOf<'rule'> | undefined {
  const { atUs } = trace[index]!;
  for (let i = index + 1; i < trace.length && trace[i]!.atUs === atUs; i += 1) {
    const entry = trace[i]!;
    if (entry.lane === 'rule') return entry;
    if (entry.lane === 'gesture' || entry.lane === 'code' || entry.lane === 'chord') return undefined;
  }
  return undefined;
}

/** Lanes of what hands do. */
export const byHand: ReadonlySet<string> = new Set(['finger', 'turned', 'moved', 'sent']);
/** What comes to the gadget from other machines. */
const fromOutside: ReadonlySet<string> = new Set(['lineIn', 'characterIn', 'midiIn']);
const meaningful: ReadonlySet<string> = new Set(['gesture', 'code', 'chord', ...fromOutside]);
/** Somebody on the wire says that he is still there: no hand has done that. */
const isSignOfLife = (entry: TraceEntry): boolean =>
  entry.lane === 'midiIn' && entry.bytes[0] === sensingByte;
const isMeant = (entry: TraceEntry): boolean => meaningful.has(entry.lane) && !isSignOfLife(entry);
const beginsByHand = (entry: TraceEntry) =>
  (fromOutside.has(entry.lane) && !isSignOfLife(entry)) ||
  (byHand.has(entry.lane) && !(entry.lane === 'finger' && !entry.down));

/** Controls that hands have turned or moved. */
const movedIn = (trace: readonly TraceEntry[]): ReadonlySet<string> =>
  new Set(trace.flatMap((entry) => (entry.lane === 'moved' || entry.lane === 'turned' ? [entry.id] : [])));

/**
 * The entry that tells most about what hands did last: a press that was lost or came twice, else a gesture that was
 * answered, else any gesture; without hands, the last state. -1: nothing has happened.
 */
export function mostTelling(trace: readonly TraceEntry[]): number {
  const from = Math.max(0, trace.findLastIndex(beginsByHand));
  // Only what came since the last press is looked at: this runs with every report.
  const recent = trace.slice(from);
  const last = (fits: (entry: TraceEntry, index: number) => boolean) => {
    const found = recent.findLastIndex(fits);
    return found < 0 ? -1 : found + from;
  };
  /** Whether it is a step of something measured that no hand has moved: its noise, and nothing that anybody did. */
  const drifts = (entry: TraceEntry): boolean =>
    entry.lane === 'gesture' &&
    (entry.gesture === 'up' || entry.gesture === 'down') &&
    !(byHands ??= movedIn(recent)).has(entry.id);
  let byHands: ReadonlySet<string> | null = null;
  const candidates = [
    () => last((entry) => entry.lane === 'still'),
    () => last((entry) => entry.lane === 'ghost'),
    () => last((entry) => entry.lane === 'swallowed' || (entry.lane === 'clean' && entry.extra)),
    () => last((entry, index) => isMeant(entry) && answerTo(recent, index) !== undefined),
    () => last((entry) => isMeant(entry) && !drifts(entry)),
    () => last((entry) => entry.lane === 'state' || byHand.has(entry.lane)),
  ];
  for (const candidate of candidates) {
    const found = candidate();
    if (found >= 0) return found;
  }
  return trace.findLastIndex((entry) => entry.lane !== 'value' && !drifts(entry));
}

/** What layers of keys make of a press or release that no rule answers; '': nothing. */
function layerWords(gadget: Gadget, { id, gesture }: EntryOf<'gesture'>): string {
  const { flow } = gadget;
  const quoted = (names: string[]) => names.map((name) => `“${name}”`).join(' or ');
  if (gesture !== 'press' && gesture !== 'release') {
    // What came of the whole of it came with the press.
    const pressed = flow.layers.filter(({ keys }) => (layerKeyOf(gadget, keys, id)?.press.length ?? 0) > 0);
    return pressed.length === 0 ? '' : `Layer ${quoted(pressed.map(({ name }) => name))} answered the press.`;
  }
  const holds = flow.layers.filter(({ when }) => when?.kind === 'held' && when.controlId === id);
  if (holds.length > 0) {
    const names = quoted(holds.map(({ name }) => name));
    return gesture === 'press'
      ? `While it is held, keys mean what layer ${names} says.`
      : `Layer ${names} ends.`;
  }
  const has = flow.layers.filter(({ keys }) => (layerKeyOf(gadget, keys, id)?.[gesture].length ?? 0) > 0);
  return has.length === 0 ? '' : `Layer ${quoted(has.map(({ name }) => name))} says what that does.`;
}

const mishapWords: Record<EntryOf<'mishap'>['mishap'], (where: string) => string> = {
  divide: (where) => `A division by zero in ${where}; it counts as 0.`,
  place: (where) => `A place outside its list in ${where}; it counts as 0.`,
  full: (where) => `A text in ${where} was longer than it may be; what was too much is lost.`,
};

/** One sentence on what an entry is and why it came. */
export function sayWhy(gadget: Gadget, trace: readonly TraceEntry[], index: number): string {
  const name = namesOf(gadget);
  const entry = trace[index]!;
  const answered = (was: string, answer: EntryOf<'rule'> | undefined) =>
    answer ? `${was} ${ruleWords(gadget, answer)}` : `${was} No rule answered.`;
  if (isOutputEntry(entry)) return toldOf(entry).say(entry, name(entry.id));
  switch (entry.lane) {
    case 'finger':
      return entry.down
        ? `A finger pressed ${name(entry.id)} (press ${entry.press}).`
        : `The finger let go of ${name(entry.id)}.`;
    case 'contact':
      return `The contact of ${name(entry.id)} ${entry.level === 1 ? 'closed' : 'opened'}. Several of these in a row are its bounce.`;
    case 'ghost':
      return entry.level === 1
        ? `A ghost: nobody presses ${name(entry.id)}, but other keys of its array connect its lines, and the scan reads it as pressed.`
        : `Hidden: ${name(entry.id)} is pressed, but other keys of its array keep the scan from seeing it.`;
    case 'clean':
      return entry.extra
        ? `The same press of ${name(entry.id)} came through once more, ${showDuration(entry.sinceUs)} after the finger: its bounce outlived the debouncing.`
        : `Cleaned (debounced): ${name(entry.id)} is ${entry.level === 1 ? 'down' : 'up'}, ${showDuration(entry.sinceUs)} after the finger.`;
    case 'swallowed':
      return `This press of ${name(entry.id)} was swallowed: ${swallowedBecause[entry.reason](entry)}.`;
    case 'gesture': {
      const answer = answerTo(trace, index);
      const was = `${name(entry.id)} ${gestureWords[entry.gesture]}.`;
      const layers = answer === undefined ? layerWords(gadget, entry) : '';
      return layers === '' ? answered(was, answer) : `${was} ${layers}`;
    }
    case 'code':
      return answered(`${name(entry.codeId)} ${codeWords[entry.gesture]}.`, answerTo(trace, index));
    case 'chord':
      return answered(`${name(entry.id)}: together.`, answerTo(trace, index));
    case 'pin':
      return `Behind its filter, the pin of ${name(entry.id)} goes ${entry.level === 1 ? 'on' : 'off'}.`;
    case 'turned':
      return `A hand turned ${name(entry.id)} ${entry.detents < 0 ? 'back' : 'on'} by ${Math.abs(entry.detents)}, clicks that take ${showDuration(entry.overUs)}.`;
    case 'channel':
      return `Channel ${entry.channel.toUpperCase()} of ${name(entry.id)} ${entry.level === 1 ? 'closed' : 'opened'}.`;
    case 'counted':
      return entry.skipped
        ? `Missed: both channels of ${name(entry.id)} had changed since the last reading, and which way cannot be told.`
        : `${name(entry.id)}: ${signed(entry.counts)} counted, ${signed(entry.steps)} steps of it.`;
    case 'moved':
      return `A hand moved ${name(entry.id)} to ${Math.round(entry.perMille / 10)} % of its way.`;
    case 'value':
      return `${name(entry.id)} became ${entry.value}, from a reading of ${entry.count}.`;
    case 'sent':
      return `${name(entry.codeId)} was sent to ${name(entry.id)}.`;
    case 'heard':
      return entry.codeId === entry.sentId
        ? `The code of ${name(entry.codeId)} arrived.`
        : `${name(entry.sentId)} was taken for ${name(entry.codeId)}.`;
    case 'rule':
      return ruleWords(gadget, entry);
    case 'state':
      return `Now in ${name(entry.id)}.`;
    case 'variable':
      return entry.index === undefined
        ? `${name(entry.id)} became ${valueWords(
            gadget.flow.variables.find(({ id }) => id === entry.id),
            entry.value,
          )}.`
        : `Place ${entry.index} of ${name(entry.id)} became ${valueWords(undefined, entry.value)}.`;
    case 'ended':
      return 'The end: nothing is heard any more until the power is switched off and on.';
    case 'signal':
      return `${name(entry.id)} was raised.`;
    case 'saved':
      return 'What is kept was written down.';
    case 'mishap':
      return mishapWords[entry.mishap](entry.id === null ? 'a layer' : name(entry.id));
    case 'power':
      return entry.event === 'cycle' ? powerWords.cycle : `${powerWords[entry.event]}${waited(entry)}`;
    case 'midiIn':
      return `MIDI came in: ${showMessage(entry.bytes)}, ${meaning(entry.bytes)}.${waited(entry)}`;
    case 'characterIn':
      return answered(
        `“${entry.character}” came in over ${name(entry.id)}.${waited(entry)}`,
        answerTo(trace, index),
      );
    case 'lineIn':
      if (entry.open) return `“${entry.text}” came in over ${name(entry.id)}; its line has not ended.`;
      return answered(
        `“${entry.text}” came in over ${name(entry.id)}.${waited(entry)}`,
        answerTo(trace, index),
      );
    case 'still':
      return sayStill(gadget, entry);
    case 'busy':
      return `The loop works for ${name(entry.id)}: nothing is read for ${showDuration(entry.forUs)}${entry.deaf ? ', and interrupts are shut off' : ''}.`;
    case 'blocked':
      return `A wait begins: nothing is read and nothing happens for ${showDuration(entry.untilUs - entry.atUs)}.`;
  }
}

/** What comes from outside is heard by the next turn of the loop; said where that is late. */
const waited = ({ sinceUs }: { sinceUs: number }): string =>
  sinceUs > lateUs ? ` It was heard ${showDuration(sinceUs)} later, when the loop came round.` : '';
/** A usual turn of the loop, and as much again. */
const lateUs = 2_000;

const powerWords: Record<EntryOf<'power'>['event'], string> = {
  cycle: 'The power went off and came on again.',
  wake: 'The gadget was woken.',
  low: 'The cell runs low.',
};

const signed = (n: number) => (n > 0 ? `+${n}` : String(n)).replace('-', '−');

function ruleWords(gadget: Gadget, { id, stateId }: EntryOf<'rule'>): string {
  const found = findRule(gadget, id);
  const state = namesOf(gadget)(stateId);
  if (!found) return `A rule of ${state} that was removed since answered.`;
  return `Rule ${found.state.rules.indexOf(found.rule) + 1} of ${state} answered.`;
}
