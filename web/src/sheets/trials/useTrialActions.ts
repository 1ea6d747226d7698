import type { Trial } from '@hum-lever/core';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import {
  api,
  ApiProblem,
  keys,
  queryClient,
  runTrial,
  saveNow,
  type RunJob,
  type StoredTrial,
} from '../../client/index.ts';

/** What can be done with the trials of a gadget; every answer of the server goes into the shown list. */
export function useTrialActions(gadgetId: string) {
  const key = keys.trials(gadgetId);
  const put = (stored: StoredTrial) =>
    queryClient.setQueryData<StoredTrial[]>(key, (known = []) =>
      known.some(({ id }) => id === stored.id)
        ? known.map((one) => (one.id === stored.id ? stored : one))
        : [...known, stored],
    );
  const act = useMutation({
    mutationFn: (work: () => Promise<unknown>) => work(),
    onError: (error) => {
      // Someone else changed it: show theirs, so that the next change is based on it.
      if (error instanceof ApiProblem && error.kind === 'stale')
        void queryClient.invalidateQueries({ queryKey: key });
    },
  });

  /** The run under way, where it takes its time. */
  const [job, setJob] = useState<RunJob | null>(null);
  const cancelled = useRef(false);
  const run = async (stored: StoredTrial, revision: number | null) => {
    const number = revision ?? (await saveNow());
    if (number === null)
      throw new Error(
        'The gadget is not saved yet, so the result cannot be kept. It is shown below all the same.',
      );
    try {
      put(await runTrial(gadgetId, stored.id, number, setJob));
    } finally {
      setJob(null);
    }
  };

  return {
    failure: act.error,
    busy: act.isPending,
    save: (stored: StoredTrial, trial: Trial) =>
      act.mutate(async () => put(await api.saveTrial(gadgetId, stored.id, stored.version, trial))),
    remove: (stored: StoredTrial) =>
      act.mutate(async () => {
        await api.removeTrial(gadgetId, stored.id);
        queryClient.setQueryData<StoredTrial[]>(key, (known = []) =>
          known.filter(({ id }) => id !== stored.id),
        );
      }),
    runAll: (trials: StoredTrial[], revision: number | null) =>
      act.mutate(async () => {
        cancelled.current = false;
        for (const stored of trials) if (!cancelled.current) await run(stored, revision);
      }),
    job,
    /** This run, and those that would follow. */
    cancel: () => {
      cancelled.current = true;
      if (job) void api.cancelJob(job.id).catch(() => undefined);
    },
  };
}
