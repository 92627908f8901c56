import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  ['customer_order', 'labelSchool', 'TEXT'],
  ['box', 'foodNameFrench', "TEXT NOT NULL DEFAULT ''"],
];

const up = [
  `UPDATE box SET editions = (SELECT json_group_array(json_set(value, '$.content.foodNameFrench', '')) FROM json_each(editions))
     WHERE json_array_length(editions) > 0`,
  `UPDATE ingredient SET declaration = json_set(declaration, '$.french', '', '$.parts',
     json((SELECT json_group_array(json_set(value, '$.french', '')) FROM json_each(declaration, '$.parts'))))`,
];

const down = [
  `UPDATE box SET editions = (SELECT json_group_array(json_remove(value, '$.content.foodNameFrench')) FROM json_each(editions))
     WHERE json_array_length(editions) > 0`,
  `UPDATE ingredient SET declaration = json_set(json_remove(declaration, '$.french'), '$.parts',
     json((SELECT json_group_array(json_remove(value, '$.french')) FROM json_each(declaration, '$.parts'))))`,
];

/** Where the labels of an order must hold, and names in French. */
export class LabelSchools1764160000000 implements MigrationInterface {
  name = 'LabelSchools1764160000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    for (const statement of up) await queryRunner.query(statement);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    for (const statement of down) await queryRunner.query(statement);
    await dropColumns(queryRunner, added);
  }
}
