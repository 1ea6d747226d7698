import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Classes of part that makers described themselves. */
export class Drawer1700000000004 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE drawer (
      id TEXT PRIMARY KEY NOT NULL, title TEXT NOT NULL UNIQUE, own TEXT NOT NULL, keptAt TEXT NOT NULL)`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE drawer');
  }
}
