import type { LayerKey, Trigger } from './flow.schema.ts';
import type { Button, Control } from './controls.schema.ts';
import type { Part } from './parts.schema.ts';
import type { Wiring } from './wiring.schema.ts';

/** Keys that are heard as one, by their numbers. */
export interface NumberedKeys {
  /** Of a key set, or of the part whose keys they are. */
  id: string;
  name: string;
  controlIds: readonly string[];
}

interface WithSets {
  wiring: Pick<Wiring, 'sets'>;
  parts: readonly Pick<Part, 'id' | 'name' | 'plays'>[];
  controls: readonly Pick<Control, 'id' | 'kind'>[];
}

/** The way of reading in which keys lie side by side on one line: whichever is closed, the first of them is heard. */
export const oneLine = 'one-line';

/** Keys that are never heard by themselves, each with the key that it is heard as. */
export const heardAs = ({ wiring }: { wiring: Pick<Wiring, 'sets'> }): ReadonlyMap<string, string> =>
  new Map(
    wiring.sets.flatMap(({ scheme, controlIds: [first, ...others] }) =>
      scheme === oneLine && first !== undefined ? others.map((id) => [id, first] as const) : [],
    ),
  );

/** Buttons that are heard by themselves. */
export function buttonsHeard({
  wiring,
  controls,
}: {
  wiring: Pick<Wiring, 'sets'>;
  controls: readonly Control[];
}): Button[] {
  const others = heardAs({ wiring });
  return controls.filter((one): one is Button => one.kind === 'button' && !others.has(one.id));
}

/** By document, which never changes. */
const known = new WeakMap<WithSets, readonly NumberedKeys[]>();

/** Keys that are read together, and parts of several keys: a keypad is a set as it is bought. */
export function keySetsOf(gadget: WithSets): readonly NumberedKeys[] {
  const found = known.get(gadget) ?? gather(gadget);
  known.set(gadget, found);
  return found;
}

function gather({ wiring, parts, controls }: WithSets): NumberedKeys[] {
  const buttons = new Set(controls.flatMap(({ id, kind }) => (kind === 'button' ? [id] : [])));
  const keysIn = (ids: readonly string[]) => ids.filter((id) => buttons.has(id));
  return [
    ...wiring.sets
      .filter(({ scheme }) => scheme !== oneLine)
      .map(({ id, name, controlIds }) => ({ id, name, controlIds: keysIn(controlIds) })),
    ...parts
      .map(({ id, name, plays }) => ({ id, name, controlIds: keysIn(plays) }))
      .filter(({ controlIds }) => controlIds.length > 1),
  ];
}

/** The set that a key is in, and its number there, from 0. */
export function keyInSet(gadget: WithSets, controlId: string): { set: NumberedKeys; number: number } | null {
  for (const set of keySetsOf(gadget)) {
    const number = set.controlIds.indexOf(controlId);
    if (number >= 0) return { set, number };
  }
  return null;
}

const none: readonly string[] = [];
/** The keys of a set, by their numbers. */
export const keysOf = (gadget: WithSets, setId: string): readonly string[] =>
  keySetsOf(gadget).find(({ id }) => id === setId)?.controlIds ?? none;

/** Controls whose gestures a trigger waits for, by themselves or as keys of a set; none where it waits for something else. */
export function controlsHeard(gadget: WithSets, trigger: Trigger): readonly string[] {
  if (trigger.kind === 'gesture') return [trigger.controlId];
  return trigger.kind === 'keys' ? keysOf(gadget, trigger.setId) : none;
}

/** A gesture of a control, or of any key of a set. */
export const isOfKeys = (trigger: Trigger): trigger is Extract<Trigger, { kind: 'gesture' | 'keys' }> =>
  trigger.kind === 'gesture' || trigger.kind === 'keys';

/** Whether a trigger hears that gesture of a control. */
export const hearsGesture = (
  gadget: WithSets,
  trigger: Trigger,
  controlId: string,
  gesture: string,
): boolean =>
  isOfKeys(trigger) && trigger.gesture === gesture && controlsHeard(gadget, trigger).includes(controlId);

/** Whose key it is in a layer: a control's id or that of a set. */
export const layerKeyId = (key: LayerKey): string => ('setId' in key ? key.setId : key.controlId);

/** What a key does in a layer: what is its own there, otherwise what its set does; undefined: nothing. */
export function layerKeyOf(
  gadget: WithSets,
  keys: readonly LayerKey[],
  controlId: string,
): LayerKey | undefined {
  const setId = keyInSet(gadget, controlId)?.set.id;
  return (
    keys.find((key) => layerKeyId(key) === controlId) ??
    (setId === undefined ? undefined : keys.find((key) => layerKeyId(key) === setId))
  );
}
