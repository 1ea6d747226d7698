import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import Database from 'libsql';
import { join } from 'node:path';
import { DataSource, type EntityManager } from 'typeorm';
import { CardRow, DrawerRow, GadgetRow, PictureRow, RevisionRow, TrialRow, TrialRunRow } from './entities.ts';
import { Gadgets1700000000001 } from './migrations/0001-gadgets.ts';
import { Problem } from '../http/problem.ts';
import { FolderLock } from './folderLock.ts';
import { Pictures1700000000002 } from './migrations/0002-pictures.ts';
import { Saves1700000000003 } from './migrations/0003-saves.ts';
import { Drawer1700000000004 } from './migrations/0004-drawer.ts';
import { Cards1700000000005 } from './migrations/0005-cards.ts';

/**
 * The database file. All work goes through one lane, one piece after the other: the connection is shared, and a read
 * between two statements of a transaction would see what is not yet written.
 */
@Injectable()
export class Store implements OnApplicationShutdown {
  private lane: Promise<unknown> = Promise.resolve();
  private constructor(
    private readonly source: DataSource,
    private readonly folder: FolderLock,
  ) {}

  /**
   * Opens, or creates, the database in that folder and brings it up to date.
   * @throws FolderTaken where another server owns the folder
   */
  static async open(folder: string): Promise<Store> {
    const lock = FolderLock.take(folder);
    const source = new DataSource({
      type: 'better-sqlite3',
      driver: Database,
      database: join(folder, 'hum-lever.sqlite'),
      entities: [CardRow, DrawerRow, GadgetRow, PictureRow, RevisionRow, TrialRow, TrialRunRow],
      migrations: [
        Gadgets1700000000001,
        Pictures1700000000002,
        Saves1700000000003,
        Drawer1700000000004,
        Cards1700000000005,
      ],
      migrationsRun: true,
      enableWAL: true,
    });
    try {
      await patiently(() => source.initialize());
    } catch (error) {
      lock.release();
      throw error;
    }
    // What is acknowledged must survive a power cut too, not only a killed process.
    await source.query('PRAGMA synchronous = FULL');
    await source.query('PRAGMA foreign_keys = ON');
    // Waiting for somebody else's lock is done between tries, not on the thread that answers everybody.
    await source.query('PRAGMA busy_timeout = 0');
    return new Store(source, lock);
  }

  read<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.inLane(() => patiently(() => work(this.source.manager)));
  }

  /** Runs `work` in a transaction: all of it is kept, or nothing. */
  write<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.inLane(() => patiently(() => this.source.transaction(work)));
  }

  async onApplicationShutdown(): Promise<void> {
    await this.inLane(() => this.source.destroy());
    this.folder.release();
  }

  /** Where this server can be called, for whoever finds the folder taken. */
  tellAddress(address: string): void {
    this.folder.tell({ address });
  }

  private inLane<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.lane.then(work);
    // A failed piece must not stop the lane.
    this.lane = turn.catch(() => undefined);
    return turn;
  }
}

/** Somebody else's lock (a backup, another program) is waited for so long. */
const patienceMs = 4_000;
const betweenMs = 60;

/** Whether the database says that it cannot now, by the code of its error. */
function isBusy(error: unknown): boolean {
  const { code, message } = error as { code?: unknown; message?: unknown };
  return /SQLITE_(BUSY|LOCKED)/.test(String(code)) || /database (table )?is locked/.test(String(message));
}
const isFull = (error: unknown) =>
  /SQLITE_(FULL|IOERR|READONLY)/.test(String((error as { code?: unknown }).code)) ||
  /disk is full|readonly database|disk I\/O error/.test(String((error as { message?: unknown }).message));

/**
 * Tries again while the database is busy; work that failed has changed nothing.
 * @throws Problem 503 where it stays busy, or has no room
 */
async function patiently<T>(work: () => Promise<T>): Promise<T> {
  const untilMs = performance.now() + patienceMs;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (isFull(error))
        throw new Problem(503, 'busy', 'The disk has no room, or cannot be written. Nothing was changed.', {
          retryAfterS: 30,
        });
      if (!isBusy(error)) throw error;
      if (performance.now() > untilMs)
        throw new Problem(503, 'busy', 'Another program holds the database. Nothing was changed.', {
          retryAfterS: 2,
        });
      await new Promise((resolve) => setTimeout(resolve, betweenMs));
    }
  }
}
