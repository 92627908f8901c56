import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What each change did, so that it can be taken back. */
export class History1764140000000 implements MigrationInterface {
  name = 'History1764140000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE change_log (
      id INTEGER PRIMARY KEY AUTOINCREMENT,
      at TEXT NOT NULL,
      sessionId TEXT NOT NULL,
      deviceName TEXT NOT NULL,
      label TEXT NOT NULL,
      undoneOrder INTEGER,
      isPassed INTEGER NOT NULL CHECK (isPassed IN (0, 1))
    ) STRICT`);
    await queryRunner.query(`CREATE TABLE change_part (
      changeId INTEGER NOT NULL REFERENCES change_log (id) ON DELETE CASCADE,
      position INTEGER NOT NULL,
      noun TEXT NOT NULL,
      recordId TEXT NOT NULL,
      name TEXT NOT NULL,
      before TEXT CHECK (before IS NULL OR json_valid(before)),
      after TEXT CHECK (after IS NULL OR json_valid(after)),
      fields TEXT CHECK (fields IS NULL OR json_valid(fields)),
      PRIMARY KEY (changeId, position)
    ) STRICT`);
    await queryRunner.query('CREATE INDEX change_part_record ON change_part (noun, recordId)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE change_part');
    await queryRunner.query('DROP TABLE change_log');
  }
}
