import {
  editGadget,
  EditRefused,
  emptyGadget,
  readGadget,
  readGadgetFile,
  type Gadget,
  type Read,
} from '@hum-lever/core';
import { Injectable } from '@nestjs/common';
import { randomBytes } from 'node:crypto';
import { IsNull, Not, type EntityManager } from 'typeorm';
import { notFound, Problem } from '../http/problem.ts';
import { PicturesService } from '../pictures/pictures.service.ts';
import { GadgetRow, RevisionRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';
import { thinRevisions } from './thinning.ts';
import {
  documentOf,
  gadgetView,
  revisionView,
  type GadgetView,
  type OpenGadgetView,
  type RevisionView,
} from './gadgets.views.ts';

/** A new id: a letter, then 16 hexadecimal digits of chance. */
export const freshId = (letter: string): string => letter + randomBytes(8).toString('hex');

/** The document, or the problem that says why it is none. */
function openedOr422(read: Read): Gadget {
  if (read.outcome === 'opened') return read.gadget;
  const status = {
    'not-json': 400,
    'too-large': 413,
    'unknown-kind': 422,
    'too-new': 422,
    'migration-failed': 422,
    invalid: 422,
  };
  const extra = read.outcome === 'invalid' ? { errors: read.faults } : {};
  throw new Problem(status[read.outcome], read.outcome, read.message, extra);
}

/** With every so many saves, revisions that have aged are thinned. */
const thinEvery = 16;

const now = () => new Date().toISOString();

@Injectable()
export class GadgetsService {
  constructor(
    private readonly store: Store,
    private readonly pictures: PicturesService,
  ) {}

  list(binned: boolean): Promise<GadgetView[]> {
    return this.store.read(async (manager) => {
      const where = { binnedAt: binned ? Not(IsNull()) : IsNull() };
      return (await manager.find(GadgetRow, { where, order: { savedAt: 'DESC', id: 'ASC' } })).map(
        gadgetView,
      );
    });
  }

  create(raw: unknown): Promise<OpenGadgetView> {
    const gadget = openedOr422(readGadget(raw));
    return this.store.write((manager) => this.insert(manager, gadget));
  }

  createEmpty(name: string): Promise<OpenGadgetView> {
    return this.create(emptyGadget(name));
  }

  async importText(text: string): Promise<OpenGadgetView> {
    const { read, picture } = readGadgetFile(text);
    const gadget = openedOr422(read);
    const drawing = await this.pictures.fromFile(gadget, picture);
    return this.store.write(async (manager) => {
      if (drawing) await this.pictures.keep(manager, drawing);
      return this.insert(manager, gadget);
    });
  }

  open(id: string): Promise<OpenGadgetView> {
    return this.store.read(async (manager) => {
      const row = await this.row(manager, id);
      const head = await this.revisionRow(manager, id, row.head);
      return { ...gadgetView(row), saveId: head.saveId, document: documentOf(head) };
    });
  }

  /**
   * Saves on top of `base`. Where the head has moved on, 409 with both sides named and the head's document.
   * @param saveId the page's name for this save: sent again because its answer was lost, it is the same revision
   */
  save(id: string, base: number, raw: unknown, saveId: string | null = null): Promise<GadgetView> {
    const gadget = openedOr422(readGadget(raw));
    return this.store.write(async (manager) => {
      const row = await this.row(manager, id);
      const known = saveId === null ? null : await manager.findOneBy(RevisionRow, { gadgetId: id, saveId });
      if (known) return { ...gadgetView(row), revision: known.number, savedAt: known.savedAt };
      if (row.head !== base) {
        const head = await this.revisionRow(manager, id, row.head);
        throw new Problem(
          409,
          'stale',
          `This save is based on revision ${base}; the newest is ${row.head}.`,
          {
            base,
            head: { ...revisionView(head), document: documentOf(head) },
          },
        );
      }
      return gadgetView(await this.append(manager, row, gadget, { saveId }));
    });
  }

  duplicate(id: string): Promise<OpenGadgetView> {
    return this.store.write(async (manager) => {
      const row = await this.row(manager, id);
      const original = documentOf(await this.revisionRow(manager, id, row.head));
      // Cut so that the longer name still fits.
      return this.insert(manager, { ...original, name: `${original.name.slice(0, 73).trim()} (copy)` });
    });
  }

  /** Renames on top of whatever is newest: a name touches nothing else. */
  rename(id: string, name: string): Promise<GadgetView> {
    return this.store.write(async (manager) => {
      const row = await this.row(manager, id);
      const document = documentOf(await this.revisionRow(manager, id, row.head));
      try {
        return gadgetView(
          await this.append(manager, row, editGadget(document, { name: 'renameGadget', args: [name] })),
        );
      } catch (error) {
        if (!(error instanceof EditRefused)) throw error;
        throw new Problem(422, 'invalid', `${error.message}.`, { errors: error.faults });
      }
    });
  }

  setBinned(id: string, binned: boolean): Promise<GadgetView> {
    return this.store.write(async (manager) => {
      const row = await this.row(manager, id, true);
      return gadgetView(await manager.save(GadgetRow, { ...row, binnedAt: binned ? now() : null }));
    });
  }

  revisions(id: string): Promise<RevisionView[]> {
    return this.store.read(async (manager) => {
      await this.row(manager, id);
      const rows = await manager.find(RevisionRow, {
        select: { gadgetId: true, number: true, name: true, savedAt: true, restoredFrom: true, saveId: true },
        where: { gadgetId: id },
        order: { number: 'DESC' },
      });
      return rows.map(revisionView);
    });
  }

  kept(id: string): Promise<{ revisions: number; bytes: number; saved: number }> {
    return this.store.read(async (manager) => {
      const { head } = await this.row(manager, id);
      return { ...(await this.space(manager, id)), saved: head };
    });
  }

  revision(id: string, number: number): Promise<RevisionView & { document: Gadget }> {
    return this.store.read(async (manager) => {
      await this.row(manager, id);
      const row = await this.revisionRow(manager, id, number);
      return { ...revisionView(row), document: documentOf(row) };
    });
  }

  nameRevision(id: string, number: number, name: string | null): Promise<RevisionView> {
    return this.store.write(async (manager) => {
      await this.row(manager, id);
      const row = await this.revisionRow(manager, id, number);
      await manager.update(RevisionRow, { gadgetId: id, number }, { name });
      return revisionView({ ...row, name });
    });
  }

  /** Puts an older revision's document on top, as a new revision. */
  restoreRevision(id: string, number: number): Promise<OpenGadgetView> {
    return this.store.write(async (manager) => {
      const row = await this.row(manager, id);
      const document = openedOr422(readGadget(documentOf(await this.revisionRow(manager, id, number))));
      const saved = await this.append(manager, row, document, { restoredFrom: number });
      return { ...gadgetView(saved), saveId: null, document };
    });
  }

  /** How much is kept of a gadget, in bytes of documents. */
  async space(manager: EntityManager, gadgetId: string): Promise<{ revisions: number; bytes: number }> {
    const [sum] = (await manager.query(
      'SELECT COUNT(*) AS revisions, COALESCE(SUM(LENGTH(document)), 0) AS bytes FROM revision WHERE gadgetId = ?',
      [gadgetId],
    )) as { revisions: number; bytes: number }[];
    return sum!;
  }

  /** The row, or 404; one in the bin only where that is asked for. */
  async row(manager: EntityManager, id: string, evenBinned = false): Promise<GadgetRow> {
    const row = await manager.findOneBy(GadgetRow, { id });
    if (!row || (row.binnedAt !== null && !evenBinned)) throw notFound('such gadget; it may be in the bin');
    return row;
  }

  async revisionRow(manager: EntityManager, gadgetId: string, number: number): Promise<RevisionRow> {
    const row = await manager.findOneBy(RevisionRow, { gadgetId, number });
    if (!row) throw notFound(`revision ${number} of this gadget`);
    return row;
  }

  async insert(manager: EntityManager, gadget: Gadget): Promise<OpenGadgetView> {
    const at = now();
    const row = { id: freshId('g'), name: gadget.name, head: 0, createdAt: at, savedAt: at, binnedAt: null };
    await manager.insert(GadgetRow, row);
    return { ...gadgetView(await this.append(manager, row, gadget)), saveId: null, document: gadget };
  }

  async append(
    manager: EntityManager,
    row: GadgetRow,
    gadget: Gadget,
    { restoredFrom = null, saveId = null }: { restoredFrom?: number | null; saveId?: string | null } = {},
  ) {
    const savedAt = now();
    const number = row.head + 1;
    const document = JSON.stringify(gadget);
    await manager.insert(RevisionRow, {
      gadgetId: row.id,
      number,
      document,
      name: null,
      savedAt,
      restoredFrom,
      saveId,
    });
    if (number % thinEvery === 0) await thinRevisions(manager, row.id, number, Date.now());
    await manager.update(GadgetRow, { id: row.id }, { head: number, name: gadget.name, savedAt });
    return { ...row, head: number, name: gadget.name, savedAt };
  }
}
