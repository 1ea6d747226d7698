import {
  codesOf,
  countIn,
  isKeyNumber,
  isNumber,
  noEvent,
  op,
  operands,
  operandsIn,
  slotsRead,
  stateType,
  type Code,
  type CompiledAction,
  type FlowTables,
} from '../flow/index.ts';
import { gestureKinds } from '../gadget/index.ts';
import { ownerOf } from './influence.ts';

/** Parts of a flow that something depends on, by number; all others make no difference to it. */
export interface Depends {
  states: ReadonlySet<number>;
  /** With the places of a list that matter; null: all of it. */
  variables: ReadonlyMap<number, ReadonlySet<number> | null>;
  /** Rules with a timer of their own, named timers and signals. */
  timed: ReadonlySet<number>;
  timers: ReadonlySet<number>;
  signals: ReadonlySet<number>;
  /** Where they lie. */
  controls: ReadonlySet<number>;
  /** In which layer their key was pressed. */
  layered: ReadonlySet<number>;
  /** What is heard of outside that makes a difference, by number. */
  events: ReadonlySet<number>;
  /** It goes by the number of the key in its set: what holds of one key need not hold of another. */
  byNumber: boolean;
}

/** Where a list of actions stands. */
type Context =
  | { of: 'rule'; rule: number }
  /** On entering or leaving it, or where entering it leads. */
  | { of: 'state'; state: number }
  | { of: 'layer'; layer: number; control: number };

interface PlacedList {
  actions: readonly CompiledAction[];
  context: Context;
}

/** A flow made ready to be sliced, for one thing after the other. */
export interface Sliceable {
  tables: FlowTables;
  lists: readonly PlacedList[];
  /** By rule: events that it hears. */
  hears: readonly ReadonlySet<number>[];
}

/** null: what hears everything, and what remembers where one was, is not taken apart. */
export function sliceable(tables: FlowTables): Sliceable | null {
  if (tables.remembers || tables.ruleEvent.includes(noEvent.any)) return null;
  return { tables, lists: listsOf(tables), hears: tables.ruleEvent.map((event) => eventsOf(tables, event)) };
}

/** Events that a rule hears by that number: gestures of keys in a set, or itself. */
function eventsOf({ keyEvents }: FlowTables, wants: number): ReadonlySet<number> {
  const ofKeys = [...keyEvents].flatMap(([event, { also }]) => (also?.includes(wants) ? [event] : []));
  return new Set(ofKeys.length > 0 || wants < 0 ? ofKeys : [wants]);
}

function listsOf({ entry, exit, beginActions, ruleActions, layers }: FlowTables): PlacedList[] {
  const ofStates = [entry, exit, beginActions].flatMap((lists) =>
    lists.map((actions, state): PlacedList => ({ actions, context: { of: 'state', state } })),
  );
  return [
    ...ofStates,
    ...ruleActions.map((actions, rule): PlacedList => ({ actions, context: { of: 'rule', rule } })),
    ...layers.flatMap(({ keys }, layer) =>
      [...keys].flatMap(([control, { press, release }]) =>
        [press, release].map((actions): PlacedList => ({
          actions,
          context: { of: 'layer', layer, control },
        })),
      ),
    ),
  ].filter(({ actions }) => actions.length > 0);
}

/** What an expression asks of one list: a place by its number, that of the key's own number, or any. */
interface Asked {
  slot: number;
  place: number | 'own' | 'any';
}

function placesAsked(code: Code): Asked[] {
  const asked: Asked[] = [];
  for (let at = 0; at < code.length; at += 1 + operands(code[at]!))
    if (code[at] === op.place) asked.push({ slot: code[at + 1]!, place: placeOf(code, at) });
  return asked;
}
/** The index that lies on top before that operation. */
function placeOf(code: Code, end: number): Asked['place'] {
  const before = code.slice(0, end);
  // What comes last need not be all that may lie there.
  if (countIn(before, op.skipIfZero) + countIn(before, op.jump) > 0) return 'any';
  if (isKeyNumber(before.slice(-3))) return 'own';
  let last = 0;
  for (let at = 0; at < end; at += 1 + operands(code[at]!)) last = at;
  return code[last] === op.push ? code[last + 1]! : 'any';
}

/**
 * What decides when some actions are done, and with which numbers: the states they are done in, the rules that lead
 * there or away, what those ask and wait for, and so on (a slice of the flow, backwards). What is left out can do nothing
 * to them, now or later: two moments that differ by it alone go on alike, as far as those actions are concerned. It errs
 * by taking in too much.
 * @param wanted whether an action is one of them
 * @param key the control whose doing is looked at, by number; rules for any key of its set are looked at as its own
 * @param worked expressions of such an action that matter
 */
export const dependsOn = (...of: ConstructorParameters<typeof Slice>): Depends => new Slice(...of).depends;

class Slice {
  readonly depends = {
    states: new Set<number>(),
    variables: new Map<number, Set<number> | null>(),
    timed: new Set<number>(),
    timers: new Set<number>(),
    signals: new Set<number>(),
    controls: new Set<number>(),
    layered: new Set<number>(),
    events: new Set<number>(),
    byNumber: false,
  };
  private readonly tables: FlowTables;
  private readonly lists: readonly PlacedList[];
  private readonly key: number;
  /** Rules, with whether all controls that they hear count, or only the one that is looked at. */
  private readonly rules = new Map<number, 'own' | 'all'>();
  private readonly hears: readonly ReadonlySet<number>[];
  /** Each is looked at once, so this ends. */
  private readonly todo: (() => void)[] = [];

  constructor(
    { tables, lists, hears }: Sliceable,
    wanted: (action: CompiledAction) => boolean,
    key: number,
    worked: (action: CompiledAction) => readonly Code[],
  ) {
    this.tables = tables;
    this.key = key;
    this.lists = lists;
    this.hears = hears;
    for (const { actions, context } of this.lists)
      for (const action of actions)
        if (wanted(action) && !this.isForOthers(context)) {
          this.context(context, 'own');
          for (const code of worked(action)) this.code(code, this.isOfKeys(context));
        }
    for (let next = this.todo.pop(); next; next = this.todo.pop()) next();
  }

  private add(set: Set<number>, one: number, then: () => void): void {
    if (set.has(one)) return;
    set.add(one);
    this.todo.push(then);
  }

  private context(context: Context, whose: 'own' | 'all'): void {
    if (context.of === 'rule') this.rule(context.rule, whose);
    else if (context.of === 'state') this.state(context.state);
    else this.layer(context.layer, context.control);
  }

  /** Only other controls bring it about. */
  private isForOthers(context: Context): boolean {
    const heard = this.heardIn(context);
    return heard.length > 0 && heard.every((one) => one < this.tables.controls && one !== this.key);
  }

  /** What is pressed in a layer: that it is on, and that none above it is. */
  private layer(from: number, control: number): void {
    this.control(control);
    this.depends.layered.add(control);
    for (const { held, condition, keys } of this.tables.layers.slice(from)) {
      if (!keys.has(control)) continue;
      if (held >= 0) this.control(held);
      if (condition) this.code(condition, false);
    }
  }

  private control(number: number): void {
    this.depends.controls.add(number);
  }

  /** @param ofKeys it is worked out where a key's own number comes along */
  private code(code: Code, ofKeys: boolean): void {
    const places = placesAsked(code);
    for (const { slot, place } of places)
      this.variable(
        this.owner(slot),
        place === 'any' || (place === 'own' && !ofKeys)
          ? null
          : place === 'own'
            ? this.numberOf(this.key)
            : place,
      );
    const listed = new Set(places.map(({ slot }) => slot));
    for (const slot of slotsRead(code)) if (!listed.has(slot)) this.variable(this.owner(slot), null);
    for (const control of operandsIn(code, op.control)) this.control(control);
    for (const state of [...operandsIn(code, op.active), ...operandsIn(code, op.elapsed)]) this.state(state);
    const own = ofKeys ? places.filter(({ place }) => place === 'own') : [];
    if (countIn(code, op.heard) > own.length || own.some(({ slot }) => !this.beginsAlike(slot)))
      this.depends.byNumber = true;
  }

  private owner(slot: number): number {
    return ownerOf(this.tables, slot);
  }
  private beginsAlike(slot: number): boolean {
    const { slot: first, size, initialValues } = this.tables;
    const variable = this.owner(slot);
    const from = first[variable]!;
    const values = initialValues.slice(from, from + size[variable]!);
    return values.every((value) => value === values[0]);
  }

  /** The number that comes with events of a control. */
  private numberOf(control: number): number {
    return this.tables.keyEvents.get(control * gestureKinds.length)?.carried[0] ?? 0;
  }
  private heardIn(context: Context): number[] {
    if (context.of === 'state') return [];
    if (context.of === 'layer') return [context.control];
    return [...this.hears[context.rule]!].map((event) => Math.floor(event / gestureKinds.length));
  }
  /** Whether only keys bring it about, and no other key has the same number as the one that is looked at. */
  private isOfKeys(context: Context): boolean {
    const heard = this.heardIn(context);
    const number = this.numberOf(this.key);
    const isApart = (one: number) =>
      one < this.tables.controls && (one === this.key || this.numberOf(one) !== number);
    return heard.length > 0 && heard.every(isApart);
  }

  /** @param place of a list; null: all of it */
  private variable(variable: number, place: number | null): void {
    const { variables } = this.depends;
    const known = variables.get(variable);
    if (known === null || (place !== null && known?.has(place))) return;
    if (place === null) variables.set(variable, null);
    else variables.set(variable, (known ?? new Set<number>()).add(place));
    this.todo.push(() => {
      const comesBack = this.tables.keeps[variable]! > 0;
      for (const { actions, context } of this.lists)
        for (const action of actions) {
          if ('variable' in action && action.variable === variable) this.written(action, context, place);
          // What was written down, and when, decides what comes back.
          if (comesBack && (action.kind === 'recall' || action.kind === 'save')) this.context(context, 'all');
        }
    });
  }

  /** Something writes a variable of which a place matters, or all of it. */
  private written(
    action: Extract<CompiledAction, { variable: number }>,
    context: Context,
    place: number | null,
  ): void {
    const ofKeys = this.isOfKeys(context);
    if (action.kind === 'shift' || action.kind === 'write' || action.kind === 'shorten')
      this.variable(action.variable, null);
    if (place !== null && action.kind === 'setPlace') {
      // Another place of it.
      if (isNumber(action.index) && action.index[1] !== place) return;
      if (isKeyNumber(action.index) && ofKeys && place === this.numberOf(this.key)) {
        this.context(context, 'own');
        this.code(action.value, ofKeys);
        return;
      }
    }
    this.context(context, 'all');
    for (const code of codesOf(action)) this.code(code, ofKeys);
  }

  /** Everything that does such an action, with what those work out. @param codes null: it is none of them */
  private whatDoes(codes: (action: CompiledAction) => readonly Code[] | null): void {
    for (const { actions, context } of this.lists)
      for (const action of actions) {
        const worked = codes(action);
        if (!worked) continue;
        this.context(context, 'all');
        for (const code of worked) this.code(code, this.isOfKeys(context));
      }
  }

  private timer(timer: number): void {
    this.add(this.depends.timers, timer, () =>
      this.whatDoes((action) =>
        (action.kind === 'start' || action.kind === 'stop') && action.timer === timer
          ? codesOf(action)
          : null,
      ),
    );
  }
  private signal(signal: number): void {
    this.add(this.depends.signals, signal, () =>
      this.whatDoes((action) =>
        (action.kind === 'raise' || action.kind === 'cancel') && action.signal === signal
          ? codesOf(action)
          : null,
      ),
    );
  }

  /** Whether it is active: every rule that can leave or enter it. */
  private state(state: number): void {
    this.add(this.depends.states, state, () => {
      const { ruleDomain, end } = this.tables;
      for (const [rule, within] of ruleDomain.entries()) {
        const moves = within === -1 || (within >= 0 && state > within && state < end[within]!);
        if (moves) this.rule(rule, 'all');
      }
    });
  }

  private rule(rule: number, whose: 'own' | 'all'): void {
    const known = this.rules.get(rule);
    if (known === 'all' || known === whose) return;
    this.rules.set(rule, whose);
    this.todo.push(() => {
      this.fires(rule, whose);
      for (const event of this.hears[rule]!) {
        const control = Math.floor(event / gestureKinds.length);
        if (control < this.tables.controls && (whose === 'all' || control === this.key))
          this.control(control);
      }
    });
  }

  /** When it fires: its state, its guard, what it waits for, and what may come before it. */
  private fires(rule: number, whose: 'own' | 'all'): void {
    const { tables } = this;
    const { ruleGuard, ruleOwner, ruleEvent, ruleDelay } = tables;
    this.state(ruleOwner[rule]!);
    const [guard, delay] = [ruleGuard[rule], ruleDelay[rule]];
    if (guard) this.code(guard, this.isOfKeys({ of: 'rule', rule }));
    if (typeof delay === 'object' && delay !== null) this.code(delay.ms, false);
    const event = ruleEvent[rule]!;
    if (event === noEvent.timed) this.depends.timed.add(rule);
    const [timer, signal] = [tables.timerEvent.indexOf(event), tables.signalEvent.indexOf(event)];
    if (event >= 0 && timer >= 0) this.timer(timer);
    if (event >= 0 && signal >= 0) this.signal(signal);
    const done = event >= 0 ? tables.doneEvent.indexOf(event) : -1;
    if (done >= 0) for (let inner = done; inner < tables.end[done]!; inner += 1) this.state(inner);
    for (const [other, wants] of ruleEvent.entries())
      if (other !== rule && this.sharesEvent(rule, event, other, wants) && this.mayPreempt(other, rule))
        this.rule(other, whose);
  }

  private sharesEvent(rule: number, event: number, other: number, wants: number): boolean {
    if (event === noEvent.always || wants === noEvent.always) return event === wants;
    for (const one of this.hears[rule]!) if (this.hears[other]!.has(one)) return true;
    return false;
  }

  /** Whether another rule for the same can keep it from firing. */
  private mayPreempt(other: number, rule: number): boolean {
    const { ruleOwner, ruleDomain, end } = this.tables;
    const [owner, its] = [ruleOwner[rule]!, ruleOwner[other]!];
    // Both lead somewhere: only one of them can, where they would leave the same states.
    if (ruleDomain[rule] !== -2 && ruleDomain[other] !== -2) return true;
    if (its === owner) return other < rule;
    return its > owner && its < end[owner]! && !this.isFree(owner, rule);
  }

  /**
   * Whether some atomic state is always active inside, between which and this state no other rule hears the same: then
   * none inside can come before the rule.
   */
  private isFree(state: number, rule: number): boolean {
    const { type, end } = this.tables;
    const kind = type[state];
    if (kind === stateType.atomic || kind === stateType.final) return true;
    const inner: number[] = [];
    for (let child = state + 1; child < end[state]!; child = end[child]!) inner.push(child);
    const isClear = (child: number) => !this.hasRuleLike(child, rule) && this.isFree(child, rule);
    return kind === stateType.parallel ? inner.some(isClear) : inner.every(isClear);
  }

  private hasRuleLike(state: number, rule: number): boolean {
    const { firstRule, ruleEvent } = this.tables;
    for (let other = firstRule[state]!; other < firstRule[state + 1]!; other += 1)
      if (this.sharesEvent(rule, ruleEvent[rule]!, other, ruleEvent[other]!)) return true;
    return false;
  }
}
