import { buttonsHeard, type SnagRule } from '../../gadget/index.ts';
import { Arena, endsOf } from '../players.ts';
import { explored } from './explored.ts';

const limitUs = 600_000_000;

/** A round that nobody plays any more goes on for ever: it has no end. */
export const L17: SnagRule = {
  id: 'L17',
  check(gadget, derived) {
    const { initialId, states } = gadget.flow;
    const [game] = buttonsHeard(gadget).filter(({ wants }) => wants.purpose === 'game');
    if (!game || initialId === null) return [];
    const explorer = explored(gadget, derived);
    // The first move of hands that begins something in which time runs.
    for (let edge = 0; edge < explorer.edgeFrom.length && explorer.edgeFrom.at(edge) === 0; edge += 1) {
      const step = explorer.stepOf(explorer.edgeStep.at(edge));
      const to = explorer.edgeTo.at(edge);
      if (step.kind !== 'move' || to === 0 || explorer.load(to).timers.length === 0) continue;
      const began = explorer.activeIn(to).at(-1)!;
      if (began === initialId) continue;
      const ends = [initialId, ...endsOf(gadget)].filter((id) => id !== began);
      const contest = { opening: [explorer.moves[step.move]!], endStateIds: ends, scoreId: null, limitUs };
      const arena = new Arena(explorer.gadget, contest, { kind: 'idle' });
      if ([1, 2, 3].some((seed) => !arena.play(seed).running)) return [];
      return [
        {
          rule: 'L17',
          level: 'likely',
          place: { kind: 'state', id: began },
          values: { name: states.find(({ id }) => id === began)!.name, minutes: limitUs / 60_000_000 },
        },
      ];
    }
    return [];
  },
};
