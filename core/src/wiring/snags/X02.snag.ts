import {
  allActions,
  partOf,
  type Action,
  type Gadget,
  type LightColour,
  type Output,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';
import { colouredLights, displayBus, displayGlow } from '../../parts/index.ts';

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

/** What a display, or its light, is told and cannot do; null: it can do all of it, or nobody knows. */
function beyondIt(gadget: Gadget, output: Output): string | null {
  if (output.kind !== 'screen' && output.kind !== 'text') return null;
  if (output.kind === 'screen' && output.update === 'swapped' && output.sends !== 'free')
    if (displayBus(gadget, output.id)?.pixels.holds === 0) return 'onePicture';
  const how = displayGlow(gadget, output.id)?.how;
  if (how === undefined) return null;
  const told = allActions(gadget).filter((action) => 'outputId' in action && action.outputId === output.id);
  const levels = told.flatMap((action) => (action.kind === 'level' ? [action.percent.trim()] : []));
  if (how === 'always' && levels.some((one) => one !== '100')) return 'always';
  if (how === 'switched' && levels.some((one) => /^\d+$/.test(one) && Number(one) > 0 && Number(one) < 100))
    return 'switched';
  return how !== 'mixed' && told.some(({ kind }) => kind === 'colour') ? 'oneColour' : null;
}

/** A light that is made in one colour is told another, or a display's light what it cannot do: it stays as it is. */
export const X02: SnagRule = {
  id: 'X02',
  check(gadget) {
    const coloured = colouredLights(gadget);
    return gadget.outputs.flatMap((output): Snag[] => {
      const reason = beyondIt(gadget, output);
      if (reason !== null)
        return [
          {
            rule: 'X02',
            level: 'stop',
            place: { kind: 'output', id: output.id },
            values: { name: output.name, reason },
            ...(reason === 'onePicture' && {
              mend: {
                key: 'sendWhole',
                edit: { name: 'changeOutput', args: [output.id, { update: 'whole' }] },
                values: { name: output.name },
              },
            }),
          },
        ];
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
          values: { name: output.name, reason: 'colour', own, asked },
        },
      ];
    });
  },
};
