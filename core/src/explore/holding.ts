import {
  isKeyNumber,
  type Code,
  type CompiledAction,
  type FlowTables,
  type OutputOrder,
} from '../flow/index.ts';
import { gestureKinds, keySetsOf, type Derived, type Gadget, type SnagWay } from '../gadget/index.ts';
import { asMeant } from '../gesture/index.ts';
import { holdingBy, isHeldNow, namesHeld } from '../machine/index.ts';
import { controlsAsked } from './controls.ts';
import { dependsOn, sliceable, type Depends, type Sliceable } from './dependence.ts';
import { Explorer, groundOf, type Watched } from './explorer.ts';
import { allMeant, variablesNaming, type Meant } from './meant.ts';
import { scriptOf, type Arrived } from './script.ts';

/** What is on at once is kept by number: more than so many different ways to be on are not told apart. */
const mostWays = 4_096;

/** What one or several controls have begun of something, and nobody has ended; it joins a walk as a number. */
class Begun implements Watched {
  readonly only: Depends | null;
  /** Not all could be kept apart: nothing can be said of what was never found. */
  full = false;
  private readonly meant: Meant;
  private readonly controlIds: ReadonlySet<string>;
  private readonly ways: string[] = [''];

  constructor(meant: Meant, controlIds: readonly string[], only: Depends | null) {
    this.meant = meant;
    this.controlIds = new Set(controlIds);
    this.only = only;
  }

  after(way: number, outputId: string, order: OutputOrder, controlId: string | null): number {
    if (outputId !== this.meant.outputId) return way;
    const change = holdingBy(order);
    if (!change || (change.what !== null && change.what !== this.meant.what)) return way;
    if (change.how === 'begins' && (controlId === null || !this.controlIds.has(controlId))) return way;
    if (change.which === null) return 0;
    const on = new Set(this.ways[way]!.split(' ').filter(Boolean));
    if (change.how === 'begins') on.add(String(change.which));
    else on.delete(String(change.which));
    return this.numbered([...on].sort().join(' '));
  }

  private numbered(way: string): number {
    const known = this.ways.indexOf(way);
    if (known >= 0) return known;
    if (this.ways.length >= mostWays) {
      this.full = true;
      return 0;
    }
    return this.ways.push(way) - 1;
  }
}

/** Expressions of an order that say which it begins or ends: those that say no more than which key it is matter not. */
function namingOf(action: CompiledAction): readonly Code[] {
  if (action.kind !== 'tell') return [];
  const names = namesHeld(action.order.kind);
  return action.order.fields.flatMap((field) =>
    field.role === 'expression' && (names?.includes(field.name) ?? true) && !isKeyNumber(field.code)
      ? [field.code]
      : [],
  );
}

/** What is said of something that is meant to be on while a control is down. */
export interface HeldVerdict extends Meant {
  /** never: on no way it stays on. unknown: not everything could be looked at. */
  verdict: 'never' | 'stuck' | 'unknown';
  /** Moments that were looked at, of so many controls; those that are alike in every way are one. */
  states: number;
  kinds: number;
  /** Where it stays on, innermost, and how it comes to that. */
  stuck: { stateId: string; way: SnagWay } | null;
}

/** So much is walked with every edit of a gadget that holds something, all of it together. */
const checked = { states: 2_000, edges: 60_000, work: 100_000_000 };

class Holding {
  private readonly gadget: Gadget;
  private readonly tables: FlowTables;
  private readonly derived: Derived;
  private readonly flow: Sliceable | null;
  /** Controls that something asks for by themselves, by number. */
  private readonly asked: ReadonlySet<number>;
  private left = checked.work;

  constructor(gadget: Gadget, derived: Derived) {
    this.gadget = asMeant(gadget);
    this.tables = groundOf(this.gadget).tables;
    this.flow = sliceable(this.tables);
    this.asked = controlsAsked(this.tables);
    this.derived = derived;
  }

  verdictOf(meant: Meant): HeldVerdict {
    const { gadget } = this;
    const wanted = (action: CompiledAction) => this.concerns(action, meant);
    const numberOf = (id: string) => gadget.controls.findIndex((one) => one.id === id);
    const { flow } = this;
    // Where nothing can be told apart, one walk is for all of them.
    const walks = flow
      ? this.oneOfEachKind(
          meant.controlIds.map((id) => ({
            controlIds: [id],
            only: dependsOn(flow, wanted, numberOf(id), namingOf),
          })),
        )
      : [{ controlIds: meant.controlIds, only: null }];
    const said: HeldVerdict = { ...meant, verdict: 'never', states: 0, kinds: walks.length, stuck: null };
    for (const { controlIds, only } of walks) {
      const { states, sure, stuck } = this.walk(meant, controlIds, only);
      said.states += states;
      if (stuck) return { ...said, verdict: 'stuck', stuck };
      if (!sure) said.verdict = 'unknown';
    }
    return said;
  }

  /** Whether an action may begin or end it. */
  private concerns(action: CompiledAction, { outputId, what }: Meant): boolean {
    if (action.kind !== 'tell' || this.tables.outputIds[action.output] !== outputId) return false;
    const { kind, fields, known } = action.order;
    // As it stands in the document: what is worked out is not known yet.
    const said = Object.fromEntries(
      fields.map((field) => [field.name, field.role === 'constant' ? field.value : '']),
    );
    const change = holdingBy(known ?? ({ ...said, kind } as unknown as OutputOrder));
    return change !== null && (change.what === null || change.what === what);
  }

  private walk(meant: Meant, controlIds: readonly string[], only: Depends | null) {
    const { gadget, derived } = this;
    const begun = new Begun(meant, controlIds, only);
    const also = only
      ? [...only.variables.keys()].map((number) => this.tables.variableIds[number]!)
      : variablesNaming(gadget);
    const explorer = new Explorer(gadget, { ...checked, work: this.left }, also, begun);
    explorer.advance(checked.states);
    this.left -= explorer.spent;
    const found = this.firstStuck(explorer, meant);
    const sure = explorer.complete && !begun.full && explorer.restless.length === 0;
    const nothing = { states: explorer.count, sure: sure && found < 0, stuck: null };
    if (found < 0) return nothing;
    const isOn: Arrived = (_flow, { outputs }) => {
      const state = outputs[meant.outputId];
      return state !== undefined && isHeldNow(state, meant.what);
    };
    const { confirmed, ...way } = scriptOf(explorer, explorer.pathTo(found), isOn, 2, derived.effort);
    // Times are left out of the walk: what cannot be played at real times is not told.
    return confirmed ? { ...nothing, stuck: { stateId: explorer.innermostIn(found)[0]!, way } } : nothing;
  }

  /** The first moment in which it is on, and none of its controls is down; -1: none. */
  private firstStuck(explorer: Explorer, { controlIds }: Meant): number {
    const numbers = controlIds.map((id) => explorer.gadget.controls.findIndex((one) => one.id === id));
    for (let id = 0; id < explorer.count; id += 1) {
      explorer.load(id);
      const { joined, surroundings } = explorer;
      if (joined !== 0 && numbers.every((number) => surroundings.control(number) === 0)) return id;
    }
    return -1;
  }

  /**
   * Keys of a set that only rules for any key of it hear, and that nothing tells apart, are one kind: what holds of one
   * holds of all.
   */
  private oneOfEachKind(slices: readonly { controlIds: string[]; only: Depends }[]) {
    const kinds = new Set<string>();
    return slices.filter(({ controlIds: [id], only }) => {
      const kind = only.byNumber ? null : this.kindOf(id!);
      if (kind === null) return true;
      if (kinds.has(kind)) return false;
      kinds.add(kind);
      return true;
    });
  }

  /** null: something tells it apart from all others. */
  private kindOf(controlId: string): string | null {
    const { gadget, tables } = this;
    const number = gadget.controls.findIndex(({ id }) => id === controlId);
    const set = keySetsOf(gadget).find(({ controlIds }) => controlIds.includes(controlId));
    if (!set) return null;
    const from = number * gestureKinds.length;
    const events = gestureKinds.map((_, n) => from + n);
    if (this.asked.has(number) || events.some((event) => tables.ruleEvent.includes(event))) return null;
    const { moves } = groundOf(gadget).controls;
    if (gadget.chords.some(({ controlIds }) => controlIds.includes(controlId))) return null;
    const shape = moves
      .filter((move) => move.controlId === controlId)
      .map(({ what, events: ones, key }) => [what, key, ones.map((event) => event - from)]);
    return JSON.stringify([
      set.id,
      shape,
      events.map((event) => tables.keyEvents.get(event)?.also ?? null),
      tables.layers.map(({ keys }) => keys.get(number) ?? null),
    ]);
  }
}

/** What becomes of all that is meant to be on while a control is down; once per check run. */
export function heldVerdicts(gadget: Gadget, derived: Derived): readonly HeldVerdict[] {
  return derived.once('explore.held', () => {
    const meant = allMeant(gadget);
    if (meant.length === 0 || derived.effort.left <= 0) return [];
    const holding = new Holding(gadget, derived);
    return meant.map((one) => holding.verdictOf(one));
  });
}
