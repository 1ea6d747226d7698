import { placedActions, type Snag, type SnagRule } from '../gadget/index.ts';

/** A player is told a file by a plain number that its card has not. */
export const N08: SnagRule = {
  id: 'N08',
  check: (gadget) =>
    placedActions(gadget.flow).flatMap(({ actions, place, name: state }) =>
      actions.flatMap((action): Snag[] => {
        if (action.kind !== 'playFile' || !/^\s*\d+\s*$/.test(action.number)) return [];
        const output = gadget.outputs.find(({ id }) => id === action.outputId);
        const number = Number(action.number);
        if (output?.kind !== 'player' || output.files.some((file) => file.number === number)) return [];
        return [
          {
            rule: 'N08',
            level: 'likely',
            place,
            values: { name: output.name, state, number, files: output.files.length },
          },
        ];
      }),
    ),
};
