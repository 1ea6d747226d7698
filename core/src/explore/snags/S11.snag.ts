import {
  allActions,
  allRules,
  isOutputAction,
  pageTexts,
  type Action,
  type Gadget,
  type Rule,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';
import { variablesIn } from '../influence.ts';

/** What hands do. */
const byHand: ReadonlySet<Rule['trigger']['kind']> = new Set(['gesture', 'keys', 'turn', 'chord', 'code']);
/** The variable that a rule makes more or less than it is; null: none. */
function adjusted(gadget: Gadget, action: Action): string | null {
  if (action.kind !== 'set') return null;
  const variable = gadget.flow.variables.find(({ id }) => id === action.variableId);
  if (variable?.kind !== 'number') return null;
  return variablesIn(gadget, action.value).includes(variable.id) ? variable.id : null;
}

/** All of whose value anything can be noticed: what says it, and what happens, or when, because of it. */
function noticedIn(gadget: Gadget): Set<string> {
  const texts = [
    ...gadget.pages.flatMap(pageTexts),
    ...allActions(gadget).flatMap((action) => (action.kind === 'set' ? [] : [JSON.stringify(action)])),
    ...allRules(gadget).map(({ rule: { trigger, guard } }) => JSON.stringify([trigger, guard])),
    ...gadget.flow.layers.map(({ when }) => JSON.stringify(when)),
    ...gadget.menus.flatMap(({ outputId, openedOut, items }) =>
      outputId === null || openedOut ? [] : [JSON.stringify(items)],
    ),
  ];
  const found = new Set(texts.flatMap((text) => variablesIn(gadget, text)));
  // What is worked into such a one is noticed by it. A set grows while it is walked through.
  const sets = allActions(gadget).flatMap((action) => (action.kind === 'set' ? [action] : []));
  for (const id of found)
    for (const action of sets)
      if (action.variableId === id) for (const fed of variablesIn(gadget, action.value)) found.add(fed);
  return found;
}

/**
 * A number that hands make more or less, and of which nothing is ever noticed: nothing shows it, and nothing happens
 * because of it. Where the same rule does anything else, that may be meant to say it, and nothing is said.
 */
export const S11: SnagRule = {
  id: 'S11',
  check(gadget): Snag[] {
    const noticed = noticedIn(gadget);
    const found = new Map<string, Snag>();
    for (const { rule } of allRules(gadget)) {
      if (!byHand.has(rule.trigger.kind) || rule.targetIds.length > 0) continue;
      if (rule.actions.some(isOutputAction)) continue;
      for (const action of rule.actions) {
        const id = adjusted(gadget, action);
        if (id === null || noticed.has(id) || found.has(id)) continue;
        const { name } = gadget.flow.variables.find((variable) => variable.id === id)!;
        found.set(id, {
          rule: 'S11',
          level: 'note',
          place: { kind: 'variable', id },
          values: { variable: name },
        });
      }
    }
    return [...found.values()];
  },
};
