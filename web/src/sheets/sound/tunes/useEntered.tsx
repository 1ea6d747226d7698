import type { Gadget, State } from '@hum-lever/core';
import { useState } from 'react';
import { Choice } from '../../../shared/index.ts';

/** A state on entering which something is to be done, to be chosen: the first one, where nobody has. null: there is none. */
export function useEntered({ flow: { states, initialId } }: Gadget) {
  const [stateId, setState] = useState<string | null>(null);
  const state: State | undefined = states.find(({ id }) => id === (stateId ?? initialId));
  if (!state) return null;
  const choice = (
    <Choice
      label="On entering"
      stage="state"
      data={states.map(({ id, name }) => ({ value: id, label: name }))}
      value={state.id}
      choose={setState}
    />
  );
  return { state, choice };
}
