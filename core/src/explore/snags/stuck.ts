import type { Derived, Gadget, OutputKind, Snag } from '../../gadget/index.ts';
import { heldVerdicts } from '../holding.ts';
import { nameOfState } from './explored.ts';

/** What stays on at outputs of these kinds, each as a snag of that rule. @param word for what is on, in its values */
export function stuckSnags(
  gadget: Gadget,
  derived: Derived,
  kinds: readonly OutputKind[],
  rule: string,
  word: string,
): Snag[] {
  return heldVerdicts(gadget, derived).flatMap(({ outputId, what, controlIds, stuck }): Snag[] => {
    const output = gadget.outputs.find(({ id }) => id === outputId);
    if (!output || !kinds.includes(output.kind) || !stuck) return [];
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
          control: namesOf(controls),
          state: nameOfState(gadget, stateId),
        },
        ...(derived.asIs && { way }),
      },
    ];
  });
}

/** All of a few; of many, the first and how many more. */
function namesOf(controls: readonly { name: string }[]): string {
  const names = controls.map(({ name }) => name);
  return names.length <= 3 ? names.join(', ') : `${names[0]} and ${names.length - 1} others`;
}
