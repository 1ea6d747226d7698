import {
  allRules,
  controlsHeard,
  type Gadget,
  type Menu,
  type MenuItemOf,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { menuSchemeEdit, schemeFor } from './choose.ts';
import { outlinedMenus } from './expand.ts';
import { figuresOf } from './figures.ts';
import { meansOf } from './means.ts';
import { Outline } from './outline.ts';
import { missingRoles } from './scheme.ts';

/** Controls that nothing else hears take the parts of those that are missing; undefined: there are not enough. */
function withKeys(gadget: Gadget, menu: Menu): Snag['mend'] {
  const { kind, keys } = menu.scheme;
  const taken = new Set([
    ...Object.values(keys),
    ...allRules(gadget).flatMap(({ rule: { trigger } }) => controlsHeard(gadget, trigger)),
  ]);
  const controls = gadget.controls.filter(({ id }) => !taken.has(id));
  const missing = new Set(missingRoles(menu.scheme));
  const found = schemeFor({ controls, parts: gadget.parts }, kind, missing).keys;
  const scheme = { kind, keys: { ...keys, ...found } };
  if (missingRoles(scheme).length > 0) return undefined;
  const names = controls.flatMap(({ id, name }) => (Object.values(found).includes(id) ? [name] : []));
  return { key: 'giveKeys', edit: menuSchemeEdit(gadget, menu, scheme), values: { names: names.join(', ') } };
}

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** The longest step, no longer than today's, that leads from where the value begins to where it is set to. */
function fitStep(outline: Outline, menu: Menu, item: MenuItemOf<'value'>): Snag['mend'] {
  const { low, high } = outline.rangeOf(item);
  const apart = Math.abs(item.typical! - outline.startOf(item));
  if (item.typical! < low || item.typical! > high || apart === 0) return undefined;
  const step = divisor(item.step, apart);
  return {
    key: 'fitStep',
    edit: { name: 'changeMenuItem', args: [menu.id, item.id, { step }] },
    values: { item: item.name, step },
  };
}

/**
 * Items that nobody can reach or set: a menu that no state is in, keys that its scheme needs and has not, a list with
 * nothing in it, or a value that no number of steps leads to.
 */
export const S13: SnagRule = {
  id: 'S13',
  check: (gadget) =>
    outlinedMenus(gadget).flatMap((menu): Snag[] => {
      const found = (id: string, values: Snag['values'], mend?: Snag['mend']): Snag => ({
        rule: 'S13',
        level: 'likely',
        place: { kind: 'menu', id },
        values: { menu: menu.name, ...values },
        ...(mend && { mend }),
      });
      // Begun just now: there is nothing yet that anybody could miss.
      if (menu.items.length === 0) return [];
      if (menu.stateId === null) return [found(menu.id, { reason: 'nowhere' })];
      const missing = missingRoles(menu.scheme);
      if (missing.length > 0)
        return [
          found(
            menu.id,
            { reason: 'keys', scheme: menu.scheme.kind, roles: missing.join(' ') },
            withKeys(gadget, menu),
          ),
        ];
      const outline = new Outline(gadget, menu);
      const figures = figuresOf(outline, meansOf(gadget, menu.scheme.keys));
      return menu.items.flatMap((item, at): Snag[] => {
        if (item.kind === 'submenu')
          return outline.itemsIn(item.id).length === 0 && outline.scheme.style !== 'ring'
            ? [
                found(
                  item.id,
                  { reason: 'empty', item: item.name },
                  {
                    key: 'removeItem',
                    edit: { name: 'removeMenuItem', args: [menu.id, item.id] },
                    values: { item: item.name },
                  },
                ),
              ]
            : [];
        if (item.kind !== 'value' || item.typical === null || figures.items[at]!.typical !== null) return [];
        return [
          found(
            item.id,
            {
              reason: 'steps',
              item: item.name,
              value: item.typical,
              step: item.step,
              from: outline.startOf(item),
            },
            fitStep(outline, menu, item),
          ),
        ];
      });
    }),
};
