import { charactersIn } from '../gadget/index.ts';
import type { Surroundings } from './evaluate.ts';
import type { Around } from './run.ts';
import type { FlowState } from './state.ts';
import type { FlowTables } from './tables.ts';

/** What expressions can ask of the gadget by themselves: all that is, and no chance. What goes wrong counts as 0. */
export const seenNow = (
  flow: FlowState,
  { nowUs, control }: Pick<Around, 'nowUs' | 'control'>,
): Surroundings => ({
  values: flow.values,
  random: () => 0,
  active: (state) => flow.active[state]!,
  elapsed: (state) => (flow.active[state] ? Math.floor((nowUs - flow.enteredUs[state]!) / 1_000) : 0),
  control,
  carried: [],
  heldMs: () => 0,
  mishap: () => undefined,
});

/** Values by slot, of those that variables are seen to have, by id; one that is not seen is as it begins. */
export function valuesNow(
  { variableIds, slot, characters, initialValues }: FlowTables,
  seen: Readonly<Record<string, number | string | number[] | string[]>>,
): number[] {
  const values = [...initialValues];
  variableIds.forEach((id, variable) => {
    const places = [seen[id] ?? []].flat() as (number | string)[];
    const length = characters[variable]!;
    places.forEach((value, place) => {
      if (typeof value === 'number') values[slot[variable]! + place] = value;
      else values.splice(slot[variable]! + place * length, length, ...charactersIn(value, length));
    });
  });
  return values;
}
