import type { Edit } from '@hum-lever/core';
import { edit, useGadget } from '../../client/index.ts';
import { showMade } from '../../shared/index.ts';

/** Makes a state, and shows it. */
export function useMaker(shown: () => void) {
  return (made: Edit): string | null => {
    const states = () => useGadget.getState().document!.flow.states;
    const before = states().length;
    const refused = edit(made);
    if (refused !== null) return refused;
    shown();
    showMade({ kind: 'state', id: states()[before]!.id });
    return null;
  };
}
