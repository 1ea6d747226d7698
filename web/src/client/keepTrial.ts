import type { Trial } from '@hum-lever/core';
import { api, runTrial, type StoredTrial } from './api.ts';
import { useGadget } from './gadgetStore.ts';
import { keys, queryClient } from './queries.ts';
import { saveNow } from './sync.ts';

/** Keeps a trial of the gadget that is open, and runs it on what is on the bench, if that can be saved. */
export async function keepTrial(trial: Trial): Promise<StoredTrial> {
  const id = useGadget.getState().id!;
  const stored = await api.createTrial(id, trial);
  const revision = await saveNow();
  if (revision !== null) await runTrial(id, stored.id, revision);
  await queryClient.invalidateQueries({ queryKey: keys.trials(id) });
  return stored;
}

/** What a trial of the gadget that is open is called that nobody has named yet. */
export async function nextTrialName(): Promise<string> {
  const id = useGadget.getState().id!;
  const known = queryClient.getQueryData<StoredTrial[]>(keys.trials(id)) ?? (await api.trials(id));
  return `Trial ${known.length + 1}`;
}
