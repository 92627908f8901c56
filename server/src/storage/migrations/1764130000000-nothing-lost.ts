import { foldText } from '@usual-pantry/core/record';
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

/** Main tables, each with the column that it is searched by. */
const searched = [
  ['ingredient', 'name'],
  ['recipe', 'name'],
  ['piece', 'name'],
  ['box', 'name'],
  ['customer_order', 'customerName'],
  ['batch', 'recipeId'],
] as const;
const versioned = ['kitchen', 'season_plan', ...searched.map(([table]) => table)];
const added: AddedColumns = searched.map(([table]) => [table, 'searchText', `TEXT NOT NULL DEFAULT ''`]);

/** Versions that never go back, names that are found whatever their case and accents, and what was answered to a request that may come again. */
export class NothingLost1764130000000 implements MigrationInterface {
  name = 'NothingLost1764130000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    for (const [table, column] of searched) {
      const rows = (await queryRunner.query(`SELECT id, ${column} AS name FROM ${table}`)) as {
        id: string;
        name: string;
      }[];
      for (const { id, name } of rows)
        await queryRunner.query(`UPDATE ${table} SET searchText = ? WHERE id = ?`, [foldText(name), id]);
      await queryRunner.query(`CREATE INDEX ${table}_search ON ${table} (searchText)`);
    }
    await queryRunner.query(`CREATE TABLE version_floor (
      id TEXT PRIMARY KEY CHECK (id = 'floor'),
      version INTEGER NOT NULL
    ) STRICT`);
    await queryRunner.query(`INSERT INTO version_floor VALUES ('floor', 0)`);
    for (const table of versioned)
      await queryRunner.query(`CREATE TRIGGER ${table}_floor AFTER DELETE ON ${table} BEGIN
        UPDATE version_floor SET version = max(version, OLD.version);
      END`);
    await queryRunner.query(`CREATE TABLE answered (
      key TEXT PRIMARY KEY,
      request TEXT NOT NULL,
      status INTEGER NOT NULL,
      answer TEXT NOT NULL CHECK (json_valid(answer)),
      answeredAt TEXT NOT NULL
    ) STRICT`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE answered');
    for (const table of versioned) await queryRunner.query(`DROP TRIGGER ${table}_floor`);
    await queryRunner.query('DROP TABLE version_floor');
    for (const [table] of searched) await queryRunner.query(`DROP INDEX ${table}_search`);
    await dropColumns(queryRunner, added);
  }
}
