import { allActions, partOf, type SnagRule } from '../../gadget/index.ts';
import { colouredLights } from '../../parts/index.ts';

/** A light that is made in one colour is told another: it keeps its own. */
export const X02: SnagRule = {
  id: 'X02',
  check(gadget) {
    const coloured = colouredLights(gadget);
    return gadget.outputs.flatMap((output) => {
      if (output.kind !== 'light' || coloured.has(output.id)) return [];
      const asked = allActions(gadget).find(
        (action) =>
          action.kind === 'colour' && action.outputId === output.id && action.colour !== output.colour,
      );
      if (asked?.kind !== 'colour') return [];
      const part = partOf(gadget, output.id);
      return [
        {
          rule: 'X02',
          level: 'stop',
          place: part ? { kind: 'part', id: part.id } : { kind: 'output', id: output.id },
          values: { name: output.name, own: output.colour, asked: asked.colour },
        },
      ];
    });
  },
};
