import type { Gadget, Output, Paint, Snag, SnagRule } from '../../gadget/index.ts';
import { alikeFor, nameOf, restingPicture } from '../../lights/index.ts';
import { codeOf, colourless } from '../lightCodes.ts';
import { nameOfSettled, type Settled } from '../settled.ts';
import { settled } from './explored.ts';

/** Of each of its lights, dark ones too. */
function paintsOf(output: Output, { outputs }: Settled): Paint[] {
  const shown = outputs[output.id];
  if (shown?.kind === 'lights') return restingPicture(shown).map(nameOf);
  if (shown?.kind !== 'light' || output.kind !== 'light') return [];
  const [paint] = codeOf(output, shown).colours;
  return [paint ?? 'off'];
}

/** The first light that is seen in one colour here and in another there; null: none is. */
function firstOther(gadget: Gadget, one: Settled, other: Settled) {
  for (const output of gadget.outputs) {
    const [here, there] = [paintsOf(output, one), paintsOf(output, other)];
    const at = here.findIndex((paint, n) => paint !== there[n]);
    if (at >= 0)
      return { light: output.name, here: here[at]!, there: there[at]!, twin: nameOfSettled(other) };
  }
  return null;
}

/** Two states that only the colour of lights tells apart: not everybody sees it, and in the sun nobody does. */
export const S10: SnagRule = {
  id: 'S10',
  check(gadget, derived) {
    const found = new Map<string, Settled[]>();
    return settled(gadget, derived).flatMap((one): Snag[] => {
      const grey = colourless(gadget, one.outputs);
      const before = found.get(grey) ?? [];
      found.set(grey, [...before, one]);
      // Told of one of them: what is done for that does for all.
      const [other] = before.flatMap((twin) => firstOther(gadget, one, twin) ?? []);
      if (!other) return [];
      return [
        {
          rule: 'S10',
          level: 'likely',
          place: { kind: 'state', id: one.states[0]!.id },
          values: {
            name: nameOfSettled(one),
            ...other,
            alikeFor: alikeFor(other.here, other.there).join(' '),
          },
        },
      ];
    });
  },
};
