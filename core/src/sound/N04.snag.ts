import {
  allActions,
  asOneEdit,
  freshOutput,
  type Edit,
  type Gadget,
  type OutputAction,
  type Part,
  type SingleEdit,
  type SnagRule,
  type Tone,
} from '../gadget/index.ts';
import { figuresOf } from '../parts/index.ts';
import { askedHz } from './asked.ts';

/** Pitches that are worked out while it runs, as they are written: no number is known, but it is not always the same. */
const workedOut = (action: OutputAction): string[] => {
  if (action.kind === 'tone' && !/^\s*\d+\s*$/.test(action.hz)) return [action.hz.trim()];
  // It is on its way all the time.
  if (action.kind === 'effect') return [`effect ${action.effectId}`];
  return action.kind === 'sing' || action.kind === 'perform' ? [action.by.trim()] : [];
};

/** A passive disc instead, and its pitch no longer the one that the buzzer had. */
function asPiezo({ outputs }: Gadget, { id, plays }: Part, ownHz: number): Edit {
  const change: SingleEdit = {
    name: 'changePart',
    args: [id, { kind: 'piezo', figures: {}, priceCents: null }],
  };
  const { lowHz, highHz, pitched } = freshOutput('tone', {}) as Tone;
  const held = outputs.filter(
    (one) => one.kind === 'tone' && plays.includes(one.id) && one.lowHz === ownHz && one.highHz === ownHz,
  );
  const freed = held.map((one): SingleEdit => ({
    name: 'changeOutput',
    args: [one.id, { lowHz, highHz, pitched }],
  }));
  return asOneEdit([change, ...freed]);
}

/** A self-oscillating buzzer is asked for pitches: it knows one. */
export const N04: SnagRule = {
  id: 'N04',
  check: (gadget) =>
    gadget.parts.flatMap((part) => {
      if (part.kind !== 'buzzer') return [];
      const { ownHz } = figuresOf(part);
      const asked = new Set<number | string>(part.plays.flatMap((outputId) => askedHz(gadget, outputId)));
      asked.delete(ownHz!);
      const told = allActions(gadget).flatMap((action) =>
        'outputId' in action && part.plays.includes(action.outputId)
          ? workedOut(action as OutputAction).filter((text) => !/^-?\d+$/.test(text))
          : [],
      );
      const pitches = asked.size + new Set(told).size;
      if (pitches === 0) return [];
      return [
        {
          rule: 'N04',
          level: 'stop',
          place: { kind: 'part', id: part.id },
          values: { name: part.name, pitches, ownHz: ownHz! },
          mend: {
            key: 'passivePiezo',
            edit: asPiezo(gadget, part, ownHz!),
          },
        },
      ];
    }),
};
