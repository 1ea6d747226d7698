import type { Contest, Player, Round } from '@hum-lever/core';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { exploring } from '../../../workers/index.ts';

/** Rounds played in the worker, as they come; another run, leaving or `cancel` stops them. */
export function useRounds() {
  const gadget = useDocument();
  const [rounds, setRounds] = useState<readonly Round[]>([]);
  const [asked, setAsked] = useState(0);
  const [running, setRunning] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  const newest = useRef(0);
  useEffect(() => {
    const runs = newest;
    return () => {
      if (runs.current > 0) void exploring().cancel();
    };
  }, []);
  const run = (contest: Contest, player: Player, count: number) => {
    const mine = (newest.current += 1);
    const current = () => mine === newest.current;
    setFailure(null);
    setRounds([]);
    setAsked(count);
    setRunning(true);
    exploring()
      .rounds(
        gadget,
        contest,
        player,
        count,
        proxy((more: Round[]) => {
          if (current()) setRounds((before) => [...before, ...more]);
        }),
      )
      .catch((error: Error) => current() && setFailure(error.message))
      .finally(() => current() && setRunning(false));
  };
  return { rounds, asked, running, failure, run, cancel: () => void exploring().cancel() };
}
