import { allActions, type Snag, type SnagRule } from '../gadget/index.ts';
import { firstPage } from './elements.ts';

/** A page that nothing shows, and that its display does not begin with either. */
export const S12: SnagRule = {
  id: 'S12',
  check(gadget): Snag[] {
    const shown = new Set(
      allActions(gadget).flatMap((action) => (action.kind === 'showPage' ? (action.pageId ?? []) : [])),
    );
    return gadget.pages.flatMap(({ id, name, outputId, over }): Snag[] => {
      if (over !== null || shown.has(id) || firstPage(gadget, outputId) === id) return [];
      const display = gadget.outputs.find((output) => output.id === outputId)!.name;
      return [
        {
          rule: 'S12',
          level: 'note',
          place: { kind: 'page', id },
          values: { page: name, display },
          mend: { key: 'removePage', edit: { name: 'removePage', args: [id] }, values: { page: name } },
        },
      ];
    });
  },
};
