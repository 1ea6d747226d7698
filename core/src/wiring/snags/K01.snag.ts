import type { Edit, Snag, SnagRule } from '../../gadget/index.ts';
import { readKeys, schemeOf } from '../../scan/index.ts';
import { netsIn } from '../nets.ts';
import { arraysOf } from '../owners.ts';
import { readSetBy } from '../setEdits.ts';

/** Keys that will be held together read falsely: others answer, or some are not seen. */
export const K01: SnagRule = {
  id: 'K01',
  check(gadget, derived) {
    const { logicMv } = netsIn(gadget, derived);
    const nameOf = new Map(gadget.controls.map(({ id, name }) => [id, name]));
    const names = (ids: readonly string[]) => ids.map((id) => nameOf.get(id) ?? id).join(', ');
    return arraysOf(gadget, logicMv).flatMap(({ id, name, controlIds, circuit, chords }): Snag[] => {
      // Keys that mean something together are held together.
      const meant = gadget.chords
        .filter(({ controlIds: keys }) => keys.every((key) => controlIds.includes(key)))
        .map(({ controlIds: keys }) => keys);
      const wrong = [...chords, ...meant].flatMap((chord) => {
        const pressed = controlIds.map((key) => chord.includes(key));
        const read = readKeys(circuit, pressed);
        const ghosts = controlIds.filter((_, key) => read[key] && !pressed[key]);
        const masked = controlIds.filter((_, key) => !read[key] && pressed[key]);
        return ghosts.length + masked.length > 0 ? [{ chord, ghosts, masked }] : [];
      });
      const [first] = wrong;
      if (!first) return [];
      const set = gadget.wiring.sets.find((one) => one.id === id);
      const scheme = set?.scheme === 'matrix' ? 'matrix-diodes' : 'expander';
      const params = set?.scheme === 'matrix' ? set.params : schemeOf(scheme).defaults(controlIds.length);
      const edit: Edit | null = set ? readSetBy(gadget, set, { scheme, params }) : null;
      return [
        {
          rule: 'K01',
          level: 'stop',
          place: { kind: set ? 'keySet' : 'part', id },
          values: {
            name,
            chord: names(first.chord),
            ghosts: names(first.ghosts),
            masked: names(first.masked),
            wrong: wrong.length,
            chords: chords.length + meant.length,
          },
          ...(edit && { mend: { key: 'otherScheme', edit, values: { scheme } } }),
        },
      ];
    });
  },
};
