import { nextTimerUs, stepFlow, stepTimer, type FlowStep } from '../flow/index.ts';
import type { GestureKind } from '../gadget/index.ts';
import {
  nextGestureUs,
  nextTogetherUs,
  onEdge,
  onKey,
  onTime,
  onWindow,
  type TogetherAnswer,
} from '../gesture/index.ts';
import { schedule } from '../kernel/index.ts';
import { turnAtOrAfter, turnsLost } from '../scan/index.ts';
import type { CompiledGadget, CompiledInput } from './compiled.ts';
import { readShaft } from './encoders.ts';
import { cleanChange, readInput, scanArrays, swallowed } from './input.ts';
import { readWiper, wakeKnob } from './knobs.ts';
import { carryOut } from './outputs.ts';
import { stirByChange, stirByReading } from './port.ts';
import { readReceiver, receiverDueUs } from './receivers.ts';
import type { MachineState } from './state.ts';
import type { TraceEntry } from './trace.ts';

/**
 * The firmware's main loop over a state and the document it runs: what a turn reads, what comes of it, and when the
 * next turn is wanted. Writes to the state and to the trace it was given.
 */
export class MainLoop {
  readonly state: MachineState;
  readonly compiled: CompiledGadget;
  trace: TraceEntry[];

  constructor(state: MachineState, compiled: CompiledGadget, trace: TraceEntry[]) {
    this.state = state;
    this.compiled = compiled;
    this.trace = trace;
  }

  /** One turn of the main loop: time first, then the inputs in order, then what the flow has planned. */
  turn(): void {
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
  follow({ effects, blockedUs }: FlowStep): void {
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
  planTurn(): void {
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

  planTurnAt(dueUs: number): void {
    const { state, compiled } = this;
    const earliestUs = Math.max(dueUs, state.nowUs, state.lastTurnUs + 1);
    const turnUs = turnAtOrAfter(earliestUs, compiled.periodUs, state.blockedUntilUs);
    if (state.turnUs === null || turnUs < state.turnUs) state.turnUs = turnUs;
  }
}
