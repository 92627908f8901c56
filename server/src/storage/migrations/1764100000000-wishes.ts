import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  ['customer_order', 'standIns', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(standIns))`],
  ['customer_order', 'words', `TEXT NOT NULL DEFAULT ''`],
];

/** The lines of an order anew: a unique key cannot be changed where it stands. */
const linesWith = (own: string, unique: string, kept: string): string[] => [
  `CREATE TABLE order_line_new (
    orderId TEXT NOT NULL REFERENCES customer_order (id) ON DELETE CASCADE,
    position INTEGER NOT NULL CHECK (position >= 0),
    boxId TEXT NOT NULL REFERENCES box (id) ON DELETE RESTRICT,
    count INTEGER NOT NULL CHECK (count >= 1),
    edition INTEGER CHECK (edition >= 1),
    ${own}PRIMARY KEY (orderId, position),
    UNIQUE (${unique})
  ) STRICT`,
  `INSERT INTO order_line_new (orderId, position, boxId, count, edition) ${kept}`,
  'DROP TABLE order_line',
  'ALTER TABLE order_line_new RENAME TO order_line',
  'CREATE INDEX order_line_box ON order_line (boxId)',
  'CREATE INDEX order_line_sold ON order_line (boxId, edition)',
];

/** What one box of an order must not contain, what stands in there, and the words in which an order was asked for. */
export class Wishes1764100000000 implements MigrationInterface {
  name = 'Wishes1764100000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    const statements = linesWith(
      `without TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(without)),\n    `,
      'orderId, boxId, without',
      'SELECT orderId, position, boxId, count, edition FROM order_line',
    );
    for (const statement of statements) await queryRunner.query(statement);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    const statements = linesWith(
      '',
      'orderId, boxId',
      'SELECT orderId, min(position), boxId, sum(count), max(edition) FROM order_line GROUP BY orderId, boxId',
    );
    for (const statement of statements) await queryRunner.query(statement);
    await dropColumns(queryRunner, added);
  }
}
