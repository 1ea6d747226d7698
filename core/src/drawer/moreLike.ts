import {
  applyEdit,
  type Control,
  type Edit,
  type End,
  type Gadget,
  type Output,
  type Part,
  type SingleEdit,
} from '../gadget/index.ts';
import { addOwnPartEdit, addPartEdit, numbered } from './fresh.ts';

/** What of a control or output is its own, and not taken over by one that is to be like it. */
const own: ReadonlySet<string> = new Set(['id', 'name', 'kind', 'key', 'backKey']);
const likeness = (of: Control | Output): Partial<End> =>
  Object.fromEntries(Object.entries(of).filter(([field]) => !own.has(field))) as Partial<End>;

/** What is said of one part's ends, for another's. @param ids each end, and which stands in its place */
const forOther = <T>(said: T, ids: ReadonlyMap<string, string>): T =>
  JSON.parse(
    JSON.stringify(said, (field, value: unknown) => {
      if (typeof value !== 'string') return value;
      if (field === 'controlId' || field === 'outputId') return ids.get(value) ?? value;
      // What a knob stands at is asked for by its id inside of an expression.
      return value.replace(/\bvalue\((\w+)\)/g, (_all, id: string) => `value(${ids.get(id) ?? id})`);
    }),
  ) as T;

/** Rules that wait for one of these controls, each with its state. */
const rulesOf = (gadget: Gadget, ids: ReadonlySet<string>) =>
  gadget.flow.states.flatMap(({ id, rules }) =>
    rules.flatMap((rule) =>
      'controlId' in rule.trigger && ids.has(rule.trigger.controlId) ? [{ stateId: id, rule }] : [],
    ),
  );

/**
 * So many more parts like one, as one step: of the same class and figures, what they play set as its own is, named by
 * number, in the same sets of keys and layers, and with its rules, each right behind the one that it is like. Keys of
 * the keyboard are those that are free; for wires see `wiredAlong`.
 * @param times 1 to 20
 * @throws EditRefused where the document cannot hold so many
 */
export function moreLikeEdit(gadget: Gadget, part: Part, times: number): Edit {
  const list: SingleEdit[] = [];
  let now = gadget;
  const does = (edit: SingleEdit) => {
    list.push(edit);
    now = applyEdit(now, edit);
  };
  const base = part.name.replace(/ \d+$/, '');
  const asked = rulesOf(gadget, new Set(part.plays));
  for (let copy = 0; copy < times; copy += 1) {
    const given = {
      name: numbered(base, [base, ...now.parts.map(({ name }) => name)]),
      figures: part.figures,
      priceCents: part.priceCents,
      quantity: part.quantity,
    };
    if (part.own) {
      const { args } = addOwnPartEdit(now, part.own);
      does({ name: 'addPart', args: [{ ...args[0], ...given }, args[1]] });
    } else does(addPartEdit(now, part.kind, given));
    const ids = new Map(part.plays.map((id, end) => [id, now.parts.at(-1)!.plays[end]!]));
    for (const [id, like] of ids) {
      const control = gadget.controls.find((one) => one.id === id);
      const output = gadget.outputs.find((one) => one.id === id);
      if (control) does({ name: 'changeControl', args: [like, likeness(control) as Partial<Control>] });
      if (output) does({ name: 'changeOutput', args: [like, likeness(output) as Partial<Output>] });
    }
    for (const set of now.wiring.sets) {
      const joining = set.controlIds.flatMap((id) => ids.get(id) ?? []);
      if (joining.length > 0)
        does({ name: 'changeKeySet', args: [set.id, { controlIds: [...set.controlIds, ...joining] }] });
    }
    for (const layer of gadget.flow.layers)
      for (const key of layer.keys) {
        const like = 'controlId' in key ? ids.get(key.controlId) : undefined;
        const { press, release } = key;
        if (like) does({ name: 'setLayerKey', args: [layer.id, like, forOther({ press, release }, ids)] });
      }
    for (const { stateId, rule } of asked) {
      const { id: _, ...said } = rule;
      does({ name: 'addRule', args: [stateId, forOther(said, ids)] });
      const { rules } = now.flow.states.find(({ id }) => id === stateId)!;
      const behind = rules.findIndex(({ id }) => id === rule.id) + copy + 1;
      const by = behind - (rules.length - 1);
      if (by !== 0) does({ name: 'moveRule', args: [rules.at(-1)!.id, by] });
    }
  }
  return { name: 'several', args: [list] };
}
