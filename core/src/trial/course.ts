import { variableStart, type Gadget } from '../gadget/index.ts';
import { nowActiveIn, type TraceEntry } from '../machine/index.ts';
import type { Expectation } from './trial.schema.ts';

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
      return value === undefined ? [] : [{ atUs: entry.at, value }];
    });
  const has = (kind: string, id: string) =>
    gadget.outputs.some((output) => output.id === id && output.kind === kind);
  switch (what.kind) {
    case 'state':
      if (!gadget.flow.states.some(({ id }) => id === what.stateId)) return null;
      return stateCourse(gadget, trace, what.stateId);
    case 'light':
      if (!has('light', what.outputId)) return null;
      return [
        { atUs: 0, value: 'off' },
        ...entries((entry) =>
          entry.lane === 'light' && entry.id === what.outputId ? entry.light.mode : undefined,
        ),
      ];
    case 'text':
      if (!has('text', what.outputId)) return null;
      return [
        { atUs: 0, value: '' },
        ...entries((entry) =>
          entry.lane === 'text' && entry.id === what.outputId && entry.row === what.row
            ? entry.text
            : undefined,
        ),
      ];
    case 'tone':
      if (!has('tone', what.outputId)) return null;
      return [
        { atUs: 0, value: 0 },
        ...entries((entry) => (entry.lane === 'tone' && entry.id === what.outputId ? entry.hz : undefined)),
      ];
    case 'variable': {
      const variable = gadget.flow.variables.find(({ id }) => id === what.variableId);
      if (!variable) return null;
      return [
        { atUs: 0, value: variable.kind === 'list' ? variable.initial : variableStart(variable) },
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
    return [{ atUs: entry.at, value: active.includes(stateId) ? stateId : entry.id }];
  });
}
