import {
  blame,
  clamp,
  mostTimers,
  noiseAt,
  spend,
  standsStill,
  tallyBelow,
  worth,
  type Work,
} from '../kernel/index.ts';
import { charactersIn } from '../gadget/index.ts';
import { renderTemplate } from './template.ts';
import { textAt } from './texts.ts';
import { evaluate, type Mishap, type Surroundings } from './evaluate.ts';
import type { Code } from './expression.ts';
import type { Effect, FlowState, FlowStep, FlowTimer } from './state.ts';
import type { CompiledAction, CompiledLength, FlowTables } from './tables.ts';
import { longestMs, orderNow, type OutputOrder } from './orders.ts';
import { forgetGuards } from './guards.ts';

/** What surrounds one step of the flow. */
export interface Around {
  nowUs: number;
  /** What may still happen; paid from as things happen. */
  work: Work;
  /** Of chance; any 32-bit integer. */
  seed: number;
  /** Value of a control, by its number: a key held is 1, a knob its value, an encoder its steps since power-up. */
  control(number: number): number;
  /** Up to three whole numbers that come with the event: a note and its velocity. */
  carried?: readonly number[];
  /** How long the key was down that is let go, whole ms. */
  heldMs?(): number;
  /** Nobody looks at what is done: no effects are gathered. */
  quiet?: boolean;
  /** In place of seeded chance: a whole number in [0, n). */
  random?(n: number): number;
  /** In place of the time since a state was entered, whole ms. */
  elapsed?(state: number): number;
  /** Told of every rule that fires, by number. */
  fired?(rule: number): void;
  /** Told of everything that outputs are told, also where nobody looks. */
  told?(outputId: string, order: OutputOrder): void;
  /** Told of a value that a variable could not hold, by number of the variable. */
  outside?(variable: number, wanted: number): void;
}

/* Paid at every step of every gadget: said here once more, they are constants of this module. */
const { happening, write } = worth;
const shortCode = 5;

/** Channel of chance of the flow; contacts use the numbers of their controls, from 0. */
const flowChannel = 0x7f10;
/**
 * A length of 0 or less, or one that cannot be read, is this: it is looked at from the next turn of the loop on, as
 * firmware would have it. Anything that began in a turn and was due in it would keep that turn from ending.
 */
const shortestUs = 1;

/** floor(noise × n / 2^32) without rounding: two products of at most 2^47. */
function below(noise: number, n: number): number {
  const low = (noise & 0xffff) * n;
  return Math.floor(((noise >>> 16) * n + Math.floor(low / 65_536)) / 65_536);
}

const none: Effect[] = [];
/** What a step gives that did nothing. */
export const nothing: FlowStep = Object.freeze({ effects: none, blockedUs: 0 });

const noNumbers: readonly number[] = Object.freeze([]);

/** One run to completion: what expressions can ask, and what actions do. Mutates the flow state it was given. */
export class Run implements Surroundings {
  /** Gathered from the first on: most events do nothing, and cost nothing. */
  private effects: Effect[] = none;
  offsetUs = 0;
  /** The number of the key that is answered, where it is in a set. */
  key: readonly number[] | null = null;
  readonly tables: FlowTables;
  readonly state: FlowState;
  readonly around: Around;
  readonly values: number[];
  readonly quiet: boolean;
  readonly work: Work;
  /** This step goes on for so long that its causes are counted. */
  counting = false;
  /** Signals and ends that are to be heard before anything from outside. */
  private told: number[] | null = null;
  /** State whose rule or action runs, for what goes wrong in it. */
  private at: number | null = null;

  constructor(tables: FlowTables, state: FlowState, around: Around) {
    this.tables = tables;
    this.state = state;
    this.around = around;
    this.values = state.values;
    this.quiet = around.quiet === true;
    this.work = around.work;
  }

  /* What expressions ask. */

  random(n: number): number {
    if (this.around.random) return this.around.random(n);
    const noise = noiseAt(this.around.seed, flowChannel, this.state.draws);
    this.state.draws += 1;
    return below(noise, n);
  }
  active(state: number): number {
    return this.state.active[state]!;
  }
  elapsed(state: number): number {
    if (this.state.active[state] === 0) return 0;
    if (this.around.elapsed) return this.around.elapsed(state);
    return Math.floor((this.nowUs - this.state.enteredUs[state]!) / 1_000);
  }
  control(number: number): number {
    return this.around.control(number);
  }
  get carried(): readonly number[] {
    return this.key ?? this.around.carried ?? noNumbers;
  }
  heldMs(): number {
    return this.key ? (this.around.heldMs?.() ?? 0) : 0;
  }
  mishap(mishap: Mishap): void {
    const stateId = this.at === null ? null : this.tables.stateIds[this.at]!;
    this.effect({ offsetUs: this.offsetUs, kind: 'mishap', mishap, stateId });
  }
  /**
   * Paid for here; whether it can be afforded is asked with the next thing that happens. A variable against a number
   * costs no more than looking at its rule, which is paid for where rules are looked at.
   */
  evaluate(code: Code): number {
    if (code.length > shortCode) this.work.left -= code.length;
    return evaluate(code, this);
  }
  holds(guard: Code | null): boolean {
    return guard === null || this.evaluate(guard) !== 0;
  }
  /** Something happens. @throws StandsStill where that is too much */
  happens(kind: 'rule' | 'timer' | 'signal', id: string): void {
    const { work } = this;
    if (work.left < tallyBelow || this.counting) blame(work, kind, id, this.counting);
    if ((work.left -= happening) < 0) spend(work, 0);
  }

  /** Now, behind the blocking waits of this step. */
  get nowUs(): number {
    return this.around.nowUs + this.offsetUs;
  }
  lengthUs(length: CompiledLength): number {
    const us = typeof length === 'number' ? length : clamp(this.evaluate(length.ms), 0, longestMs) * 1_000;
    return us < shortestUs ? shortestUs : us;
  }
  effect(effect: Effect): void {
    if ((this.work.left -= happening) < 0) spend(this.work, 0);
    if (this.quiet) return;
    if (this.effects === none) this.effects = [effect];
    else this.effects.push(effect);
  }

  /* Events from inside. */

  tell(event: number): void {
    if (event >= 0 && this.tables.heard[event]) (this.told ??= []).push(event);
  }
  takeTold(): number | undefined {
    return this.told?.shift();
  }
  heardSignal(signal: number): void {
    const signalId = this.tables.signalIds[signal]!;
    blame(this.work, 'signal', signalId, this.counting);
    this.effect({ offsetUs: this.offsetUs, kind: 'signal', signalId });
  }

  /* Timers. */

  /** A timer that goes on, and was taken out to fire: next at its period from when it was due, or at the first such time still to come. */
  goOn(timer: FlowTimer, periodUs: number): void {
    const everyUs = Math.max(shortestUs, periodUs);
    const missed = Math.max(0, Math.ceil((this.nowUs - timer.dueUs - everyUs + 1) / everyUs));
    timer.dueUs += (missed + 1) * everyUs;
    this.insert(timer);
  }
  begin(what: FlowTimer['what'], number: number, lengthUs: number, everyUs = 0): void {
    this.insert({ what, number, dueUs: this.nowUs + lengthUs, everyUs });
  }
  /** Behind those that are due as soon: among equals, the one that began first comes first. O(log n) to find. */
  private insert(timer: FlowTimer): void {
    const { timers } = this.state;
    if (timers.length >= mostTimers)
      throw standsStill(
        this.work,
        'planned',
        { kind: timer.what === 'save' ? 'loop' : timer.what, id: this.idOf(timer) },
        timers.length,
      );
    let low = 0;
    let high = timers.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (timers[middle]!.dueUs <= timer.dueUs) low = middle + 1;
      else high = middle;
    }
    if (low === timers.length) timers.push(timer);
    else timers.splice(low, 0, timer);
  }
  /** Of the document. */
  idOf({ what, number }: Pick<FlowTimer, 'what' | 'number'>): string {
    const { ruleIds, timerIds, signalIds, variableIds } = this.tables;
    return { rule: ruleIds, timer: timerIds, signal: signalIds, save: variableIds }[what][number]!;
  }
  drop(what: FlowTimer['what'], number: number): void {
    const { timers } = this.state;
    for (let at = timers.length - 1; at >= 0; at -= 1)
      if (timers[at]!.what === what && timers[at]!.number === number) timers.splice(at, 1);
  }

  /* Actions. */

  /** @param at state that they belong to */
  actAll(actions: readonly CompiledAction[], at: number | null): void {
    if (actions.length === 0) return;
    this.at = at;
    for (let n = 0; n < actions.length; n += 1) this.act(actions[n]!);
  }

  /** Holds a value inside the variable's range, or wraps it around. */
  private within(variable: number, wanted: number): number {
    const low = this.tables.low[variable]!;
    const high = this.tables.high[variable]!;
    if (wanted >= low && wanted <= high) return wanted;
    this.around.outside?.(variable, wanted);
    if (!this.tables.wraps[variable]) return wanted < low ? low : high;
    const span = high - low + 1;
    return low + ((((wanted - low) % span) + span) % span);
  }

  private put(variable: number, slot: number, wanted: number): void {
    const value = this.within(variable, wanted);
    this.work.left -= write;
    if (this.tables.hasAlways && this.values[slot] !== value) forgetGuards(this.tables, variable);
    this.values[slot] = value;
    const from = this.tables.slot[variable]!;
    if (!this.quiet)
      this.effect({
        offsetUs: this.offsetUs,
        kind: 'variable',
        variableId: this.tables.variableIds[variable]!,
        index: this.tables.size[variable] === 1 && slot === from ? null : slot - from,
        value,
      });
    if (this.tables.keeps[variable] !== 0 && this.state.saved[slot] !== value) this.keep(variable);
  }

  /** First slot of a text, or of that one of several; -1: there is none at that place, and that is told. */
  private textSlot(variable: number, index: Code | null): number {
    const { slot, size, characters } = this.tables;
    const place = index === null ? 0 : this.evaluate(index);
    if (place >= 0 && place * characters[variable]! < size[variable]!)
      return slot[variable]! + place * characters[variable]!;
    this.mishap('place');
    return -1;
  }

  /** What goes beyond its length is lost, and told. */
  private putText(variable: number, slot: number, text: string): void {
    const { tables, values } = this;
    const length = tables.characters[variable]!;
    const points = charactersIn(text, length);
    this.work.left -= write * length;
    if (!this.quiet && [...text].length > length) this.mishap('full');
    let changed = false;
    for (let n = 0; n < length; n += 1) {
      if (values[slot + n] === points[n]) continue;
      values[slot + n] = points[n]!;
      changed = true;
    }
    if (!changed) return;
    if (tables.hasAlways) forgetGuards(tables, variable);
    if (!this.quiet)
      this.effect({
        offsetUs: this.offsetUs,
        kind: 'variable',
        variableId: tables.variableIds[variable]!,
        index: tables.size[variable] === length ? null : (slot - tables.slot[variable]!) / length,
        value: textAt(values, slot, length),
      });
    if (points.some((point, n) => this.state.saved[slot + n] !== point)) this.keep(variable);
  }

  /** A variable that is kept is another than was written down: it is written now, or once it is quiet. */
  private keep(variable: number): void {
    const keeps = this.tables.keeps[variable]!;
    if (keeps === 1) this.write(variable);
    else if (keeps === 2) {
      this.drop('save', variable);
      this.begin('save', variable, this.tables.quietUs[variable]!);
    }
  }

  /** Writes one variable down. */
  private write(variable: number): void {
    const from = this.tables.slot[variable]!;
    for (let slot = from; slot < from + this.tables.size[variable]!; slot += 1)
      this.state.saved[slot] = this.values[slot]!;
    this.state.writes += 1;
    this.effect({ offsetUs: this.offsetUs, kind: 'saved' });
  }

  /** Writes down all that is kept. */
  save(): void {
    const kept = this.tables.keeps.flatMap((keeps, variable) => (keeps > 0 ? [variable] : []));
    for (const variable of kept) {
      this.drop('save', variable);
      const from = this.tables.slot[variable]!;
      for (let slot = from; slot < from + this.tables.size[variable]!; slot += 1)
        this.state.saved[slot] = this.values[slot]!;
    }
    if (kept.length === 0) return;
    this.state.writes += 1;
    this.effect({ offsetUs: this.offsetUs, kind: 'saved' });
  }

  private recall(): void {
    this.tables.keeps.forEach((keeps, variable) => {
      if (keeps === 0) return;
      const from = this.tables.slot[variable]!;
      const step = this.tables.characters[variable]!;
      for (let slot = from; slot < from + this.tables.size[variable]!; slot += step || 1)
        if (step > 0) this.putText(variable, slot, textAt(this.state.saved, slot, step));
        else this.put(variable, slot, this.state.saved[slot]!);
    });
  }

  private act(action: CompiledAction): void {
    const { tables, offsetUs } = this;
    switch (action.kind) {
      case 'set':
        this.put(action.variable, action.slot, this.evaluate(action.value));
        return;
      case 'setPlace': {
        const index = this.evaluate(action.index);
        const value = this.evaluate(action.value);
        if (index < 0 || index >= tables.size[action.variable]!) this.mishap('place');
        else this.put(action.variable, tables.slot[action.variable]! + index, value);
        return;
      }
      case 'fill': {
        const from = tables.slot[action.variable]!;
        const value = this.evaluate(action.value);
        for (let slot = from; slot < from + tables.size[action.variable]!; slot += 1)
          if (this.values[slot] !== value) this.put(action.variable, slot, value);
        return;
      }
      case 'shift': {
        const from = tables.slot[action.variable]!;
        const last = from + tables.size[action.variable]! - 1;
        const value = this.evaluate(action.value);
        for (let slot = from; slot < last; slot += 1)
          if (this.values[slot] !== this.values[slot + 1])
            this.put(action.variable, slot, this.values[slot + 1]!);
        this.put(action.variable, last, value);
        return;
      }
      case 'write': {
        const slot = this.textSlot(action.variable, action.index);
        if (slot < 0) return;
        const before = action.behind ? textAt(this.values, slot, tables.characters[action.variable]!) : '';
        return this.putText(action.variable, slot, before + renderTemplate(action.text, this));
      }
      case 'shorten': {
        const slot = this.textSlot(action.variable, action.index);
        const by = this.evaluate(action.by);
        if (slot < 0 || by <= 0) return;
        const points = [...textAt(this.values, slot, tables.characters[action.variable]!)];
        return this.putText(action.variable, slot, points.slice(0, Math.max(0, points.length - by)).join(''));
      }
      case 'save':
        return this.save();
      case 'recall':
        return this.recall();
      case 'start': {
        const lengthUs = this.lengthUs(action.length);
        this.drop('timer', action.timer);
        this.begin('timer', action.timer, lengthUs, action.every ? lengthUs : 0);
        return;
      }
      case 'stop':
        return this.drop('timer', action.timer);
      case 'raise':
        if (action.delay !== null) return this.begin('signal', action.signal, this.lengthUs(action.delay));
        this.heardSignal(action.signal);
        return this.tell(tables.signalEvent[action.signal]!);
      case 'cancel':
        return this.drop('signal', action.signal);
      case 'wait':
        this.offsetUs += action.lengthUs;
        return;
      case 'tell': {
        const { output, order } = action;
        const { told } = this.around;
        if (this.quiet && !order.draws && !told) return;
        const outputId = tables.outputIds[output]!;
        const now = orderNow(order, this);
        told?.(outputId, now);
        this.effect({ offsetUs, kind: 'output', outputId, order: now });
      }
    }
  }

  done(): FlowStep {
    if (this.effects === none && this.offsetUs === 0) return nothing;
    return { effects: this.effects, blockedUs: this.offsetUs };
  }
}
