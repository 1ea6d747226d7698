import {
  canonicalJson,
  codeGestures,
  gestureKinds,
  keyGestures,
  keySetsOf,
  powerEvents,
  type CodeGesture,
  type Gadget,
  type GestureKind,
  type PowerEvent,
  type Trigger,
} from '../gadget/index.ts';

/** What a rule waits for where it is no numbered event. */
export const noEvent = {
  /** Needs no event. */
  always: -1,
  /** Whatever numbered event comes. */
  any: -2,
  /** Its own timer. */
  timed: -3,
} as const;

/** Numbers of everything that can trigger a rule. Whole, from 0, without gaps; they hold for one document only. */
export interface EventCodes {
  /** How many there are. */
  count: number;
  /** @returns -1 for a control that the gadget does not have; likewise below */
  gesture(controlId: string, gesture: GestureKind): number;
  chord(chordId: string): number;
  code(codeId: string, gesture: CodeGesture): number;
  timer(timerId: string): number;
  signal(signalId: string): number;
  done(stateId: string): number;
  power(what: PowerEvent): number;
  /** Keys of sets, turns, crossings and messages that some rule waits for, each once, in the order of the document. */
  awaited: readonly { trigger: AwaitedTrigger; code: number }[];
  /** Number that a rule with this trigger waits for, or one of `noEvent`. */
  of(trigger: Trigger): number;
}
export type AwaitedTrigger = Extract<
  Trigger,
  { kind: 'keys' | 'turn' | 'crossing' | 'midi' | 'line' | 'character' }
>;

const isAwaited = (trigger: Trigger): trigger is AwaitedTrigger =>
  trigger.kind === 'keys' ||
  trigger.kind === 'turn' ||
  trigger.kind === 'crossing' ||
  trigger.kind === 'midi' ||
  trigger.kind === 'line' ||
  trigger.kind === 'character';

/** Controls come first, in document order, each with all its gestures. */
export function eventCodes({
  controls,
  chords,
  flow,
}: Pick<Gadget, 'controls' | 'chords' | 'flow'>): EventCodes {
  let count = 0;
  const numbered = (list: readonly { id: string }[], each = 1): ReadonlyMap<string, number> =>
    new Map(
      list.map(({ id }) => {
        const from = count;
        count += each;
        return [id, from];
      }),
    );
  const controlAt = numbered(controls, gestureKinds.length);
  const chordAt = numbered(chords);
  const codeAt = numbered(
    controls.flatMap((control) => (control.kind === 'codes' ? control.codes : [])),
    codeGestures.length,
  );
  const timerAt = numbered(flow.timers);
  const signalAt = numbered(flow.signals);
  const doneAt = numbered(flow.states);
  const powerAt = numbered(powerEvents.map((id) => ({ id })));
  const awaited = new Map<string, { trigger: AwaitedTrigger; code: number }>();
  for (const { rules } of flow.states)
    for (const { trigger } of rules) {
      const key = isAwaited(trigger) ? canonicalJson(trigger) : null;
      if (key !== null && !awaited.has(key))
        awaited.set(key, { trigger: trigger as AwaitedTrigger, code: count++ });
    }
  const at = (from: number | undefined, offset = 0) => (from === undefined ? -1 : from + offset);
  const codes: EventCodes = {
    count,
    gesture: (id, gesture) => at(controlAt.get(id), gestureKinds.indexOf(gesture)),
    chord: (id) => at(chordAt.get(id)),
    code: (id, gesture) => at(codeAt.get(id), codeGestures.indexOf(gesture)),
    timer: (id) => at(timerAt.get(id)),
    signal: (id) => at(signalAt.get(id)),
    done: (id) => at(doneAt.get(id)),
    power: (what) => at(powerAt.get(what)),
    awaited: [...awaited.values()],
    of: (trigger) => {
      switch (trigger.kind) {
        case 'gesture':
          return codes.gesture(trigger.controlId, trigger.gesture);
        case 'chord':
          return codes.chord(trigger.chordId);
        case 'code':
          return codes.code(trigger.codeId, trigger.gesture);
        case 'timer':
          return codes.timer(trigger.timerId);
        case 'signal':
          return codes.signal(trigger.signalId);
        case 'done':
          return codes.done(trigger.stateId);
        case 'power':
          return codes.power(trigger.what);
        case 'keys':
        case 'turn':
        case 'crossing':
        case 'midi':
        case 'line':
        case 'character':
          return at(awaited.get(canonicalJson(trigger))?.code);
        case 'after':
        case 'every':
          return noEvent.timed;
        case 'always':
          return noEvent.always;
        case 'any':
          return noEvent.any;
      }
    },
  };
  return codes;
}

/** Gesture and control of an event number, where it is one of a control. */
export const controlEvent = (event: number, controls: number): { control: number; gesture: number } | null =>
  event >= 0 && event < controls * gestureKinds.length
    ? { control: Math.floor(event / gestureKinds.length), gesture: event % gestureKinds.length }
    : null;

/** What an event of a key in a set is besides itself. */
export interface KeyEvent {
  /** Numbers that rules for any key of the set wait for; null: there are none. */
  also: readonly number[] | null;
  /** The key's number in its set. */
  carried: readonly number[];
}

/** By event: gestures of keys that are in a set. Empty where there is no set. */
export function keyEventsOf(
  gadget: Pick<Gadget, 'controls' | 'wiring' | 'parts'>,
  codes: EventCodes,
): ReadonlyMap<number, KeyEvent> {
  const found = new Map<number, KeyEvent>();
  for (const { id: setId, controlIds } of keySetsOf(gadget))
    for (const gesture of keyGestures) {
      const any = codes.of({ kind: 'keys', setId, gesture });
      for (const [number, controlId] of controlIds.entries()) {
        const event = codes.gesture(controlId, gesture);
        // One that is in two sets is numbered as in the first.
        const { also = null, carried = [number] } = found.get(event) ?? {};
        found.set(event, { also: any < 0 ? also : [...(also ?? []), any], carried });
      }
    }
  return found;
}
