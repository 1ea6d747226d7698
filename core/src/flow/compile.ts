import {
  standsUs,
  isHistory,
  isOutputAction,
  keysOf,
  nestingOf,
  variableRange,
  variableColumns,
  variableSize,
  variableStarts,
  writtenIn,
  type Action,
  type Gadget,
  type Length,
  type Nesting,
  type Page,
  type Place,
  type State,
} from '../gadget/index.ts';
import { ExpressionError } from './error.ts';
import { eventCodes, keyEventsOf, noEvent } from './events.ts';
import { asksTimeIn, compileExpression, compileTyped, type Code } from './expression.ts';
import { scopeOf, type Scope } from './scope.ts';
import {
  domain,
  stateType,
  type CompiledAction,
  type CompiledLength,
  type CompiledPage,
  type FlowProblem,
  type FlowTables,
  type StateType,
} from './tables.ts';
import { codesOfOrder, compileOrder } from './orders.ts';
import { compileTemplate } from './template.ts';
import { checkFits } from './types.ts';

/** Never true: stands in for a guard that cannot be read. */
const never = [0, 0];

/** Compiles what is written, and remembers what cannot be read. */
class Writing {
  readonly problems: FlowProblem[] = [];
  readonly scope: Scope;
  private readonly gadget: Gadget;
  private readonly variableAt: ReadonlyMap<string, number>;
  private readonly timerAt: ReadonlyMap<string, number>;
  private readonly signalAt: ReadonlyMap<string, number>;
  private readonly outputAt: ReadonlyMap<string, number>;
  constructor(gadget: Gadget) {
    const numbers = (list: readonly { id: string }[]) => new Map(list.map(({ id }, at) => [id, at]));
    this.gadget = gadget;
    this.scope = scopeOf(gadget);
    this.variableAt = numbers(gadget.flow.variables);
    this.timerAt = numbers(gadget.flow.timers);
    this.signalAt = numbers(gadget.flow.signals);
    this.outputAt = numbers(gadget.outputs);
  }

  attempt<T>(place: Place, text: string, compile: () => T): T | undefined {
    try {
      return compile();
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      this.problems.push({ place, text, message: error.message });
      return undefined;
    }
  }
  expression(place: Place, text: string, own: number | null): Code | undefined {
    return this.attempt(place, text, () => compileExpression(text, this.scope, own));
  }
  guard(place: Place, text: string | null, own: number | null): Code | null {
    return text === null ? null : (this.expression(place, text, own) ?? never);
  }
  length(place: Place, length: Length, own: number | null): CompiledLength {
    if (typeof length === 'number') return length;
    return { ms: this.expression(place, length.ms, own) ?? never };
  }
  private into(place: Place, variableId: string, text: string, own: number | null): Code | undefined {
    const variable = this.gadget.flow.variables[this.variableAt.get(variableId)!]!;
    return this.attempt(place, text, () => {
      const { node, type, code } = compileTyped(text, this.scope, own);
      checkFits(node, type, variable);
      return code;
    });
  }

  actions(place: Place, actions: readonly Action[], own: number | null): CompiledAction[] {
    return actions.flatMap((action) => {
      const done = this.action(place, action, own);
      const lengthUs = action.kind === 'wait' ? 0 : standsUs(this.gadget, action);
      const waits: CompiledAction[] = lengthUs > 0 ? [{ kind: 'wait', lengthUs }] : [];
      return done ? [done, ...waits] : [];
    });
  }

  /** What draws a page is worked out each time anew: chance would flicker, and is refused. */
  page({ id, outputId, over, elements }: Page): CompiledPage {
    const place: Place = { kind: 'page', id };
    const when = this.guard(place, over, null);
    const orders = elements.flatMap((element, at) => {
      const action = this.action(place, element, null);
      if (action?.kind !== 'tell') return [];
      if (!action.order.draws) return [{ at, order: action.order }];
      const { expressions, templates } = writtenIn(element);
      const text = [...expressions, ...templates].find((one) => one.includes('random')) ?? '';
      const message =
        'expected no random(…) on a page: it would be another with every picture; put it into a variable';
      this.problems.push({ place, text, message });
      return [];
    });
    return {
      id,
      outputId,
      over: when,
      orders: orders.map(({ order }) => order),
      places: orders.map(({ at }) => at),
      keys: orders.map(({ at }) => `${id}.${at}`),
      restless: [when ?? [], ...orders.flatMap(({ order }) => codesOfOrder(order))].some(asksTimeIn),
    };
  }

  private action(place: Place, action: Action, own: number | null): CompiledAction | undefined {
    const expression = (text: string) => this.expression(place, text, own);
    const template = (text: string) =>
      this.attempt(place, text, () => compileTemplate(text, this.scope, own));
    if (isOutputAction(action)) {
      const order = compileOrder(action, {
        expression,
        template,
        variable: (id) => this.variableAt.get(id)!,
      });
      return order && { kind: 'tell', output: this.outputAt.get(action.outputId)!, order };
    }
    switch (action.kind) {
      case 'set': {
        const variable = this.variableAt.get(action.variableId)!;
        const { slot } = this.scope.variables.get(action.variableId)!;
        const value = this.into(place, action.variableId, action.value, own);
        if (!value) return undefined;
        if (action.index === null)
          return this.gadget.flow.variables[variable]!.kind === 'list'
            ? { kind: 'fill', variable, value }
            : { kind: 'set', slot, variable, value };
        const index = expression(action.index);
        return index && { kind: 'setPlace', variable, index, value };
      }
      case 'shift': {
        const value = this.into(place, action.variableId, action.value, own);
        return value && { kind: 'shift', variable: this.variableAt.get(action.variableId)!, value };
      }
      case 'setText':
      case 'append': {
        const index = action.index === null ? null : expression(action.index);
        const text = template(action.text);
        if (index === undefined || !text) return undefined;
        const variable = this.variableAt.get(action.variableId)!;
        return { kind: 'write', variable, index, text, behind: action.kind === 'append' };
      }
      case 'shorten': {
        const index = action.index === null ? null : expression(action.index);
        const by = expression(action.by);
        if (index === undefined || !by) return undefined;
        return { kind: 'shorten', variable: this.variableAt.get(action.variableId)!, index, by };
      }
      case 'start': {
        const length = this.length(place, action.length, own);
        return { kind: 'start', timer: this.timerAt.get(action.timerId)!, length, every: action.every };
      }
      case 'stop':
        return { kind: 'stop', timer: this.timerAt.get(action.timerId)! };
      case 'raise': {
        const delay = action.delay === null ? null : this.length(place, action.delay, own);
        return { kind: 'raise', signal: this.signalAt.get(action.signalId)!, delay };
      }
      case 'cancel':
        return { kind: 'cancel', signal: this.signalAt.get(action.signalId)! };
      case 'save':
      case 'recall':
      case 'wait':
        return action;
    }
  }
}

function typeOfState(state: State, nesting: Nesting): StateType {
  if (state.kind === 'final') return stateType.final;
  if (state.kind === 'history') return stateType.history;
  if (state.kind === 'deepHistory') return stateType.deepHistory;
  if (nesting.childrenOf(state.id).length === 0) return stateType.atomic;
  return state.kind === 'parallel' ? stateType.parallel : stateType.compound;
}

/** Where entering a state leads where nothing is said: the first that is no history. */
function beginOf(state: State, nesting: Nesting, number: (id: string) => number): number[] {
  if (state.initial) return state.initial.targetIds.map(number);
  const home = isHistory(state) ? state.parentId : state.id;
  const first = nesting.childrenOf(home).find((inner) => !isHistory(inner));
  return first ? [number(first.id)] : [];
}

/** The innermost compound state, or the root, that a transition happens in. (SCXML, getTransitionDomain.) */
function domainOf(tables: FlowTables, rule: number): number {
  const targets = tables.ruleTargets[rule]!;
  if (targets.length === 0) return domain.none;
  if (targets.some((target) => tables.type[target]! >= stateType.history)) return domain.byHistory;
  return transitionDomain(tables, rule, targets);
}

/**
 * As the algorithm has it: the source itself for an internal rule whose targets all lie in it, otherwise the nearest
 * compound state around source and targets.
 */
export function transitionDomain(tables: FlowTables, rule: number, targets: readonly number[]): number {
  const { end, parent, type, ruleOwner, ruleInternal } = tables;
  const source = ruleOwner[rule]!;
  const allIn = (state: number) => targets.every((target) => target > state && target < end[state]!);
  if (ruleInternal[rule] && type[source] === stateType.compound && allIn(source)) return source;
  let over = parent[source]!;
  while (over !== -1 && !(type[over] === stateType.compound && allIn(over))) over = parent[over]!;
  return over;
}

const keepCodes = { change: 1, quiet: 2, asked: 3 } as const;

/**
 * Compiles the flow. Never throws on a valid document: what cannot be read is reported, and plays as nothing.
 * A gadget without states compiles to tables without states; see `powerUp`.
 */
export function compileFlow(gadget: Gadget): { tables: FlowTables; problems: FlowProblem[] } {
  const { flow, controls } = gadget;
  const codes = eventCodes(gadget);
  const nesting = nestingOf(flow);
  const writing = new Writing(gadget);
  const { scope } = writing;
  const number = (id: string) => scope.states.get(id)!.number;
  const { variables } = flow;
  const tables: FlowTables = {
    initial: flow.initialId === null ? [] : [number(flow.initialId)],
    stateIds: nesting.ordered.map(({ id }) => id),
    type: nesting.ordered.map((state) => typeOfState(state, nesting)),
    parent: nesting.ordered.map(({ parentId }) => (parentId === null ? -1 : number(parentId))),
    end: [],
    begin: nesting.ordered.map((state) => beginOf(state, nesting, number)),
    beginActions: [],
    histories: nesting.ordered.map(({ id }) =>
      nesting
        .childrenOf(id)
        .filter(isHistory)
        .map((inner) => number(inner.id)),
    ),
    entry: [],
    exit: [],
    doneEvent: nesting.ordered.map(({ id }) => codes.done(id)),
    firstRule: [0],
    ruleIds: [],
    ruleOwner: [],
    ruleEvent: [],
    ruleDelay: [],
    ruleEvery: [],
    ruleGuard: [],
    ruleActions: [],
    ruleTargets: [],
    ruleInternal: [],
    ruleDomain: [],
    hasAlways: false,
    sequential: true,
    remembers: nesting.ordered.some(isHistory),
    heard: [],
    variableIds: variables.map(({ id }) => id),
    slot: variables.map(({ id }) => scope.variables.get(id)!.slot),
    size: variables.map(variableSize),
    columns: variables.map(variableColumns),
    characters: variables.map((one) => (one.kind === 'text' || one.kind === 'texts' ? one.length : 0)),
    initialValues: variables.flatMap(variableStarts),
    low: variables.map((variable) => variableRange(variable).low),
    high: variables.map((variable) => variableRange(variable).high),
    wraps: variables.map((variable) => 'overflow' in variable && variable.overflow === 'wrap'),
    keeps: variables.map(({ saved }) => (saved ? keepCodes[saved.when] : 0)),
    quietUs: variables.map(({ saved }) => (saved?.when === 'quiet' ? saved.quietUs : 0)),
    timerIds: flow.timers.map(({ id }) => id),
    timerEvent: flow.timers.map(({ id }) => codes.timer(id)),
    signalIds: flow.signals.map(({ id }) => id),
    signalEvent: flow.signals.map(({ id }) => codes.signal(id)),
    outputIds: gadget.outputs.map(({ id }) => id),
    pages: gadget.pages.map((page) => writing.page(page)),
    powerUpEvent: codes.power('up'),
    keyEvents: keyEventsOf(gadget, codes),
    layers: [],
    controls: controls.length,
    timed: [],
    plans: { entered: [], leftByOwn: [], leftByOuter: new Map(), guards: null },
  };
  fillEnds(tables);
  nesting.ordered.forEach((state, own) => {
    const place: Place = { kind: 'state', id: state.id };
    tables.beginActions.push(writing.actions(place, state.initial?.actions ?? [], own));
    tables.entry.push(writing.actions(place, state.entry, own));
    tables.exit.push(writing.actions(place, state.exit, own));
    for (const { id, trigger, guard, actions, targetIds, internal } of state.rules) {
      const at: Place = { kind: 'rule', id };
      tables.ruleIds.push(id);
      tables.ruleOwner.push(own);
      tables.ruleEvent.push(codes.of(trigger));
      tables.ruleDelay.push('delay' in trigger ? writing.length(at, trigger.delay, own) : null);
      tables.ruleEvery.push(trigger.kind === 'every');
      tables.ruleGuard.push(writing.guard(at, guard, own));
      tables.ruleActions.push(writing.actions(at, actions, own));
      tables.ruleTargets.push(targetIds.map(number));
      tables.ruleInternal.push(internal);
      tables.ruleDomain.push(domainOf(tables, tables.ruleIds.length - 1));
    }
    const from = tables.firstRule.at(-1)!;
    tables.firstRule.push(tables.ruleIds.length);
    tables.timed.push(
      state.rules.flatMap((_, at) => (tables.ruleEvent[from + at] === noEvent.timed ? [from + at] : [])),
    );
  });
  tables.layers = flow.layers.map(({ id, when, keys }) => {
    const place: Place = { kind: 'layer', id };
    return {
      id,
      held: when?.kind === 'held' ? scope.controls.get(when.controlId)!.number : -1,
      condition: when?.kind === 'on' ? writing.guard(place, when.condition, null) : null,
      keys: new Map(
        // Sets first: what a key has of its own comes in place of what its set does.
        [...keys]
          .sort((a, b) => Number('controlId' in a) - Number('controlId' in b))
          .flatMap((key) => {
            const does = {
              press: writing.actions(place, key.press, null),
              release: writing.actions(place, key.release, null),
            };
            const ids = 'setId' in key ? keysOf(gadget, key.setId) : [key.controlId];
            return ids.map((controlId) => [scope.controls.get(controlId)!.number, does] as const);
          }),
      ),
    };
  });
  tables.hasAlways = tables.ruleEvent.includes(noEvent.always);
  tables.sequential = !tables.type.includes(stateType.parallel);
  const anything = tables.ruleEvent.includes(noEvent.any);
  tables.heard = Array<boolean>(codes.count).fill(anything);
  for (const event of tables.ruleEvent) if (event >= 0) tables.heard[event] = true;
  for (const [event, { also }] of tables.keyEvents) if (also) tables.heard[event] = true;
  return { tables, problems: writing.problems };
}

/** Numbers are given depth first, so that what is in a state ends where the next beside or outside it begins. */
function fillEnds({ parent, end }: FlowTables): void {
  parent.forEach((_, state) => end.push(state + 1));
  for (let state = parent.length - 1; state >= 0; state -= 1) {
    const over = parent[state]!;
    if (over >= 0 && end[state]! > end[over]!) end[over] = end[state]!;
  }
}
