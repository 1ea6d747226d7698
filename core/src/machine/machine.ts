import { nextTimerUs, powerUp, stepFlow, stepTimer, type FlowStep } from '../flow/index.ts';
import type { Gadget, GestureKind } from '../gadget/index.ts';
import {
  nextGestureUs,
  nextTogetherUs,
  nothingTogether,
  onEdge,
  onKey,
  onTime,
  onWindow,
  type TogetherAnswer,
} from '../gesture/index.ts';
import { emptyQueue, maxEventsAtOnce, nextDue, NeverAtRest, schedule, takeNext } from '../kernel/index.ts';
import { turnAtOrAfter, turnsLost } from '../scan/index.ts';
import { adoptState } from './adopt.ts';
import { compileGadget, type CompiledGadget, type CompiledInput } from './compiled.ts';
import { planUnrest } from './contacts.ts';
import { freshEncoder, readShaft } from './encoders.ts';
import { happen } from './happen.ts';
import { cleanChange, freshInput, readInput, scanArrays, swallowed } from './input.ts';
import { freshKnob, readWiper, wakeKnob } from './knobs.ts';
import { carryOut, darkShown, hush } from './outputs.ts';
import { stirByChange, stirByReading } from './port.ts';
import { freshReceiver, readReceiver, receiverDueUs } from './receivers.ts';
import { freshOf, type MachineEvent, type MachineState, type Shown, type Stimulus } from './state.ts';
import type { TraceEntry } from './trace.ts';

/**
 * The virtual gadget: the path from finger to output, assembled. Time is moved from outside, by `advanceTo`; between
 * two events nothing is done, however long it is. The state is plain JSON: `snapshot` and `Machine.restore`.
 */
export class Machine {
  private compiled: CompiledGadget;
  private state: MachineState;
  private trace: TraceEntry[] = [];

  /** Powers up: the first state is entered at 0. @param seed any 32-bit integer */
  constructor(gadget: Gadget, seed: number) {
    this.compiled = compileGadget(gadget);
    const { state: flow, ...first } = powerUp(this.compiled.tables, seed);
    this.state = {
      nowUs: 0,
      seed,
      queue: emptyQueue(),
      turnUs: null,
      lastTurnUs: -1,
      blockedFromUs: 0,
      blockedUntilUs: 0,
      lostTurns: 0,
      inputs: freshOf(this.compiled.inputs, freshInput),
      encoders: freshOf(this.compiled.encoders, freshEncoder),
      knobs: freshOf(this.compiled.knobs, freshKnob),
      receivers: freshOf(this.compiled.receivers, freshReceiver),
      together: nothingTogether,
      flow,
      shown: darkShown(gadget),
    };
    for (const input of this.compiled.inputs.values()) planUnrest(this.state, input);
    this.follow(first);
    this.planTurn();
  }

  /** Goes on from a snapshot as if it had never stopped. The document must be the one it was taken with. */
  static restore(gadget: Gadget, snapshot: MachineState): Machine {
    const machine = new Machine(gadget, snapshot.seed);
    machine.state = copy(snapshot);
    machine.trace = [];
    return machine;
  }

  /** The whole state, as plain JSON of its own. */
  snapshot(): MachineState {
    return copy(this.state);
  }

  get nowUs(): number {
    return this.state.nowUs;
  }

  /** What the gadget shows now. Do not keep it: it changes as time goes on. */
  get shown(): Readonly<Shown> {
    return this.state.shown;
  }

  get gadget(): Gadget {
    return this.compiled.gadget;
  }

  /** When something will next happen by itself or as planned, or null. */
  get nextUs(): number | null {
    const due = Math.min(nextDue(this.state.queue), this.state.turnUs ?? Infinity);
    return due === Infinity ? null : due;
  }

  /** The trace since the last call. */
  takeTrace(): TraceEntry[] {
    const taken = this.trace;
    this.trace = [];
    return taken;
  }

  /**
   * A hand does something, now or later. Controls that the gadget does not have are passed over.
   * @throws RangeError for a time in the past or not whole
   */
  stimulate({ atUs, controlId, ...touch }: Stimulus): void {
    if (!Number.isSafeInteger(atUs) || atUs < this.state.nowUs)
      throw new RangeError(`expected a time in whole µs from ${this.state.nowUs} on, got ${atUs}`);
    schedule(this.state.queue, atUs, { kind: 'touch', controlId, touch });
  }

  /**
   * Lets time pass up to and including `untilUs`; each event sees its own time.
   * @throws RangeError for a time in the past or not whole
   * @throws NeverAtRest when a rule re-enters itself without time passing
   */
  advanceTo(untilUs: number): void {
    const { state } = this;
    if (!Number.isSafeInteger(untilUs) || untilUs < state.nowUs)
      throw new RangeError(`expected a time in whole µs from ${state.nowUs} on, got ${untilUs}`);
    let atOnce = 0;
    for (;;) {
      const queuedUs = nextDue(state.queue);
      const turnUs = state.turnUs ?? Infinity;
      const dueUs = Math.min(queuedUs, turnUs);
      if (dueUs > untilUs) break;
      atOnce = dueUs === state.nowUs ? atOnce + 1 : 0;
      if (atOnce > maxEventsAtOnce) throw new NeverAtRest(dueUs, state.shown.stateId ?? 'no state');
      state.nowUs = dueUs;
      // Whatever moves at the moment of a turn is seen by that turn.
      if (queuedUs <= turnUs) this.handle(takeNext(state.queue)!.event);
      else this.turn();
    }
    state.nowUs = untilUs;
  }

  /**
   * Takes over an edited document without stopping, as far as that makes sense: where the machine stands, values,
   * outputs and fingers are kept by id. Starts anew where the current state is gone.
   */
  adopt(gadget: Gadget): { restarted: boolean } {
    const next = compileGadget(gadget);
    const adopted = adoptState(this.state, this.compiled, next);
    if (adopted) {
      const before = this.compiled;
      this.compiled = next;
      this.state = adopted;
      for (const [id, input] of next.inputs)
        if (startsUnrest(before.inputs.get(id), input)) planUnrest(adopted, input);
      this.planTurn();
      return { restarted: false };
    }
    const { nowUs, seed } = this.state;
    const fresh = new Machine(gadget, seed);
    fresh.shiftTo(nowUs);
    this.compiled = fresh.compiled;
    this.state = fresh.state;
    for (const entry of fresh.trace) {
      const moved = { ...entry, at: entry.at + nowUs };
      // A standstill's end moves with its beginning.
      this.trace.push(moved.lane === 'blocked' ? { ...moved, untilUs: moved.untilUs + nowUs } : moved);
    }
    return { restarted: true };
  }

  /** Only for a machine that has just powered up: moves everything planned to begin at `nowUs`. */
  private shiftTo(nowUs: number): void {
    const { state } = this;
    state.nowUs = nowUs;
    for (const queued of state.queue.heap) queued.at += nowUs;
    for (const timer of state.flow.timers) timer.dueUs += nowUs;
    for (const lit of Object.values(state.shown.lights)) if (lit.light.mode !== 'off') lit.sinceUs += nowUs;
    state.blockedFromUs += nowUs;
    state.blockedUntilUs += nowUs;
    state.lastTurnUs = nowUs - 1;
    state.turnUs = null;
    this.planTurn();
  }

  private handle(event: MachineEvent): void {
    const { state, compiled, trace } = this;
    switch (event.kind) {
      case 'effect':
        carryOut(state, compiled, event.effect, trace);
        return;
      case 'hush':
        hush(state, event.outputId, event.order, trace);
        return;
      default:
        happen(state, compiled, event, trace);
        // A knob is read at times of its own; whatever else moved is seen by the next turn.
        if (event.kind === 'touch' && event.touch.what === 'move') this.planTurn();
        else this.planTurnAt(state.nowUs);
    }
  }

  /** One turn of the main loop: time first, then the inputs in order, then what the flow has planned. */
  private turn(): void {
    const { state, compiled } = this;
    const { periodUs } = compiled;
    state.lastTurnUs = state.nowUs;
    state.turnUs = null;
    const turn = state.nowUs / periodUs - state.lostTurns + 1;
    if (compiled.arrays.length > 0) this.trace.push(...scanArrays(state, compiled));
    const { chords } = compiled.gadget;
    if (chords.length > 0) this.sayTogether(onWindow(state.together, chords, state.nowUs));
    stirByReading(state, compiled);
    const changed: string[] = [];
    for (const input of compiled.inputs.values()) {
      this.sayDueGestures(input);
      if (this.readOne(input, turn)) changed.push(input.control.id);
    }
    if (changed.length > 0) stirByChange(state, compiled, changed);
    this.readOthers();
    for (;;) {
      const step = stepTimer(compiled.tables, state.flow, state.nowUs, this.freeUs, state.seed);
      if (!step) break;
      this.follow(step);
    }
    this.planTurn();
  }

  private sayDueGestures(input: CompiledInput): void {
    const of = this.state.inputs[input.control.id]!;
    const { state, gestures } = onTime(of.gesture, this.state.nowUs, input.control.gestures);
    of.gesture = state;
    for (const gesture of gestures) this.say(input.control.id, gesture);
  }

  /** Returns whether its clean level has changed. */
  private readOne(input: CompiledInput, turn: number): boolean {
    const { state, compiled, trace } = this;
    const { id } = input.control;
    const level = readInput(state, input, turn, compiled.periodUs);
    if (level !== null) {
      trace.push(cleanChange(state, id, level));
      this.sayTogether(onKey(state.together, compiled.gadget.chords, id, level, state.nowUs));
    }
    const standsUntilUs = input.algorithm.standsUntilUs?.(state.inputs[id]!.debounce) ?? null;
    if (standsUntilUs !== null && standsUntilUs > this.freeUs) this.block(standsUntilUs);
    const lost = swallowed(state, input, compiled);
    if (lost) trace.push(lost);
    return level !== null;
  }

  /** Clean changes that go on to their own buttons, and keys that mean something together. */
  private sayTogether({ state: together, pass, chords }: TogetherAnswer): void {
    const { state, compiled } = this;
    state.together = together;
    for (const { controlId, level } of pass) {
      const input = compiled.inputs.get(controlId);
      const of = state.inputs[controlId];
      if (!input || !of) continue;
      const answer = onEdge(of.gesture, level, state.nowUs, input.control.gestures);
      of.gesture = answer.state;
      for (const gesture of answer.gestures) this.say(controlId, gesture);
    }
    for (const id of chords) {
      this.trace.push({ at: state.nowUs, lane: 'chord', id });
      this.tell(compiled.events.chord(id));
    }
  }

  /** Encoders, knobs and receivers, after the buttons. */
  private readOthers(): void {
    const { state, compiled, trace } = this;
    for (const encoder of compiled.encoders.values()) {
      readShaft(state, encoder, trace);
      const one = state.encoders[encoder.control.id]!;
      const steps = one.pending;
      one.pending = 0;
      this.sayMany(encoder.control.id, steps);
    }
    for (const knob of compiled.knobs.values()) this.sayMany(knob.control.id, readWiper(state, knob, trace));
    for (const receiver of compiled.receivers.values())
      for (const { codeId, gesture } of readReceiver(state, receiver, trace))
        this.tell(compiled.events.code(codeId, gesture));
  }

  private sayMany(controlId: string, steps: number): void {
    for (let n = 0; n < Math.abs(steps); n += 1) this.say(controlId, steps > 0 ? 'up' : 'down');
  }

  private say(controlId: string, gesture: GestureKind): void {
    this.trace.push({ at: this.state.nowUs, lane: 'gesture', id: controlId, gesture });
    this.tell(this.compiled.events.gesture(controlId, gesture));
  }

  private tell(event: number): void {
    const { state, compiled } = this;
    this.follow(stepFlow(compiled.tables, state.flow, event, this.freeUs, state.seed));
  }

  /** Carries out what the flow wants, at once or behind its blocking waits. */
  private follow({ effects, blockedUs }: FlowStep): void {
    const { state, compiled } = this;
    // What is switched on or off pulls at the supply that knobs are read against.
    for (const { control } of compiled.knobs.values())
      if (effects.length > 0 && control.wiper.sagPpm > 0)
        wakeKnob(state, control.id, control.reading.everyUs);
    const startUs = this.freeUs;
    for (const effect of effects) {
      const atUs = startUs + effect.offsetUs;
      if (atUs === state.nowUs) carryOut(state, this.compiled, effect, this.trace);
      else schedule(state.queue, atUs, { kind: 'effect', effect });
    }
    if (blockedUs > 0) this.block(startUs + blockedUs);
  }

  /** When the loop can act: now, or after a standstill that a step of this same turn began. */
  private get freeUs(): number {
    return Math.max(this.state.nowUs, this.state.blockedUntilUs);
  }

  private block(untilUs: number): void {
    const { state, compiled } = this;
    const { periodUs } = compiled;
    if (state.blockedUntilUs <= state.nowUs) state.blockedFromUs = state.nowUs;
    state.lostTurns += turnsLost(
      turnAtOrAfter(state.nowUs + 1, periodUs, state.blockedUntilUs),
      untilUs,
      periodUs,
    );
    state.blockedUntilUs = untilUs;
    this.trace.push({ at: state.nowUs, lane: 'blocked', untilUs });
  }

  /** Finds when the loop next has something to do. */
  private planTurn(): void {
    const { state } = this;
    let dueUs = nextTimerUs(state.flow) ?? Infinity;
    for (const input of Object.values(state.inputs)) {
      if (input.moved) dueUs = state.nowUs;
      dueUs = Math.min(dueUs, input.wakeUs ?? Infinity, nextGestureUs(input.gesture) ?? Infinity);
    }
    const { encoders, knobs, receivers, gadget } = this.compiled;
    for (const id of encoders.keys()) {
      const { moved, pending } = state.encoders[id]!;
      if (moved || pending !== 0) dueUs = state.nowUs;
    }
    for (const id of knobs.keys()) dueUs = Math.min(dueUs, state.knobs[id]!.dueUs ?? Infinity);
    for (const [id, receiver] of receivers)
      dueUs = Math.min(dueUs, receiverDueUs(state.receivers[id]!, receiver, state.nowUs) ?? Infinity);
    if (gadget.chords.length > 0) dueUs = Math.min(dueUs, nextTogetherUs(state.together) ?? Infinity);
    if (dueUs !== Infinity) this.planTurnAt(dueUs);
  }

  private planTurnAt(dueUs: number): void {
    const { state, compiled } = this;
    const earliestUs = Math.max(dueUs, state.nowUs, state.lastTurnUs + 1);
    const turnUs = turnAtOrAfter(earliestUs, compiled.periodUs, state.blockedUntilUs);
    if (state.turnUs === null || turnUs < state.turnUs) state.turnUs = turnUs;
  }
}

/** Whether spikes or drift begin with this edit: otherwise what was planned of them goes on. */
function startsUnrest(from: CompiledInput | undefined, to: CompiledInput): boolean {
  const unrest = (input: CompiledInput | undefined) => {
    const contact = input?.control.contact;
    return contact !== undefined && (contact.glitchPerHour > 0 || contact.touch !== null);
  };
  return unrest(to) && !unrest(from);
}

/** State is JSON by construction, so this is an exact copy. */
function copy(state: MachineState): MachineState {
  return JSON.parse(JSON.stringify(state)) as MachineState;
}
