import type { Gadget, Trial } from '@hum-lever/core';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { lab, type PlayedTrial } from '../../workers/index.ts';

export type LocalRun = PlayedTrial & { gadget: Gadget; trial: Trial };

/** The trial played on this document, here and now: what is on the bench, saved or not; and how far that has come. */
export function useLocalRun(
  gadget: Gadget | null,
  trial: Trial,
): { run: LocalRun | null; atUs: number | null } {
  const [run, setRun] = useState<LocalRun | null>(null);
  const [atUs, setAtUs] = useState<number | null>(null);
  useEffect(() => {
    let current = true;
    if (gadget === null) return;
    const tell = (reachedUs: number) => current && setAtUs(reachedUs);
    void lab()
      .trial(gadget, trial, proxy(tell))
      .then((outcome) => {
        if (!current || !outcome) return;
        setAtUs(null);
        setRun({ ...outcome, gadget, trial });
      });
    return () => {
      current = false;
    };
  }, [gadget, trial]);
  return { run, atUs };
}
