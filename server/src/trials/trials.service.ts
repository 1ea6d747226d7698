import type { Trial, TrialResult } from '@hum-lever/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { freshId, GadgetsService } from '../gadgets/gadgets.service.ts';
import { documentOf } from '../gadgets/gadgets.views.ts';
import { notFound, Problem } from '../http/problem.ts';
import { TrialRow, TrialRunRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';
import { TrialRunner, type JobView } from './trialRunner.ts';

const scriptOf = (row: TrialRow) => JSON.parse(row.script) as Trial;

const runView = ({ revision, version, result, ranAt }: TrialRunRow) => {
  return { revision, version, ranAt, result: JSON.parse(result) as TrialResult };
};

/** Runs kept per trial; older ones are dropped, as any can be had again. */
const keptRuns = 20;
/** Most runs are over by then. */
const waitMs = 800;

type TrialView = Awaited<ReturnType<TrialsService['view']>>;

@Injectable()
export class TrialsService {
  constructor(
    private readonly store: Store,
    private readonly gadgets: GadgetsService,
    private readonly runner: TrialRunner,
  ) {}

  list(gadgetId: string) {
    this.runner.warm();
    return this.store.read(async (manager) => {
      await this.gadgets.row(manager, gadgetId);
      const rows = await manager.find(TrialRow, {
        where: { gadgetId },
        order: { createdAt: 'ASC', id: 'ASC' },
      });
      return Promise.all(rows.map((row) => this.view(manager, row)));
    });
  }

  create(gadgetId: string, trial: Trial) {
    this.runner.warm();
    return this.store.write(async (manager) => {
      await this.gadgets.row(manager, gadgetId);
      return this.view(manager, await this.insert(manager, gadgetId, trial));
    });
  }

  async insert(manager: EntityManager, gadgetId: string, trial: Trial): Promise<TrialRow> {
    const createdAt = new Date().toISOString();
    const row = { id: freshId('t'), gadgetId, script: JSON.stringify(trial), version: 1, createdAt };
    await manager.insert(TrialRow, row);
    return row;
  }

  save(gadgetId: string, id: string, base: number, trial: Trial) {
    return this.store.write(async (manager) => {
      const row = await this.row(manager, gadgetId, id);
      if (row.version !== base)
        throw new Problem(
          409,
          'stale',
          `This save is based on version ${base}; the newest is ${row.version}.`,
          {
            base,
            head: { version: row.version, trial: scriptOf(row) },
          },
        );
      const saved = { ...row, script: JSON.stringify(trial), version: row.version + 1 };
      await manager.save(TrialRow, saved);
      return this.view(manager, saved);
    });
  }

  remove(gadgetId: string, id: string): Promise<void> {
    return this.store.write(async (manager) => {
      await this.row(manager, gadgetId, id);
      await manager.delete(TrialRow, { id });
    });
  }

  /**
   * Plays the trial on that revision, beside everything else, so that what is stored is what the core says. Most are
   * over within the wait: then the trial is given with its run, otherwise the job.
   */
  async run(gadgetId: string, id: string, revision: number): Promise<TrialView | { job: JobView }> {
    const { row, gadget } = await this.store.read(async (manager) => {
      const found = await this.row(manager, gadgetId, id);
      return { row: found, gadget: documentOf(await this.gadgets.revisionRow(manager, gadgetId, revision)) };
    });
    const job = this.runner.add(gadget, scriptOf(row), (result) =>
      this.store.write((manager) => this.keepRun(manager, { id, version: row.version }, revision, result)),
    );
    await this.runner.wait(job, waitMs);
    const view = this.runner.view(job);
    if (view.state !== 'done') return { job: view };
    return this.store.read(async (manager) => this.view(manager, await this.row(manager, gadgetId, id)));
  }

  /** One trial with its runs. */
  one(gadgetId: string, id: string): Promise<TrialView> {
    return this.store.read(async (manager) => this.view(manager, await this.row(manager, gadgetId, id)));
  }

  async keepRun(
    manager: EntityManager,
    { id: trialId, version }: Pick<TrialRow, 'id' | 'version'>,
    revision: number,
    result: TrialResult,
  ): Promise<void> {
    // Removed while it ran: there is nothing to keep it with.
    if (!(await manager.existsBy(TrialRow, { id: trialId }))) return;
    const ranAt = new Date().toISOString();
    await manager.insert(TrialRunRow, { trialId, version, revision, result: JSON.stringify(result), ranAt });
    const runs = await manager.find(TrialRunRow, { where: { trialId }, order: { id: 'DESC' } });
    for (const old of runs.slice(keptRuns)) await manager.delete(TrialRunRow, { id: old.id });
  }

  private async row(manager: EntityManager, gadgetId: string, id: string): Promise<TrialRow> {
    await this.gadgets.row(manager, gadgetId);
    const row = await manager.findOneBy(TrialRow, { id, gadgetId });
    if (!row) throw notFound('such trial');
    return row;
  }

  private async view(manager: EntityManager, row: TrialRow) {
    const runs = await manager.find(TrialRunRow, { where: { trialId: row.id }, order: { id: 'DESC' } });
    return {
      id: row.id,
      version: row.version,
      createdAt: row.createdAt,
      trial: scriptOf(row),
      runs: runs.map(runView),
    };
  }
}
