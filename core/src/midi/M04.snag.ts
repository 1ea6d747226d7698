import {
  controlsOf,
  placedActions,
  type Gadget,
  type Knob,
  type OutputOf,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { sentBy } from './tellings.ts';
import { wireUs } from './wire.ts';

/** A knob turns three quarters of the way round. Source: usual tracks, 270° from end to end. */
const shareOfTurn = 0.75;

/** Messages to that output for each step of the knob, in the list that tells most. */
function perStepUs(gadget: Gadget, knob: Knob, output: OutputOf<'midi'>): number {
  const costs = placedActions(gadget.flow).map(({ rule, actions }) => {
    const trigger = rule?.trigger;
    if (trigger?.kind !== 'gesture' || trigger.controlId !== knob.id) return 0;
    // A condition can pass most steps over: what is sent then is not known here.
    if (rule?.guard !== null) return 0;
    const told = actions.flatMap((action) =>
      (action.kind === 'midi' || action.kind === 'fine') && action.outputId === output.id
        ? sentBy(gadget, action)
        : [],
    );
    // Step after step: with running status each begins as the one before ended.
    const twice = wireUs([...told, ...told], output.runningStatus);
    return twice - wireUs(told, output.runningStatus);
  });
  return Math.max(0, ...costs);
}

/** A knob that tells more, swept quickly, than the wire carries meanwhile: whatever is told then comes late. */
export const M04: SnagRule = {
  id: 'M04',
  check: (gadget) =>
    gadget.outputs.flatMap((output): Snag[] => {
      // What takes the place of what waits never heaps up.
      if (output.kind !== 'midi' || output.transport !== 'wire' || output.overload === 'merge') return [];
      const sweepUs = Math.round(gadget.hands.quickTurnUs * shareOfTurn);
      return controlsOf(gadget, 'knob').flatMap((knob): Snag[] => {
        const steps = knob.reading.steps - 1;
        const wireTimeUs = steps * perStepUs(gadget, knob, output);
        if (wireTimeUs <= sweepUs) return [];
        return [
          {
            rule: 'M04',
            level: 'likely',
            place: { kind: 'control', id: knob.id },
            values: { control: knob.name, name: output.name, steps, sweepUs, wireUs: wireTimeUs },
            mend: {
              key: 'mergeValues',
              edit: { name: 'changeOutput', args: [output.id, { overload: 'merge' }] },
              values: { name: output.name },
            },
          },
        ];
      });
    }),
};
