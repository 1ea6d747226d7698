import { useMemo } from 'react';
import { traceNow, usePlayer } from '../../workers/index.ts';

const none: readonly string[] = [];

/** The ids of the active states. */
export const useActive = (): readonly string[] => usePlayer((state) => state.shown?.stateIds ?? none);

/** The last rule that fired, up to the moment that is looked at. */
export function useLastRule(): string | null {
  const version = usePlayer((state) => state.traceVersion);
  const pastUs = usePlayer((state) => state.pastUs);
  return useMemo(() => {
    const fired = traceNow().findLast(
      (entry) => entry.lane === 'rule' && (pastUs === null || entry.atUs <= pastUs),
    );
    return fired?.lane === 'rule' ? fired.id : null;
  }, [version, pastUs]); // eslint-disable-line react-hooks/exhaustive-deps -- the trace grows in place; its version says when
}
