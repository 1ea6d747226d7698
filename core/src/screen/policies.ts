import { updates, type Gadget, type Screen, type TextDisplay } from '../gadget/index.ts';
import { bufferBytes, displayBus, displayCells, sumsBytes } from '../parts/index.ts';
import type { Bitmap } from '../picture/index.ts';
import { stepOf } from './moments.ts';
import { cellStock, cellsUs, changedCells, changedCellsUs, rowsOn } from './onCells.ts';
import { drawnBitmap, type Drawn } from './render.ts';
import { stockOf, type Stock } from './stock.ts';
import { changedRuns, mostUs, sendUs } from './tiles.ts';
import { pageTried } from './tried.ts';

/** A way to send pictures, with what it comes to. */
export interface Policy {
  sends: Exclude<Screen['sends'], 'free'>;
  update: Screen['update'];
  /** Of a picture that is another everywhere, µs. */
  pageUs: number;
  /** The longest that was found from one to another of the values that its pages were tried with, µs. */
  changeUs: number;
  /** So many such changes have room in a second. */
  perSecond: number;
  /** The longest that the loop waits for it, µs. */
  waitsUs: number;
  /** Of the loop's time, where as many pictures are sent as may be. */
  perMille: number;
  /** Of the chip's memory. */
  bytes: number;
  /** Every picture that it may send has room, and a short press is not slept through. */
  keepsUp: boolean;
}

export interface Policies {
  /** From the one that asks least of chip and program to the one that asks most. */
  all: Policy[];
  /** The first of them that keeps up; null: none does. */
  best: Policy | null;
}

/** Pages on which changes are looked for: each costs three pictures. */
const mostPages = 20;

/**
 * Every change that there is between values at first, least and most, on each page, and by itself from one step to the
 * next: how long it takes, µs.
 */
function changesOf<P>(
  gadget: Gadget,
  outputId: string,
  stock: Stock,
  laidOut: (drawn: Drawn) => P,
  us: (was: P, is: P) => number,
): number[] {
  const pages = gadget.pages.filter((page) => page.outputId === outputId).slice(0, mostPages);
  return pages.flatMap(({ id }) => {
    const tried = (['start', 'least', 'most'] as const).map((trying) => pageTried(gadget, id, trying).drawn);
    const [start, least, most] = tried.map(laidOut) as [P, P, P];
    const [first] = tried as [Drawn, ...Drawn[]];
    const step = stepOf(first.drawings, stock);
    return [
      us(start, least),
      us(start, most),
      us(least, most),
      ...(step
        ? [us(laidOut({ ...first, drawings: step.was }), laidOut({ ...first, drawings: step.is }))]
        : []),
    ];
  });
}

/** What a way comes to, whatever it sends. */
function policy(
  gadget: Gadget,
  { mostHz }: Screen | TextDisplay,
  {
    sends,
    update,
    pageUs,
    changeUs,
    bytes,
  }: Pick<Policy, 'sends' | 'update' | 'pageUs' | 'changeUs' | 'bytes'>,
): Policy {
  const perSecond = Math.floor(1_000_000 / Math.max(1, changeUs));
  const waitsUs = sends === 'blocking' ? pageUs : 0;
  return {
    sends,
    update,
    pageUs,
    changeUs,
    perSecond,
    waitsUs,
    perMille: sends === 'blocking' ? Math.round((Math.min(mostHz, perSecond) * changeUs) / 1_000) : 0,
    bytes,
    keepsUp: perSecond >= mostHz && (gadget.controls.length === 0 || waitsUs <= gadget.hands.shortestPressUs),
  };
}

const sendings = ['blocking', 'background'] as const;

function ofPixels(gadget: Gadget, screen: Screen): Policy[] | null {
  const bus = displayBus(gadget, screen.id);
  if (!bus) return null;
  const { pixels } = bus;
  const stock = stockOf(gadget);
  const changes = changesOf(
    gadget,
    screen.id,
    stock,
    (drawn): Bitmap => drawnBitmap(screen, drawn, stock),
    (was, is) => sendUs(bus, changedRuns(was, is, bus)),
  );
  const inTiles = pixels.buffer !== 0;
  // Changing over takes a display that has a second picture; it keeps up where sending all of it does.
  const ways = updates.filter((update) => update !== 'swapped' || pixels.holds === 1);
  return sendings.flatMap((sends) =>
    ways.map((update) => {
      const pageUs = mostUs(bus, screen, update);
      return policy(gadget, screen, {
        sends,
        update,
        pageUs,
        changeUs: update !== 'changed' || changes.length === 0 ? pageUs : Math.max(...changes),
        // What is sent beside the loop stays as it is until it is sent: the next tile is made in another.
        bytes:
          bufferBytes(pixels) +
          (update === 'changed' && !inTiles ? sumsBytes(pixels) : 0) +
          (sends === 'background' && inTiles ? bufferBytes(pixels) - sumsBytes(pixels) : 0),
      });
    }),
  );
}

function ofCharacters(gadget: Gadget, display: TextDisplay): Policy[] | null {
  const bus = displayCells(gadget, display.id);
  if (!bus) return null;
  const { columns, rows } = display;
  const pageUs = cellsUs(bus, display);
  const changes = changesOf(
    gadget,
    display.id,
    cellStock,
    (drawn) => rowsOn(display, drawn),
    (was, is) => changedCellsUs(bus, changedCells(was, is, display)),
  );
  // Without pages, what is written is a row.
  const most = changes.length === 0 ? cellsUs(bus, { columns, rows: 1 }) : Math.max(...changes);
  return sendings.flatMap((sends) =>
    (['whole', 'changed'] as const).map((update) =>
      policy(gadget, display, {
        sends,
        update,
        pageUs,
        changeUs: update === 'whole' ? pageUs : most,
        // What was sent is known to tell what is another; what is sent beside the loop stays as it is.
        bytes: columns * rows * ((update === 'changed' ? 1 : 0) + (sends === 'background' ? 1 : 0)),
      }),
    ),
  );
}

/**
 * The ways in which a display can be sent what it shows, with what each comes to on this gadget's own pages; null: what
 * plays it has no bus that is known.
 */
export function policiesOf(gadget: Gadget, displayId: string): Policies | null {
  const display = gadget.outputs.find(({ id }) => id === displayId);
  const all =
    display?.kind === 'screen'
      ? ofPixels(gadget, display)
      : display?.kind === 'text'
        ? ofCharacters(gadget, display)
        : null;
  return all && { all, best: all.find(({ keepsUp }) => keepsUp) ?? null };
}
