import { freshFlow, stepFlow, type Around, type FlowState } from '../../flow/index.ts';
import { isOutputAction, reachOf, type Action, type Rule, type State } from '../../gadget/index.ts';
import { freshWork, StandsStill } from '../../kernel/index.ts';
import type { Explorer } from '../explorer.ts';
import type { Move } from '../moves.ts';

/** What is to be seen or heard, and changes nothing else. */
export const tells = (action: Action): boolean =>
  isOutputAction(action) && ['eyes', 'ears'].includes(reachOf(action));

/** Whether it does more than show, remember a fixed value or run a timer: counts on, sends, moves, goes forward. */
export function acts(action: Action): boolean {
  if (isOutputAction(action)) return !tells(action);
  switch (action.kind) {
    case 'set':
      return action.index === null && new RegExp(`\\b${action.variableId}\\b`).test(action.value);
    case 'shift':
      return true;
    default:
      return false;
  }
}

/** One event of a move, and the rules that answered it, in order. */
export interface Answered {
  event: number;
  /** Numbers. */
  rules: number[];
}

/**
 * What rules answer a move, event by event, in a state that the explorer has found; the explorer is left as it was.
 * Chance falls as it falls first.
 */
export function answersTo(
  explorer: Explorer,
  id: number,
  { events, carried }: Pick<Move, 'events' | 'carried'>,
): Answered[] {
  const { tables } = explorer;
  const loaded = explorer.load(id);
  const state: FlowState = {
    ...freshFlow(tables, null),
    ...(JSON.parse(JSON.stringify(loaded)) as FlowState),
  };
  let now: number[] = [];
  const around: Around = {
    nowUs: 1,
    work: freshWork(),
    seed: 1,
    quiet: true,
    carried,
    control: (number) => explorer.surroundings.control(number),
    fired: (rule) => now.push(rule),
  };
  const answered: Answered[] = [];
  try {
    for (const event of events) {
      now = [];
      stepFlow(tables, state, event, around);
      answered.push({ event, rules: now });
    }
  } catch (error) {
    if (!(error instanceof StandsStill)) throw error;
  }
  return answered;
}

/** Rules by their number in the tables. */
export function rulesByNumber({ gadget, tables }: Explorer): ({ rule: Rule; state: State } | undefined)[] {
  const known = new Map(
    gadget.flow.states.flatMap((state) => state.rules.map((rule) => [rule.id, { rule, state }] as const)),
  );
  return tables.ruleIds.map((id) => known.get(id));
}
