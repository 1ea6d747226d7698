import { spend, worth } from '../kernel/index.ts';
import { orderNow, type OutputOrder } from './orders.ts';
import type { Around } from './run.ts';
import { seenNow } from './seen.ts';
import type { FlowState } from './state.ts';
import type { FlowTables } from './tables.ts';

/** What a page comes to just now. */
export interface PageNow {
  /** What draws it, in its order. */
  orders: readonly OutputOrder[];
  /** It becomes another as time goes by, and nothing happens. */
  restless: boolean;
}

/**
 * Works out what a page shows; nothing of the gadget is changed by it. Each element is paid for as something that
 * happens.
 * @throws StandsStill where that is too much
 */
export function pageNow(tables: FlowTables, state: FlowState, pageId: string, around: Around): PageNow {
  const page = tables.pages.find(({ id }) => id === pageId);
  if (!page) return { orders: [], restless: false };
  spend(around.work, worth.happening * (1 + page.orders.length));
  const seen = { ...seenNow(state, around), tables };
  return { orders: page.orders.map((order) => orderNow(order, seen)), restless: page.restless };
}
