import { controlsOf, type Knob, type SnagRule } from '../gadget/index.ts';
import { taperOf } from '../parts/index.ts';
import { bandedAndSteady, knobFacts, noiseBehind, seenAMinute } from './knobs.ts';

/** What a mend changes of it: the filter, the hold, or the number of steps. */
function mendKey(before: Knob['reading'], after: Knob['reading']): string {
  if (after.steps !== before.steps) return 'fewerSteps';
  return after.filter !== before.filter || after.readings !== before.readings ? 'steadier' : 'hysteresis';
}

/** A knob whose steps are narrower than its noise, hysteresis and filter taken into account: it flickers. */
export const F07: SnagRule = {
  id: 'F07',
  check: (gadget) =>
    controlsOf(gadget, 'knob').flatMap((control) => {
      const taper = taperOf(gadget, control.id);
      const facts = knobFacts(control, taper);
      if (facts.worstFlickers <= seenAMinute) return [];
      const reading = bandedAndSteady(control, taper);
      const { steps, hysteresisCounts, readings, everyUs } = reading;
      return [
        {
          rule: 'F07',
          level: facts.usualFlickers > seenAMinute ? 'likely' : 'note',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            widthTenths: Math.round(facts.narrowestCounts * 10),
            noiseCounts: noiseBehind(control, facts.noiseCounts),
            filter: control.reading.filter,
            hysteresisCounts: control.reading.hysteresisCounts,
            worst: Math.round(facts.worstFlickers),
            usual: Math.round(facts.usualFlickers),
          },
          mend: {
            key: mendKey(control.reading, reading),
            edit: { name: 'changeControl', args: [control.id, { reading }] },
            values: { steps, hysteresisCounts, readings, lateUs: (readings * everyUs) / 2 },
          },
        },
      ];
    }),
};
