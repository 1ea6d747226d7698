import { eventCodes } from '../flow/index.ts';
import {
  controlsHeard,
  emptyFlow,
  heardAs,
  isOfKeys,
  type Button,
  type ContactFigures,
  type Control,
  type Gadget,
  type Knob,
  type Trigger,
} from '../gadget/index.ts';
import { Machine, type Stimulus } from '../machine/index.ts';
import { isHeard, numbersIn } from '../serial/index.ts';
import { carriedBy, exampleOf } from '../midi/index.ts';

/** Something that a hand does from beginning to end, before it does the next thing. */
export interface Move {
  controlId: string;
  /** Numbers that come with its events. */
  carried: readonly number[];
  /** What it is called: `tap`, `hold`, `double`, `up`, the id of a chord or code, `wake` … */
  what: string;
  /** Times count from its beginning. */
  stimuli: readonly Stimulus[];
  /** Event numbers of the flow, in the order in which they come. */
  events: readonly number[];
  /** When each comes, from the beginning of the move, µs. */
  atUs: readonly number[];
  /** What the gadget needs until it has made sense of it, µs. */
  lengthUs: number;
  /** Presses of keys, and steps turned. */
  presses: number;
  steps: number;
  /** How long a key is held, where that is the point, µs. */
  holdUs: number;
  /** What a knob's or encoder's value changes by, in steps. */
  by: number;
  /** Of a key that is kept down between moves: how it must be before, and is after; see `KeyPlace`. */
  key: { from: KeyPlace; to: KeyPlace } | null;
}

/** A key that matters while it is down: up, down, or down for so long that it counts as held. */
export const keyPlace = { up: 0, down: 1, held: 2 } as const;
export type KeyPlace = (typeof keyPlace)[keyof typeof keyPlace];

/** A contact that never bounces and a wire that never spikes: moves are what was meant. */
const ideal = (contact: ContactFigures): ContactFigures => ({
  ...contact,
  closeMaxUs: 0,
  openMaxUs: 0,
  againPerMille: 0,
  chatterPerMinute: 0,
  glitchPerHour: 0,
  touch: null,
  captureId: null,
});

function calm(control: Control): Control {
  if (control.kind === 'button')
    return {
      ...control,
      contact: ideal(control.contact),
      debounce: { algorithm: 'none', params: {}, wholePort: false },
    };
  if (control.kind === 'encoder') return { ...control, contact: ideal(control.contact) };
  if (control.kind === 'knob')
    return { ...control, wiper: { ...control.wiper, noisePpm: 0, cracklePerMille: 0 } };
  return control;
}

/** The gadget with those of its controls that a move touches, as if the others were not there: they would only cost. */
function only(gadget: Gadget, { stimuli }: Pick<Draft, 'stimuli'>): Gadget {
  const touched = new Set(stimuli.map(({ controlId }) => controlId));
  return {
    ...gadget,
    controls: gadget.controls.filter(({ id }) => touched.has(id)),
    chords: gadget.chords.filter(({ controlIds }) => controlIds.every((id) => touched.has(id))),
  };
}

/** Between the end of a move and all that it means: the longest window that any gesture waits for, and some. */
const quietUs = 3_000_000;
const pressUs = 110_000;
const betweenUs = 100_000;

type Draft = Omit<Move, 'events' | 'atUs' | 'lengthUs'>;
const draft = (controlId: string, what: string, stimuli: Stimulus[], patch: Partial<Draft> = {}): Draft => ({
  controlId,
  what,
  stimuli,
  presses: 0,
  steps: 0,
  holdUs: 0,
  by: 0,
  key: null,
  carried: [],
  ...patch,
});

const down = (controlId: string, atUs: number): Stimulus => ({ atUs, controlId, what: 'down' });
const up = (controlId: string, atUs: number): Stimulus => ({ atUs, controlId, what: 'up' });

/** @param waitUs how much later than the finger its press may count, for chords that it waits for */
function buttonDrafts({ id, gestures }: Button, heard: ReadonlySet<string>, waitUs: number): Draft[] {
  const press = (atUs: number, lengthUs = pressUs) => [down(id, atUs), up(id, atUs + lengthUs)];
  const times = (count: number) =>
    Array.from({ length: count }, (_, n) => press(n * (pressUs + betweenUs))).flat();
  const drafts = [draft(id, 'tap', press(0), { presses: 1 })];
  const { holdUs, longerHoldsUs, doubleWindowUs, triple, repeat } = gestures;
  const hold = (what: string, us: number) =>
    drafts.push(draft(id, what, press(0, us + waitUs + 50_000), { presses: 1, holdUs: us }));
  if (holdUs !== null && (heard.has('hold') || heard.has('heldRelease'))) hold('hold', holdUs);
  longerHoldsUs.forEach((us, n) => {
    const what = n === 0 ? 'hold2' : 'hold3';
    if (heard.has(what)) hold(what, us);
  });
  if (repeat && heard.has('repeat')) hold('repeat', repeat.delayUs);
  if (doubleWindowUs !== null && heard.has('double'))
    drafts.push(draft(id, 'double', times(2), { presses: 2 }));
  if (triple && heard.has('triple')) drafts.push(draft(id, 'triple', times(3), { presses: 3 }));
  return drafts;
}

/** Places of a knob: the middle of each step's share of the way, in thousandths. */
export const placeOfStep = (step: number, { reading: { steps } }: Knob): number =>
  Math.round(((step + 0.5) / steps) * 1_000);

/** The longest that a press of the key waits for others that it may be meant together with. */
const chordWaitUs = ({ chords }: Gadget, id: string): number =>
  Math.max(0, ...chords.flatMap((chord) => (chord.controlIds.includes(id) ? [chord.windowUs] : [])));

function draftsOf(gadget: Gadget): Draft[] {
  const triggers = gadget.flow.states.flatMap(({ rules }) => rules.map(({ trigger }) => trigger));
  const heardOf = (id: string) =>
    new Set(
      triggers.flatMap((trigger) =>
        isOfKeys(trigger) && controlsHeard(gadget, trigger).includes(id) ? [trigger.gesture as string] : [],
      ),
    );
  // What a key that shares a line would do, the key that it is heard as does.
  const others = heardAs(gadget);
  const drafts = gadget.controls.flatMap((control): Draft[] => {
    const { id } = control;
    if (others.has(id)) return [];
    switch (control.kind) {
      case 'button':
        return buttonDrafts(control, heardOf(id), chordWaitUs(gadget, id));
      case 'encoder': {
        const turn = (by: number): Draft =>
          draft(
            id,
            Math.abs(by) > 1 ? `turn ${by}` : by > 0 ? 'up' : 'down',
            [{ atUs: 0, controlId: id, what: 'turn', detents: by, overUs: 60_000 * Math.abs(by) }],
            {
              steps: Math.abs(by),
              by,
            },
          );
        const many = triggers.flatMap((trigger) =>
          trigger.kind === 'turn' && trigger.controlId === id ? [trigger.by] : [],
        );
        return [turn(1), turn(-1), ...new Set(many)].map((one) =>
          typeof one === 'number' ? turn(one) : one,
        );
      }
      case 'knob':
        // Its events depend on where it is: they are worked out as it moves.
        return [1, -1].map((by) => draft(id, by > 0 ? 'up' : 'down', [], { steps: 1, by }));
      case 'codes':
        return control.codes.map((code) =>
          draft(id, code.id, [{ atUs: 0, controlId: id, what: 'send', codeId: code.id, heldUs: 50_000 }], {
            presses: 1,
          }),
        );
    }
  });
  const possible = gadget.chords.filter(({ controlIds }) => !controlIds.some((id) => others.has(id)));
  const chords = possible.map(({ id, controlIds, holdUs }) =>
    draft(
      controlIds[0]!,
      id,
      [
        ...controlIds.map((key) => down(key, 0)),
        ...controlIds.map((key) => up(key, (holdUs ?? 0) + pressUs)),
      ],
      { presses: 1, holdUs: holdUs ?? 0 },
    ),
  );
  const whole = (['wake', 'low'] as const)
    .filter((event) => triggers.some((one) => one.kind === 'power' && one.what === event))
    .map((event) => draft('gadget', event, [{ atUs: 0, controlId: 'gadget', what: 'power', event }]));
  const midi = triggers.flatMap((trigger) =>
    trigger.kind === 'midi' ? [messageDraft(exampleOf(trigger))] : [],
  );
  const lines = triggers.flatMap((trigger) => {
    if (trigger.kind === 'line') return [lineDraft(trigger.outputId, lineFor(trigger))];
    return trigger.kind === 'character' ? [lineDraft(trigger.outputId, 'a')] : [];
  });
  return [...drafts, ...chords, ...whole, ...midi, ...lines];
}

const messageDraft = (bytes: number[]): Draft =>
  draft('gadget', 'midi', [{ atUs: 0, controlId: 'gadget', what: 'midi', bytes }], {
    carried: carriedBy(bytes),
  });
const lineDraft = (outputId: string, text: string): Draft =>
  draft(outputId, `line ${text}`, [{ atUs: 0, controlId: outputId, what: 'line', text }], {
    carried: numbersIn(text),
  });

/** A line that the trigger hears, with a number in it. */
const lineFor = ({ word }: Extract<Trigger, { kind: 'line' }>): string => `${word ?? 'line'} 42`;

/**
 * Everything a hand can do to the gadget, one thing at a time: each key tapped, and held or pressed several times where
 * some rule listens for that; dials a step either way; chords, codes, and what happens to the gadget as a whole. What it
 * means is asked of the machine itself, with contacts that do not bounce and a flow that does nothing.
 */
export function movesOf(gadget: Gadget): Move[] {
  const codes = eventCodes(gadget);
  const still: Gadget = {
    ...gadget,
    controls: gadget.controls.map(calm),
    flow: { ...emptyFlow(), variables: [] },
    // Nor does scanning matter: keys that stand alone are read each by itself.
    wiring: { ...gadget.wiring, sets: [] },
    parts: gadget.parts.filter(({ kind }) => kind !== 'key-matrix'),
    brief: { ...gadget.brief, tasks: [] },
  };
  return draftsOf(gadget).map((move): Move => {
    const lastUs = move.stimuli.reduce((last, { atUs }) => Math.max(last, atUs), 0);
    const machine = new Machine(only(still, move), 1);
    const startUs = 10_000;
    for (const stimulus of move.stimuli) machine.stimulate({ ...stimulus, atUs: stimulus.atUs + startUs });
    machine.advanceTo(startUs + lastUs + quietUs);
    let endUs = startUs + lastUs;
    const events: number[] = [];
    const atUs: number[] = [];
    for (const entry of machine.takeTrace()) {
      const code =
        entry.lane === 'gesture'
          ? codes.gesture(entry.id, entry.gesture)
          : entry.lane === 'chord'
            ? codes.chord(entry.id)
            : entry.lane === 'code'
              ? codes.code(entry.codeId, entry.gesture)
              : entry.lane === 'power' && entry.event !== 'cycle'
                ? codes.power(entry.event)
                : -1;
      if (code < 0) continue;
      events.push(code);
      atUs.push(entry.atUs - startUs);
      endUs = Math.max(endUs, entry.atUs);
    }
    const [first] = move.stimuli;
    if (first?.what === 'line')
      for (const { trigger, code } of codes.awaited)
        if (trigger.kind === 'character' && trigger.outputId === move.controlId)
          events.push(...[...first.text].map(() => code));
        else if (
          trigger.kind === 'line' &&
          trigger.outputId === move.controlId &&
          isHeard(first.text, trigger.word)
        )
          events.push(code);
    if (move.what === 'midi')
      for (const { trigger, code } of codes.awaited)
        if (trigger.kind === 'midi' && sameBytes(exampleOf(trigger), move.stimuli[0]!)) events.push(code);
    for (const { trigger, code } of codes.awaited)
      if (
        trigger.kind === 'turn' &&
        trigger.controlId === move.controlId &&
        move.what === `turn ${trigger.by}`
      )
        events.push(code);
    while (atUs.length < events.length) atUs.push(endUs - startUs);
    return { ...move, events, atUs, lengthUs: endUs - startUs };
  });
}

/** What a player can do: everything that comes to something, and knobs, whose events depend on where they are. */
export const doableMoves = (gadget: Gadget, moves: readonly Move[] = movesOf(gadget)): Move[] =>
  moves.filter(
    ({ controlId, events }) =>
      events.length > 0 || gadget.controls.some(({ id, kind }) => id === controlId && kind === 'knob'),
  );

/**
 * The moves of a key that matters while it is down, apart: pressing it, holding on, letting go. Other things can be done
 * in between, and timers can run out.
 */
export function keptDown(moves: readonly Move[], controlId: string): Move[] {
  const tap = moves.find((move) => move.controlId === controlId && move.what === 'tap');
  if (!tap) return [];
  const hold = moves.find((move) => move.controlId === controlId && move.what === 'hold');
  const { up: isUp, down: isDown, held } = keyPlace;
  const [first, last] = [tap.stimuli[0]!, tap.stimuli.at(-1)!];
  const letGo = [{ ...last, atUs: 0 }];
  const parts: Move[] = [
    {
      ...tap,
      what: 'press',
      stimuli: [first],
      events: tap.events.slice(0, 1),
      atUs: [0],
      key: { from: isUp, to: isDown },
    },
    {
      ...tap,
      what: 'let go',
      stimuli: letGo,
      events: tap.events.slice(1),
      atUs: tap.atUs.slice(1).map(() => 0),
      presses: 0,
      key: { from: isDown, to: isUp },
    },
  ];
  if (!hold) return parts;
  return [
    ...parts,
    {
      ...hold,
      what: 'hold on',
      stimuli: [],
      events: hold.events.slice(1, 2),
      atUs: [0],
      presses: 0,
      key: { from: isDown, to: held },
    },
    {
      ...hold,
      what: 'let go',
      stimuli: letGo,
      events: hold.events.slice(2),
      atUs: hold.atUs.slice(2).map(() => 0),
      presses: 0,
      key: { from: held, to: isUp },
    },
  ];
}

const sameBytes = (bytes: readonly number[], stimulus: Stimulus) =>
  stimulus.what === 'midi' && bytes.join() === stimulus.bytes.join();
