import { variableRange, type Snag, type SnagRule } from '../../gadget/index.ts';
import { exploredWithAll, wayBy } from './explored.ts';

/** A variable is told to be what it cannot: it stops at its end, and what the rule meant is lost. */
export const L09: SnagRule = {
  id: 'L09',
  check(gadget, derived) {
    const explorer = exploredWithAll(gadget, derived);
    return [...explorer.outside].flatMap(([at, { wanted, from, step }]): Snag[] => {
      const variable = gadget.flow.variables[at]!;
      // One that goes round does so on purpose.
      if ('overflow' in variable && variable.overflow === 'wrap') return [];
      const { low, high } = variableRange(variable);
      // One that counts by ones and stays at its end is a counter that is full, and meant to.
      if (wanted >= low - 1 && wanted <= high + 1) return [];
      return [
        {
          rule: 'L09',
          level: 'note',
          place: { kind: 'variable', id: variable.id },
          values: { name: variable.name, wanted, low, high },
          ...wayBy(explorer, derived, [...explorer.pathTo(from), step], null),
        },
      ];
    });
  },
};
