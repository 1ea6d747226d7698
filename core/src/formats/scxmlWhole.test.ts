import * as fc from 'fast-check';
import { emptyFlow, type Gadget } from '../gadget/index.ts';
import { replay } from '../machine/index.ts';
import { gadgetArbitrary, stimuliArbitrary } from '../test/arbitraries.ts';
import { runs } from '../test/runs.ts';
import { printScxml, readScxml } from './index.ts';

const back = (gadget: Gadget) => {
  const found = readScxml(printScxml(gadget), { ...gadget, flow: emptyFlow() });
  if (found.outcome !== 'read') throw new Error(found.message);
  return found;
};

describe('SCXML of a whole gadget', () => {
  it('carries everything that is done, layers, timers, lists and marks, there and back', () => {
    fc.assert(
      fc.property(gadgetArbitrary, (gadget) => {
        const { notes, gadget: read } = back(gadget);
        expect(notes).toEqual([]);
        // Rules are numbered anew; all else is the same text.
        const text = (one: Gadget) => printScxml(one).replace(/\br\d+\b/g, 'r');
        expect(text({ ...read, name: gadget.name })).toBe(text(gadget));
      }),
      { seed: 31, numRuns: runs(60) },
    );
  });

  it('plays as before', () => {
    fc.assert(
      fc.property(gadgetArbitrary, stimuliArbitrary, (gadget, stimuli) => {
        const played = (one: Gadget) =>
          replay(one, stimuli, 2_000_000, 3).map(({ atUs, lane }) => `${atUs} ${lane}`);
        expect(played(back(gadget).gadget)).toEqual(played(gadget));
      }),
      { seed: 32, numRuns: runs(40) },
    );
  });
});
