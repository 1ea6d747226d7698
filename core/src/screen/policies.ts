import { updates, type Gadget, type Screen } from '../gadget/index.ts';
import { bufferBytes, displayBus, sumsBytes, type DisplayBus } from '../parts/index.ts';
import type { Bitmap } from '../picture/index.ts';
import { drawnBitmap } from './render.ts';
import { stockOf } from './stock.ts';
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

/** Every change that there is between values at first, least and most, on each page; as bytes of runs. */
function changesOf(gadget: Gadget, screen: Screen, bus: DisplayBus): number[][] {
  const pages = gadget.pages.filter(({ outputId }) => outputId === screen.id).slice(0, mostPages);
  const stock = stockOf(gadget);
  return pages.flatMap(({ id }) => {
    const [start, least, most] = (['start', 'least', 'most'] as const).map((trying) =>
      drawnBitmap(screen, pageTried(gadget, id, trying).drawn, stock),
    ) as [Bitmap, Bitmap, Bitmap];
    return [changedRuns(start, least, bus), changedRuns(start, most, bus), changedRuns(least, most, bus)];
  });
}

function policy(
  gadget: Gadget,
  screen: Screen,
  bus: DisplayBus,
  changes: readonly number[][],
  sends: Policy['sends'],
  update: Policy['update'],
): Policy {
  const pageUs = mostUs(bus, screen, update);
  const changeUs =
    update !== 'changed' || changes.length === 0
      ? pageUs
      : Math.max(...changes.map((runs) => sendUs(bus, runs)));
  const perSecond = Math.floor(1_000_000 / Math.max(1, changeUs));
  const waitsUs = sends === 'blocking' ? pageUs : 0;
  const { pixels } = bus;
  const inTiles = pixels.buffer !== 0;
  return {
    sends,
    update,
    pageUs,
    changeUs,
    perSecond,
    waitsUs,
    perMille: sends === 'blocking' ? Math.round((Math.min(screen.mostHz, perSecond) * changeUs) / 1_000) : 0,
    // What is sent beside the loop stays as it is until it is sent: the next tile is made in another.
    bytes:
      bufferBytes(pixels) +
      (update === 'changed' && !inTiles ? sumsBytes(pixels) : 0) +
      (sends === 'background' && inTiles ? bufferBytes(pixels) - sumsBytes(pixels) : 0),
    keepsUp:
      perSecond >= screen.mostHz && (gadget.controls.length === 0 || waitsUs <= gadget.hands.shortestPressUs),
  };
}

/**
 * The ways in which a display can be sent its pictures, with what each comes to on this gadget's own pages; null: what
 * plays it has no bus that is known.
 */
export function policiesOf(gadget: Gadget, screenId: string): Policies | null {
  const screen = gadget.outputs.find(({ id }) => id === screenId);
  const bus = displayBus(gadget, screenId);
  if (screen?.kind !== 'screen' || !bus) return null;
  const changes = changesOf(gadget, screen, bus);
  // Changing over takes a display that has a second picture; it keeps up where sending all of it does.
  const ways = updates.filter((update) => update !== 'swapped' || bus.pixels.holds === 1);
  const all = (['blocking', 'background'] as const).flatMap((sends) =>
    ways.map((update) => policy(gadget, screen, bus, changes, sends, update)),
  );
  return { all, best: all.find(({ keepsUp }) => keepsUp) ?? null };
}
