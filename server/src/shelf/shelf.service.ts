import { readGadget, type Gadget } from '@hum-lever/core';
import { Injectable } from '@nestjs/common';
import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';
import { once } from 'node:events';
import type { EntityManager } from 'typeorm';
import { createGunzip, createGzip } from 'node:zlib';
import { DrawerService } from '../drawer/drawer.service.ts';
import { freshId } from '../gadgets/gadgets.service.ts';
import { documentOf } from '../gadgets/gadgets.views.ts';
import { Problem } from '../http/problem.ts';
import { PicturesService } from '../pictures/pictures.service.ts';
import { GadgetRow, PictureRow, RevisionRow, TrialRow, TrialRunRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';
import { readLine, ShelfUnreadable, shelfVersion, type LineOf, type ShelfLine } from './shelfFile.ts';

/** What came of a restore. */
export interface Restored {
  /** Gadgets that were not here. */
  added: number;
  /** Here already, with the same newest document. */
  same: number;
  /** Here with another newest document: put beside it. */
  beside: number;
}

/** No line is longer: a document or a picture and what is around it. */
const mostLineChars = 8_000_000;
/** Lines of one gadget: its revisions, trials and runs. */
const mostLines = 20_000;

/** One gadget of a file, with all that belongs to it. */
interface Bundle {
  gadget: LineOf<'gadget'>;
  revisions: LineOf<'revision'>[];
  trials: LineOf<'trial'>[];
  runs: LineOf<'run'>[];
}

@Injectable()
export class ShelfService {
  constructor(
    private readonly store: Store,
    private readonly pictures: PicturesService,
    private readonly drawer: DrawerService,
  ) {}

  /** Writes everything that is kept, gadget by gadget; each is whole, as of the moment it is its turn. */
  async backup(to: Writable): Promise<void> {
    const zip = createGzip();
    zip.pipe(to);
    const write = async (line: ShelfLine) => {
      if (!zip.write(`${JSON.stringify(line)}\n`)) await once(zip, 'drain');
    };
    await write({ kind: 'hum-lever-shelf', version: shelfVersion, at: new Date().toISOString() });
    const rows = await this.store.read((manager) =>
      manager.find(GadgetRow, { order: { createdAt: 'ASC', id: 'ASC' } }),
    );
    for (const { id } of rows) for (const line of await this.linesOf(id)) await write(line);
    const sums = await this.store.read((manager) => manager.find(PictureRow, { select: { sha256: true } }));
    for (const { sha256 } of sums) {
      const row = await this.store.read((manager) => manager.findOneBy(PictureRow, { sha256 }));
      if (row) await write({ kind: 'picture', base64: Buffer.from(row.bytes).toString('base64') });
    }
    for (const { own } of await this.drawer.list()) await write({ kind: 'drawer', own });
    await write({ kind: 'end' });
    zip.end();
    await once(to, 'finish');
  }

  private linesOf(id: string): Promise<ShelfLine[]> {
    return this.store.read(async (manager) => {
      const row = await manager.findOneBy(GadgetRow, { id });
      if (!row) return [];
      const { head, createdAt, savedAt, binnedAt } = row;
      const lines: ShelfLine[] = [{ kind: 'gadget', id, head, createdAt, savedAt, binnedAt }];
      for (const one of await manager.find(RevisionRow, {
        where: { gadgetId: id },
        order: { number: 'ASC' },
      }))
        lines.push({
          kind: 'revision',
          number: one.number,
          name: one.name,
          savedAt: one.savedAt,
          restoredFrom: one.restoredFrom,
          document: JSON.parse(one.document) as unknown,
        });
      for (const trial of await manager.find(TrialRow, {
        where: { gadgetId: id },
        order: { createdAt: 'ASC' },
      })) {
        lines.push({
          kind: 'trial',
          id: trial.id,
          version: trial.version,
          createdAt: trial.createdAt,
          trial: JSON.parse(trial.script) as LineOf<'trial'>['trial'],
        });
        for (const run of await manager.find(TrialRunRow, {
          where: { trialId: trial.id },
          order: { id: 'ASC' },
        }))
          lines.push({
            kind: 'run',
            trialId: trial.id,
            version: run.version,
            revision: run.revision,
            ranAt: run.ranAt,
            result: JSON.parse(run.result) as LineOf<'run'>['result'],
          });
      }
      return lines;
    });
  }

  /**
   * Takes in a file, gadget by gadget, each of them whole or not at all. Nothing that is here is changed: a gadget that
   * is here with another newest document comes beside it. Reading the same file again changes nothing more.
   * @throws Problem 422 naming the line that cannot be read; gadgets before it are taken in
   */
  async restore(from: Readable): Promise<Restored> {
    const restored: Restored = { added: 0, same: 0, beside: 0 };
    const unzipped = from.pipe(createGunzip());
    let failure: Error | null = null;
    unzipped.on('error', (error) => (failure = error));
    from.on('error', (error) => unzipped.destroy(error));
    let bundle: Bundle | null = null;
    let number = 0;
    let ended = false;
    try {
      for await (const text of linesIn(unzipped)) {
        number += 1;
        const line = readLine(text, number);
        if ((number === 1) !== (line.kind === 'hum-lever-shelf'))
          throw new ShelfUnreadable(
            `Line ${number}: expected the file of a shelf, which begins with its kind and version.`,
          );
        if (!belongs(line)) {
          if (bundle) restored[await this.takeIn(bundle, number)] += 1;
          bundle = line.kind === 'gadget' ? { gadget: line, revisions: [], trials: [], runs: [] } : null;
        }
        if (line.kind === 'picture') await this.pictures.add(Buffer.from(line.base64, 'base64'));
        else if (line.kind === 'drawer') await this.drawer.takeIn(line.own);
        else if (line.kind === 'end') ended = true;
        else if (belongs(line)) {
          if (!bundle || bundle.revisions.length + bundle.trials.length + bundle.runs.length >= mostLines)
            throw new ShelfUnreadable(
              `Line ${number}: expected at most ${mostLines} lines after a gadget's own.`,
            );
          if (line.kind === 'revision') bundle.revisions.push(line);
          else if (line.kind === 'trial') bundle.trials.push(line);
          else bundle.runs.push(line);
        }
      }
      if (!ended) throw new ShelfUnreadable('The file was cut off: its last line is not the end.');
    } catch (error) {
      if (error instanceof Problem) throw error;
      const why = failure ?? (error as Error);
      const message =
        why instanceof ShelfUnreadable
          ? why.message
          : `Expected the gzipped file of a shelf: ${why.message}.`;
      const done = restored.added + restored.beside;
      throw new Problem(
        422,
        'invalid',
        `${message}${done > 0 ? ` ${done} gadgets before it were taken in.` : ''}`,
      );
    }
    return restored;
  }

  /** Whether the gadget is here, or was put beside one, with the same newest document; whoever stored it, as it opens. */
  private async isHere(
    manager: EntityManager,
    { id, createdAt }: Bundle['gadget'],
    document: string,
  ): Promise<boolean> {
    const rows = await manager.find(GadgetRow, { where: [{ id }, { createdAt }] });
    for (const row of rows) {
      const head = await manager.findOneBy(RevisionRow, { gadgetId: row.id, number: row.head });
      if (head && JSON.stringify(documentOf(head)) === document) return true;
    }
    return false;
  }

  private async takeIn({ gadget, revisions, trials, runs }: Bundle, line: number): Promise<keyof Restored> {
    const documents = revisions.map(({ document, number }): Gadget => {
      const read = readGadget(document);
      if (read.outcome !== 'opened')
        throw new ShelfUnreadable(`Before line ${line}: revision ${number} of ${gadget.id}: ${read.message}`);
      return read.gadget;
    });
    const headAt = revisions.findIndex(({ number }) => number === gadget.head);
    if (headAt < 0)
      throw new ShelfUnreadable(`Before line ${line}: the newest revision of ${gadget.id} is missing.`);
    const head = JSON.stringify(documents[headAt]);
    // Counted by the caller: what is written here may be tried again.
    return this.store.write(async (manager) => {
      if (await this.isHere(manager, gadget, head)) return 'same';
      const here = await manager.existsBy(GadgetRow, { id: gadget.id });
      const id = here ? freshId('g') : gadget.id;
      const { createdAt, savedAt, binnedAt } = gadget;
      const { name } = documents[headAt]!;
      await manager.insert(GadgetRow, { id, name, head: gadget.head, createdAt, savedAt, binnedAt });
      for (const [at, { number, name: named, savedAt: at_, restoredFrom }] of revisions.entries())
        await manager.insert(RevisionRow, {
          gadgetId: id,
          number,
          document: JSON.stringify(documents[at]),
          name: named,
          savedAt: at_,
          restoredFrom,
          saveId: null,
        });
      const trialIds = new Map<string, string>();
      for (const { id: trialId, version, createdAt: made, trial } of trials) {
        const taken = await manager.existsBy(TrialRow, { id: trialId });
        trialIds.set(trialId, taken ? freshId('t') : trialId);
        await manager.insert(TrialRow, {
          id: trialIds.get(trialId)!,
          gadgetId: id,
          script: JSON.stringify(trial),
          version,
          createdAt: made,
        });
      }
      for (const { trialId, version, revision, ranAt, result } of runs) {
        const known = trialIds.get(trialId);
        if (known === undefined) continue;
        await manager.insert(TrialRunRow, {
          trialId: known,
          version,
          revision,
          ranAt,
          result: JSON.stringify(result),
        });
      }
      return here ? 'beside' : 'added';
    });
  }
}

/** Whether the line belongs to the gadget before it. */
const belongs = (line: ShelfLine): line is LineOf<'revision' | 'trial' | 'run'> =>
  line.kind === 'revision' || line.kind === 'trial' || line.kind === 'run';

/** @throws ShelfUnreadable for a line that is longer than any can be */
async function* linesIn(stream: Readable): AsyncGenerator<string> {
  let sinceBreak = 0;
  stream.on('data', (chunk: Buffer) => {
    const last = chunk.lastIndexOf(10);
    sinceBreak = last < 0 ? sinceBreak + chunk.length : chunk.length - last;
    if (sinceBreak > 4 * mostLineChars)
      stream.destroy(new ShelfUnreadable('A line is longer than any can be.'));
  });
  for await (const line of createInterface({ input: stream, crlfDelay: Infinity }))
    if (line !== '') yield line;
}
