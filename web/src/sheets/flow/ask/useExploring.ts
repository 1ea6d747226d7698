import { usualLimits, type Question } from '@hum-lever/core';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { exploring, type Explored, type ToldAnswer, type ToldTask } from '../../../workers/index.ts';

/** Everything that the gadget can come to, walked in the worker anew after every edit; and questions about it. */
export function useExploring() {
  const gadget = useDocument();
  const [explored, setExplored] = useState<Explored | null>(null);
  const [running, setRunning] = useState(false);
  const [cancelled, setCancelled] = useState(false);
  const [tasks, setTasks] = useState<ToldTask[] | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  /** How far the ways of a question have been tried, 0 to 1; null: none are. */
  const [tried, setTried] = useState<number | null>(null);
  const newest = useRef(0);
  const [states, setStates] = useState(usualLimits.states);

  useEffect(() => {
    const mine = (newest.current += 1);
    const current = () => mine === newest.current;
    setRunning(true);
    setCancelled(false);
    setTasks(null);
    setFailure(null);
    const look = async () => {
      const told = await exploring().explore(
        gadget,
        states,
        proxy((so: Explored) => current() && setExplored(so)),
      );
      if (!current()) return;
      setRunning(false);
      if (told) setExplored(told);
      else setCancelled(true);
      const found = await exploring().tasks();
      if (current()) setTasks(found);
    };
    look().catch((error: Error) => {
      if (!current()) return;
      setRunning(false);
      setFailure(error.message);
    });
    const runs = newest;
    return () => {
      runs.current += 1;
      void exploring().cancel();
    };
  }, [gadget, states]);

  /** null: the looking that it takes was stopped. */
  const ask = useCallback(async (question: Question): Promise<ToldAnswer | null> => {
    const mine = newest.current;
    const current = () => mine === newest.current;
    const tell = (so: Explored) => {
      if (!current()) return;
      setRunning(true);
      setExplored(so);
    };
    try {
      const answer = await exploring().ask(
        question,
        proxy(tell),
        proxy((share: number) => current() && setTried(share)),
      );
      if (!current()) return null;
      setCancelled(answer === null);
      if (answer) setExplored(answer.explored);
      return answer;
    } finally {
      setTried(null);
      if (current()) setRunning(false);
    }
  }, []);
  return {
    explored,
    running,
    cancelled,
    failure,
    tasks,
    tried,
    ask,
    more: () => setStates((now) => now * 5),
    cancel: () => void exploring().cancel(),
  };
}
