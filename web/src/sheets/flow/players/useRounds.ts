import type { Contest, Player, Round } from '@hum-lever/core';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { exploring } from '../../../workers/index.ts';
import type { Degree } from './degrees.ts';

export interface Played {
  name: string;
  rounds: readonly Round[];
}

/** Rounds played in the worker, degree by degree, as they come; another run, leaving or `cancel` stops them. */
export function useRounds() {
  const gadget = useDocument();
  const [played, setPlayed] = useState<readonly Played[]>([]);
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
  const run = async (
    degrees: readonly Degree[],
    contest: Contest,
    players: readonly Player[],
    count: number,
  ) => {
    const mine = (newest.current += 1);
    const current = () => mine === newest.current;
    setFailure(null);
    setPlayed([]);
    setAsked(count * degrees.length);
    setRunning(true);
    try {
      for (const { name, starting } of degrees) {
        const take = (more: Round[]) => {
          if (!current()) return;
          setPlayed((before) => {
            const last = before.at(-1);
            const rounds = last?.name === name ? last.rounds : [];
            const others = last?.name === name ? before.slice(0, -1) : before;
            return [...others, { name, rounds: [...rounds, ...more] }];
          });
        };
        if (
          !(await exploring().rounds(
            gadget,
            starting ? { ...contest, starting } : contest,
            players,
            count,
            proxy(take),
          ))
        )
          break;
      }
    } catch (error) {
      if (current()) setFailure((error as Error).message);
    }
    if (current()) setRunning(false);
  };
  /** What was played is not of what is asked now. */
  const clear = () => {
    newest.current += 1;
    void exploring().cancel();
    setRunning(false);
    setPlayed([]);
    setAsked(0);
    setFailure(null);
  };
  const done = played.reduce((sum, { rounds }) => sum + rounds.length, 0);
  return { played, done, asked, running, failure, run, clear, cancel: () => void exploring().cancel() };
}
