import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Gadgets, their revisions, trials and runs. */
export class Gadgets1700000000001 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE gadget (
      id TEXT PRIMARY KEY NOT NULL, name TEXT NOT NULL, head INTEGER NOT NULL,
      createdAt TEXT NOT NULL, savedAt TEXT NOT NULL, binnedAt TEXT)`);
    await runner.query(`CREATE TABLE revision (
      gadgetId TEXT NOT NULL REFERENCES gadget(id) ON DELETE CASCADE, number INTEGER NOT NULL,
      document TEXT NOT NULL, name TEXT, savedAt TEXT NOT NULL, restoredFrom INTEGER,
      PRIMARY KEY (gadgetId, number))`);
    await runner.query(`CREATE TABLE trial (
      id TEXT PRIMARY KEY NOT NULL, gadgetId TEXT NOT NULL REFERENCES gadget(id) ON DELETE CASCADE,
      script TEXT NOT NULL, version INTEGER NOT NULL, createdAt TEXT NOT NULL)`);
    await runner.query('CREATE INDEX trial_gadget ON trial (gadgetId)');
    await runner.query(`CREATE TABLE trial_run (
      id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, trialId TEXT NOT NULL REFERENCES trial(id) ON DELETE CASCADE,
      version INTEGER NOT NULL, revision INTEGER NOT NULL, result TEXT NOT NULL, ranAt TEXT NOT NULL)`);
    await runner.query('CREATE INDEX trial_run_trial ON trial_run (trialId)');
  }
  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['trial_run', 'trial', 'revision', 'gadget'])
      await runner.query(`DROP TABLE ${table}`);
  }
}
