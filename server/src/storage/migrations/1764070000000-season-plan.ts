import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was decided about the days of the season. */
export class SeasonPlan1764070000000 implements MigrationInterface {
  name = 'SeasonPlan1764070000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE season_plan (
      id TEXT PRIMARY KEY CHECK (id = 'plan'),
      version INTEGER NOT NULL CHECK (version >= 1),
      guide TEXT NOT NULL CHECK (json_valid(guide)),
      solved TEXT CHECK (solved IS NULL OR json_valid(solved))
    ) STRICT`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE season_plan');
  }
}
