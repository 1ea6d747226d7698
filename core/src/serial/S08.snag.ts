import {
  isOutputAction,
  placedActions,
  reachOf,
  writtenIn,
  type Action,
  type Gadget,
  type PlacedActions,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';

/** What is to be seen and has that variable in it. */
const showsIt = (variableId: string) => (action: Action) =>
  isOutputAction(action) &&
  reachOf(action) === 'eyes' &&
  writtenIn(action).templates.some((text) => new RegExp(`\\{[^{}]*\\b${variableId}\\b`).test(text));

/** Texts that characters coming in over a serial line are put behind, each with the rule that does it. */
function gathered({ flow }: Gadget): { placed: PlacedActions; outputId: string; variableId: string }[] {
  return placedActions(flow).flatMap((placed) => {
    const trigger = placed.rule?.trigger;
    if (trigger?.kind !== 'character') return [];
    return placed.actions.flatMap((action) =>
      action.kind === 'append' ? [{ placed, outputId: trigger.outputId, variableId: action.variableId }] : [],
    );
  });
}

/** What comes in character by character is shown only once its line has ended: one that never ends is never seen. */
export const S08: SnagRule = {
  id: 'S08',
  check: (gadget) => {
    const lists = placedActions(gadget.flow);
    const told = new Set<string>();
    return gathered(gadget).flatMap(({ placed, outputId, variableId }): Snag[] => {
      const shows = showsIt(variableId);
      const showing = lists.filter(({ actions }) => actions.some(shows));
      const atEnd = showing.find(
        ({ rule }) => rule?.trigger.kind === 'line' && rule.trigger.outputId === outputId,
      );
      // Shown by anything else as well, it is seen before the end.
      const elsewhere = showing.some(
        ({ rule }) => !(rule?.trigger.kind === 'line' && rule.trigger.outputId === outputId),
      );
      const rule = placed.rule!;
      if (!atEnd || elsewhere || told.has(variableId)) return [];
      told.add(variableId);
      const output = gadget.outputs.find(({ id }) => id === outputId);
      const variable = gadget.flow.variables.find(({ id }) => id === variableId);
      const actions = [...rule.actions, atEnd.actions.find(shows)!];
      return [
        {
          rule: 'S08',
          level: 'note',
          place: { kind: 'rule', id: atEnd.rule!.id },
          values: { name: output?.name ?? '', text: variable?.name ?? '' },
          mend: { key: 'showAtOnce', edit: { name: 'changeRule', args: [rule.id, { actions }] } },
        },
      ];
    });
  },
};
