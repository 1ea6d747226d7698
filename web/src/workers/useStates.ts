import type { Gadget } from '@hum-lever/core';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { lab } from './lab.ts';
import type { StatesShown } from './lab.worker.ts';

/** After an edit it waits for the next one. */
const restMs = 400;

export interface StatesAnswer {
  /** Of this gadget, or of the one before an edit; null: not yet. */
  shown: StatesShown | null;
  /** How much of it is done, from 0 to 1; null: nothing is being looked for. */
  share: number | null;
}

/**
 * What lights and displays show in every state, looked for as long as whoever asks is there.
 * @param gadget null: there is nothing to look for
 */
export function useStates(gadget: Gadget | null): StatesAnswer {
  const [answer, setAnswer] = useState<StatesAnswer>({ shown: null, share: 0 });
  useEffect(() => {
    if (!gadget) return;
    let current = true;
    const tell = (share: number) => current && setAnswer(({ shown }) => ({ shown, share }));
    const rest = setTimeout(() => {
      void lab()
        .states(gadget, proxy(tell))
        .then((shown) => {
          if (current && shown) setAnswer({ shown, share: null });
        });
    }, restMs);
    return () => {
      current = false;
      clearTimeout(rest);
      void lab().stopStates();
    };
  }, [gadget]);
  return answer;
}
