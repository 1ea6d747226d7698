import {
  freshFlow,
  nextTimerUs,
  powerUp,
  stepFlow,
  stepTimer,
  textAt,
  type Around,
  type Effect,
  type FlowStep,
} from '../flow/index.ts';
import type { GestureKind } from '../gadget/index.ts';
import {
  nextGestureUs,
  nextTogetherUs,
  onEdge,
  onKey,
  onTime,
  onWindow,
  valueOf,
  type TogetherAnswer,
} from '../gesture/index.ts';
import { blame, keepOnly, schedule, spend, worth, type Standstill } from '../kernel/index.ts';
import { turnAtOrAfter, turnsLost } from '../scan/index.ts';
import type { CompiledGadget, CompiledInput, CompiledKnob } from './compiled.ts';
import { readShaft } from './encoders.ts';
import { cleanChange, readInput, scanArrays, swallowed } from './input.ts';
import { readWiper, wakeForLoad, wakeForWait } from './knobs.ts';
import { aroundFlow } from './flowAround.ts';
import type { Job } from '../output/index.ts';
import { carryOut, darken, hearMessage, keepUp, remember, stir, touch, upkeepDueUs } from './outputs.ts';
import { heardNow } from './outside.ts';
import { forgetWithPower } from './powerCycle.ts';
import { stirByChange, stirByReading } from './port.ts';
import { readReceiver, receiverDueUs } from './receivers.ts';
import type { MachineEvent, MachineState } from './state.ts';
import type { TraceEntry } from './trace.ts';

/** What is forgotten with the power: effects on their way, and what outputs planned. */
const powered: ReadonlySet<MachineEvent['kind']> = new Set(['effect', 'output']);

/**
 * The firmware's main loop over a state and the document it runs: what a turn reads, what comes of it, and when the
 * next turn is wanted. Writes to the state and to the trace it was given.
 */
export class MainLoop {
  readonly state: MachineState;
  readonly compiled: CompiledGadget;
  trace: TraceEntry[];
  /** What outputs give the loop to do, told something in this moment or by themselves; empty between two moments. */
  private readonly owed = new Map<string, readonly Job[]>();
  /** What a turn costs in which nothing has happened. */
  private readonly turnWork: number;

  constructor(state: MachineState, compiled: CompiledGadget, trace: TraceEntry[]) {
    this.state = state;
    this.compiled = compiled;
    this.trace = trace;
    this.turnWork = worth.happening + worth.look * compiled.gadget.controls.length;
  }

  /** One turn of the main loop: time first, then the inputs in order, then what the flow has planned. */
  turn(): void {
    const { state, compiled } = this;
    const { periodUs } = compiled;
    state.lastTurnUs = state.nowUs;
    state.turnUs = null;
    spend(state.work, this.turnWork);
    const turn = state.nowUs / periodUs - state.lostTurns + 1;
    this.hearOutside();
    if (compiled.arrays.length > 0) this.trace.push(...scanArrays(state, compiled));
    const { chords } = compiled.gadget;
    if (chords.length > 0) this.sayTogether(onWindow(state.together, chords, state.nowUs));
    stirByReading(state, compiled);
    const changed: string[] = [];
    for (const input of compiled.inputs.values()) {
      this.sayDueGestures(input);
      if (this.readOne(input, turn)) changed.push(input.control.id);
    }
    if (changed.length > 0) {
      stirByChange(state, compiled, changed);
      this.touch();
      this.stir();
    }
    this.readOthers();
    for (;;) {
      const step = stepTimer(compiled.tables, state.flow, state.nowUs, this.around);
      if (!step) break;
      this.follow(step);
    }
    for (const one of compiled.keptUp) this.owe(one.output.id, keepUp(state, compiled, one, this.trace));
    this.doJobs();
    this.planTurn();
  }

  /** What has come from outside since the last turn, in that order. */
  private hearOutside(): void {
    const { state, compiled } = this;
    if (state.outside.length === 0) return;
    for (const message of state.outside.splice(0)) {
      const { entry, events, carried } = heardNow(message, compiled.events, state.nowUs);
      if (entry.lane === 'power') wakeForLoad(state, compiled.knobs.values());
      this.trace.push(entry);
      if (entry.lane === 'midiIn')
        for (const id of compiled.hearing)
          this.owe(id, hearMessage(state, compiled, id, entry.bytes, this.trace));
      const [first, ...also] = events;
      if (first !== undefined) this.tell(first, also.length > 0 ? also : null, carried);
    }
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
      trace.push(cleanChange(state, input, level));
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
      if (level === 1) of.pressedUs = state.nowUs;
      of.pressedForUs = level === 1 ? 0 : state.nowUs - of.pressedUs;
      const answer = onEdge(of.gesture, level, state.nowUs, input.control.gestures);
      of.gesture = answer.state;
      for (const gesture of answer.gestures) this.say(controlId, gesture);
    }
    for (const id of chords) {
      this.trace.push({ atUs: state.nowUs, lane: 'chord', id });
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
      this.saySteps(encoder.control.id, one, steps);
    }
    for (const knob of compiled.knobs.values()) {
      const one = state.knobs[knob.control.id]!;
      const before = one.reading.step;
      const moved = readWiper(state, knob, trace);
      this.saySteps(knob.control.id, one, moved);
      if (moved !== 0 || before === null) this.sayCrossings(knob, before);
    }
    for (const receiver of compiled.receivers.values())
      for (const { codeId, gesture } of readReceiver(state, receiver, trace)) {
        this.touch();
        this.tell(compiled.events.code(codeId, gesture));
      }
  }

  /** Step by step, and every so many one way where a rule waits for that. */
  private saySteps(controlId: string, one: { oneWay: number; steps?: number }, steps: number): void {
    const by = Math.sign(steps);
    if (by !== 0) {
      this.stir();
      this.touch();
    }
    for (let n = 0; n < Math.abs(steps); n += 1) {
      one.oneWay = Math.sign(one.oneWay) === -by ? by : one.oneWay + by;
      if (one.steps !== undefined) one.steps += by;
      this.say(controlId, by > 0 ? 'up' : 'down');
      for (const { trigger, code } of this.compiled.events.awaited)
        if (trigger.kind === 'turn' && trigger.controlId === controlId && Math.sign(trigger.by) === by)
          if (one.oneWay % trigger.by === 0) this.tell(code);
    }
  }

  /** Values that a knob came to or fell below, from the step it had before; a first reading crosses nothing. */
  private sayCrossings({ control }: CompiledKnob, before: number | null): void {
    const now = this.state.knobs[control.id]!.reading.step;
    if (before === null || now === null) return;
    const from = valueOf(before, control.reading);
    const to = valueOf(now, control.reading);
    for (const { trigger, code } of this.compiled.events.awaited) {
      if (trigger.kind !== 'crossing' || trigger.controlId !== control.id) continue;
      const { at, rising } = trigger;
      if (rising ? from < at && to >= at : from >= at && to < at) this.tell(code);
    }
  }

  private say(controlId: string, gesture: GestureKind): void {
    blame(this.state.work, 'control', controlId);
    spend(this.state.work, 2 * worth.happening);
    this.trace.push({ atUs: this.state.nowUs, lane: 'gesture', id: controlId, gesture });
    this.tell(this.compiled.events.gesture(controlId, gesture), null, null, controlId);
  }

  private tell(
    event: number,
    also: readonly number[] | null = null,
    carried: readonly number[] | null = null,
    controlId: string | null = null,
  ): void {
    const { state, compiled, around } = this;
    if (carried !== null) around.carried = carried;
    const input = controlId === null ? undefined : state.inputs[controlId];
    if (input) around.heldMs = () => Math.floor(input.pressedForUs / 1_000);
    this.follow(stepFlow(compiled.tables, state.flow, event, around, also));
  }

  /** What the flow finds when it acts now. */
  private get around(): Around {
    return aroundFlow(this.state, this.compiled, this.freeUs);
  }

  /** More was asked for than can happen: from now on nothing does, until the power comes anew. */
  standStill(standstill: Standstill): void {
    const { state } = this;
    const { excess, cause, times, sinceUs } = standstill;
    state.still = standstill;
    state.turnUs = null;
    // Nothing is done any more, also not what this moment still owed.
    this.owed.clear();
    this.trace.push({ atUs: state.nowUs, lane: 'still', excess, cause, times, sinceUs });
  }

  /** The power goes off and comes on again. */
  cyclePower(): void {
    const { state, compiled, trace } = this;
    trace.push({ atUs: state.nowUs, lane: 'power', event: 'cycle' });
    wakeForLoad(state, compiled.knobs.values());
    if (state.blockedUntilUs > state.nowUs)
      trace.push({ atUs: state.nowUs, lane: 'blocked', untilUs: state.nowUs });
    forgetWithPower(state, compiled);
    darken(state, compiled, trace);
    keepOnly(state.queue, ({ event }) => !powered.has(event.kind));
    state.shown.stateIds = [];
    this.showValues(freshFlow(compiled.tables, state.flow.saved).values);
    const { state: flow, ...first } = powerUp(compiled.tables, this.around, state.flow.saved);
    state.flow = flow;
    this.follow(first);
    this.doJobs();
  }

  /** What was kept is seen from the beginning, and what was not begins anew. @param values by slot */
  private showValues(values: readonly number[]): void {
    const { state, compiled, trace } = this;
    const { variableIds, slot, size, characters } = compiled.tables;
    for (const [variable, id] of variableIds.entries()) {
      const step = characters[variable]!;
      for (let place = 0; place * (step || 1) < size[variable]!; place += 1) {
        const from = slot[variable]! + place * (step || 1);
        const value = step > 0 ? textAt(values, from, step) : values[from]!;
        remember(state.shown, id, place, value, state.nowUs, trace);
      }
    }
  }

  /** Carries out what the flow wants, at once or behind its blocking waits. */
  follow({ effects, blockedUs }: FlowStep): void {
    const { state, compiled } = this;
    if (effects.length > 0) {
      wakeForLoad(state, compiled.knobs.values());
      this.stir();
    }
    const startUs = this.freeUs;
    for (const effect of effects) {
      const atUs = startUs + effect.offsetUs;
      if (atUs === state.nowUs) this.carryOut(effect);
      else schedule(state.queue, atUs, { kind: 'effect', effect });
    }
    if (blockedUs > 0) this.block(startUs + blockedUs);
  }

  /** What shows values by itself is to look at them once more. */
  private stir(): void {
    if (this.compiled.stirred.length > 0) stir(this.state, this.compiled.stirred);
  }

  /** Somebody is there: what goes by that is told. */
  private touch(): void {
    if (this.compiled.touched.length > 0) touch(this.state, this.compiled, this.trace);
  }

  /** Carries out one effect; what it gives the loop to do waits until all of this moment are carried out. */
  carryOut(effect: Effect): void {
    const jobs = carryOut(this.state, this.compiled, effect, this.trace);
    if (effect.kind === 'output') this.owe(effect.outputId, jobs);
  }

  private owe(outputId: string, jobs: readonly Job[]): void {
    if (jobs.length > 0) this.owed.set(outputId, jobs);
  }

  /** The turn lasts as long as what it has to do for outputs, one after the other. */
  doJobs(): void {
    const { state, owed } = this;
    if (owed.size === 0) return;
    for (const [id, jobs] of owed)
      for (const { us, how, deaf } of jobs) {
        if (how !== 'blocking' || us === 0) continue;
        const untilUs = this.freeUs + us;
        this.occupy(untilUs);
        // What it tells is sent before any wait that follows: interrupts come back with the end of the data.
        if (deaf) state.deafUntilUs = Math.max(state.nowUs, state.deafUntilUs) + us;
        this.trace.push({ atUs: state.nowUs, lane: 'busy', id, forUs: us, untilUs, deaf });
      }
    owed.clear();
  }

  /** When the loop can act: now, or after a standstill that a step of this same turn began. */
  private get freeUs(): number {
    return Math.max(this.state.nowUs, this.state.blockedUntilUs);
  }

  private block(untilUs: number): void {
    this.occupy(untilUs);
    this.trace.push({ atUs: this.state.nowUs, lane: 'blocked', untilUs });
  }

  /** Nothing else is done until then. */
  private occupy(untilUs: number): void {
    const { state, compiled } = this;
    const { periodUs } = compiled;
    wakeForWait(state, compiled.knobs.values());
    if (state.blockedUntilUs <= state.nowUs) state.blockedFromUs = state.nowUs;
    state.lostTurns += turnsLost(
      turnAtOrAfter(state.nowUs + 1, periodUs, state.blockedUntilUs),
      untilUs,
      periodUs,
    );
    state.blockedUntilUs = untilUs;
  }

  /** An output came to something by itself: where that is shown, the loop has to see to it. */
  soundStirred(): void {
    if (this.compiled.stirredBySound.length > 0) this.planTurn();
  }

  /** Finds when the loop next has something to do. */
  planTurn(): void {
    const { state } = this;
    let dueUs = state.outside.length > 0 ? state.nowUs : (nextTimerUs(state.flow) ?? Infinity);
    for (const input of Object.values(state.inputs)) {
      if (input.moved) dueUs = state.nowUs;
      dueUs = Math.min(dueUs, input.wakeUs ?? Infinity, nextGestureUs(input.gesture) ?? Infinity);
    }
    const { encoders, knobs, receivers, gadget, keptUp } = this.compiled;
    if (keptUp.length > 0) dueUs = Math.min(dueUs, upkeepDueUs(state, this.compiled) ?? Infinity);
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
