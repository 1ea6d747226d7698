import { isHistory, type SnagRule } from '../../gadget/index.ts';
import { unfinished } from '../../flow/index.ts';
import { pressesTo } from '../questions.ts';
import { explored, innermost, nameOfState, wayBy } from './explored.ts';

/** More presses than this from wherever one is, and one is lost. A wish of the brief may be stricter. */
const lostBeyond = 3;

/** No way home within so many presses. A first state that is never meant to be come back to is no home. */
export const L07: SnagRule = {
  id: 'L07',
  check(gadget, derived) {
    const { states, initialId } = gadget.flow;
    const returns = states.some(({ rules }) => rules.some(({ targetIds }) => targetIds.includes(initialId!)));
    if (states.filter((state) => !isHistory(state)).length < 3 || !returns) return [];
    const explorer = explored(gadget, derived);
    // A way that was not walked to its end is no proof that there is none.
    if (!explorer.complete) return [];
    const home = explorer.tables.stateIds.indexOf(initialId!);
    const least = pressesTo(explorer, home);
    const far = least.reduce((worst, one) => Math.max(worst, one), 0);
    // From where nothing leads out yet there is no way home, either: that is told as unfinished.
    const blank = unfinished(gadget, derived);
    const away = least.findIndex(
      (one, state) => one === -1 && !explorer.innermostIn(state).some((inner) => blank.has(inner)),
    );
    const id = far > lostBeyond ? least.indexOf(far) : away;
    if (id < 0) return [];
    const where = innermost(explorer, id);
    const presses = least[id]!;
    const own = states.find((state) => state.id === where)!;
    // A state that no rule leaves at all is told of as that.
    if (presses < 0 && own.rules.every(({ targetIds }) => targetIds.length === 0)) return [];
    return [
      {
        rule: 'L07',
        level: presses < 0 ? 'stop' : 'likely',
        place: { kind: 'state', id: where },
        values: { name: own.name, home: nameOfState(gadget, initialId!), presses, most: lostBeyond },
        ...wayBy(explorer, derived, explorer.pathTo(id), id),
      },
    ];
  },
};
