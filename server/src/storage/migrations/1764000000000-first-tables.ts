import type { MigrationInterface, QueryRunner } from 'typeorm';

const up = [
  `CREATE TABLE kitchen (
    id TEXT PRIMARY KEY CHECK (id = 'kitchen'),
    version INTEGER NOT NULL CHECK (version >= 1),
    settings TEXT NOT NULL CHECK (json_valid(settings))
  ) STRICT`,
  `CREATE TABLE ingredient (
    id TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    name TEXT NOT NULL CHECK (name <> ''),
    packs TEXT NOT NULL CHECK (json_valid(packs)),
    densities TEXT NOT NULL CHECK (json_valid(densities)),
    pieceGrams REAL CHECK (pieceGrams > 0),
    composition TEXT CHECK (composition IS NULL OR json_valid(composition)),
    declaration TEXT NOT NULL CHECK (json_valid(declaration)),
    contains TEXT NOT NULL CHECK (json_valid(contains)),
    mayContain TEXT NOT NULL CHECK (json_valid(mayContain)),
    onHandGrams REAL NOT NULL CHECK (onHandGrams >= 0),
    notes TEXT NOT NULL
  ) STRICT`,
  `CREATE INDEX ingredient_name ON ingredient (name COLLATE NOCASE)`,
  `CREATE TABLE recipe (
    id TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    name TEXT NOT NULL CHECK (name <> ''),
    yield TEXT NOT NULL CHECK (json_valid(yield)),
    batchSizes TEXT NOT NULL CHECK (json_valid(batchSizes)),
    handsMinutes REAL NOT NULL CHECK (handsMinutes >= 0),
    keepsDays INTEGER NOT NULL CHECK (keepsDays >= 0),
    restDays INTEGER NOT NULL CHECK (restDays >= 0),
    method TEXT NOT NULL
  ) STRICT`,
  `CREATE INDEX recipe_name ON recipe (name COLLATE NOCASE)`,
  `CREATE TABLE recipe_line (
    recipeId TEXT NOT NULL REFERENCES recipe (id) ON DELETE CASCADE,
    position INTEGER NOT NULL CHECK (position >= 0),
    ingredientId TEXT REFERENCES ingredient (id) ON DELETE RESTRICT,
    componentId TEXT REFERENCES recipe (id) ON DELETE RESTRICT DEFERRABLE INITIALLY DEFERRED,
    amount REAL NOT NULL CHECK (amount > 0),
    unit TEXT NOT NULL,
    state TEXT,
    note TEXT NOT NULL,
    PRIMARY KEY (recipeId, position),
    CHECK ((ingredientId IS NULL) <> (componentId IS NULL)),
    CHECK (componentId IS NULL OR componentId <> recipeId)
  ) STRICT`,
  `CREATE INDEX recipe_line_ingredient ON recipe_line (ingredientId)`,
  `CREATE INDEX recipe_line_component ON recipe_line (componentId)`,
  `CREATE TABLE piece (
    id TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    name TEXT NOT NULL CHECK (name <> ''),
    form TEXT NOT NULL CHECK (json_valid(form)),
    bodyRecipeId TEXT NOT NULL REFERENCES recipe (id) ON DELETE RESTRICT,
    finishRecipeId TEXT REFERENCES recipe (id) ON DELETE RESTRICT,
    coatingRecipeId TEXT REFERENCES recipe (id) ON DELETE RESTRICT,
    keepsDays INTEGER NOT NULL CHECK (keepsDays >= 1),
    handSeconds REAL NOT NULL CHECK (handSeconds >= 0),
    travel TEXT NOT NULL CHECK (travel IN ('travels', 'keep cool', 'local only')),
    colour TEXT NOT NULL,
    notes TEXT NOT NULL
  ) STRICT`,
  `CREATE INDEX piece_name ON piece (name COLLATE NOCASE)`,
  `CREATE INDEX piece_body ON piece (bodyRecipeId)`,
  `CREATE INDEX piece_finish ON piece (finishRecipeId)`,
  `CREATE INDEX piece_coating ON piece (coatingRecipeId)`,
  `CREATE TABLE box (
    id TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    name TEXT NOT NULL CHECK (name <> ''),
    foodName TEXT NOT NULL CHECK (foodName <> ''),
    "rows" INTEGER NOT NULL CHECK ("rows" >= 1),
    columns INTEGER NOT NULL CHECK (columns >= 1),
    packaging TEXT NOT NULL CHECK (json_valid(packaging)),
    packMinutes REAL NOT NULL CHECK (packMinutes >= 0),
    priceMinor INTEGER NOT NULL CHECK (priceMinor >= 0),
    notes TEXT NOT NULL
  ) STRICT`,
  `CREATE INDEX box_name ON box (name COLLATE NOCASE)`,
  `CREATE TABLE box_cell (
    boxId TEXT NOT NULL REFERENCES box (id) ON DELETE CASCADE,
    position INTEGER NOT NULL CHECK (position >= 0),
    pieceId TEXT NOT NULL REFERENCES piece (id) ON DELETE RESTRICT,
    count INTEGER NOT NULL CHECK (count >= 1),
    PRIMARY KEY (boxId, position)
  ) STRICT`,
  `CREATE INDEX box_cell_piece ON box_cell (pieceId)`,
  `CREATE TABLE customer_order (
    id TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    customerName TEXT NOT NULL CHECK (customerName <> ''),
    customerContact TEXT NOT NULL,
    handOverOn TEXT NOT NULL CHECK (handOverOn GLOB '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]'),
    handOverWay TEXT NOT NULL CHECK (handOverWay IN ('pick-up', 'stall', 'courier')),
    handOverPlace TEXT NOT NULL,
    exclusions TEXT NOT NULL CHECK (json_valid(exclusions)),
    state TEXT NOT NULL CHECK (state IN ('asked', 'confirmed', 'paid', 'packed', 'handed over', 'cancelled')),
    depositMinor INTEGER NOT NULL CHECK (depositMinor >= 0),
    notes TEXT NOT NULL
  ) STRICT`,
  `CREATE INDEX customer_order_day ON customer_order (handOverOn, id)`,
  `CREATE INDEX customer_order_state ON customer_order (state, handOverOn)`,
  `CREATE INDEX customer_order_name ON customer_order (customerName COLLATE NOCASE)`,
  `CREATE TABLE order_line (
    orderId TEXT NOT NULL REFERENCES customer_order (id) ON DELETE CASCADE,
    position INTEGER NOT NULL CHECK (position >= 0),
    boxId TEXT NOT NULL REFERENCES box (id) ON DELETE RESTRICT,
    count INTEGER NOT NULL CHECK (count >= 1),
    PRIMARY KEY (orderId, position),
    UNIQUE (orderId, boxId)
  ) STRICT`,
  `CREATE INDEX order_line_box ON order_line (boxId)`,
  `CREATE TABLE order_agreed (
    orderId TEXT NOT NULL REFERENCES customer_order (id) ON DELETE CASCADE,
    position INTEGER NOT NULL CHECK (position >= 0),
    boxId TEXT NOT NULL REFERENCES box (id) ON DELETE RESTRICT,
    exclusion TEXT NOT NULL,
    PRIMARY KEY (orderId, position)
  ) STRICT`,
  `CREATE INDEX order_agreed_box ON order_agreed (boxId)`,
];

const tables = [
  'order_agreed',
  'order_line',
  'customer_order',
  'box_cell',
  'box',
  'piece',
  'recipe_line',
  'recipe',
  'ingredient',
  'kitchen',
];

/** The tables of the first release. */
export class FirstTables1764000000000 implements MigrationInterface {
  name = 'FirstTables1764000000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    for (const statement of up) await queryRunner.query(statement);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    for (const table of tables) await queryRunner.query(`DROP TABLE ${table}`);
  }
}
