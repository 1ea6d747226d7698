import { allActions, partOf, type Gadget, type Snag, type SnagRule } from '../gadget/index.ts';
import { askedHz } from './asked.ts';
import { soundedHz } from './pitch.ts';

/** Where effects begin and end that it is told as they are. */
const effectEnds = (gadget: Gadget, outputId: string): number[] =>
  allActions(gadget).flatMap((action) => {
    if (action.kind !== 'effect' || action.outputId !== outputId || action.byCents.trim() !== '0') return [];
    const effect = gadget.effects.find(({ id }) => id === action.effectId);
    return effect ? [effect.fromHz, effect.toHz] : [];
  });

/** Pitches that a sounder cannot give: it is held at its lowest or highest. A buzzer, which knows one, is N04. */
export const N02: SnagRule = {
  id: 'N02',
  check: (gadget) =>
    gadget.outputs.flatMap((output): Snag[] => {
      const part = partOf(gadget, output.id);
      if (output.kind !== 'tone' || !part || part.kind === 'buzzer') return [];
      const asked = [...askedHz(gadget, output.id), ...effectEnds(gadget, output.id)];
      const outside = [...new Set(asked)].filter((hz) => soundedHz(output, hz) !== hz).sort((a, b) => a - b);
      const [first] = outside;
      if (first === undefined) return [];
      const { lowHz, highHz } = output;
      return [
        {
          rule: 'N02',
          level: 'likely',
          place: { kind: 'part', id: part.id },
          values: {
            name: output.name,
            hz: Math.round(first * 100) / 100,
            heldHz: soundedHz(output, first),
            pitches: outside.length,
            lowHz,
            highHz,
          },
        },
      ];
    }),
};
