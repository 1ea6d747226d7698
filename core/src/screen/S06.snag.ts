import { allActions, type Gadget, type Output, type Snag, type SnagRule } from '../gadget/index.ts';
import { displayGlow, figuresOf, kindOf } from '../parts/index.ts';

/** Below that a display's light is not what empties a cell. */
const leastUa = 1_000;
/** From there on it is often the most that a gadget draws. */
const muchUa = 5_000;

/** Untouched for so long, a display is hardly being read. Far enough down to count, and still read when one comes back. */
const usual = { afterUs: 30_000_000, percent: 20 } as const;

type Display = Extract<Output, { kind: 'text' | 'screen' }>;

/** Some rule makes it darker than it comes on, or may; or its menu goes dark by itself. */
function isToldDarker(gadget: Gadget, { id }: Display): boolean {
  const told = allActions(gadget).some(
    (action) =>
      action.kind === 'level' &&
      action.outputId === id &&
      (!/^\d+$/.test(action.percent.trim()) || Number(action.percent) < 100),
  );
  return told || gadget.menus.some(({ outputId, idle }) => outputId === id && idle?.leads === 'off');
}

/** Pixels that glow are dark where nothing stands on them: some rule shows no page, or one with nothing on it. */
function isEmptied(gadget: Gadget, { id }: Display): boolean {
  const empty = new Set(gadget.pages.filter(({ elements }) => elements.length === 0).map((page) => page.id));
  return allActions(gadget).some(
    (action) =>
      action.kind === 'showPage' &&
      action.outputId === id &&
      (action.pageId === null || empty.has(action.pageId)),
  );
}

/** A cell feeds a display that stays as bright as it is, however long nobody looks at it. */
export const S06: SnagRule = {
  id: 'S06',
  check(gadget): Snag[] {
    const cell = gadget.parts.find((part) => kindOf(part).chain === 'source');
    if (!cell) return [];
    const { capacityMah = 0 } = figuresOf(cell);
    return gadget.outputs.flatMap((output): Snag[] => {
      if (output.kind !== 'text' && output.kind !== 'screen') return [];
      const glow = displayGlow(gadget, output.id);
      if (!glow || glow.litUa < leastUa) return [];
      const { how, from, litUa } = glow;
      const canDim = how === 'dimmed' || how === 'mixed';
      if (canDim && output.dims !== null) return [];
      if (how !== 'always' && isToldDarker(gadget, output)) return [];
      if (from === 'pixels' && isEmptied(gadget, output)) return [];
      return [
        {
          rule: 'S06',
          level: litUa >= muchUa ? 'likely' : 'note',
          place: { kind: 'output', id: output.id },
          values: {
            display: output.name,
            from,
            how,
            litUa,
            cell: cell.name,
            // Its light alone, all of it on.
            hours: Math.floor((capacityMah * 1_000) / litUa),
          },
          ...(canDim && {
            mend: {
              key: 'dimIdle',
              edit: { name: 'changeOutput', args: [output.id, { dims: { ...usual } }] },
              values: { seconds: usual.afterUs / 1_000_000, percent: usual.percent },
            },
          }),
        },
      ];
    });
  },
};
