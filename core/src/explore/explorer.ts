import {
  compileFlow,
  eventCodes,
  fireTimer,
  freshFlow,
  powerUp,
  stateType,
  stepFlow,
  type Around,
  type EventCodes,
  type FlowState,
  type FlowTables,
  type OutputOrder,
} from '../flow/index.ts';
import { limits as documentLimits, type Gadget } from '../gadget/index.ts';
import { withMenus } from '../menu/index.ts';
import { freshWork, renew, StandsStill, workSoFar, type Cause } from '../kernel/index.ts';
import { Controls } from './controls.ts';
import type { Depends } from './dependence.ts';
import type { Move } from './moves.ts';
import { Outcomes } from './outcomes.ts';
import { influencing, variablesIn } from './influence.ts';
import { packingOf, type Packing } from './packing.ts';
import { IntList, StateStore } from './store.ts';

/** One thing that can happen next: something done by a hand, or a timer that runs out. */
export type Step =
  { kind: 'move'; move: number } | { kind: 'timer'; what: 'rule' | 'timer' | 'signal'; number: number };

const nothing: readonly number[] = [];

/** Why not every value was tried. */
export type Caveat = 'chance' | 'elapsed' | 'knob' | 'kept' | 'heard';

export interface ExploreLimits {
  states: number;
  edges: number;
  /** In the kernel's parts: steps that are dear, or never come to rest, end a walk, too. */
  work: number;
}
/** Variables to be followed although nothing depends on them, by id; or all there are. */
export type Followed = Iterable<string> | 'all';
export const usualLimits: ExploreLimits = { states: 200_000, edges: 3_000_000, work: 20_000_000_000 };

/** What is looked at by itself: what of outputs joins the state of a walk for it, and what it depends on. */
export interface Watched {
  /** 32 bits, and what an order makes of them. @param controlId whose doing the order is; null: a timer's */
  after(bits: number, outputId: string, order: OutputOrder, controlId: string | null): number;
  /** Moments that are alike in these are taken for one; null: in everything. */
  only: Depends | null;
}

/** What every walk of a gadget begins with. */
interface Ground {
  gadget: Gadget;
  tables: FlowTables;
  codes: EventCodes;
  controls: Controls;
}
const grounds = new WeakMap<Gadget, Ground>();

/** Worked out once for a gadget, however often it is walked. */
export function groundOf(document: Gadget): Ground {
  let ground = grounds.get(document);
  if (!ground) {
    const gadget = withMenus(document);
    const { tables } = compileFlow(gadget);
    const codes = eventCodes(gadget);
    ground = { gadget, tables, codes, controls: new Controls(gadget, tables, codes) };
    grounds.set(document, ground);
  }
  return ground;
}

/** Long after anything was entered, for what depends on time. */
const longMs = documentLimits.lengthUs / 1_000;

/**
 * Walks everything that a gadget can come to: from power-up, every move of a hand and every timer that runs, in every
 * order, and chance with every outcome. Breadth first, so that the first way found to anything is a shortest one. Times
 * are left out: a timer that runs may come next, or not. One key is let go before the next is pressed, but for keys
 * that mean something while they are down.
 */
export class Explorer {
  readonly gadget: Gadget;
  readonly tables: FlowTables;
  readonly codes: EventCodes;
  readonly moves: readonly Move[];
  readonly caveats = new Set<Caveat>();
  /** Numbers that come with what is being answered. */
  private carrying: readonly number[] = nothing;
  /** Rules that have fired on some way, and states that something came to rest in; by number. */
  readonly fired: boolean[];
  readonly entered: boolean[];
  /** Numbers of the variables whose values are followed; nothing that happens depends on the others. */
  readonly followed: ReadonlySet<number>;
  /** Values that followed variables could not hold: the first of each, with the edge that did it. */
  readonly outside = new Map<number, { wanted: number; from: number; step: Step }>();
  /** Steps after which the flow never comes to rest, and what goes on; `from` -1 is power-up. */
  readonly restless: { from: number; step: Step | null; where: string; cause: Cause }[] = [];
  /** Everything was walked. */
  complete = false;
  /** More than the limits allow: what was not walked is unknown. */
  cut = false;

  private readonly limits: ExploreLimits;
  private readonly only: Depends | null;
  /** Numbers of the moves that make a difference. */
  private readonly live: readonly number[];
  private readonly packing: Packing;
  private readonly store: StateStore;
  private readonly scratch: Int32Array;
  private readonly state: FlowState;
  private readonly places: number[];
  /** What hands can do, and what comes of it. */
  readonly controls: Controls;
  private readonly around: Around;
  /** Of each state but the first: from where it was first come to, and how. */
  private readonly parent = new IntList();
  private readonly via = new IntList();
  readonly edgeFrom = new IntList();
  readonly edgeTo = new IntList();
  readonly edgeStep = new IntList();
  private head = 0;
  /** The state that lies unpacked and untouched; -1: none. */
  private loaded = -1;
  /** The step under way. */
  private from = -1;
  private step: Step = { kind: 'move', move: 0 };
  private readonly work = freshWork();
  private readonly outcomes = new Outcomes(() => this.caveats.add('chance'));

  /** @param watched what is looked at by itself; null: everything is walked */
  constructor(
    document: Gadget,
    limits: ExploreLimits = usualLimits,
    also: Followed = [],
    watched: Watched | null = null,
  ) {
    const { gadget, tables, codes, controls } = groundOf(document);
    this.gadget = gadget;
    this.limits = limits;
    this.tables = tables;
    this.codes = codes;
    this.fired = Array<boolean>(this.tables.ruleIds.length).fill(false);
    this.entered = Array<boolean>(this.tables.stateIds.length).fill(false);
    this.controls = controls;
    this.moves = this.controls.moves;
    this.followed = followedIn(gadget, this.tables, also);
    const { placed } = this.controls;
    // It lies behind the places of the controls.
    this.packing = packingOf(this.tables, placed + (watched ? 1 : 0), this.followed);
    this.only = watched?.only ?? null;
    this.store = new StateStore(this.packing.words, this.only ? this.telling(this.only) : undefined);
    this.live = this.only ? this.controls.live.filter(this.makesADifference(this.only)) : this.controls.live;
    this.scratch = new Int32Array(this.packing.words);
    this.places = [...this.controls.atRest(), ...(watched ? [0] : [])];
    const carried = () => {
      this.caveats.add('heard');
      return this.carrying;
    };
    this.around = {
      get carried() {
        return carried();
      },
      nowUs: 0,
      work: this.work,
      seed: 1,
      quiet: true,
      control: (number) => this.controls.valueAt(number, this.places),
      random: (n) => this.outcomes.choose(n),
      heldMs: () => {
        this.caveats.add('heard');
        return this.outcomes.choose(2) === 0 ? 0 : longMs;
      },
      elapsed: () => {
        this.caveats.add('elapsed');
        return this.outcomes.choose(2) === 0 ? 0 : longMs;
      },
      fired: (rule) => (this.fired[rule] = true),
      ...(watched && {
        told: (outputId, order) => {
          this.places[placed] = watched.after(this.places[placed]!, outputId, order, this.doing);
        },
      }),
      outside: (variable, wanted) => {
        if (this.followed.has(variable) && !this.outside.has(variable))
          this.outside.set(variable, { wanted, from: this.from, step: this.step });
      },
    };
    // It begins as on its first day; what was kept may be otherwise later.
    if (this.tables.keeps.some((keeps) => keeps > 0)) this.caveats.add('kept');
    // Chance at power-up has every outcome, too.
    let state: FlowState | null = null;
    this.outcomes.each(() => {
      renew(this.work);
      try {
        const first = powerUp(this.tables, this.around).state;
        state ??= first;
        this.found(first, -1, -1);
      } catch (error) {
        this.noteRestless(-1, null, error);
      }
    });
    this.state = state ?? freshFlow(this.tables, null);
    // One that stands still at power-up is nowhere.
    if (!state) this.found(this.state, -1, -1);
  }

  /** Notes where a step never ends. */
  private noteRestless(from: number, step: Step | null, error: unknown): void {
    if (!(error instanceof StandsStill)) throw error;
    if (this.restless.length >= 10) return;
    const { cause } = error.standstill;
    const { stateIds, ruleOwner, ruleIds } = this.tables;
    const where = stateIds[ruleOwner[ruleIds.indexOf(cause.id)] ?? 0] ?? '';
    this.restless.push({ from, step, where, cause });
  }

  /** Whose doing the step under way is; null: nobody's. */
  private get doing(): string | null {
    if (this.from < 0 || this.step.kind !== 'move') return null;
    return this.moves[this.step.move]!.controlId;
  }
  private makesADifference({ controls, events }: Depends): (move: number) => boolean {
    const moved = new Set([...controls].map((number) => this.gadget.controls[number]!.id));
    return (number) => {
      const move = this.moves[number]!;
      return moved.has(move.controlId) || move.events.some((event) => events.has(event));
    };
  }
  /** The bits that tell states apart, where only so much makes a difference; what has joined them always does. */
  private telling(only: Depends): Int32Array {
    const places = new Set([...only.controls].flatMap((number) => this.controls.placeOf.get(number) ?? []));
    return this.packing.tells({ ...only, places: places.add(this.controls.placed) });
  }

  /** Slots of the followed variables. */
  get slots(): readonly number[] {
    return this.packing.slots;
  }
  get count(): number {
    return this.store.count;
  }
  /** How much of the flow came to pass: innermost states and rules, of all there are. */
  get coverage(): { states: [number, number]; rules: [number, number] } {
    const { type } = this.tables;
    const inner = type.filter((one) => one === stateType.atomic || one === stateType.final).length;
    const of = (list: readonly boolean[], all: number): [number, number] => [
      list.filter(Boolean).length,
      all,
    ];
    return { states: of(this.entered, inner), rules: of(this.fired, this.fired.length) };
  }
  /** What it has cost so far, in the kernel's parts. */
  get spent(): number {
    return workSoFar(this.work);
  }
  /** States that are still to be walked from. */
  get waiting(): number {
    return this.store.count - this.head;
  }

  private found(state: FlowState, from: number, step: number): number {
    this.packing.pack(state, this.places, this.scratch, 0);
    const known = this.store.count;
    const id = this.store.add(this.scratch);
    if (this.store.count > known) {
      this.parent.push(from);
      this.via.push(step);
      for (const atom of state.atoms) this.entered[atom] = true;
    }
    return id;
  }

  /** The number of a state that stands somewhere else, with its controls in these places; -1: it was not found. */
  find(state: FlowState, places: readonly number[]): number {
    this.packing.pack(state, places, this.scratch, 0);
    return this.store.find(this.scratch);
  }
  /** Puts a state that was found before the eyes of `ask` and of expressions. */
  load(id: number): Readonly<FlowState> {
    this.loaded = id;
    this.packing.unpack(this.store.packed, id * this.packing.words, this.state, this.places);
    return this.state;
  }
  /** What has joined the state that was loaded last. */
  get joined(): number {
    return this.places[this.controls.placed] ?? 0;
  }
  /** The state that was loaded last. */
  get current(): Readonly<FlowState> {
    return this.state;
  }
  /** Whether everything that can come next in it was looked at. */
  isWalked(id: number): boolean {
    return id < this.head;
  }
  /** Whether power-up leads there. */
  isBeginning(id: number): boolean {
    return this.parent.at(id) < 0;
  }
  /** Surroundings of the state that was loaded last. */
  get surroundings(): Around {
    return this.around;
  }

  /** Walks on from so many states more. @returns whether there is nothing left to walk, or no room */
  advance(states: number): boolean {
    for (let n = 0; n < states && this.head < this.store.count && !this.cut; n += 1) {
      this.walkFrom(this.head);
      this.head += 1;
      const { states: mostStates, edges, work } = this.limits;
      if (this.store.count > mostStates || this.edgeFrom.length > edges || this.spent > work) this.cut = true;
    }
    this.complete = !this.cut && this.head === this.store.count;
    return this.complete || this.cut;
  }

  private walkFrom(from: number): void {
    this.load(from);
    if (this.state.ended) return;
    const { only } = this;
    const timers = only && { rule: only.timed, timer: only.timers, signal: only.signals };
    for (const { what, number } of [...this.state.timers])
      if (what !== 'save' && (!timers || timers[what].has(number)))
        this.take(from, { kind: 'timer', what, number });
    for (const move of this.live) this.take(from, { kind: 'move', move });
  }

  private take(from: number, step: Step): void {
    const coded = this.codeOf(step);
    this.from = from;
    this.step = step;
    this.outcomes.each(() => {
      if (this.loaded !== from) this.load(from);
      this.loaded = -1;
      renew(this.work);
      try {
        if (!this.run(step)) return;
      } catch (error) {
        this.noteRestless(from, step, error);
        return;
      }
      const to = this.found(this.state, from, coded);
      this.edgeFrom.push(from);
      this.edgeTo.push(to);
      this.edgeStep.push(coded);
    });
  }

  /**
   * Timers that run before an edge and go on running through it, each as its kind and number: those that are started
   * anew, or run out, are not among them.
   */
  carriedOver(edge: number): ReadonlySet<string> {
    const [from, to] = [this.edgeFrom.at(edge), this.edgeTo.at(edge)];
    let carried: ReadonlySet<string> = new Set();
    this.outcomes.each(() => {
      this.load(from);
      this.loaded = -1;
      if (!this.run(this.stepOf(this.edgeStep.at(edge)))) return;
      this.packing.pack(this.state, this.places, this.scratch, 0);
      if (this.store.find(this.scratch) !== to) return;
      // Those that lay unpacked are due at 0; whatever was begun since is due later.
      carried = new Set(
        this.state.timers.flatMap(({ what, number, dueUs }) => (dueUs === 0 ? [`${what} ${number}`] : [])),
      );
    });
    return carried;
  }

  /** Takes the step in the state that is loaded. @returns false where it cannot be taken there */
  private run(step: Step): boolean {
    const { tables, state, around } = this;
    if (step.kind === 'timer') {
      const at = state.timers.findIndex(({ what, number }) => what === step.what && number === step.number);
      if (at < 0) return false;
      fireTimer(tables, state, at, around);
      return true;
    }
    const move = this.moves[step.move]!;
    const events = this.controls.make(move, this.places, () => this.caveats.add('knob'));
    if (!events) return false;
    this.carrying = move.carried;
    for (const event of events) stepFlow(tables, state, event, around);
    this.carrying = nothing;
    return true;
  }

  /** A step as one number: moves first, then rules, timers and signals. */
  private codeOf(step: Step): number {
    if (step.kind === 'move') return step.move;
    const { ruleIds, timerIds } = this.tables;
    const from = { rule: 0, timer: ruleIds.length, signal: ruleIds.length + timerIds.length };
    return this.moves.length + from[step.what] + step.number;
  }
  stepOf(code: number): Step {
    if (code < this.moves.length) return { kind: 'move', move: code };
    const { ruleIds, timerIds } = this.tables;
    const rest = code - this.moves.length;
    if (rest < ruleIds.length) return { kind: 'timer', what: 'rule', number: rest };
    if (rest < ruleIds.length + timerIds.length)
      return { kind: 'timer', what: 'timer', number: rest - ruleIds.length };
    return { kind: 'timer', what: 'signal', number: rest - ruleIds.length - timerIds.length };
  }

  /** A shortest way from power-up to a state, in steps. */
  pathTo(id: number): Step[] {
    const steps: Step[] = [];
    for (let at = id; this.parent.at(at) >= 0; at = this.parent.at(at))
      steps.push(this.stepOf(this.via.at(at)));
    return steps.reverse();
  }

  /** Ids of the innermost active states of a state that was found. */
  innermostIn(id: number): string[] {
    return this.load(id).atoms.map((atom) => this.tables.stateIds[atom]!);
  }

  /** Ids of the active states of a state that was found. */
  activeIn(id: number): string[] {
    const { active } = this.load(id);
    return this.tables.stateIds.filter((_, state) => active[state] === 1);
  }
}

/** What decides, what the tasks of the brief wait for, and what is asked for besides. */
function followedIn(gadget: Gadget, tables: FlowTables, also: Followed): ReadonlySet<number> {
  const { variableIds } = tables;
  if (also === 'all') return new Set(variableIds.keys());
  const done = gadget.brief.tasks.flatMap(({ doneWhen }) =>
    doneWhen === null ? [] : variablesIn(gadget, doneWhen),
  );
  return influencing(
    tables,
    [...also, ...done].map((id) => variableIds.indexOf(id)).filter((at) => at >= 0),
  );
}
