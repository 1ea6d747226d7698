import type { Gadget, Screen } from '../gadget/index.ts';
import { defineOutput } from '../output/index.ts';
import { displayBus } from '../parts/index.ts';
import { blankBitmap } from '../picture/index.ts';
import { nothing, pagedOutput, type MadePaged, type PagedEntry, type PagedState, type Way } from './paged.ts';
import { render, type Drawn } from './render.ts';
import { stockOf } from './stock.ts';
import { changedRuns, sendUs, wholeUs } from './tiles.ts';

/** A display of pixels. */
export type ShownScreen = PagedState<'screen'>;
export type ScreenEntry = PagedEntry;

/** All of it, or the tiles that look otherwise. */
function wayTo(screen: Screen, gadget: Gadget): Way | null {
  const bus = displayBus(gadget, screen.id);
  if (!bus) return null;
  const { widthPx, heightPx, update } = screen;
  if (update !== 'changed') {
    const us = wholeUs(bus, update);
    return () => us;
  }
  const stock = stockOf(gadget);
  // To draw what was there and what comes. What it holds saves drawing it again.
  let [before, after] = [blankBitmap(widthPx, heightPx), blankBitmap(widthPx, heightPx)];
  let holds: Drawn | null = null;
  return (was, is) => {
    if (holds === was) [before, after] = [after, before];
    else render(before, screen, was, stock);
    render(after, screen, is, stock);
    holds = is;
    return sendUs(bus, changedRuns(before, after, bus));
  };
}

export const screen = defineOutput<'screen', ShownScreen, ScreenEntry, 'sent', MadePaged>(
  pagedOutput({
    kind: 'screen',
    stock: stockOf,
    way: wayTo,
    startUs: ({ id }, gadget) => displayBus(gadget, id)?.startUs ?? 0,
    blank: () => nothing,
  }),
);
