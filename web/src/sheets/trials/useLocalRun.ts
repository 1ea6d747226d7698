import { type runTrial, type Gadget, type Trial } from '@hum-lever/core';
import { useEffect, useState } from 'react';
import { lab } from '../../workers/index.ts';

export type LocalRun = ReturnType<typeof runTrial> & { gadget: Gadget; trial: Trial };

/** The trial played on this document, here and now: what is on the bench, saved or not. */
export function useLocalRun(gadget: Gadget | null, trial: Trial): LocalRun | null {
  const [run, setRun] = useState<LocalRun | null>(null);
  useEffect(() => {
    let current = true;
    if (gadget === null) return;
    void lab()
      .trial(gadget, trial)
      .then((outcome) => current && setRun({ ...outcome, gadget, trial }));
    return () => {
      current = false;
    };
  }, [gadget, trial]);
  return run;
}
