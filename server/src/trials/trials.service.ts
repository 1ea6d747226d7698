import { runTrial, type Trial, type TrialResult } from '@hum-lever/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { freshId, GadgetsService } from '../gadgets/gadgets.service.ts';
import { documentOf } from '../gadgets/gadgets.views.ts';
import { notFound, Problem } from '../http/problem.ts';
import { TrialRow, TrialRunRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';

const scriptOf = (row: TrialRow) => JSON.parse(row.script) as Trial;

const runView = ({ revision, version, result, ranAt }: TrialRunRow) => {
  return { revision, version, ranAt, result: JSON.parse(result) as TrialResult };
};

/** Runs kept per trial; older ones are dropped, as any can be had again. */
const keptRuns = 20;

@Injectable()
export class TrialsService {
  constructor(
    private readonly store: Store,
    private readonly gadgets: GadgetsService,
  ) {}

  list(gadgetId: string) {
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
    return this.store.write(async (manager) => {
      await this.gadgets.row(manager, gadgetId);
      const createdAt = new Date().toISOString();
      const row = { id: freshId('t'), gadgetId, script: JSON.stringify(trial), version: 1, createdAt };
      await manager.insert(TrialRow, row);
      return this.view(manager, row);
    });
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

  /** Plays the trial on that revision here, so that what is stored is what the core says. */
  run(gadgetId: string, id: string, revision: number) {
    return this.store.write(async (manager) => {
      const row = await this.row(manager, gadgetId, id);
      const gadget = documentOf(await this.gadgets.revisionRow(manager, gadgetId, revision));
      const { result } = runTrial(gadget, scriptOf(row));
      const ranAt = new Date().toISOString();
      await manager.insert(TrialRunRow, {
        trialId: id,
        version: row.version,
        revision,
        result: JSON.stringify(result),
        ranAt,
      });
      const runs = await manager.find(TrialRunRow, { where: { trialId: id }, order: { id: 'DESC' } });
      for (const old of runs.slice(keptRuns)) await manager.delete(TrialRunRow, { id: old.id });
      return this.view(manager, row);
    });
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
