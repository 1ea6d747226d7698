import Database from 'libsql';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The folder is another server's. */
export class FolderTaken extends Error {}

/**
 * One server owns a folder: a lock that the system takes back when its process ends, however it ends (an exclusive
 * transaction on a file of its own), and a note beside it that says who holds it.
 */
export class FolderLock {
  private constructor(
    private readonly lock: Database.Database,
    private readonly note: string,
  ) {}

  /** @throws FolderTaken saying who has it */
  static take(folder: string): FolderLock {
    mkdirSync(folder, { recursive: true });
    const note = join(folder, 'hum-lever.owner.json');
    const lock = new Database(join(folder, 'hum-lever.lock'));
    try {
      lock.exec('PRAGMA journal_mode = DELETE');
      lock.exec('BEGIN EXCLUSIVE');
    } catch {
      lock.close();
      throw new FolderTaken(
        `The folder ${folder} is in use by ${whoHas(note)}. Stop that one, or give another --data.`,
      );
    }
    const own = new FolderLock(lock, note);
    own.tell({});
    return own;
  }

  /** Writes down who holds it. */
  tell(more: { address?: string }): void {
    const owner = { process: process.pid, since: new Date().toISOString(), ...more };
    writeFileSync(this.note, `${JSON.stringify(owner)}\n`);
  }

  release(): void {
    rmSync(this.note, { force: true });
    this.lock.exec('ROLLBACK');
    this.lock.close();
  }
}

function whoHas(note: string): string {
  try {
    const owner = JSON.parse(readFileSync(note, 'utf8')) as {
      process?: number;
      since?: string;
      address?: string;
    };
    const where = owner.address === undefined ? '' : ` at ${owner.address}`;
    return `another Hum Lever${where} (process ${owner.process}, since ${owner.since})`;
  } catch {
    return 'another Hum Lever';
  }
}
