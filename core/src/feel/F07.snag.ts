import { controlsOf, type SnagRule } from '../gadget/index.ts';
import { taperOf } from '../parts/index.ts';
import { knobFacts, quietHysteresis, quietSteps } from './knobs.ts';

/** More than this many changes a minute by themselves are seen. */
const seenAMinute = 1;

/** A knob whose steps are narrower than its noise, hysteresis and filter taken into account: it flickers. */
export const F07: SnagRule = {
  id: 'F07',
  check: (gadget) =>
    controlsOf(gadget, 'knob').flatMap((control) => {
      const taper = taperOf(gadget, control.id);
      const facts = knobFacts(control, taper);
      if (facts.worstFlickers <= seenAMinute) return [];
      const quiet = quietHysteresis(facts);
      const steps = quiet === null ? quietSteps(control, facts) : control.reading.steps;
      const hysteresisCounts = facts.noiseCounts + 1;
      const reading = { ...control.reading, steps, hysteresisCounts };
      return [
        {
          rule: 'F07',
          level: facts.usualFlickers > seenAMinute ? 'likely' : 'note',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            widthTenths: Math.round(facts.narrowestCounts * 10),
            noiseCounts: facts.noiseCounts,
            hysteresisCounts: control.reading.hysteresisCounts,
            worst: Math.round(facts.worstFlickers),
            usual: Math.round(facts.usualFlickers),
          },
          mend: {
            key: quiet === null ? 'fewerSteps' : 'hysteresis',
            edit: { name: 'changeControl', args: [control.id, { reading }] },
            values: { steps, hysteresisCounts },
          },
        },
      ];
    }),
};
