import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What the shelf says of the newest revision of a gadget, and its picture; worked out after it was saved. */
export class Cards1700000000005 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE card (
      gadgetId TEXT PRIMARY KEY NOT NULL, number INTEGER NOT NULL, card TEXT NOT NULL, portrait TEXT)`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE card');
  }
}
