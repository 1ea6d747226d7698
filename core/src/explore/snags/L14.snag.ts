import { canonicalJson, type Snag, type SnagRule, type State } from '../../gadget/index.ts';
import { looksOf } from '../../machine/index.ts';
import { settled } from './explored.ts';

/** What a state does with what happens, its own ids apart. */
const behaviour = (state: State): string =>
  canonicalJson(state.rules.map(({ id: _id, ...rest }) => ({ ...rest })));

/** Two states that look and sound the same, and act differently: nobody can tell which one it is. */
export const L14: SnagRule = {
  id: 'L14',
  check(gadget, derived) {
    // Of several that are active together none alone says what is done.
    if (gadget.flow.states.some(({ kind }) => kind === 'parallel')) return [];
    const found = new Map<string, State>();
    return settled(gadget, derived).flatMap(({ states, outputs }): Snag[] => {
      const state = states.at(-1)!;
      const look = canonicalJson(looksOf(outputs));
      const twin = found.get(look);
      if (!twin) found.set(look, state);
      else if (behaviour(twin) !== behaviour(state))
        return [
          {
            rule: 'L14',
            level: 'likely',
            place: { kind: 'state', id: state.id },
            values: { name: state.name, twin: twin.name },
          },
        ];
      return [];
    });
  },
};
