import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Saves carry an id, so that the same one sent twice is one revision. */
export class Saves1700000000003 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE revision ADD COLUMN saveId TEXT');
    await runner.query(
      'CREATE UNIQUE INDEX revision_save ON revision (gadgetId, saveId) WHERE saveId IS NOT NULL',
    );
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX revision_save');
    await runner.query('ALTER TABLE revision DROP COLUMN saveId');
  }
}
