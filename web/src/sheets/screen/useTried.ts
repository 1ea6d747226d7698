import { pageTried, type Tried } from '@hum-lever/core';
import { useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { usePlayer } from '../../workers/index.ts';

/** Values that a page is looked at with. */
export const tryings = [
  { value: 'hand', label: 'in hand' },
  { value: 'start', label: 'at first' },
  { value: 'least', label: 'least' },
  { value: 'most', label: 'most' },
] as const;
export type TryingId = (typeof tryings)[number]['value'];

/** A page as it comes out with those values. */
export function useTried(pageId: string, trying: TryingId): Tried {
  const gadget = useDocument();
  const hand = trying === 'hand';
  const variables = usePlayer(({ shown }) => (hand ? shown?.variables : undefined));
  const stateIds = usePlayer(({ shown }) => (hand ? shown?.stateIds : undefined));
  return useMemo(() => {
    if (trying !== 'hand') return pageTried(gadget, pageId, trying);
    return pageTried(gadget, pageId, variables && stateIds ? { variables, stateIds } : 'start');
  }, [gadget, pageId, trying, variables, stateIds]);
}
