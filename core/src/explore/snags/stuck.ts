import type { Derived, Gadget, OutputKind, Snag } from '../../gadget/index.ts';
import { heldVerdicts } from '../holding.ts';
import { nameOfState } from './explored.ts';

/** What stays on at outputs of one kind, each as a snag of that rule. @param word for what is on, in its values */
export function stuckSnags(
  gadget: Gadget,
  derived: Derived,
  kind: OutputKind,
  rule: string,
  word: string,
): Snag[] {
  return heldVerdicts(gadget, derived).flatMap(({ outputId, what, controlIds, stuck }): Snag[] => {
    const output = gadget.outputs.find(({ id }) => id === outputId);
    if (output?.kind !== kind || !stuck) return [];
    const { stateId, way } = stuck;
    const controls = gadget.controls.filter(({ id }) => controlIds.includes(id));
    return [
      {
        rule,
        level: 'likely',
        place: { kind: 'state', id: stateId },
        values: {
          [word]: what,
          name: output.name,
          control: controls.map(({ name }) => name).join(', '),
          state: nameOfState(gadget, stateId),
        },
        ...(derived.asIs && { way }),
      },
    ];
  });
}
