import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  ['ingredient', 'lots', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(lots))`],
  ['ingredient', 'keepsDays', 'INTEGER CHECK (keepsDays >= 0)'],
  ['recipe', 'weighedYields', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(weighedYields))`],
];

/** Lots to use by a day, how long an ingredient keeps, the days until a pack is there, and what batches really gave. */
export class LotsAndYields1764080000000 implements MigrationInterface {
  name = 'LotsAndYields1764080000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    await queryRunner.query(
      `UPDATE ingredient SET packs = (SELECT json_group_array(json_set(value, '$.leadDays', 0)) FROM json_each(ingredient.packs))`,
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      `UPDATE ingredient SET packs = (SELECT json_group_array(json_remove(value, '$.leadDays')) FROM json_each(ingredient.packs))`,
    );
    await dropColumns(queryRunner, added);
  }
}
