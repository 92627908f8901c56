import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The table of the shop's messages anew, with the fates that there are now: a check of a column cannot be changed in place. */
async function withFates(queryRunner: QueryRunner, before: string, after: string): Promise<void> {
  await queryRunner.query('ALTER TABLE inbox_message RENAME TO inbox_message_before');
  await queryRunner.query('DROP INDEX inbox_message_reference');
  await queryRunner.query('DROP INDEX inbox_message_received');
  await queryRunner.query(`CREATE TABLE inbox_message (
    id TEXT PRIMARY KEY,
    receivedAt TEXT NOT NULL,
    reference TEXT NOT NULL,
    revision INTEGER NOT NULL CHECK (revision >= 1),
    message TEXT NOT NULL CHECK (json_valid(message)),
    fate TEXT NOT NULL CHECK (fate IN ('taken', 'out of date', 'refused', '${after}')),
    why TEXT NOT NULL,
    orderId TEXT NOT NULL,
    orderVersion INTEGER CHECK (orderVersion >= 1)
  ) STRICT`);
  await queryRunner.query(
    `INSERT INTO inbox_message SELECT id, receivedAt, reference, revision, message,
       CASE fate WHEN '${before}' THEN '${after}' ELSE fate END, why, orderId, orderVersion FROM inbox_message_before`,
  );
  await queryRunner.query('DROP TABLE inbox_message_before');
  await queryRunner.query('CREATE INDEX inbox_message_reference ON inbox_message (reference, revision)');
  await queryRunner.query('CREATE INDEX inbox_message_received ON inbox_message (receivedAt)');
}

/** A message that the maker must answer for waits "to decide", as everything else does. */
export class OneWord1764150000000 implements MigrationInterface {
  name = 'OneWord1764150000000';

  up(queryRunner: QueryRunner): Promise<void> {
    return withFates(queryRunner, 'to settle', 'to decide');
  }

  down(queryRunner: QueryRunner): Promise<void> {
    return withFates(queryRunner, 'to decide', 'to settle');
  }
}
