import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Batches that were made. */
export class Batches1764090000000 implements MigrationInterface {
  name = 'Batches1764090000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE batch (
      id TEXT PRIMARY KEY,
      version INTEGER NOT NULL CHECK (version >= 1),
      recipeId TEXT NOT NULL REFERENCES recipe (id) ON DELETE RESTRICT,
      madeOn TEXT NOT NULL CHECK (madeOn <> ''),
      size REAL NOT NULL CHECK (size > 0),
      state TEXT NOT NULL CHECK (state IN ('done', 'failed')),
      grams REAL CHECK (grams >= 0),
      finishedOn TEXT CHECK (finishedOn >= madeOn),
      taken TEXT NOT NULL CHECK (json_valid(taken)),
      notes TEXT NOT NULL
    ) STRICT`);
    await queryRunner.query('CREATE INDEX batch_recipe ON batch (recipeId, madeOn)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE batch');
  }
}
