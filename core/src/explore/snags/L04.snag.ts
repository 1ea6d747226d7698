import { evaluate, verdicts } from '../../flow/index.ts';
import type { Snag, SnagRule } from '../../gadget/index.ts';
import { seenBy } from '../edges.ts';
import type { Explorer } from '../explorer.ts';
import { explored, nameOfState, wayBy } from './explored.ts';

/** Pairs of rules of one state for one event whose conditions both depend on something. */
function pairsOf({ tables }: Explorer, guards: ReadonlyMap<string, boolean | null>): [number, number][] {
  const { ruleEvent, ruleIds, firstRule } = tables;
  const depends = (rule: number) => guards.get(ruleIds[rule]!) === null;
  return tables.stateIds.flatMap((_, state) => {
    const rules = Array.from(
      { length: firstRule[state + 1]! - firstRule[state]! },
      (_one, n) => firstRule[state]! + n,
    ).filter((rule) => ruleEvent[rule]! >= 0 && depends(rule));
    return rules.flatMap((a, n) =>
      rules.slice(n + 1).flatMap((b): [number, number][] => (ruleEvent[a] === ruleEvent[b] ? [[a, b]] : [])),
    );
  });
}

/** A gadget with more such pairs than that has another trouble, and nobody reads on. */
const mostListed = 30;

/** Two rules that can both fire: their conditions can hold at the same time, and the first in the list wins. */
export const L04: SnagRule = {
  id: 'L04',
  check(gadget, derived) {
    const explorer = explored(gadget, derived);
    const { ruleIds, ruleOwner, ruleGuard, stateIds, firstRule } = explorer.tables;
    const around = seenBy(explorer);
    let pairs = pairsOf(explorer, verdicts(gadget, derived));
    const snags: Snag[] = [];
    for (let id = 0; id < explorer.count && pairs.length > 0 && snags.length < mostListed; id += 1) {
      const { active } = explorer.load(id);
      pairs = pairs.filter(([a, b]) => {
        const owner = ruleOwner[a]!;
        if (active[owner] !== 1 || snags.length >= mostListed) return true;
        if (evaluate(ruleGuard[a]!, around) === 0 || evaluate(ruleGuard[b]!, around) === 0) return true;
        const state = gadget.flow.states.find((one) => one.id === stateIds[owner])!;
        const [first, second] = [a, b].map((rule) => rule - firstRule[owner]!) as [number, number];
        const guard = `!(${state.rules[first]!.guard!}) && (${state.rules[second]!.guard!})`;
        snags.push({
          rule: 'L04',
          level: 'likely',
          place: { kind: 'rule', id: ruleIds[b]! },
          values: { state: nameOfState(gadget, state.id), first: first + 1, second: second + 1 },
          mend: {
            key: 'onlyOtherwise',
            edit: { name: 'changeRule', args: [ruleIds[b]!, { guard }] },
            values: { first: first + 1 },
          },
          ...wayBy(explorer, derived, explorer.pathTo(id), id),
        });
        explorer.load(id);
        return false;
      });
    }
    return snags;
  },
};
