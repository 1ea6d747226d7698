import type { Button, DebounceSetting, SweepRow, SweepWish } from '@hum-lever/core';
import { planSweep } from '@hum-lever/core';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { lab } from '../../../workers/index.ts';

/** What a sweep has found so far. */
export interface Swept {
  rows: readonly SweepRow[];
  total: number;
  settings: readonly DebounceSetting[];
  models: SweepWish['models'];
  presses: number;
}

/** A sweep in the worker, with its progress; another one, leaving or `cancel` stops it. */
export function useSweep() {
  const gadget = useDocument();
  const [swept, setSwept] = useState<Swept | null>(null);
  const [running, setRunning] = useState(false);
  const [cancelled, setCancelled] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  const newest = useRef(0);
  useEffect(() => {
    const runs = newest;
    return () => {
      if (runs.current > 0) void lab().cancel();
    };
  }, []);
  const run = async (control: Button, wish: SweepWish) => {
    const mine = (newest.current += 1);
    setFailure(null);
    let settings: readonly DebounceSetting[];
    try {
      // Planned here too, cheaply, for its settings and for what is wrong with the wish.
      settings = planSweep(gadget, control, { ...wish, presses: 1 }).settings;
    } catch (error) {
      setFailure((error as Error).message);
      return;
    }
    setRunning(true);
    setCancelled(false);
    let rows: SweepRow[] = [];
    const hand = (more: SweepRow[], total: number) => {
      if (mine !== newest.current) return;
      rows = [...rows, ...more];
      setSwept({ rows, total, settings, models: wish.models, presses: wish.presses });
    };
    setSwept({
      rows,
      total: settings.length * wish.models.length,
      settings,
      models: wish.models,
      presses: wish.presses,
    });
    try {
      const ended = await lab().sweep({ gadget, control, wish }, proxy(hand));
      if (mine === newest.current) setCancelled(!ended);
    } catch (error) {
      if (mine === newest.current) setFailure((error as Error).message);
    }
    if (mine === newest.current) setRunning(false);
  };
  return {
    run: (control: Button, wish: SweepWish) => void run(control, wish),
    cancel: () => void lab().cancel(),
    swept,
    running,
    cancelled,
    failure,
    share: swept ? swept.rows.length / Math.max(1, swept.total) : 0,
  };
}
