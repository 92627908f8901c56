import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [['box', 'panel', 'TEXT CHECK (panel IS NULL OR json_valid(panel))']];

const up = [
  `UPDATE box SET editions = (SELECT json_group_array(json_set(value, '$.content.panel', NULL)) FROM json_each(editions))
     WHERE json_array_length(editions) > 0`,
];

const down = [
  `UPDATE box SET editions = (SELECT json_group_array(json_remove(value, '$.content.panel')) FROM json_each(editions))
     WHERE json_array_length(editions) > 0`,
];

/** The size of the package's display panel, by which the letters of the net quantity go. */
export class PanelOfBoxes1764120000000 implements MigrationInterface {
  name = 'PanelOfBoxes1764120000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    for (const statement of up) await queryRunner.query(statement);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    for (const statement of down) await queryRunner.query(statement);
    await dropColumns(queryRunner, added);
  }
}
