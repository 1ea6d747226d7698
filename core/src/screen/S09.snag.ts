import type { Snag, SnagRule } from '../gadget/index.ts';
import { contrastBand, contrastOf } from './cells/render.ts';

/**
 * The contrast of a display of characters stands so that nothing can be read on it: it looks dead, or is a row of
 * blocks. The trim is the first thing to look at, before wires and program.
 */
export const S09: SnagRule = {
  id: 'S09',
  check: (gadget): Snag[] =>
    gadget.outputs.flatMap((output): Snag[] => {
      if (output.kind !== 'text' || output.cells !== 'dots') return [];
      const { id, name, contrast } = output;
      const { on, off } = contrastOf(output);
      // Half of the difference that there can be is still read.
      if (on - off >= 0.5) return [];
      const usual = Math.round((contrastBand.least + contrastBand.most) / 2);
      return [
        {
          rule: 'S09',
          level: 'likely',
          place: { kind: 'output', id },
          values: { display: name, reason: on < 0.5 ? 'faint' : 'blocks', contrast },
          mend: {
            key: 'trimContrast',
            edit: { name: 'changeOutput', args: [id, { contrast: usual }] },
            values: { contrast: usual },
          },
        },
      ];
    }),
};
