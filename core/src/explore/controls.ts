import { everyCode, op, operandsIn, type Code, type EventCodes, type FlowTables } from '../flow/index.ts';
import type { Gadget, GestureKind, Knob } from '../gadget/index.ts';
import { valueOf } from '../gesture/index.ts';
import { keptDown, keyPlace, movesOf, type Move } from './moves.ts';

/** Something of a move under way: an event of the flow, or where one of the placed controls lies from then on. */
export type Happening = { atUs: number } & (
  { event: number; carried: readonly number[] } | { at: number; to: number }
);

/**
 * Everything hands can do to a gadget while it is explored, and where that leaves its controls. A key that matters while
 * it is down is pressed and let go as moves of their own; knobs, and encoders whose value is asked, keep their place.
 */
export class Controls {
  /** As hands make them, a key pressed and let go in one. */
  readonly whole: readonly Move[];
  readonly moves: readonly Move[];
  /** Numbers of the moves that anything could answer. */
  readonly live: readonly number[];
  private readonly gadget: Gadget;
  private readonly tables: FlowTables;
  private readonly codes: EventCodes;
  /** Controls whose place is kept, by number, with the place among the places. */
  readonly placeOf: ReadonlyMap<number, number>;

  /** @param seen further expressions that may ask where a control is */
  constructor(gadget: Gadget, tables: FlowTables, codes: EventCodes, seen: readonly Code[] = []) {
    this.gadget = gadget;
    this.tables = tables;
    this.codes = codes;
    this.whole = movesOf(gadget);
    const all = this.whole;
    const asked = controlsAsked(tables, seen);
    const kept = gadget.controls.flatMap(({ id, kind }, number) =>
      kind === 'button' && (asked.has(number) || this.mattersWhileDown(id)) ? [id] : [],
    );
    this.moves = [
      ...all.filter(
        ({ controlId, what }) => !(kept.includes(controlId) && (what === 'tap' || what === 'hold')),
      ),
      ...kept.flatMap((id) => keptDown(all, id)),
    ];
    const placed = gadget.controls.flatMap(({ id, kind }, number) =>
      kept.includes(id) || kind === 'knob' || (kind === 'encoder' && asked.has(number)) ? [number] : [],
    );
    this.placeOf = new Map(placed.map((number, at) => [number, at]));
    this.live = this.moves.flatMap((move, at) => (this.matters(move) ? [at] : []));
  }

  /** How many controls keep their place. */
  get placed(): number {
    return this.placeOf.size;
  }

  /** Places of the controls that keep theirs, before anybody touched them. */
  atRest(): number[] {
    return [...this.placeOf.keys()].map((number) => restOf(this.gadget.controls[number]!));
  }

  /** Places of the controls that keep theirs, of those of a machine. */
  placesIn(places: Readonly<Record<string, number>>): number[] {
    return [...this.placeOf.keys()].map((number) => {
      const control = this.gadget.controls[number]!;
      const place = places[control.id]!;
      if (control.kind !== 'knob') return Math.round(place);
      return Math.min(control.reading.steps - 1, Math.floor((place / 1_000) * control.reading.steps));
    });
  }

  /**
   * Whether it matters that the key is down for a while: some rule waits for its release, or one for its press and
   * another for what the same press comes to. One that anything triggers does not count.
   */
  private mattersWhileDown(controlId: string): boolean {
    const { ruleEvent, keyEvents } = this.tables;
    const heard = (gesture: GestureKind) => {
      const event = this.codes.gesture(controlId, gesture);
      return ruleEvent.includes(event) || Boolean(keyEvents.get(event)?.also);
    };
    if (heard('release') || heard('heldRelease')) return true;
    return heard('press') && (heard('tap') || heard('hold'));
  }

  /** Whether anything could answer the move, or ask where its control is. */
  private matters(move: Move): boolean {
    if (this.tables.hasAlways || this.tables.layers.length > 0) return true;
    const number = this.gadget.controls.findIndex(({ id }) => id === move.controlId);
    if (this.placeOf.has(number)) return true;
    return move.events.some((event) => this.tables.heard[event]);
  }

  /** What expressions are told of a control that lies so. */
  valueAt(number: number, places: readonly number[]): number {
    const control = this.gadget.controls[number]!;
    const at = this.placeOf.get(number);
    if (at === undefined) return 0;
    const place = places[at]!;
    if (control.kind === 'button') return place === 0 ? 0 : 1;
    return control.kind === 'knob' ? valueOf(place, control.reading) : place;
  }

  /**
   * Moves the control, where its place is kept.
   * @param tooFar called where it is an encoder that is followed no further
   * @returns the events of it; null where it cannot move so
   */
  make(move: Move, places: number[], tooFar: () => void): readonly number[] | null {
    const number = this.gadget.controls.findIndex(({ id }) => id === move.controlId);
    const at = this.placeOf.get(number);
    if (at === undefined) return move.events;
    const before = places[at]!;
    if (move.key) {
      if (before !== move.key.from) return null;
      places[at] = move.key.to;
      return move.events;
    }
    const control = this.gadget.controls[number]!;
    if (control.kind === 'button') return before === 0 ? move.events : null;
    const after = before + move.by;
    if (control.kind !== 'knob') {
      if (Math.abs(after) > 100) {
        tooFar();
        return null;
      }
      places[at] = after;
      return move.events;
    }
    if (after < 0 || after >= control.reading.steps) return null;
    places[at] = after;
    return this.knobEvents(control, before, after);
  }

  /**
   * A move in time, from its beginning on, as far as places and the flow are concerned; nothing where it cannot be made.
   * @param places where the controls lie when it begins
   */
  timeline(move: Move, places: readonly number[]): Happening[] {
    const { controls } = this.gadget;
    const number = controls.findIndex(({ id }) => id === move.controlId);
    const own = this.placeOf.get(number);
    if (own !== undefined && (move.key || controls[number]!.kind === 'knob')) {
      const after = [...places];
      const events = this.make(move, after, () => undefined);
      if (!events) return [];
      return [
        { atUs: 0, at: own, to: after[own]! },
        ...events.map((event, n) => ({ atUs: move.atUs[n] ?? 0, event, carried: move.carried })),
      ];
    }
    const lying = move.stimuli.flatMap((stimulus): Happening[] => {
      const at = this.placeOf.get(controls.findIndex(({ id }) => id === stimulus.controlId));
      if (at === undefined) return [];
      if (stimulus.what === 'turn') return [{ atUs: stimulus.atUs, at, to: places[at]! + stimulus.detents }];
      return [{ atUs: stimulus.atUs, at, to: stimulus.what === 'down' ? keyPlace.down : keyPlace.up }];
    });
    const events = move.events.map((event, n) => ({ atUs: move.atUs[n]!, event, carried: move.carried }));
    return [...lying, ...events].sort((a, b) => a.atUs - b.atUs);
  }

  /** A step of a knob, and the values that it crosses by it. */
  private knobEvents(control: Knob, before: number, after: number): number[] {
    const [from, to] = [valueOf(before, control.reading), valueOf(after, control.reading)];
    const step = this.codes.gesture(control.id, after > before ? 'up' : 'down');
    const crossed = this.codes.awaited.flatMap(({ trigger, code }) =>
      trigger.kind === 'crossing' &&
      trigger.controlId === control.id &&
      (trigger.rising ? from < trigger.at && to >= trigger.at : from >= trigger.at && to < trigger.at)
        ? [code]
        : [],
    );
    return [step, ...crossed];
  }
}

/** Where a control is at power-up: keys are up, encoders at 0, knobs in the middle. */
const restOf = (control: Gadget['controls'][number]): number =>
  control.kind === 'knob' ? Math.floor(control.reading.steps / 2) : 0;

/** Numbers of the controls that some expression asks, or some layer wants held. */
export function controlsAsked(tables: FlowTables, seen: readonly Code[] = []): ReadonlySet<number> {
  const found = new Set(tables.layers.flatMap(({ held }) => (held >= 0 ? [held] : [])));
  for (const code of [...everyCode(tables), ...seen])
    for (const control of operandsIn(code, op.control)) found.add(control);
  return found;
}
