import type { QueryRunner } from 'typeorm';

/** Columns that a migration adds to tables that are there already. */
export type AddedColumns = readonly (readonly [table: string, column: string, type: string])[];

export async function addColumns(queryRunner: QueryRunner, added: AddedColumns): Promise<void> {
  for (const [table, column, type] of added)
    await queryRunner.query(`ALTER TABLE ${table} ADD COLUMN ${column} ${type}`);
}

/** Takes them away again, the last first. */
export async function dropColumns(queryRunner: QueryRunner, added: AddedColumns): Promise<void> {
  for (const [table, column] of [...added].reverse())
    await queryRunner.query(`ALTER TABLE ${table} DROP COLUMN ${column}`);
}
