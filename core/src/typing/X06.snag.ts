import { allActions, placedActions, type Snag, type SnagRule } from '../gadget/index.ts';

/** A key of the computer goes down, and nothing ever lets it go: the computer repeats it until the plug is pulled. */
export const X06: SnagRule = {
  id: 'X06',
  check(gadget) {
    const lifts = new Set(
      allActions(gadget).flatMap((action) => {
        if (action.kind === 'keysUp') return [`${action.outputId} all`];
        // A tap of a key that is held already leaves it held.
        return action.kind === 'key' && action.how === 'up' ? [`${action.outputId} ${action.key}`] : [];
      }),
    );
    const told = new Set<string>();
    return placedActions(gadget.flow).flatMap(({ actions, place, name }) =>
      actions.flatMap((action): Snag[] => {
        if (action.kind !== 'key' || action.how !== 'down') return [];
        const { outputId, key } = action;
        if (lifts.has(`${outputId} all`) || lifts.has(`${outputId} ${key}`)) return [];
        if (told.has(`${outputId} ${key}`)) return [];
        told.add(`${outputId} ${key}`);
        const output = gadget.outputs.find(({ id }) => id === outputId);
        return [
          { rule: 'X06', level: 'likely', place, values: { name: output?.name ?? '', key, where: name } },
        ];
      }),
    );
  },
};
