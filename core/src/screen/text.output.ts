import type { Gadget, TextDisplay } from '../gadget/index.ts';
import { defineOutput } from '../output/index.ts';
import { displayCells } from '../parts/index.ts';
import { blankRows } from './cells/index.ts';
import { cellStock, cellsUs, changedCells, changedCellsUs, rowsOn } from './onCells.ts';
import type { Drawn } from './render.ts';
import { nothing, pagedOutput, type MadePaged, type PagedEntry, type PagedState, type Way } from './paged.ts';

/** A display of characters. What rules write may be longer than it is wide. */
export type WrittenText = PagedState<'text'>;

/** Every row, or each run of characters that are others, with a command in front that goes there. */
function wayTo(display: TextDisplay, gadget: Gadget): Way | null {
  const bus = displayCells(gadget, display.id);
  if (!bus) return null;
  if (display.update === 'whole') {
    const us = cellsUs(bus, display);
    return () => us;
  }
  // What was sent last is what there was.
  let sent: { drawn: Drawn; rows: readonly string[] } | null = null;
  return (was, is) => {
    const before = sent?.drawn === was ? sent.rows : rowsOn(display, was);
    sent = { drawn: is, rows: rowsOn(display, is) };
    return changedCellsUs(bus, changedCells(before, sent.rows, display));
  };
}

export const text = defineOutput<'text', WrittenText, PagedEntry, 'sent', MadePaged>(
  pagedOutput({
    kind: 'text',
    stock: () => cellStock,
    way: wayTo,
    startUs: ({ id }, gadget) => displayCells(gadget, id)?.startUs ?? 0,
    // As if nothing had been written: there is nothing to send of that.
    blank: (display) => ({ ...nothing, rows: blankRows(display) }),
  }),
);
