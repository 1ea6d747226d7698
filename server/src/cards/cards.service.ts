import type { Card, Portrait } from '@hum-lever/core';
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { LessThan, type EntityManager } from 'typeorm';
import { Worker } from 'node:worker_threads';
import { GadgetsService } from '../gadgets/gadgets.service.ts';
import { documentOf, type GadgetView } from '../gadgets/gadgets.views.ts';
import { notFound } from '../http/problem.ts';
import { CardRow, GadgetRow, RevisionRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';
import type { CardTask, CardTold } from './card.worker.ts';

/** How its trials went when each was run last; `older` of them on a revision before the newest. */
export interface TrialTally {
  passed: number;
  failed: number;
  older: number;
  neverRun: number;
}
export interface CardView {
  /** Which revision it is of. */
  revision: number;
  card: Card | null;
}
export type ShelfView = GadgetView & { card: CardView | null; trials: TrialTally };

/** One that takes longer is given up: the shelf then says that it does not know. */
const mostMs = 20_000;
const mostMemoryMb = 768;
/** A gadget that is worked on is left alone until it has been quiet for so long. */
const quietMs = 5_000;

/** Works out what the shelf says of gadgets, one after the other, in a thread of its own; saving never waits for it. */
@Injectable()
export class CardsService implements OnApplicationShutdown {
  private readonly wanted = new Set<string>();
  private working = false;
  private closed = false;
  private worker: Worker | null = null;
  private readonly quiet = new Map<string, ReturnType<typeof setTimeout>>();

  constructor(
    private readonly store: Store,
    private readonly gadgets: GadgetsService,
  ) {}

  /** All gadgets with what is known of them; what is not known, or of an older revision, is being worked out. */
  async list(binned: boolean): Promise<ShelfView[]> {
    const gadgets = await this.gadgets.list(binned);
    const views = await this.store.read(async (manager) => {
      const rows = await manager.find(CardRow, { select: { gadgetId: true, number: true, card: true } });
      const cards = new Map(rows.map((row) => [row.gadgetId, row]));
      const tallies = await tallyTrials(manager);
      return gadgets.map((gadget): ShelfView => {
        const row = cards.get(gadget.id);
        return {
          ...gadget,
          card: row ? { revision: row.number, card: JSON.parse(row.card) as Card | null } : null,
          trials: tallies(gadget),
        };
      });
    });
    for (const { id, revision, card } of views) if (card?.revision !== revision) this.want(id);
    return views;
  }

  /** What the picture of a gadget is drawn from. @throws Problem 404 where that is not known yet */
  async portrait(id: string): Promise<{ revision: number; portrait: Portrait }> {
    const row = await this.store.read((manager) => manager.findOneBy(CardRow, { gadgetId: id }));
    if (!row || row.portrait === null) throw notFound('picture of this gadget yet');
    return { revision: row.number, portrait: JSON.parse(row.portrait) as Portrait };
  }

  /** It was saved: its card is worked out once it is left alone. */
  saved(id: string): void {
    clearTimeout(this.quiet.get(id));
    const timer = setTimeout(() => {
      this.quiet.delete(id);
      this.want(id);
    }, quietMs);
    timer.unref();
    this.quiet.set(id, timer);
  }

  async onApplicationShutdown(): Promise<void> {
    this.closed = true;
    this.quiet.forEach((timer) => clearTimeout(timer));
    await this.worker?.terminate();
  }

  private want(id: string): void {
    this.wanted.add(id);
    if (!this.working) void this.workOff();
  }

  private async workOff(): Promise<void> {
    this.working = true;
    for (const id of this.wanted) {
      this.wanted.delete(id);
      if (this.closed) break;
      try {
        await this.workOut(id);
      } catch (error) {
        // One that cannot be read must not keep the others from being known.
        if (!this.closed) process.stderr.write(`card of ${id}: ${(error as Error).message}\n`);
      }
    }
    this.working = false;
  }

  private async workOut(gadgetId: string): Promise<void> {
    const found = await this.store.read(async (manager) => {
      const row = await manager.findOneBy(GadgetRow, { id: gadgetId });
      const newest = row && (await manager.findOneBy(RevisionRow, { gadgetId, number: row.head }));
      if (!newest) return null;
      const where = { gadgetId, number: LessThan(newest.number) };
      const before = await manager.findOne(RevisionRow, { where, order: { number: 'DESC' } });
      return { number: newest.number, gadget: documentOf(newest), before: before && documentOf(before) };
    });
    if (!found) return;
    const { number, ...task } = found;
    const { card, portrait } = await this.ask(task);
    if (this.closed) return;
    await this.store.write((manager) =>
      manager.upsert(
        CardRow,
        {
          gadgetId,
          number,
          card: JSON.stringify(card),
          portrait: portrait && JSON.stringify(portrait),
        },
        ['gadgetId'],
      ),
    );
  }

  /** What the thread makes of it; nothing where it breaks off or takes too long. */
  private ask(task: CardTask): Promise<CardTold> {
    return new Promise((resolve) => {
      const worker = this.ready();
      const told = (answer: CardTold) => {
        clearTimeout(timer);
        worker.off('message', told).off('error', gone).off('exit', gone);
        resolve(answer);
      };
      const gone = () => {
        this.worker = null;
        told({ card: null, portrait: null });
        void worker.terminate();
      };
      const timer = setTimeout(gone, mostMs);
      worker.on('message', told).on('error', gone).on('exit', gone);
      worker.postMessage(task);
    });
  }

  private ready(): Worker {
    this.worker ??= new Worker(new URL('./card.worker.js', import.meta.url), {
      resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb },
    });
    this.worker.unref();
    return this.worker;
  }
}

/** The last run of every trial, counted by gadget. */
async function tallyTrials(manager: EntityManager): Promise<(gadget: GadgetView) => TrialTally> {
  const rows = (await manager.query(
    `SELECT trial.gadgetId AS gadgetId, trial.version AS version, run.version AS ranVersion, run.revision AS revision,
            json_extract(run.result, '$.passed') AS passed
       FROM trial LEFT JOIN trial_run AS run
         ON run.id = (SELECT MAX(id) FROM trial_run WHERE trialId = trial.id)`,
  )) as {
    gadgetId: string;
    version: number;
    ranVersion: number | null;
    revision: number | null;
    passed: 0 | 1 | null;
  }[];
  return ({ id, revision: head }) => {
    const tally: TrialTally = { passed: 0, failed: 0, older: 0, neverRun: 0 };
    for (const { gadgetId, version, ranVersion, revision, passed } of rows) {
      if (gadgetId !== id) continue;
      if (revision === null) tally.neverRun += 1;
      else if (passed === 1) tally.passed += 1;
      else tally.failed += 1;
      if (revision !== null && (revision < head || ranVersion !== version)) tally.older += 1;
    }
    return tally;
  };
}
