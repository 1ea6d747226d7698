import { readGadgetText, trialSchema } from '@hum-lever/core';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { GadgetsService } from '../gadgets/gadgets.service.ts';
import type { GadgetView } from '../gadgets/gadgets.views.ts';
import type { TrialsService } from '../trials/trials.service.ts';

/**
 * Loads the demo gadgets: each folder holds one, its revisions numbered in the order of their making, and its
 * trials. The words of a file's name become the revision's.
 */
export async function loadDemo(
  folder: string,
  gadgets: GadgetsService,
  trials: TrialsService,
): Promise<void> {
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name);
    const files = readdirSync(path)
      .filter((file) => /^\d+-.*\.json$/.test(file))
      .sort();
    let saved: GadgetView | null = null;
    for (const file of files) {
      const read = readGadgetText(readFileSync(join(path, file), 'utf8'));
      if (read.outcome !== 'opened') throw new Error(`demo file ${name}/${file}: ${read.message}`);
      saved = await (saved === null
        ? gadgets.create(read.gadget)
        : gadgets.save(saved.id, saved.revision, read.gadget));
      const words = file.replace(/^\d+-|\.json$/g, '').replaceAll('-', ' ');
      await gadgets.nameRevision(saved.id, saved.revision, words[0]!.toUpperCase() + words.slice(1));
    }
    const scripts = join(path, 'trials.json');
    if (saved === null || !existsSync(scripts)) continue;
    for (const raw of JSON.parse(readFileSync(scripts, 'utf8')) as unknown[]) {
      const { id: trialId } = await trials.create(saved.id, trialSchema.parse(raw));
      await trials.run(saved.id, trialId, saved.revision);
    }
  }
}
