import type { EntryOf, OutputLane } from '@hum-lever/core';

/** What lasts on the strip until the next entry of its output: what came is gathered, and drawn as a band. */
export interface Band<E> {
  /** What is so from this entry on. @param was before; undefined: nothing was told yet */
  gather(was: unknown, entry: E): unknown;
  /** As short as it can be said; dim: it is off. */
  show(is: unknown): { text: string; dim: boolean };
}

/** How the entries of one lane are told, in words and on the strip. */
export interface Told<L extends OutputLane> {
  /** One sentence. @param name of the output */
  say(entry: EntryOf<L>, name: string): string;
  /** It lasts, or it is a moment, with what is written at it. */
  strip: Band<EntryOf<L>> | ((entry: EntryOf<L>) => string);
}

/** All lanes of a kind of output. */
export type ToldBy<L extends OutputLane> = { readonly [N in L]: Told<N> };

/** A band whose state is typed where it is made; whoever draws it need not know. */
export const band = <E, S>(
  gather: (was: S | undefined, entry: E) => S,
  show: (is: S) => { text: string; dim: boolean },
): Band<E> => ({
  gather: (was, entry) => gather(was as S | undefined, entry),
  show: (is) => show(is as S),
});
