import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import 'reflect-metadata';
import type { DataSource } from 'typeorm';
import { entities } from '../app.module.js';
import { openDatabase } from './data-source.js';

let folder: string;
let database: DataSource;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'usual-pantry-'));
  database = await openDatabase(folder, { entities });
});
afterEach(async () => {
  await database.destroy();
  await rm(folder, { recursive: true, force: true });
});

const tables = async () =>
  (
    await database.query<{ name: string }[]>(
      `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> 'migrations' ORDER BY name`,
    )
  ).map((row) => row.name);

describe('the migrations', () => {
  it('make a table for everything that is kept, and have nothing left to change', async () => {
    expect(await tables()).toEqual([
      'answered',
      'batch',
      'box',
      'box_cell',
      'change_log',
      'change_part',
      'customer_order',
      'inbox_message',
      'ingredient',
      'kitchen',
      'label_print',
      'making',
      'making_event',
      'order_agreed',
      'order_line',
      'piece',
      'piece_layer',
      'practice',
      'recipe',
      'recipe_line',
      'recipe_version',
      'season_plan',
      'version_floor',
      'weighing',
    ]);
    expect(await database.showMigrations()).toBe(false);
  });

  it('know every column that the program reads', async () => {
    expect(database.entityMetadatas).toHaveLength(entities.length);
    for (const entity of database.entityMetadatas) {
      const columns = await database.query<{ name: string }[]>(`PRAGMA table_info('${entity.tableName}')`);
      const names = columns.map((column) => column.name);
      expect(names.sort()).toEqual(entity.columns.map((column) => column.databaseName).sort());
    }
  });

  it('carry on what was kept before: lives, forms, swaps, compositions', async () => {
    for (let back = 0; back < 12; back++) await database.undoLastMigration();
    await database.query(
      `INSERT INTO ingredient (id, version, name, packs, densities, pieceGrams, composition, declaration, contains, mayContain, onHandGrams, notes)
         VALUES ('i', 1, 'I', '[]', '[]', NULL, '{"water":100}', '{}', '[]', '[]', 0, '')`,
    );
    await database.query(
      `INSERT INTO recipe (id, version, name, yield, batchSizes, handsMinutes, keepsDays, restDays, method, alcohol, variantSwaps)
         VALUES ('r', 1, 'R', '{}', '[]', 0, 0, 0, '', 'never heated', '[{"ratio":2}]')`,
    );
    await database.query(
      `INSERT INTO piece (id, version, name, form, bodyRecipeId, keepsDays, handSeconds, travel, colour, notes)
         VALUES ('p', 1, 'P', '{"kind":"moulded"}', 'r', 21, 0, 'travels', '#000000', '')`,
    );
    await database.query(
      `INSERT INTO inbox_message VALUES ('m', '2026-11-20T10:00:00Z', 'S-1', 1, '{}', 'to settle', 'changed here', 'o', NULL)`,
    );
    await database.runMigrations();
    expect(await database.query('SELECT id, fate, why FROM inbox_message')).toEqual([
      { id: 'm', fate: 'to decide', why: 'changed here' },
    ]);
    const [piece] = await database.query<{ keepsDays: number; form: string }[]>('SELECT keepsDays, form FROM piece');
    expect(piece?.keepsDays).toBe(21);
    expect(JSON.parse(piece?.form ?? '')).toEqual({
      kind: 'moulded',
      fill: 'full',
      mostFillingMl: null,
      cavitiesEach: 1,
      finish: null,
      stages: [],
    });
    const [recipe] = await database.query<{ alcohol: string; variantSwaps: string }[]>('SELECT * FROM recipe');
    expect(recipe?.alcohol).toBe('by the steps');
    expect(JSON.parse(recipe?.variantSwaps ?? '')).toEqual([{ ratio: 2, share: 1 }]);
    const [ingredient] = await database.query<{ composition: string }[]>('SELECT composition FROM ingredient');
    expect(JSON.parse(ingredient?.composition ?? '')).toEqual({ water: 100, dextrin: 0 });
  });

  it('make a place of the fridge that was only a number, and forget that number', async () => {
    for (let back = 0; back < 3; back++) await database.undoLastMigration();
    const settings = JSON.stringify({ makerName: 'M', fridgeLitres: 12 });
    await database.query(`INSERT INTO kitchen (id, version, settings) VALUES ('kitchen', 1, ?)`, [settings]);
    await database.query(
      `INSERT INTO change_log (id, at, sessionId, deviceName, label, isPassed) VALUES (1, '', '', '', '', 0)`,
    );
    await database.query(
      `INSERT INTO change_part (changeId, position, noun, recordId, name, before, after, fields)
         VALUES (1, 0, 'kitchen', 'kitchen', 'Settings', '{"burners":2,"fridgeLitres":9}', '{"burners":3,"fridgeLitres":12}', '["burners","fridgeLitres"]')`,
    );
    await database.runMigrations();
    const [kitchen] = await database.query<{ settings: string }[]>('SELECT settings FROM kitchen');
    expect(JSON.parse(kitchen?.settings ?? '')).toEqual({
      makerName: 'M',
      coldPlaces: [{ name: 'Fridge', kind: 'fridge', litres: 12, celsius: null }],
    });
    expect(await database.query('SELECT before, after, fields FROM change_part')).toEqual([
      { before: '{"burners":2}', after: '{"burners":3}', fields: '["burners"]' },
    ]);
    for (let back = 0; back < 3; back++) await database.undoLastMigration();
    const [back] = await database.query<{ settings: string }[]>('SELECT settings FROM kitchen');
    expect(JSON.parse(back?.settings ?? '')).toEqual({ makerName: 'M', fridgeLitres: 12 });
  });

  it('make a payment of the state of being paid, and of nothing else', async () => {
    await database.undoLastMigration();
    const add = (id: string, state: string, history: object[]) =>
      database.query(
        `INSERT INTO customer_order (id, version, customerName, customerContact, handOverOn, handOverWay, handOverPlace, exclusions, state, depositMinor, notes, history)
         VALUES (?, 1, 'A', '', '2026-12-05', 'stall', '', '[]', ?, 0, '', ?)`,
        [id, state, JSON.stringify(history)],
      );
    const was = [{ state: 'paid', at: '2026-11-20T10:00:00Z' }];
    await add('paid', 'paid', was);
    await add('packed-paid', 'packed', was);
    await add('packed', 'packed', []);
    await add('handed-over', 'handed over', []);
    await add('cancelled', 'cancelled', was);
    await add('asked', 'asked', []);
    await database.runMigrations();
    const rows = await database.query<{ id: string; state: string; payments: string }[]>(
      'SELECT id, state, payments FROM customer_order ORDER BY id',
    );
    const said = rows.map(({ id, state, payments }) => {
      const [first] = JSON.parse(payments) as { on: string; minor: null }[];
      return `${id}: ${state}${first ? `, ${first.on} ${String(first.minor)}` : ''}`;
    });
    expect(said).toEqual([
      'asked: asked',
      'cancelled: cancelled',
      'handed-over: handed over, 2026-12-05 null',
      'packed: packed',
      'packed-paid: packed, 2026-11-20 null',
      'paid: confirmed, 2026-11-20 null',
    ]);
  });

  it('go back to nothing', async () => {
    await database.undoLastMigration();
    const paid = await database.query<{ name: string }[]>(`PRAGMA table_info('customer_order')`);
    expect(paid.map(({ name }) => name)).not.toContain('payments');
    await database.undoLastMigration();
    const kept = await database.query<{ name: string }[]>(`PRAGMA table_info('piece')`);
    expect(kept.map(({ name }) => name)).not.toContain('keepsAir');
    await database.undoLastMigration();
    const pieces = await database.query<{ name: string }[]>(`PRAGMA table_info('piece')`);
    expect(pieces.map(({ name }) => name)).not.toContain('setsInFridge');
    await database.undoLastMigration();
    const recipes = await database.query<{ name: string }[]>(`PRAGMA table_info('recipe')`);
    expect(recipes.map(({ name }) => name)).not.toContain('anySize');
    await database.undoLastMigration();
    expect(await tables()).not.toContain('making');
    await database.undoLastMigration();
    expect(await tables()).not.toContain('label_print');
    await database.undoLastMigration();
    const orders = await database.query<{ name: string }[]>(`PRAGMA table_info('customer_order')`);
    expect(orders.map(({ name }) => name)).not.toContain('labelSchool');
    await database.undoLastMigration();
    await database.undoLastMigration();
    expect(await tables()).not.toContain('change_log');
    await database.undoLastMigration();
    expect(await tables()).not.toContain('version_floor');
    await database.undoLastMigration();
    const boxes = await database.query<{ name: string }[]>(`PRAGMA table_info('box')`);
    expect(boxes.map(({ name }) => name)).not.toContain('panel');
    await database.undoLastMigration();
    const recipeLines = await database.query<{ name: string }[]>(`PRAGMA table_info('recipe_line')`);
    expect(recipeLines.map(({ name }) => name)).not.toContain('atStep');
    await database.undoLastMigration();
    const lines = await database.query<{ name: string }[]>(`PRAGMA table_info('order_line')`);
    expect(lines.map(({ name }) => name)).not.toContain('without');
    await database.undoLastMigration();
    expect(await tables()).not.toContain('batch');
    await database.undoLastMigration();
    const columns = await database.query<{ name: string }[]>(`PRAGMA table_info('ingredient')`);
    expect(columns.map(({ name }) => name)).not.toContain('lots');
    await database.undoLastMigration();
    expect(await tables()).not.toContain('season_plan');
    await database.undoLastMigration();
    expect(await tables()).not.toContain('inbox_message');
    await database.undoLastMigration();
    expect(await tables()).not.toContain('recipe_version');
    await database.undoLastMigration();
    expect(await tables()).toEqual([]);
  });
});

describe('the tables', () => {
  const recipe = `INSERT INTO recipe (id, version, name, yield, batchSizes, handsMinutes, keepsDays, restDays, method) VALUES ('r', 1, 'R', '{}', '[]', 0, 0, 0, '')`;

  it.each([
    [
      'an order in no known state',
      `INSERT INTO customer_order (id, version, customerName, customerContact, handOverOn, handOverWay, handOverPlace, exclusions, state, depositMinor, notes) VALUES ('o', 1, 'A', '', '2026-12-05', 'stall', '', '[]', 'lost', 0, '')`,
    ],
    [
      'a hand-over that is no day',
      `INSERT INTO customer_order (id, version, customerName, customerContact, handOverOn, handOverWay, handOverPlace, exclusions, state, depositMinor, notes) VALUES ('o', 1, 'A', '', 'soon', 'stall', '', '[]', 'paid', 0, '')`,
    ],
    [
      'a negative price',
      `INSERT INTO box (id, version, name, foodName, "rows", columns, packaging, packMinutes, priceMinor, notes) VALUES ('b', 1, 'B', 'F', 1, 1, '[]', 0, -1, '')`,
    ],
    [
      'text that is no JSON',
      `INSERT INTO box (id, version, name, foodName, "rows", columns, packaging, packMinutes, priceMinor, notes) VALUES ('b', 1, 'B', 'F', 1, 1, 'tray', 0, 1, '')`,
    ],
    [
      'a line that uses nothing',
      `INSERT INTO recipe_line (recipeId, position, ingredientId, componentId, amount, unit, state, note) VALUES ('r', 0, NULL, NULL, 1, 'g', NULL, '')`,
    ],
    [
      'a recipe that uses itself',
      `INSERT INTO recipe_line (recipeId, position, ingredientId, componentId, amount, unit, state, note) VALUES ('r', 0, NULL, 'r', 1, 'g', NULL, '')`,
    ],
    [
      'a line of an unknown ingredient',
      `INSERT INTO recipe_line (recipeId, position, ingredientId, componentId, amount, unit, state, note) VALUES ('r', 0, 'lost', NULL, 1, 'g', NULL, '')`,
    ],
    ['a second kitchen', `INSERT INTO kitchen VALUES ('other', 1, '{}')`],
  ])('refuse %s', async (_name, statement) => {
    await database.query(recipe);
    await expect(database.query(statement)).rejects.toThrow(/constraint failed/i);
  });

  it('take a lone null as a value, not as a bag of names', async () => {
    await database.query(recipe);
    await database.query(`UPDATE recipe SET method = coalesce(?, 'none')`, [null]);
    expect(await database.query('SELECT method FROM recipe')).toEqual([{ method: 'none' }]);
  });
});
