import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Labels that were printed: what they said, how many, and why where it was not for the first time. */
export class LabelPrints1764170000000 implements MigrationInterface {
  name = 'LabelPrints1764170000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE label_print (
      id TEXT PRIMARY KEY,
      at TEXT NOT NULL,
      boxId TEXT NOT NULL,
      handOver TEXT NOT NULL,
      packedKey TEXT NOT NULL,
      lot TEXT NOT NULL,
      count INTEGER NOT NULL CHECK (count >= 1),
      words TEXT NOT NULL,
      reason TEXT NOT NULL
    ) STRICT`);
    await queryRunner.query('CREATE INDEX label_print_run ON label_print (packedKey, handOver)');
    await queryRunner.query(`CREATE TABLE weighing (
      id TEXT PRIMARY KEY,
      at TEXT NOT NULL,
      boxId TEXT NOT NULL,
      declaredGrams INTEGER NOT NULL CHECK (declaredGrams > 0),
      weights TEXT NOT NULL CHECK (json_valid(weights))
    ) STRICT`);
    await queryRunner.query('CREATE INDEX weighing_box ON weighing (boxId, at)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE weighing');
    await queryRunner.query('DROP TABLE label_print');
  }
}
