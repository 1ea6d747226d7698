import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Drawings that belong to briefs. */
export class Pictures1700000000002 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE picture (
      sha256 TEXT PRIMARY KEY NOT NULL, type TEXT NOT NULL, bytes BLOB NOT NULL, addedAt TEXT NOT NULL)`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE picture');
  }
}
