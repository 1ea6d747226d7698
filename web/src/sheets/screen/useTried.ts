import {
  pageTried,
  type DisplayShown,
  type Drawn,
  type OutputState,
  type Page,
  type Tried,
} from '@hum-lever/core';
import { useMemo } from 'react';
import { usePlayed } from '../../client/index.ts';
import { usePlayer } from '../../workers/index.ts';

/** Values that a page is looked at with. */
export const tryings = [
  { value: 'hand', label: 'in hand' },
  { value: 'start', label: 'at first' },
  { value: 'least', label: 'least' },
  { value: 'middle', label: 'middle' },
  { value: 'most', label: 'most' },
] as const;
/** One of these, or a moment in the flow in which it is shown. */
export type TryingId = (typeof tryings)[number]['value'] | DisplayShown;

/** What stands on a display; null: it is none. */
export const glassOf = (output: OutputState | undefined): Drawn | null =>
  output?.kind === 'screen' || output?.kind === 'text' ? output.glass : null;

/** Nothing was touched there, as far as pages know. */
const untouched = {};

/** A page as it comes out with those values; with those in hand, where it is shown there, just what is seen there. */
export function useTried({ id, outputId }: Page, trying: TryingId): Tried {
  const gadget = usePlayed();
  const hand = trying === 'hand';
  const glass = usePlayer(({ shown }) => (hand && shown ? glassOf(shown.outputs[outputId]) : undefined));
  const variables = usePlayer(({ shown }) => (hand ? shown?.variables : undefined));
  const stateIds = usePlayer(({ shown }) => (hand ? shown?.stateIds : undefined));
  const places = usePlayer((state) => (hand ? state.places : undefined));
  return useMemo(() => {
    if (typeof trying === 'object') {
      const { shows, at } = trying;
      const tried = pageTried(gadget, id, { ...at, places: untouched });
      const rows = shows.kind === 'lights' ? [] : shows.glass.rows;
      return { ...tried, drawn: { ...tried.drawn, rows } };
    }
    if (trying !== 'hand') return pageTried(gadget, id, trying);
    const known = variables && stateIds && places;
    const tried = pageTried(gadget, id, known ? { variables, stateIds, places } : 'start');
    return glass?.pageId === id ? { ...tried, drawn: glass } : tried;
  }, [gadget, id, trying, glass, variables, stateIds, places]);
}
