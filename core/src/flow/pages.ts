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
  const own = tables.pages.filter((page) => page.outputId === outputId);
  const lies = ({ over }: CompiledPage) => over !== null && evaluate(over, seen) !== 0;
  const pages = [...own.filter(({ id }) => id === pageId), ...own.filter(lies)];
  const shown = pages.flatMap(({ orders }) => orders);
  spend(around.work, worth.happening * (1 + own.length + shown.length));
  return {
    orders: shown.map((order) => orderNow(order, seen)),
    // Also what lies over nothing now may come.
    restless: own.some((page) => page.restless && (page.over !== null || page.id === pageId)),
  };
}
