import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import Database from 'libsql';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource, type EntityManager } from 'typeorm';
import { GadgetRow, PictureRow, RevisionRow, TrialRow, TrialRunRow } from './entities.ts';
import { Gadgets1700000000001 } from './migrations/0001-gadgets.ts';
import { Pictures1700000000002 } from './migrations/0002-pictures.ts';

/**
 * The database file. All work goes through one lane, one piece after the other: the connection is shared, and a read
 * between two statements of a transaction would see what is not yet written.
 */
@Injectable()
export class Store implements OnApplicationShutdown {
  private lane: Promise<unknown> = Promise.resolve();
  private constructor(private readonly source: DataSource) {}

  /** Opens, or creates, the database in that folder and brings it up to date. */
  static async open(folder: string): Promise<Store> {
    mkdirSync(folder, { recursive: true });
    const source = new DataSource({
      type: 'better-sqlite3',
      driver: Database,
      database: join(folder, 'hum-lever.sqlite'),
      entities: [GadgetRow, PictureRow, RevisionRow, TrialRow, TrialRunRow],
      migrations: [Gadgets1700000000001, Pictures1700000000002],
      migrationsRun: true,
      enableWAL: true,
    });
    await source.initialize();
    // What is acknowledged must survive a power cut too, not only a killed process.
    await source.query('PRAGMA synchronous = FULL');
    await source.query('PRAGMA foreign_keys = ON');
    return new Store(source);
  }

  read<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.inLane(() => work(this.source.manager));
  }

  /** Runs `work` in a transaction: all of it is kept, or nothing. */
  write<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.inLane(() => this.source.transaction(work));
  }

  async onApplicationShutdown(): Promise<void> {
    await this.inLane(() => this.source.destroy());
  }

  private inLane<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.lane.then(work);
    // A failed piece must not stop the lane.
    this.lane = turn.catch(() => undefined);
    return turn;
  }
}
