import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  [
    'piece',
    'keepsAir',
    `TEXT NOT NULL DEFAULT '{"mostCelsius":null,"mostHumidityPercent":null}' CHECK (json_valid(keepsAir))`,
  ],
  ['piece', 'thawNights', 'INTEGER NOT NULL DEFAULT 0'],
];

/** The air in which a finished piece may stand, and the nights in which it thaws. */
export class Keeping1764210000000 implements MigrationInterface {
  name = 'Keeping1764210000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await dropColumns(queryRunner, added);
  }
}
