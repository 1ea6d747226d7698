import type { Gadget } from '@hum-lever/core';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { exploring, type ToldTask } from '../../../workers/index.ts';

export type Ways = ReadonlyMap<string, ToldTask>;

/** Each is walked so far: enough for menus, and done in a second or two. */
const states = 40_000;

async function waysOf(gadget: Gadget): Promise<Ways> {
  await exploring().explore(
    gadget,
    states,
    proxy(() => undefined),
  );
  const tasks = await exploring().tasks();
  return new Map(tasks.map((task) => [task.taskId, task]));
}

/** Shortest ways of two gadgets, one after the other. */
export function useWays(before: Gadget, after: Gadget): [Ways | undefined, Ways | undefined] {
  const [ways, setWays] = useState<[Ways?, Ways?]>([]);
  useEffect(() => {
    let wanted = true;
    const look = async () => {
      const was = await waysOf(before);
      if (wanted) setWays([was]);
      if (!wanted) return;
      const is = await waysOf(after);
      if (wanted) setWays([was, is]);
    };
    setWays([]);
    // A walk that is called off has no ways to tell; the next one is under way.
    look().catch(() => undefined);
    return () => {
      wanted = false;
      void exploring().cancel();
    };
  }, [before, after]);
  return [ways[0], ways[1]];
}
