import {
  madeFor,
  type Action,
  type Gadget,
  type Output,
  type Paint,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';
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
    if (at >= 0) return { output, here: here[at]!, there: there[at]!, twin: other };
  }
  return null;
}

/** Of a light that means something: slow enough to be counted, far from what harms. */
const blinkUs = 1_000_000;

const tells = (output: Output) => (action: Action) =>
  action.kind === 'light' && action.outputId === output.id;

/**
 * Lets it blink where the state itself turns the light on as it is entered, and every state that follows at once tells
 * the light anew: else the blinking would go on there.
 */
function blinking({ flow }: Gadget, output: Output, { states: [state] }: Settled): Snag['mend'] {
  if (state === undefined || madeFor(state.id) !== null) return undefined;
  const told = state.entry.filter(tells(output));
  const [on] = told;
  if (told.length !== 1 || on!.kind !== 'light' || on!.light.mode !== 'on') return undefined;
  // States in others, and others beside: who is left and entered then is not told by its rules alone.
  if (state.parentId !== null || flow.states.some(({ parentId }) => parentId === state.id)) return undefined;
  const after = state.rules.flatMap(({ targetIds }) => targetIds).filter((id) => id !== state.id);
  const toldAnew = (id: string) => flow.states.find((one) => one.id === id)!.entry.some(tells(output));
  if (flow.layers.length > 0 || !after.every(toldAnew)) return undefined;
  const entry = state.entry.map((action): Action =>
    action === on ? { ...on, light: { mode: 'blink', periodUs: blinkUs } } : action,
  );
  return {
    key: 'blinkHere',
    edit: { name: 'changeState', args: [state.id, { entry }] },
    values: { light: output.name, state: state.name },
  };
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
      const { output, here, there, twin } = other;
      const mend = blinking(gadget, output, one) ?? blinking(gadget, output, twin);
      return [
        {
          rule: 'S10',
          level: 'likely',
          place: { kind: 'state', id: one.states[0]!.id },
          values: {
            name: nameOfSettled(one),
            ...{ light: output.name, here, there, twin: nameOfSettled(twin) },
            alikeFor: alikeFor(here, there).join(' '),
          },
          ...(mend && { mend }),
        },
      ];
    });
  },
};
