import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const added: AddedColumns = [
  ['ingredient', 'chocolate', `TEXT CHECK (chocolate IN ('dark', 'milk', 'white'))`],
  ['ingredient', 'traits', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(traits))`],
  ['ingredient', 'substitutes', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(substitutes))`],
  ['ingredient', 'prices', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(prices))`],
  ['recipe', 'steps', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(steps))`],
  ['recipe', 'foaming', `TEXT NOT NULL DEFAULT 'does not boil'`],
  ['recipe', 'grains', `INTEGER NOT NULL DEFAULT 0 CHECK (grains IN (0, 1))`],
  ['recipe', 'hygroscopic', `INTEGER NOT NULL DEFAULT 0 CHECK (hygroscopic IN (0, 1))`],
  ['recipe', 'alcohol', `TEXT NOT NULL DEFAULT 'never heated'`],
  ['recipe', 'variantSwaps', `TEXT CHECK (variantSwaps IS NULL OR json_valid(variantSwaps))`],
  ['recipe', 'variantOfId', `TEXT REFERENCES recipe (id) DEFERRABLE INITIALLY DEFERRED CHECK (variantOfId <> id)`],
  ['piece', 'strong', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(strong))`],
  ['piece', 'texture', `TEXT CHECK (texture IN ('crisp', 'soft'))`],
  ['box_cell', 'standIns', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(standIns))`],
  ['recipe_line', 'afterCook', `INTEGER NOT NULL DEFAULT 0 CHECK (afterCook IN (0, 1))`],
];

const tables = [
  `CREATE TABLE piece_layer (
    pieceId TEXT NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    position INTEGER NOT NULL CHECK (position >= 0),
    recipeId TEXT NOT NULL REFERENCES recipe (id) ON DELETE RESTRICT,
    PRIMARY KEY (pieceId, position)
  ) STRICT`,
  `CREATE INDEX piece_layer_recipe ON piece_layer (recipeId)`,
  `CREATE INDEX recipe_variant ON recipe (variantOfId)`,
  `CREATE TABLE recipe_version (
    recipeId TEXT NOT NULL REFERENCES recipe (id) ON DELETE CASCADE,
    version INTEGER NOT NULL CHECK (version >= 1),
    replacedOn TEXT NOT NULL CHECK (replacedOn GLOB '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]'),
    draft TEXT NOT NULL CHECK (json_valid(draft)),
    PRIMARY KEY (recipeId, version)
  ) STRICT`,
];

/** Steps, variants and versions of recipes, fillings of moulded pieces, stand-ins of cells, and what ingredients cost over time. */
export class BenchCard1764050000000 implements MigrationInterface {
  name = 'BenchCard1764050000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    for (const statement of tables) await queryRunner.query(statement);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE recipe_version');
    await queryRunner.query('DROP TABLE piece_layer');
    await queryRunner.query('DROP INDEX recipe_variant');
    await dropColumns(queryRunner, added);
  }
}
