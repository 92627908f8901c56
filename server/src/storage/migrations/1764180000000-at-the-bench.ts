import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [['batch', 'log', 'TEXT CHECK (log IS NULL OR json_valid(log))']];

/** Batches at the bench, what happened to them, and practice. */
export class AtTheBench1764180000000 implements MigrationInterface {
  name = 'AtTheBench1764180000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    // The recipe is no foreign key: what happened has happened, whatever becomes of the recipe.
    await queryRunner.query(`CREATE TABLE making (
      id TEXT PRIMARY KEY,
      recipeId TEXT NOT NULL,
      size REAL NOT NULL CHECK (size > 0),
      madeOn TEXT NOT NULL,
      startedAt TEXT NOT NULL,
      state TEXT NOT NULL CHECK (state IN ('open', 'ended', 'put away'))
    ) STRICT`);
    await queryRunner.query('CREATE INDEX making_state ON making (state, startedAt)');
    await queryRunner.query(`CREATE TABLE making_event (
      id TEXT PRIMARY KEY,
      makingId TEXT NOT NULL REFERENCES making (id) ON DELETE CASCADE,
      place INTEGER NOT NULL CHECK (place >= 1),
      at TEXT NOT NULL,
      event TEXT NOT NULL CHECK (json_valid(event)),
      UNIQUE (makingId, place)
    ) STRICT`);
    await queryRunner.query(`CREATE TABLE practice (
      id TEXT PRIMARY KEY,
      at TEXT NOT NULL,
      drill TEXT NOT NULL,
      about TEXT NOT NULL,
      score INTEGER NOT NULL CHECK (score BETWEEN 0 AND 100),
      verdict TEXT NOT NULL
    ) STRICT`);
    await queryRunner.query('CREATE INDEX practice_drill ON practice (drill, at)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE practice');
    await queryRunner.query('DROP TABLE making_event');
    await queryRunner.query('DROP TABLE making');
    await dropColumns(queryRunner, added);
  }
}
