import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [['recipe', 'anySize', 'INTEGER NOT NULL DEFAULT 0 CHECK (anySize IN (0, 1))']];

/** Recipes whose batches may have any size between the least and the largest. */
export class AnySize1764190000000 implements MigrationInterface {
  name = 'AnySize1764190000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await dropColumns(queryRunner, added);
  }
}
