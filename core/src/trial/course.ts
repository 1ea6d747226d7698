import { variableStart, type Gadget } from '../gadget/index.ts';
import { nowActiveIn, type TraceEntry } from '../machine/index.ts';
import type { Expectation } from './trial.schema.ts';
import { expectedKinds, isOutputWhat, valueBefore, valueBy } from './whatOutput.ts';

/** What a thing was, from each moment on. Ordered by time; the last of several at one moment is what stayed. */
export interface Course {
  atUs: number;
  value: string | number;
}

/**
 * The course of the thing that an expectation speaks of, over a whole trace from power-up.
 * @returns null where the gadget does not have it
 */
export function courseOf(
  gadget: Gadget,
  trace: readonly TraceEntry[],
  what: Exclude<Expectation['what'], { kind: 'condition' }>,
): Course[] | null {
  const entries = (pick: (entry: TraceEntry) => string | number | undefined): Course[] =>
    trace.flatMap((entry) => {
      const value = pick(entry);
      return value === undefined ? [] : [{ atUs: entry.atUs, value }];
    });
  if (isOutputWhat(what)) {
    const { kind, outputId } = what;
    const output = gadget.outputs.find((one) => one.id === outputId && expectedKinds(one).includes(kind));
    if (!output) return null;
    const changes = entries((entry) =>
      'id' in entry && entry.id === outputId ? valueBy(what, entry) : undefined,
    );
    return [{ atUs: 0, value: valueBefore(what, output) }, ...changes];
  }
  switch (what.kind) {
    case 'state':
      if (!gadget.flow.states.some(({ id }) => id === what.stateId)) return null;
      return stateCourse(gadget, trace, what.stateId);
    case 'variable': {
      const variable = gadget.flow.variables.find(({ id }) => id === what.variableId);
      if (!variable) return null;
      return [
        { atUs: 0, value: variable.kind === 'text' ? variable.initial : variableStart(variable) },
        ...entries((entry) =>
          entry.lane === 'variable' && entry.id === variable.id && !entry.index ? entry.value : undefined,
        ),
      ];
    }
  }
}

/** Of one state: itself while it is active, otherwise the innermost that is, the last of several beside one another. */
function stateCourse(gadget: Gadget, trace: readonly TraceEntry[], stateId: string): Course[] {
  const follow = nowActiveIn(gadget);
  let active: string[] = [];
  return trace.flatMap((entry) => {
    if (entry.lane !== 'state') return [];
    active = follow(active, entry.id);
    return [{ atUs: entry.atUs, value: active.includes(stateId) ? stateId : entry.id }];
  });
}
