import { spend, worth } from '../kernel/index.ts';
import { evaluate } from './evaluate.ts';
import { orderNow, type OutputOrder } from './orders.ts';
import type { Around } from './run.ts';
import { seenNow } from './seen.ts';
import type { FlowState } from './state.ts';
import type { CompiledPage, FlowTables } from './tables.ts';

/** What a display shows just now. */
export interface PageNow {
  /** What draws it, in its order. */
  orders: readonly OutputOrder[];
  /** Of each of them: which element of which page it is. */
  keys: readonly string[];
  /** It becomes another as time goes by, and nothing happens. */
  restless: boolean;
}

/**
 * Works out what a display shows: a page, and over it what lies over all of them just now; nothing of the gadget is
 * changed by it. Each element is paid for as something that happens.
 * @param pageId null: no page, only what lies over pages
 * @throws StandsStill where that is too much
 */
export function pageNow(
  tables: FlowTables,
  state: FlowState,
  outputId: string,
  pageId: string | null,
  around: Around,
): PageNow {
  const seen = { ...seenNow(state, around), tables };
  const orders: OutputOrder[] = [];
  const keys: string[] = [];
  let restless = false;
  const show = (page: CompiledPage) => {
    spend(around.work, worth.happening * page.orders.length);
    for (const order of page.orders) orders.push(orderNow(order, seen));
    keys.push(...page.keys);
  };
  for (const page of tables.pages) {
    if (page.id !== pageId || page.outputId !== outputId) continue;
    restless ||= page.restless;
    show(page);
  }
  for (const page of tables.pages) {
    if (page.over === null || page.outputId !== outputId) continue;
    // Also what lies over nothing now may come.
    restless ||= page.restless;
    spend(around.work, worth.happening);
    if (evaluate(page.over, seen) !== 0) show(page);
  }
  return { orders, keys, restless };
}
