import { partOf, type Snag, type SnagRule } from '../gadget/index.ts';
import { askedHz } from './asked.ts';
import { soundedHz } from './pitch.ts';

/** Pitches that a sounder cannot give: it is held at its lowest or highest. A buzzer, which knows one, is N04. */
export const N02: SnagRule = {
  id: 'N02',
  check: (gadget) =>
    gadget.outputs.flatMap((output): Snag[] => {
      const part = partOf(gadget, output.id);
      if (output.kind !== 'tone' || !part || part.kind === 'buzzer') return [];
      const outside = askedHz(gadget, output.id).filter((hz) => soundedHz(output, hz) !== hz);
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
