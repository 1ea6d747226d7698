import type { LayerKey, Trigger } from './flow.schema.ts';
import type { KeySet, Wiring } from './wiring.schema.ts';

interface WithSets {
  wiring: Pick<Wiring, 'sets'>;
}

/** The set that a key is in, and its number there, from 0. */
export function keyInSet({ wiring }: WithSets, controlId: string): { set: KeySet; number: number } | null {
  for (const set of wiring.sets) {
    const number = set.controlIds.indexOf(controlId);
    if (number >= 0) return { set, number };
  }
  return null;
}

const none: readonly string[] = [];
/** The keys of a set, by their numbers. */
export const keysOf = ({ wiring }: WithSets, setId: string): readonly string[] =>
  wiring.sets.find(({ id }) => id === setId)?.controlIds ?? none;

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
