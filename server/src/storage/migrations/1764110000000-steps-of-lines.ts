import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  ['recipe_line', 'atStep', 'INTEGER CHECK (atStep >= 0)'],
  ['recipe_line', 'alcohol', `TEXT CHECK (alcohol <> '')`],
];

const up = [
  // Nobody had to choose before: what was never chosen follows from the steps.
  `UPDATE recipe SET alcohol = 'by the steps' WHERE alcohol = 'never heated'`,
  `UPDATE recipe SET variantSwaps = (SELECT json_group_array(json_set(value, '$.share', 1)) FROM json_each(variantSwaps))
     WHERE variantSwaps IS NOT NULL`,
  `UPDATE ingredient SET composition = json_set(composition, '$.dextrin', 0) WHERE composition IS NOT NULL`,
  `UPDATE piece SET form = json_set(form, '$.fill', 'full', '$.mostFillingMl', NULL)
     WHERE json_extract(form, '$.kind') = 'moulded'`,
  'ALTER TABLE piece ADD COLUMN ownKeepsDays INTEGER CHECK (ownKeepsDays >= 1)',
  'UPDATE piece SET ownKeepsDays = keepsDays',
  'ALTER TABLE piece DROP COLUMN keepsDays',
  'ALTER TABLE piece RENAME COLUMN ownKeepsDays TO keepsDays',
];

const down = [
  'ALTER TABLE piece ADD COLUMN allKeepsDays INTEGER NOT NULL DEFAULT 14 CHECK (allKeepsDays >= 1)',
  'UPDATE piece SET allKeepsDays = keepsDays WHERE keepsDays IS NOT NULL',
  'ALTER TABLE piece DROP COLUMN keepsDays',
  'ALTER TABLE piece RENAME COLUMN allKeepsDays TO keepsDays',
  `UPDATE piece SET form = json_remove(form, '$.fill', '$.mostFillingMl')`,
  `UPDATE ingredient SET composition = json_remove(
     json_set(composition, '$.otherCarbohydrate',
       json_extract(composition, '$.otherCarbohydrate') + json_extract(composition, '$.dextrin')), '$.dextrin')
     WHERE composition IS NOT NULL`,
  `UPDATE recipe SET variantSwaps = (SELECT json_group_array(json_remove(value, '$.share')) FROM json_each(variantSwaps))
     WHERE variantSwaps IS NOT NULL`,
  `UPDATE recipe SET alcohol = 'never heated' WHERE alcohol = 'by the steps'`,
];

/**
 * The step at which a line goes in and what is done with its alcohol, the share of a swap, dextrins, hollow forms, and pieces that take
 * their life from their recipe.
 */
export class StepsOfLines1764110000000 implements MigrationInterface {
  name = 'StepsOfLines1764110000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    for (const statement of up) await queryRunner.query(statement);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    for (const statement of down) await queryRunner.query(statement);
    await dropColumns(queryRunner, added);
  }
}
