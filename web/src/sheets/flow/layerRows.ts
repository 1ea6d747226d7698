import { heardAs, keySetsOf, layerKeyId, type Gadget } from '@hum-lever/core';

/** A row of the table of layers: a key, or every key of a set at once. */
export interface LayerRow {
  id: string;
  name: string;
  /** Of a set: its keys that have no row of their own. */
  folded: readonly string[];
  /** The set of this row, or of this row's key. */
  setId: string | null;
}

/** Sets smaller than this show their keys at once. */
const few = 5;

/**
 * Rows of the table of layers: each set is one row, with the keys that do something of their own under it; keys of no
 * set stand alone.
 * @param unfolded sets whose keys are all wanted
 */
export function layerRows(gadget: Gadget, unfolded: ReadonlySet<string>): LayerRow[] {
  const own = new Set(gadget.flow.layers.flatMap(({ keys }) => keys.map(layerKeyId)));
  const names = new Map(
    gadget.controls.flatMap(({ id, name, kind }) => (kind === 'button' ? [[id, name]] : [])),
  );
  const all = keySetsOf(gadget);
  const inSet = new Set(all.flatMap(({ controlIds }) => controlIds));
  const single = (id: string, setId: string | null): LayerRow => ({
    id,
    name: names.get(id)!,
    folded: [],
    setId,
  });
  const sets = all.flatMap(({ id, name, controlIds: keys }): LayerRow[] => {
    const shown = keys.filter((key) => own.has(key) || unfolded.has(id) || keys.length < few);
    const folded = keys.filter((key) => !shown.includes(key));
    return [{ id, name: `Any key of ${name}`, folded, setId: id }, ...shown.map((key) => single(key, id))];
  });
  // A key that is only heard as another does nothing of its own.
  const others = heardAs(gadget);
  const alone = [...names.keys()]
    .filter((id) => !inSet.has(id) && (!others.has(id) || own.has(id)))
    .map((id) => single(id, null));
  return [...sets, ...alone];
}
