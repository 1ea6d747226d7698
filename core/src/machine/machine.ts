import {
  evaluate,
  freshFlow,
  powerUp,
  seenNow,
  type Code,
  type FlowState,
  type Surroundings,
} from '../flow/index.ts';
import type { Gadget } from '../gadget/index.ts';
import { nothingTogether } from '../gesture/index.ts';
import {
  beginMoment,
  blame,
  emptyQueue,
  freshWork,
  nextDue,
  schedule,
  spend,
  StandsStill,
  takeNext,
  workSoFar,
  worth,
  type Standstill,
} from '../kernel/index.ts';
import { streamAtRest } from '../midi/index.ts';
import { adoptState, waitingFor, type Waiting } from './adopt.ts';
import { compileGadget, type CompiledGadget, type CompiledInput } from './compiled.ts';
import { planUnrest } from './contacts.ts';
import { freshEncoder } from './encoders.ts';
import { aroundFlow } from './flowAround.ts';
import { happen } from './happen.ts';
import { freshInput } from './input.ts';
import { freshKnob, wakeForLoad } from './knobs.ts';
import { MainLoop } from './loop.ts';
import { laterOutput } from './outputKinds.ts';
import { darkShown, dueOutput } from './outputs.ts';
import { characterComes, comesIn, planLine } from './outside.ts';
import { leastPlanned, tidyPlanned } from './planned.ts';
import { freshReceiver } from './receivers.ts';
import {
  freshOf,
  isOutside,
  type MachineEvent,
  type MachineState,
  type Shown,
  type Stimulus,
} from './state.ts';
import type { TraceEntry } from './trace.ts';

/**
 * The virtual gadget: the path from finger to output, assembled. Time is moved from outside, by `advanceTo`; between
 * two events nothing is done, however long it is. The state is plain JSON: `snapshot` and `Machine.restore`.
 */
export class Machine {
  private loop: MainLoop;

  /** Powers up: the first state is entered at 0. @param seed any 32-bit integer */
  constructor(gadget: Gadget, seed: number) {
    this.loop = freshLoop(compileGadget(gadget), seed);
    this.powerUp();
  }

  /** The same gadget powered up anew with another seed: what was compiled is not compiled again. */
  again(seed: number): Machine {
    const machine = Object.create(Machine.prototype) as Machine;
    machine.loop = freshLoop(this.loop.compiled, seed);
    machine.powerUp();
    return machine;
  }

  private powerUp(): void {
    const { loop } = this;
    const { state, compiled } = loop;
    try {
      const { state: flow, ...first } = powerUp(compiled.tables, aroundFlow(state, compiled, 0));
      state.flow = flow;
      for (const input of compiled.inputs.values()) planUnrest(state, input);
      loop.follow(first);
      loop.doJobs();
      loop.planTurn();
    } catch (error) {
      this.standStill(error);
    }
  }

  /** Goes on from a snapshot as if it had never stopped. The document must be the one it was taken with. */
  static restore(gadget: Gadget, snapshot: MachineState): Machine {
    const machine = new Machine(gadget, snapshot.seed);
    machine.loop = new MainLoop(copy(snapshot), machine.loop.compiled, []);
    return machine;
  }

  /** The same for a snapshot of a machine with the same document: what was compiled is not compiled again. */
  restoredTo(snapshot: MachineState): Machine {
    const machine = Object.create(Machine.prototype) as Machine;
    machine.loop = new MainLoop(copy(snapshot), this.loop.compiled, []);
    return machine;
  }

  /** One more that stands where this one does; each goes on by itself. */
  beside(): Machine {
    return this.restoredTo(this.loop.state);
  }

  /** The whole state, as plain JSON of its own. */
  snapshot(): MachineState {
    return copy(this.loop.state);
  }

  get nowUs(): number {
    return this.loop.state.nowUs;
  }

  /** What the gadget shows now. Do not keep it: it changes as time goes on. */
  get shown(): Readonly<Shown> {
    return this.loop.state.shown;
  }

  /** What an expression of this gadget's flow comes to now. */
  evaluate(code: Code): number {
    return evaluate(code, this.seen);
  }

  /** Where the flow stands. Do not keep it: it changes as time goes on. */
  get flow(): Readonly<FlowState> {
    return this.loop.state.flow;
  }

  /** What expressions see now; not to be kept either. */
  get seen(): Surroundings {
    const { state, compiled } = this.loop;
    return seenNow(state.flow, aroundFlow(state, compiled, state.nowUs));
  }

  /** Where hands have put each control: keys 0 or 1, knobs in thousandths of the way, dials in detents since power-up. */
  get places(): Record<string, number> {
    const { state, compiled } = this.loop;
    const places: Record<string, number> = {};
    for (const [id, { fingerDown }] of Object.entries(state.inputs)) places[id] = fingerDown ? 1 : 0;
    for (const [id, { toPerMille }] of Object.entries(state.knobs)) places[id] = toPerMille;
    for (const [id, { part }] of compiled.encoders)
      places[id] = state.encoders[id]!.count / part.countsPerDetent;
    return places;
  }

  /** Why it stands still; null: it does not. */
  get still(): Standstill | null {
    return this.loop.state.still;
  }

  /** What was worked out since power-up, in the kernel's parts: what play costs, whatever machine it runs on. */
  get work(): number {
    return workSoFar(this.loop.state.work);
  }

  get gadget(): Gadget {
    return this.loop.compiled.gadget;
  }

  /** When something will next happen by itself or as planned, or null. */
  get nextUs(): number | null {
    const due = Math.min(nextDue(this.loop.state.queue), this.loop.state.turnUs ?? Infinity);
    return due === Infinity ? null : due;
  }

  /** The trace since the last call. */
  takeTrace(): TraceEntry[] {
    const taken = this.loop.trace;
    this.loop.trace = [];
    return taken;
  }

  /**
   * A hand does something, now or later. Controls that the gadget does not have are passed over.
   * @throws RangeError for a time in the past or not whole
   */
  stimulate({ atUs, controlId, ...touch }: Stimulus): void {
    if (!Number.isSafeInteger(atUs) || atUs < this.loop.state.nowUs)
      throw new RangeError(`expected a time in whole µs from ${this.loop.state.nowUs} on, got ${atUs}`);
    const { state, compiled } = this.loop;
    const afterUs = touch.what === 'line' ? planLine(state, compiled, controlId, touch, atUs) : 0;
    schedule(state.queue, atUs + afterUs, { kind: 'touch', controlId, touch });
  }

  /**
   * Lets time pass up to and including `untilUs`; each event sees its own time. Where more would happen than can, the
   * gadget stands still with a reason, and time goes on.
   * @throws RangeError for a time in the past or not whole
   */
  advanceTo(untilUs: number): void {
    this.advance(untilUs, Infinity);
  }

  /**
   * The same, but no further than about so much work goes; what happens in one moment is not parted.
   * @param parts of the kernel's work; at most a moment's more is done
   * @returns whether it came to `untilUs`
   * @throws RangeError for a time in the past or not whole
   */
  advance(untilUs: number, parts: number): boolean {
    const { state } = this.loop;
    if (!Number.isSafeInteger(untilUs) || untilUs < state.nowUs)
      throw new RangeError(`expected a time in whole µs from ${state.nowUs} on, got ${untilUs}`);
    const mostWork = workSoFar(state.work) + parts;
    for (;;) {
      const queuedUs = nextDue(state.queue);
      const turnUs = state.turnUs ?? Infinity;
      const dueUs = Math.min(queuedUs, turnUs);
      if (dueUs > untilUs) break;
      if (dueUs > state.nowUs && workSoFar(state.work) >= mostWork) return false;
      state.nowUs = dueUs;
      beginMoment(state.work, dueUs);
      // Written out: this runs for every event there is.
      try {
        // Whatever moves at the moment of a turn is seen by that turn.
        if (queuedUs <= turnUs) this.handle(takeNext(state.queue)!.event);
        else this.loop.turn();
        if (state.queue.heap.length >= state.tidyAt) tidyPlanned(state);
      } catch (error) {
        this.standStill(error);
      }
    }
    state.nowUs = untilUs;
    return true;
  }

  /** More was to happen than can; any other error is none of ours. */
  private standStill(error: unknown): void {
    if (!(error instanceof StandsStill)) throw error;
    if (!this.still) this.loop.standStill(error.standstill);
  }

  /**
   * Takes over an edited document without stopping, as far as that makes sense: where the machine stands, values,
   * outputs and fingers are kept by id. Starts anew where the current state is gone, or where it stood still.
   */
  adopt(gadget: Gadget): Adopted {
    const { state, compiled, trace } = this.loop;
    const next = compileGadget(gadget);
    // What stands still was left in the middle of something: only a restart makes sense of it.
    const adopted = state.still ? null : adoptState(state, compiled, next);
    if (adopted) {
      const waits = waitingFor(state.flow, compiled, next);
      this.loop = new MainLoop(adopted, next, trace);
      for (const [id, input] of next.inputs)
        if (startsUnrest(compiled.inputs.get(id), input)) planUnrest(adopted, input);
      this.loop.planTurn();
      return { restarted: null, waits };
    }
    const restarted = state.still ? 'still' : state.flow.atoms.length === 0 ? 'begun' : 'gone';
    const { nowUs, seed } = state;
    const fresh = new Machine(gadget, seed);
    fresh.shiftTo(nowUs);
    for (const entry of fresh.takeTrace()) {
      const moved = { ...entry, atUs: entry.atUs + nowUs };
      // A standstill's end moves with its beginning.
      trace.push('untilUs' in moved ? { ...moved, untilUs: moved.untilUs + nowUs } : moved);
    }
    this.loop = new MainLoop(fresh.loop.state, fresh.loop.compiled, trace);
    return { restarted, waits: [] };
  }

  /** Only for a machine that has just powered up: moves everything planned to begin at `nowUs`. */
  private shiftTo(nowUs: number): void {
    const { state } = this.loop;
    state.nowUs = nowUs;
    state.poweredUs = nowUs;
    beginMoment(state.work, nowUs);
    if (state.still) {
      state.still = { ...state.still, atUs: nowUs, sinceUs: nowUs };
      return;
    }
    for (const queued of state.queue.heap) queued.at += nowUs;
    for (const timer of state.flow.timers) timer.dueUs += nowUs;
    state.flow.enteredUs = state.flow.enteredUs.map((us) => us + nowUs);
    const { outputs } = state.shown;
    for (const id in outputs) outputs[id] = laterOutput(outputs[id]!, nowUs);
    state.blockedFromUs += nowUs;
    state.blockedUntilUs += nowUs;
    state.deafUntilUs += nowUs;
    state.lastTurnUs = nowUs - 1;
    state.turnUs = null;
    this.loop.planTurn();
  }

  private handle(event: MachineEvent): void {
    const { state, compiled, trace } = this.loop;
    const dead = state.still !== null && !isSwitch(event);
    if (!dead) state.still = null;
    spend(state.work, worth.happening);
    if ('controlId' in event) blame(state.work, 'control', event.controlId);
    if (dead) {
      // Contacts still move under fingers; nobody looks at them.
      if ('controlId' in event) happen(state, compiled, event, trace);
      return;
    }
    if (event.kind === 'effect' || event.kind === 'output')
      if (wakeForLoad(state, compiled.knobs.values())) this.loop.planTurn();
    switch (event.kind) {
      case 'effect':
        this.loop.carryOut(event.effect);
        this.loop.doJobs();
        this.loop.soundStirred();
        return;
      case 'character':
        characterComes(state, compiled, event.outputId, event.character, event.place);
        this.loop.planTurn();
        return;
      case 'output':
        dueOutput(state, compiled, event.outputId, event.what, trace);
        this.loop.soundStirred();
        return;
      default:
        if (event.kind === 'touch' && isOutside(event.touch)) {
          if (isSwitch(event)) this.loop.cyclePower();
          else comesIn(state, compiled, event.touch, event.controlId, trace);
          this.loop.planTurn();
          return;
        }
        if (event.kind === 'touch' && event.touch.what === 'down') state.firstPressUs ??= state.nowUs;
        happen(state, compiled, event, trace);
        // A knob is read at times of its own; whatever else moved is seen by the next turn.
        if (event.kind === 'touch' && event.touch.what === 'move') this.loop.planTurn();
        else this.loop.planTurnAt(state.nowUs);
    }
  }
}

/** Before power-up. */
function freshLoop(compiled: CompiledGadget, seed: number): MainLoop {
  const state: MachineState = {
    nowUs: 0,
    seed,
    queue: emptyQueue(),
    turnUs: null,
    lastTurnUs: -1,
    blockedFromUs: 0,
    blockedUntilUs: 0,
    lostTurns: 0,
    deafUntilUs: 0,
    inputs: freshOf(compiled.inputs, freshInput),
    encoders: freshOf(compiled.encoders, freshEncoder),
    knobs: freshOf(compiled.knobs, freshKnob),
    receivers: freshOf(compiled.receivers, freshReceiver),
    together: nothingTogether,
    outside: [],
    comingIn: {},
    midiIn: streamAtRest(),
    exclusiveIn: [],
    firstPressUs: null,
    poweredUs: 0,
    powerUps: 0,
    flow: freshFlow(compiled.tables, null),
    shown: darkShown(compiled.gadget),
    work: freshWork(),
    still: null,
    tidyAt: leastPlanned,
  };
  return new MainLoop(state, compiled, []);
}

/** What became of an edit. */
export interface Adopted {
  /** It began anew: what was active is gone, it stood still, or nothing was active yet. null: it went on. */
  restarted: 'gone' | 'still' | 'begun' | null;
  /** What nothing comes of yet. */
  waits: Waiting[];
}

/** Off and on again: all that a gadget that stands still hears. */
const isSwitch = (event: MachineEvent): boolean =>
  event.kind === 'touch' && event.touch.what === 'power' && event.touch.event === 'cycle';

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
