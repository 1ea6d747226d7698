import { readGadgetText, runTrial, trialSchema, type Gadget, type Trial } from '@hum-lever/core';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { GadgetsService } from '../gadgets/gadgets.service.ts';
import { GadgetRow, RevisionRow } from '../store/entities.ts';
import type { Store } from '../store/store.ts';
import { TrialsService } from '../trials/trials.service.ts';

interface DemoGadget {
  revisions: { gadget: Gadget; name: string }[];
  trials: { trial: Trial; result: ReturnType<typeof runTrial>['result'] }[];
}

/** One folder: a gadget's revisions, numbered in the order of their making, and its trials, run on the newest. */
function readDemo(path: string): DemoGadget {
  const files = readdirSync(path)
    .filter((file) => /^\d+-.*\.json$/.test(file))
    .sort();
  const revisions = files.map((file) => {
    const read = readGadgetText(readFileSync(join(path, file), 'utf8'));
    if (read.outcome !== 'opened') throw new Error(`demo file ${path}/${file}: ${read.message}`);
    const words = file.replace(/^\d+-|\.json$/g, '').replaceAll('-', ' ');
    return { gadget: read.gadget, name: words[0]!.toUpperCase() + words.slice(1) };
  });
  const scripts = join(path, 'trials.json');
  const newest = revisions.at(-1);
  if (!newest || !existsSync(scripts)) return { revisions, trials: [] };
  const trials = (JSON.parse(readFileSync(scripts, 'utf8')) as unknown[]).map((raw) => {
    const trial = trialSchema.parse(raw);
    return { trial, result: runTrial(newest.gadget, trial).result };
  });
  return { revisions, trials };
}

/**
 * Loads the demo gadgets into an empty shelf, all of them or, where it is interrupted, none. The words of a file's name
 * become the revision's.
 */
export async function loadDemo(
  folder: string,
  store: Store,
  gadgets: GadgetsService,
  trials: TrialsService,
): Promise<void> {
  if (await store.read((manager) => manager.existsBy(GadgetRow, {}))) return;
  const demos = readdirSync(folder)
    .sort()
    .map((name) => readDemo(join(folder, name)));
  await store.write(async (manager) => {
    for (const demo of demos) {
      const [first, ...more] = demo.revisions;
      if (!first) continue;
      const { id } = await gadgets.insert(manager, first.gadget);
      let row = await gadgets.row(manager, id);
      for (const { gadget } of more) row = await gadgets.append(manager, row, gadget);
      for (const [at, { name }] of demo.revisions.entries())
        await manager.update(RevisionRow, { gadgetId: id, number: at + 1 }, { name });
      for (const { trial, result } of demo.trials)
        await trials.keepRun(manager, await trials.insert(manager, id, trial), row.head, result);
    }
  });
}
