import type { Gadget } from '../gadget/index.ts';
import {
  bestScheme,
  compareMenuSchemes,
  orderByUse,
  tryDepths,
  type DepthTried,
  type Reordered,
  type SchemeFigures,
} from './compare.ts';
import { missingRoles } from './scheme.ts';

/** What is said of a menu beside its outline. */
export interface MenuAdvice {
  schemes: SchemeFigures[];
  best: SchemeFigures | null;
  /** null: its keys are missing, or no order costs less. */
  order: Reordered | null;
  depths: DepthTried | null;
}

/** Dear for a large menu: asked beside the page. null: there is no such menu any more. */
export function menuAdvice(gadget: Gadget, menuId: string): MenuAdvice | null {
  const menu = gadget.menus.find(({ id }) => id === menuId);
  if (!menu) return null;
  const schemes = compareMenuSchemes(gadget, menu);
  const ready = missingRoles(menu.scheme).length === 0;
  return {
    schemes,
    best: bestScheme(schemes),
    order: ready ? orderByUse(gadget, menu) : null,
    depths: ready ? tryDepths(gadget, menu) : null,
  };
}
