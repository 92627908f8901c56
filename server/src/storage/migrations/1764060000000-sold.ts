import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  ['box', 'layers', 'INTEGER NOT NULL DEFAULT 1 CHECK (layers >= 1)'],
  ['box', 'tray', 'TEXT CHECK (tray IS NULL OR json_valid(tray))'],
  ['box', 'edition', 'INTEGER NOT NULL DEFAULT 1 CHECK (edition >= 1)'],
  ['box', 'editions', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(editions))`],
  ['piece', 'sizeMm', 'TEXT CHECK (sizeMm IS NULL OR json_valid(sizeMm))'],
  ['customer_order', 'leftOut', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(leftOut))`],
  ['customer_order', 'history', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(history))`],
  ['order_line', 'edition', 'INTEGER CHECK (edition >= 1)'],
];

const filled = [
  `UPDATE box SET packaging = (SELECT json_group_array(json_set(value, '$.kind', 'packaging')) FROM json_each(box.packaging))`,
  `UPDATE order_line SET edition = 1
   WHERE orderId IN (SELECT id FROM customer_order WHERE state NOT IN ('asked', 'cancelled'))`,
];

const tables = [
  `CREATE TABLE inbox_message (
    id TEXT PRIMARY KEY,
    receivedAt TEXT NOT NULL,
    reference TEXT NOT NULL,
    revision INTEGER NOT NULL CHECK (revision >= 1),
    message TEXT NOT NULL CHECK (json_valid(message)),
    fate TEXT NOT NULL CHECK (fate IN ('taken', 'out of date', 'refused', 'to settle')),
    why TEXT NOT NULL,
    orderId TEXT NOT NULL,
    orderVersion INTEGER CHECK (orderVersion >= 1)
  ) STRICT`,
  'CREATE INDEX inbox_message_reference ON inbox_message (reference, revision)',
  'CREATE INDEX inbox_message_received ON inbox_message (receivedAt)',
  'CREATE INDEX order_line_sold ON order_line (boxId, edition)',
];

/** Boxes as they were sold, their trays, what is left out of an order and its history, and the shop's messages. */
export class Sold1764060000000 implements MigrationInterface {
  name = 'Sold1764060000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    for (const statement of [...filled, ...tables]) await queryRunner.query(statement);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE inbox_message');
    await queryRunner.query('DROP INDEX order_line_sold');
    await queryRunner.query(
      `UPDATE box SET packaging = (SELECT json_group_array(json_remove(value, '$.kind')) FROM json_each(box.packaging))`,
    );
    await dropColumns(queryRunner, added);
  }
}
