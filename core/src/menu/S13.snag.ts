import type { Snag, SnagRule } from '../gadget/index.ts';
import { outlinedMenus } from './expand.ts';
import { figuresOf } from './figures.ts';
import { meansOf } from './means.ts';
import { Outline } from './outline.ts';
import { missingRoles } from './scheme.ts';

/**
 * Items that nobody can reach or set: a menu that no state is in, keys that its scheme needs and has not, a list with
 * nothing in it, or a value that no number of steps leads to.
 */
export const S13: SnagRule = {
  id: 'S13',
  check: (gadget) =>
    outlinedMenus(gadget).flatMap((menu): Snag[] => {
      const found = (id: string, values: Snag['values']): Snag => ({
        rule: 'S13',
        level: 'likely',
        place: { kind: 'menu', id },
        values: { menu: menu.name, ...values },
      });
      // Begun just now: there is nothing yet that anybody could miss.
      if (menu.items.length === 0) return [];
      if (menu.stateId === null) return [found(menu.id, { reason: 'nowhere' })];
      const missing = missingRoles(menu.scheme);
      if (missing.length > 0)
        return [found(menu.id, { reason: 'keys', scheme: menu.scheme.kind, roles: missing.join(' ') })];
      const outline = new Outline(gadget, menu);
      const figures = figuresOf(outline, meansOf(gadget, menu.scheme.keys));
      return menu.items.flatMap((item, at): Snag[] => {
        if (item.kind === 'submenu')
          return outline.itemsIn(item.id).length === 0 && outline.scheme.style !== 'ring'
            ? [
                {
                  ...found(item.id, { reason: 'empty', item: item.name }),
                  mend: {
                    key: 'removeItem',
                    edit: { name: 'removeMenuItem', args: [menu.id, item.id] },
                    values: { item: item.name },
                  },
                },
              ]
            : [];
        if (item.kind !== 'value' || item.typical === null || figures.items[at]!.typical !== null) return [];
        return [
          found(item.id, {
            reason: 'steps',
            item: item.name,
            value: item.typical,
            step: item.step,
            from: outline.startOf(item),
          }),
        ];
      });
    }),
};
