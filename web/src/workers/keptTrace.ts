import type { TraceEntry } from '@hum-lever/core';
import { firstAt } from './firstAt.ts';

interface Span {
  fromUs: number;
  toUs: number;
}

/** What the page keeps of what happened, oldest first: the newest, with what was too much at once left out. */
export interface KeptTrace {
  entries: TraceEntry[];
  /** Where entries were left out; ordered. */
  thin: Span[];
  /** A stretch of the past that was played again, and all entries with it in their place. */
  stretch: (Span & { merged: TraceEntry[] }) | null;
}

/** Entries kept for looking back; more than a third beyond it, the oldest go. */
export const keptEntries = 20_000;

/** Begins with these. */
export const emptyTrace = (entries: TraceEntry[]): KeptTrace => ({ entries, thin: [], stretch: null });

/** Entries that came, and how many were left out before them. Changes what it was given. */
export function growTrace(kept: KeptTrace, come: readonly TraceEntry[], leftOut: number): KeptTrace {
  const { entries, thin } = kept;
  if (leftOut > 0 && come[0]) {
    const fromUs = entries.at(-1)?.atUs ?? 0;
    const last = thin.at(-1);
    // What is thin for long is one stretch.
    if (last && last.toUs >= fromUs - 100_000) last.toUs = come[0].atUs;
    else thin.push({ fromUs, toUs: come[0].atUs });
  }
  for (const entry of come) entries.push(entry);
  if (entries.length > (4 * keptEntries) / 3) {
    entries.splice(0, entries.length - keptEntries);
    while (thin[0] && thin[0].toUs < entries[0]!.atUs) thin.shift();
  }
  return kept;
}

/** What came after a moment is void. */
export const cutTrace = ({ entries, thin }: KeptTrace, atUs: number): KeptTrace => ({
  entries: entries.filter(({ atUs: at }) => at <= atUs),
  thin: thin.filter(({ fromUs }) => fromUs <= atUs),
  stretch: null,
});

/** Entries just before a moment are looked at there. */
const lookedUs = 500_000;

/** Whether entries around a moment were left out, or have gone. */
export function needsStretch({ entries, thin, stretch }: KeptTrace, atUs: number): boolean {
  if (stretch && atUs >= stretch.fromUs + lookedUs && atUs <= stretch.toUs) return false;
  if (entries.length >= keptEntries && atUs - lookedUs < entries[0]!.atUs) return true;
  return thin.some(({ fromUs, toUs }) => fromUs <= atUs && toUs >= atUs - lookedUs);
}

/** Puts a stretch that was played again in its place. */
export function putStretch(
  { entries, thin }: KeptTrace,
  { fromUs, toUs, entries: again }: Span & { entries: TraceEntry[] },
): KeptTrace {
  const before = entries.slice(0, firstAt(entries, fromUs));
  const after = entries.slice(firstAt(entries, toUs + 1));
  return { entries, thin, stretch: { fromUs, toUs, merged: [...before, ...again, ...after] } };
}

/** The entries to look at: in the past, with the stretch that was played again there. */
export const seenAt = ({ entries, stretch }: KeptTrace, pastUs: number | null): readonly TraceEntry[] =>
  stretch && pastUs !== null ? stretch.merged : entries;
