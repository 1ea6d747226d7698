import { noJobs, type Job, type OutputDefinition, type Stage } from '../output/index.ts';
import type { Gadget, OutputOf } from '../gadget/index.ts';
import type { OrderOf } from '../flow/index.ts';
import { displayGlow } from '../parts/index.ts';
import { blankRows } from './cells/index.ts';
import { firstPage } from './elements.ts';
import { atMoment, atRest, type Moments } from './moments.ts';
import { textsOn, type Drawing, type Drawn } from './render.ts';
import {
  isOfLight,
  shinesNow,
  shiningAfter,
  shiningDueUs,
  shiningEnds,
  shiningFully,
  shiningKept,
  shiningLater,
  shiningLook,
  shiningTouched,
  type MadeShining,
  type Shining,
  type ShiningEntry,
} from './shining.ts';
import type { Stock } from './stock.ts';
import { rowsAfter } from './written.ts';

/* What displays of pixels and of characters have in common: pages, drawn again and again, and rows written over them. */

/** A display with pages: what it was told, and what stands on its glass. Pictures are drawn from that, never kept. */
export interface PagedState<K extends PagedKind> {
  kind: K;
  rows: readonly string[];
  shining: Shining;
  /** Shown by itself or told to be; null: none. */
  pageId: string | null;
  /** Nobody has said which page: it is the first that there is. */
  untold: boolean;
  /** What can be seen. */
  glass: Drawn;
  /** On its way over the bus, to be seen when all of it is there. */
  sending: Drawn | null;
  /** Since when, and how long all of it takes, µs. */
  sentFromUs: number;
  lastsUs: number;
  /** Something may look otherwise than what was sent last. */
  stale: boolean;
  /** The next picture begins then at the earliest. */
  freeUs: number;
  /** When the page came to be shown. */
  sinceUs: number;
  /** When something of it is another by itself; null: nothing will be. */
  againUs: number | null;
  /** How the values went that it plots. */
  tracks: Moments['tracks'];
}

export type PagedKind = 'screen' | 'text';

export type TextEntry = { lane: 'text'; row: number; text: string };
export type PagedEntry =
  | TextEntry
  | ShiningEntry
  /** Another picture can be seen: of which page, and the texts on it in their order. */
  | { lane: 'screen'; pageId: string | null; texts: readonly string[] };

/** What sending pictures takes, from one to another, µs. */
export type Way = (was: Drawn, is: Drawn) => number;

export interface MadePaged extends MadeShining {
  /** It is drawn by the loop, picture by picture; otherwise what is told is there at once. */
  readonly drawn: boolean;
  /** null: no time. */
  readonly way: Way | null;
  readonly how: Job['how'];
  readonly everyUs: number;
  readonly stock: Stock;
}
type On<K extends PagedKind> = Stage<K, PagedEntry, 'sent', MadePaged>;

export const nothing: Drawn = { pageId: null, rows: [], drawings: [] };

/** Without pages and a bus, what is written is there at once. Written out: games do it several times a second. */
const undrawn = <K extends PagedKind>(was: PagedState<K>, rows: readonly string[]): PagedState<K> => ({
  kind: was.kind,
  rows,
  shining: was.shining,
  pageId: was.pageId,
  untold: was.untold,
  glass: { pageId: null, rows, drawings: nothing.drawings },
  sending: null,
  sentFromUs: 0,
  lastsUs: 0,
  stale: was.stale,
  freeUs: was.freeUs,
  sinceUs: was.sinceUs,
  againUs: null,
  tracks: was.tracks,
});

/** Values of one kind of element side by side; what is fixed is the same object. */
function isSameDrawing(a: Drawing, b: Drawing): boolean {
  if (a === b) return true;
  if (a.kind !== b.kind) return false;
  const [one, other] = [a, b] as unknown as Record<string, unknown>[];
  for (const name in one) {
    const [x, y] = [one[name], other![name]];
    if (x !== y && !(Array.isArray(x) && Array.isArray(y) && isSameList(x, y))) return false;
  }
  return true;
}
const isSameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a === b || (a.length === b.length && a.every((one, n) => one === b[n]));

const isSame = (a: Drawn, b: Drawn): boolean =>
  a === b ||
  (a.pageId === b.pageId &&
    isSameList(a.rows, b.rows) &&
    a.drawings.length === b.drawings.length &&
    a.drawings.every((drawing, n) => isSameDrawing(drawing, b.drawings[n]!)));

/** Whether as much can be read on one as on the other. */
const readsAlike = (a: Drawn, b: Drawn): boolean =>
  a.pageId === b.pageId && isSameList(textsOn(a), textsOn(b));

/** All of the picture is there. Only what changed can be told. */
function seen<K extends PagedKind>(was: PagedState<K>, glass: Drawn, on: On<K>): PagedState<K> {
  if (!readsAlike(glass, was.glass))
    on.trace({ atUs: on.nowUs, lane: 'screen', id: on.id, pageId: glass.pageId, texts: textsOn(glass) });
  return { ...was, glass, sending: null };
}

/** The loop comes by: values are taken, and where they look otherwise than before, a picture is on its way. */
function redrawn<K extends PagedKind>(was: PagedState<K>, on: On<K>): PagedState<K> {
  const { orders, keys, restless } = on.page(was.pageId);
  const before = was.sending ?? was.glass;
  const sinceUs = was.pageId === before.pageId ? was.sinceUs : on.nowUs;
  const { drawings, tracks, nextUs } = atMoment(
    orders as readonly Drawing[],
    keys,
    was.pageId === before.pageId ? was.tracks : {},
    sinceUs,
    on.nowUs,
    on.prepared.stock,
    () => on.sounds(),
  );
  const next: Drawn = { pageId: was.pageId, rows: was.rows, drawings };
  const { everyUs } = on.prepared;
  const goesOn = { stale: restless, sinceUs, tracks, againUs: nextUs };
  if (isSame(next, before)) return { ...was, ...goesOn, freeUs: restless ? on.nowUs + everyUs : was.freeUs };
  const lasts = on.prepared.way?.(before, next) ?? 0;
  const after = { ...was, ...goesOn, freeUs: on.nowUs + Math.max(lasts, everyUs) };
  if (lasts === 0) return seen(after, next, on);
  on.plan(lasts, 'sent');
  return { ...after, sending: next, sentFromUs: on.nowUs, lastsUs: lasts };
}

const isShown = ({ pageId, texts }: Extract<PagedEntry, { lane: 'screen' }>): boolean =>
  pageId !== null || texts.length > 0;

const isLit = ({ rows, drawings }: Drawn): boolean =>
  drawings.some(({ onlyIf }) => onlyIf !== 0) || rows.some((row) => row.trim() !== '');

/** All of a picture is there by then. */
const pageDueUs = ({
  stale,
  freeUs,
  againUs,
}: Pick<PagedState<PagedKind>, 'stale' | 'freeUs' | 'againUs'>): number | null =>
  stale ? freeUs : againUs === null ? null : Math.max(againUs, freeUs);

/** What kinds of display differ in. */
export interface Paged<K extends PagedKind> {
  kind: K;
  /** What its pages are drawn with. */
  stock(gadget: Gadget): Stock;
  /** What sending its pictures takes; it may keep memory to draw in. null: its bus is not known. */
  way(output: OutputOf<K>, gadget: Gadget): Way | null;
  /** From power-up until it can be told anything, µs. */
  startUs(output: OutputOf<K>, gadget: Gadget): number;
  /** As it comes on, before anything was sent. */
  blank(output: OutputOf<K>): Drawn;
}

type Told = OrderOf<'text' | 'sprite' | 'listRow' | 'level' | 'colour' | 'showPage'>;
/** What all of them have. */
const display = (output: unknown) => output as OutputOf<PagedKind>;

/** How such a display is while the gadget runs. */
export function pagedOutput<K extends PagedKind>({
  kind,
  stock,
  way,
  startUs,
  blank,
}: Paged<K>): OutputDefinition<K, PagedState<K>, PagedEntry, 'sent', MadePaged> {
  return {
    kind,
    prepare(output, gadget) {
      const { id, sends, mostHz, dims } = display(output);
      return {
        drawn: sends !== 'free' || gadget.pages.some(({ outputId }) => outputId === id),
        way: sends === 'free' ? null : way(output, gadget),
        how: sends === 'background' ? 'background' : 'blocking',
        everyUs: Math.ceil(1_000_000 / mostHz),
        glow: displayGlow(gadget, id),
        dims,
        stock: stock(gadget),
      };
    },
    dark: (output, gadget) => ({
      kind,
      rows: blankRows(display(output)),
      shining: shiningFully,
      pageId: firstPage(gadget, display(output).id),
      untold: true,
      glass: blank(output),
      sending: null,
      sentFromUs: 0,
      lastsUs: 0,
      stale: true,
      freeUs: display(output).sends === 'free' ? 0 : startUs(output, gadget),
      sinceUs: 0,
      againUs: null,
      tracks: {},
    }),
    apply(was, told, on) {
      // What the kinds are told is the same, as far as it is told at all.
      const order = told as unknown as Told;
      if (isOfLight(order)) return shinesNow(was, shiningAfter(was.shining, order, on.prepared), on);
      switch (order.kind) {
        case 'text':
        case 'sprite':
        case 'listRow': {
          const rows = rowsAfter(was.rows, order, display(on.output).columns);
          if (rows === was.rows) return was;
          on.trace({
            atUs: on.nowUs,
            lane: 'text',
            id: on.id,
            row: order.row,
            text: rows[order.row]!,
          });
          return on.prepared.drawn ? { ...was, rows, stale: true } : undrawn(was, rows);
        }
        case 'showPage':
          return order.pageId === was.pageId && !was.untold
            ? was
            : { ...was, pageId: order.pageId, untold: false, stale: true };
        default:
          // What draws stands on pages, and is never told.
          return was;
      }
    },
    jobs: (was, is, { prepared: { how } }) =>
      is.sending !== null && is.sending !== was.sending
        ? [{ us: is.lastsUs, how, cuttable: false, deaf: false }]
        : noJobs,
    due: (was, _what, on) => (was.sending === null ? was : seen(was, was.sending, on)),
    isVoid: ({ sending }) => sending === null,
    upkeep: {
      wanted: ({ drawn, dims }) => drawn || dims !== null,
      dueUs(was, { drawn, dims }) {
        const pageUs = drawn ? pageDueUs(was) : null;
        const lightUs = shiningDueUs(was.shining, dims);
        return pageUs === null || lightUs === null ? (pageUs ?? lightUs) : Math.min(pageUs, lightUs);
      },
      done(was, on) {
        const { shining } = was;
        const shines = shinesNow(was, shiningKept(shining, on.prepared, on.nowUs), on);
        const pageUs = on.prepared.drawn ? pageDueUs(was) : null;
        return pageUs !== null && pageUs <= on.nowUs ? redrawn(shines, on) : shines;
      },
    },
    touched: (was, on) => shinesNow(was, shiningTouched(was.shining, on.prepared, on.nowUs), on),
    stirred: (was) => (was.stale ? was : { ...was, stale: true }),
    showsSound: (output, { pages }) =>
      pages.some(
        ({ outputId, elements }) =>
          outputId === display(output).id && elements.some((one) => one.kind === 'drawWave'),
      ),
    powerOff({ rows, glass, shining }, on) {
      rows.forEach((stood, row) => {
        if (stood !== '') on.trace({ atUs: on.nowUs, lane: 'text', id: on.id, row, text: '' });
      });
      if (glass.pageId !== null || textsOn(glass).length > 0)
        on.trace({ atUs: on.nowUs, lane: 'screen', id: on.id, pageId: null, texts: [] });
      shiningEnds(shining, on);
    },
    adopt(was, dark, { pages }) {
      const there = was.pageId === null || pages.some(({ id, over }) => id === was.pageId && over === null);
      return {
        ...was,
        ...(was.untold || !there ? { pageId: dark.pageId, untold: true } : {}),
        rows: dark.rows.map((blank, row) => was.rows[row] ?? blank),
        // Without a page it may be that nothing draws it anew.
        glass:
          dark.kind === 'text' && dark.pageId === null
            ? { ...nothing, rows: was.glass.rows.slice(0, dark.rows.length) }
            : { ...was.glass, rows: was.glass.rows.slice(0, dark.rows.length) },
        stale: true,
      };
    },
    later: (was, byUs) => ({
      ...was,
      shining: shiningLater(was.shining, byUs),
      freeUs: was.freeUs + byUs,
      sentFromUs: was.sentFromUs + byUs,
      sinceUs: was.sinceUs + byUs,
      againUs: was.againUs === null ? null : was.againUs + byUs,
      tracks: Object.fromEntries(
        Object.entries(was.tracks).map(([key, track]) => [key, { ...track, atUs: track.atUs + byUs }]),
      ),
    }),
    loads: () => false,
    // Any of it: what is drawn where does not flash, what comes and goes does; and so does its light.
    lit: {
      now: ({ glass, shining }) => [isLit(glass), shining.told > 0],
      by: (entry) => {
        if (entry.lane === 'text') return [[0, entry.text.trim() !== '']];
        return [entry.lane === 'screen' ? [0, isShown(entry)] : [1, entry.percent > 0]];
      },
    },
    held: null,
    look: ({ glass, shining }) => [glass.pageId, glass.rows, atRest(glass.drawings), ...shiningLook(shining)],
  };
}
