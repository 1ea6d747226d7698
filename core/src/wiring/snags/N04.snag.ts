import { allActions, type SnagRule } from '../../gadget/index.ts';
import { figuresOf } from '../../parts/index.ts';

/** A self-oscillating buzzer is asked for pitches: it knows one. */
export const N04: SnagRule = {
  id: 'N04',
  check: (gadget) =>
    gadget.parts.flatMap((part) => {
      if (part.kind !== 'buzzer') return [];
      const { ownHz } = figuresOf(part);
      const asked = new Set(
        allActions(gadget).flatMap((action) =>
          action.kind === 'tone' && part.plays.includes(action.outputId) ? [action.hz.trim()] : [],
        ),
      );
      asked.delete(String(ownHz));
      if (asked.size === 0) return [];
      return [
        {
          rule: 'N04',
          level: 'stop',
          place: { kind: 'part', id: part.id },
          values: { name: part.name, pitches: asked.size, ownHz: ownHz! },
          mend: {
            key: 'passivePiezo',
            edit: { name: 'changePart', args: [part.id, { kind: 'piezo', figures: {}, priceCents: null }] },
          },
        },
      ];
    }),
};
