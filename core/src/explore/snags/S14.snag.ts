import { controlsHeard, isOfKeys, type Rule, type Snag, type SnagRule } from '../../gadget/index.ts';

/** What one quick double press of a key can say. */
const quick: ReadonlySet<string> = new Set(['press', 'release', 'tap', 'double']);

/** The presses of one double tap are closer to each other than that: desks take half a second as its longest window. */
const hasteMs = 500;

const keysOf = (gadget: Parameters<typeof controlsHeard>[0], { trigger }: Rule): readonly string[] =>
  isOfKeys(trigger) && quick.has(trigger.gesture) ? controlsHeard(gadget, trigger) : [];

/**
 * A question that a double tap runs through: the key that asks is the key that says yes. Only where its maker has said
 * that the state asks, and that what follows is for good.
 */
export const S14: SnagRule = {
  id: 'S14',
  check(gadget): Snag[] {
    const { flow } = gadget;
    const marked = (means: string) =>
      new Set(flow.marks.flatMap((mark) => (mark.means === means ? [mark.placeId] : [])));
    const [asks, lasting] = [marked('asks'), marked('lasting')];
    if (asks.size === 0 || lasting.size === 0) return [];
    return flow.states.flatMap((state) => {
      if (!asks.has(state.id)) return [];
      const into = flow.states.flatMap((from) =>
        from === state ? [] : from.rules.filter(({ targetIds }) => targetIds.includes(state.id)),
      );
      return state.rules.flatMap((rule): Snag[] => {
        const forGood = lasting.has(rule.id) || rule.targetIds.some((id) => lasting.has(id));
        // A condition, such as time since the question was put, can hold the second press off.
        if (!forGood || rule.guard !== null) return [];
        const yes = keysOf(gadget, rule);
        const both = into.flatMap((one) => keysOf(gadget, one).filter((id) => yes.includes(id)));
        const control = gadget.controls.find(({ id }) => id === both[0]);
        if (!control) return [];
        return [
          {
            rule: 'S14',
            level: 'likely',
            place: { kind: 'rule', id: rule.id },
            values: { state: state.name, control: control.name },
            mend: {
              key: 'askFirst',
              edit: { name: 'changeRule', args: [rule.id, { guard: `elapsed > ${hasteMs}` }] },
              values: { ms: hasteMs },
            },
          },
        ];
      });
    });
  },
};
