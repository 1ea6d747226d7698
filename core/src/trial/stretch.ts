import type { Gadget } from '../gadget/index.ts';
import { nowActiveIn, type TraceEntry } from '../machine/index.ts';
import { checkedRecording, slackUs, type Recording } from './recorded.ts';
import type { Expectation, Trial } from './trial.schema.ts';
import { seenBy, valueBy } from './whatOutput.ts';

/** So much is expected of a stretch: what can be read, not everything that flickered. */
const mostExpected = 24;

/** What the stretch showed, each with when it was so: states that were come to, and what outputs came to last. */
function shownIn(
  gadget: Gadget,
  trace: readonly TraceEntry[],
): { what: Expectation['what']; atUs: number }[] {
  const states = new Map<string, number>();
  const follow = nowActiveIn(gadget);
  let active: string[] = [];
  const entered = trace.filter((entry) => entry.lane === 'state');
  entered.forEach(({ id, atUs }, n) => {
    active = follow(active, id);
    if (entered[n + 1]?.atUs === atUs) return;
    // What was left in the moment in which it was entered never stood.
    const moment = entered.filter((one) => one.atUs === atUs);
    for (const one of moment) if (active.includes(one.id) && !states.has(one.id)) states.set(one.id, atUs);
  });
  const known = new Set(gadget.flow.states.map(({ id }) => id));
  const outputs = gadget.outputs.flatMap((output) => {
    const last: { what: NonNullable<ReturnType<typeof seenBy>>; atUs: number }[] = [];
    for (const entry of trace.toReversed()) {
      if (!('id' in entry) || entry.id !== output.id) continue;
      const what = seenBy(output, entry);
      // What speaks of the same has been said by what came later.
      if (!what || last.some((later) => valueBy(later.what, entry) !== undefined)) continue;
      last.push({ what, atUs: entry.atUs });
      if (last.length === mostExpected) break;
    }
    return last;
  });
  return [
    ...[...states].flatMap(([stateId, atUs]) =>
      known.has(stateId) ? [{ what: { kind: 'state', stateId } as const, atUs }] : [],
    ),
    ...outputs,
  ]
    .slice(0, mostExpected)
    .sort((a, b) => a.atUs - b.atUs);
}

/**
 * A stretch of what was played as a trial: everything from power-up to its end, and what the stretch showed expected
 * about when it did. On a gadget that was not edited since power-up it passes.
 * @param trace entries of the stretch at least; others are not looked at
 * @param fromUs and toUs: the stretch, both ends included, no later than the recording's end
 * @throws RangeError where more was done than a trial can hold
 */
export function stretchTrial(
  name: string,
  gadget: Gadget,
  recording: Recording,
  trace: readonly TraceEntry[],
  fromUs: number,
  toUs: number,
): Trial {
  const stimuli = recording.stimuli.filter(({ atUs }) => atUs <= toUs);
  const inside = trace.filter(({ atUs }) => atUs >= fromUs && atUs <= toUs);
  return {
    name,
    ...checkedRecording({ seed: recording.seed, stimuli, endUs: toUs }),
    expectations: shownIn(gadget, inside).map(({ what, atUs }, n) => ({
      id: `e${n + 1}`,
      what,
      when: { kind: 'within', fromUs: Math.max(0, atUs - slackUs), toUs: Math.min(toUs, atUs + slackUs) },
    })),
  };
}
