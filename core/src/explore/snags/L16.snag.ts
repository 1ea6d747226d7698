import {
  allRules,
  isOfKeys,
  placedActions,
  type Gadget,
  type PlacedActions,
  type Rule,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';

/** Writes that one place of a settings memory stands. Source: reckoning, Memory; the part's own sheet decides. */
const endurance = 100_000;
/** What a gadget should live at least. */
const wantedYears = 5;
/** Used so long a day, and turned by so many steps, where nothing else is known. */
const usedSecondsADay = 3_600;
const stepsADay = 200;
const quietUs = 2_000_000;

/** How often a day what stands there is done, if a timer or a turning hand does it. */
function timesADay(gadget: Gadget, { rule, state, where }: PlacedActions): number {
  if (rule) return ruleTimesADay(rule);
  // What is done on entering and leaving is done as often as rules lead in.
  if (!state || where === 'press' || where === 'release') return 0;
  return allRules(gadget)
    .filter((one) => one.rule.targetIds.includes(state.id) || (where === 'exit' && one.state === state))
    .filter((one) => where !== 'exit' || one.rule.targetIds.length > 0)
    .reduce((sum, one) => sum + ruleTimesADay(one.rule), 0);
}

function ruleTimesADay({ trigger }: Rule): number {
  if (trigger.kind === 'every' || trigger.kind === 'after') {
    const us = typeof trigger.delay === 'number' ? trigger.delay : 1_000_000;
    return (usedSecondsADay * 1_000_000) / Math.max(1_000, us);
  }
  const step = isOfKeys(trigger) && ['up', 'down', 'repeat'].includes(trigger.gesture);
  return step ? stepsADay : 0;
}

/** Saved far too often for the memory's endurance: years = endurance / (writes per day × 365). */
export const L16: SnagRule = {
  id: 'L16',
  check: (gadget) =>
    gadget.flow.variables.flatMap((variable): Snag[] => {
      if (variable.saved?.when !== 'change') return [];
      const { id, name } = variable;
      const writes = placedActions(gadget.flow)
        .filter(({ actions }) =>
          actions.some((one) => 'variableId' in one && one.kind !== 'listRow' && one.variableId === id),
        )
        .reduce((sum, placed) => sum + timesADay(gadget, placed), 0);
      const years = writes === 0 ? Infinity : endurance / (writes * 365);
      if (years >= wantedYears) return [];
      return [
        {
          rule: 'L16',
          level: 'likely',
          place: { kind: 'variable', id },
          values: { name, writes: Math.round(writes), days: Math.round(years * 365), endurance },
          mend: {
            key: 'keepQuiet',
            edit: { name: 'changeVariable', args: [id, { saved: { when: 'quiet', quietUs } }] },
            values: { quietUs },
          },
        },
      ];
    }),
};
