import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  [
    'piece',
    'keepsAir',
    `TEXT NOT NULL DEFAULT '{"mostCelsius":null,"mostHumidityPercent":null}' CHECK (json_valid(keepsAir))`,
  ],
];

/** The air in which a finished piece may stand. */
export class KeepsAir1764210000000 implements MigrationInterface {
  name = 'KeepsAir1764210000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await dropColumns(queryRunner, added);
  }
}
