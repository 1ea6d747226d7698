import * as z from 'zod';
import {
  blankState,
  limits,
  nameSchema,
  nestingOf,
  nextId,
  nextIds,
  openGadget,
  stateKinds,
  variableSchema,
  type Action,
  type Gadget,
  type Rule,
  type State,
} from '../gadget/index.ts';
import { ExpressionError } from './error.ts';
import { readActionLine, readRule, showOneAction, showRule } from './line/rule.ts';

const lines = z.array(z.string().max(2_000)).max(limits.rulesPerState);
const clippingSchema = z.strictObject({
  kind: z.literal('hum-lever-states'),
  states: z
    .array(
      z.strictObject({
        name: nameSchema,
        kind: z.enum(stateKinds),
        /** Place in this list of the state that it lies in; null: where it is pasted. */
        in: z.number().int().min(0).nullable(),
        /** Places in this list of where it begins. */
        begins: z.array(z.number().int().min(0)).max(limits.regions),
        entry: lines,
        exit: lines,
        rules: lines,
      }),
    )
    .min(1)
    .max(limits.states),
  signals: z.array(nameSchema).max(limits.signals),
  timers: z.array(nameSchema).max(limits.timers),
  /** Variables as the document has them; their ids are not used. */
  variables: z.array(variableSchema).max(limits.variables),
});

/** States as they travel from one gadget to another: everything by name, rules as they are typed. Plain JSON. */
export type Clipping = z.infer<typeof clippingSchema>;

/** A state with all that lies in it, and the names that its rules use. */
export function clipStates(gadget: Gadget, stateId: string): Clipping {
  const nesting = nestingOf(gadget.flow);
  const states = nesting.ordered.filter(({ id }) => id === stateId || nesting.isInside(id, stateId));
  const place = new Map(states.map(({ id }, at) => [id, at]));
  const actions = (list: readonly Action[]) => list.map((action) => showOneAction(action, gadget));
  return {
    kind: 'hum-lever-states',
    states: states.map((state) => ({
      name: state.name,
      kind: state.kind,
      in: state.id === stateId ? null : (place.get(state.parentId!) ?? null),
      begins: (state.initial?.targetIds ?? []).flatMap((id) => place.get(id) ?? []),
      entry: actions(state.entry),
      exit: actions(state.exit),
      rules: state.rules.map((rule) => showRule(rule, gadget)),
    })),
    signals: gadget.flow.signals.map(({ name }) => name),
    timers: gadget.flow.timers.map(({ name }) => name),
    variables: gadget.flow.variables,
  };
}

/** The states of a text that was copied, or null where it holds none. */
export function readClipping(text: string): Clipping | null {
  try {
    const read = clippingSchema.safeParse(JSON.parse(text));
    return read.success && read.data.states.every((one, at) => one.in === null || one.in < at)
      ? read.data
      : null;
  } catch {
    return null;
  }
}

export interface Pasted {
  gadget: Gadget;
  /** What was left out, and why. */
  notes: string[];
}

/** Names that are missing come along; what names a control or output that is not here is left out, and told. */
export function pasteStates(gadget: Gadget, clipping: Clipping, parentId: string | null): Pasted {
  const notes: string[] = [];
  const room = limits.states - gadget.flow.states.length;
  if (clipping.states.length > room)
    return { gadget, notes: [`Expected at most ${room} states more, got ${clipping.states.length}.`] };
  const before = withNames(gadget, clipping);
  const ids = nextIds(before, 'state', clipping.states.length);
  const fresh = clipping.states.map(({ name, kind, in: home }, at): State => {
    return { ...blankState(), id: ids[at]!, name, kind, parentId: home === null ? parentId : ids[home]! };
  });
  const now = putFlow(before, {
    states: [...before.flow.states, ...fresh],
    initialId: before.flow.initialId ?? ids[0]!,
  });
  // Rules mean the states that came along with them, where others here are called the same.
  const own = new Set(clipping.states.map(({ name }) => name));
  const came = new Set(ids);
  const named = putFlow(now, {
    states: now.flow.states.map((state) =>
      own.has(state.name) && !came.has(state.id) ? { ...state, name: `${state.name} (here)` } : state,
    ),
  });
  const attempt = <T>(state: string, line: string, read: () => T): T[] => {
    try {
      return [read()];
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      notes.push(`${state}: “${line}” was left out: ${error.message}.`);
      return [];
    }
  };
  let rules = Number(nextId(now, 'rule').slice(1));
  const filled = clipping.states.map((one, at): State => {
    const actions = (list: readonly string[]) =>
      list.flatMap((line) => attempt(one.name, line, () => readActionLine(line, named)));
    const state = fresh[at]!;
    const begins = one.begins.flatMap((to) => ids[to] ?? []);
    return {
      ...state,
      initial: begins.length > 0 ? { targetIds: begins, actions: [] } : null,
      entry: actions(one.entry),
      exit: actions(one.exit),
      rules: one.rules.flatMap((line) =>
        attempt(one.name, line, (): Rule => ({ id: `r${rules++}`, ...readRule(line, named) })),
      ),
    };
  });
  const made = putFlow(now, { states: [...before.flow.states, ...filled] });
  const opened = openGadget(made);
  if (opened.outcome !== 'opened') return { gadget, notes: [opened.message] };
  return { gadget: made, notes };
}

const putFlow = (gadget: Gadget, patch: Partial<Gadget['flow']>): Gadget => ({
  ...gadget,
  flow: { ...gadget.flow, ...patch },
});

/** Signals, timers and variables that the clipping knows and the gadget does not. */
function withNames(gadget: Gadget, { signals, timers, variables }: Clipping): Gadget {
  let now = gadget;
  for (const name of signals)
    if (now.flow.signals.every((one) => one.name !== name))
      now = putFlow(now, { signals: [...now.flow.signals, { id: nextId(now, 'signal'), name }] });
  for (const name of timers)
    if (now.flow.timers.every((one) => one.name !== name))
      now = putFlow(now, { timers: [...now.flow.timers, { id: nextId(now, 'timer'), name }] });
  for (const variable of variables) {
    if (now.flow.variables.some(({ name }) => name === variable.name)) continue;
    const fresh = { ...variable, id: nextId(now, 'variable') };
    if (fresh.kind === 'choice') {
      let option = Number(nextId(now, 'option').slice(1));
      const renumbered = fresh.options.map((one) => ({ ...one, id: `q${option++}` }));
      const first = fresh.options.findIndex(({ id }) => id === fresh.initialId);
      fresh.options = renumbered;
      fresh.initialId = renumbered[Math.max(0, first)]!.id;
    }
    now = putFlow(now, { variables: [...now.flow.variables, fresh] });
  }
  return now;
}
