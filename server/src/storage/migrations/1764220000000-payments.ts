import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [['customer_order', 'payments', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(payments))`]];

const PAID_ON = `coalesce(
  (SELECT substr(json_extract(value, '$.at'), 1, 10) FROM json_each(history)
    WHERE json_extract(value, '$.state') = 'paid' ORDER BY key DESC LIMIT 1),
  handOverOn)`;
const WAS_PAID = `(state = 'paid' OR EXISTS (
  SELECT 1 FROM json_each(history) WHERE json_extract(value, '$.state') = 'paid'))`;
const noted = (note: string) =>
  `json_array(json_object('on', ${PAID_ON}, 'minor', NULL, 'way', 'other', 'note', '${note}'))`;

/** What is paid is told apart from the state of an order; what was handed over was taken as paid before, and stays so. */
export class Payments1764220000000 implements MigrationInterface {
  name = 'Payments1764220000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    await queryRunner.query(
      `UPDATE customer_order SET payments = ${noted('')} WHERE ${WAS_PAID} AND state != 'cancelled'`,
    );
    await queryRunner.query(
      `UPDATE customer_order SET payments = ${noted('taken as paid when it was handed over')}
       WHERE state = 'handed over' AND payments = '[]'`,
    );
    await queryRunner.query(`UPDATE customer_order SET state = 'confirmed' WHERE state = 'paid'`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      `UPDATE customer_order SET state = 'paid' WHERE state = 'confirmed' AND EXISTS (
        SELECT 1 FROM json_each(payments) WHERE json_extract(value, '$.minor') IS NULL)`,
    );
    await dropColumns(queryRunner, added);
  }
}
