import {
  allActions,
  partOf,
  type Action,
  type LightColour,
  type Output,
  type SnagRule,
} from '../../gadget/index.ts';
import { colouredLights } from '../../parts/index.ts';

/** The one colour that a light, or several by number, are made in; null: they are told theirs. */
function madeIn(output: Output, coloured: ReadonlySet<string>): LightColour | null {
  if (output.kind === 'lights') return output.colour;
  return output.kind === 'light' && !coloured.has(output.id) ? output.colour : null;
}

/** Colours by name that an action asks of an output; dark is none. */
function asks(action: Action, { id }: Output): string[] {
  if (!('outputId' in action) || action.outputId !== id) return [];
  if ('through' in action) return action.through.filter((one) => one !== 'off');
  return 'colour' in action && action.colour !== 'off' ? [action.colour] : [];
}

/** A light that is made in one colour is told another: it keeps its own. */
export const X02: SnagRule = {
  id: 'X02',
  check(gadget) {
    const coloured = colouredLights(gadget);
    return gadget.outputs.flatMap((output) => {
      const own = madeIn(output, coloured);
      if (own === null) return [];
      const asked = allActions(gadget)
        .flatMap((action) => asks(action, output))
        .find((one) => one !== own);
      if (asked === undefined) return [];
      const part = partOf(gadget, output.id);
      return [
        {
          rule: 'X02',
          level: 'stop',
          place: part ? { kind: 'part', id: part.id } : { kind: 'output', id: output.id },
          values: { name: output.name, own, asked },
        },
      ];
    });
  },
};
