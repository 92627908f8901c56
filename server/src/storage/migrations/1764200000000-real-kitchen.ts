import type { MigrationInterface, QueryRunner } from 'typeorm';
import { addColumns, dropColumns, type AddedColumns } from './columns.js';

const ANY_AIR = `TEXT NOT NULL DEFAULT '{"mostCelsius":null,"mostHumidityPercent":null}'`;
const added: AddedColumns = [
  ['recipe', 'air', `${ANY_AIR} CHECK (json_valid(air))`],
  ['recipe', 'stands', 'TEXT CHECK (stands IS NULL OR json_valid(stands))'],
  ['piece', 'air', `${ANY_AIR} CHECK (json_valid(air))`],
  ['piece', 'setsInFridge', 'INTEGER NOT NULL DEFAULT 0 CHECK (setsInFridge IN (0, 1))'],
  ['piece', 'stands', 'TEXT CHECK (stands IS NULL OR json_valid(stands))'],
  ['batch', 'stageDays', `TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(stageDays))`],
];

interface Settings {
  fridgeLitres?: number;
  coldPlaces?: readonly { readonly kind: string; readonly litres: number }[];
}

interface Form {
  readonly kind: string;
  readonly centre?: Form;
}

/** What each kind of form can have beside what it had. */
const parts: Readonly<Record<string, object>> = {
  cut: { shape: 'rectangle', layers: [], finish: null },
  broken: { finish: null },
  piped: { finish: null },
  portion: { layers: [], finish: null },
  dipped: { finish: null },
  moulded: { cavitiesEach: 1, finish: null, stages: [] },
};

const withParts = (form: Form): Form => ({
  ...parts[form.kind],
  ...form,
  ...(form.centre && { centre: withParts(form.centre) }),
});

const withoutParts = ({ centre, ...form }: Form): Form => ({
  ...(Object.fromEntries(Object.entries(form).filter(([name]) => !(name in (parts[form.kind] ?? {})))) as {
    kind: string;
  }),
  ...(centre && { centre: withoutParts(centre) }),
});

/** Rewrites a JSON column of rows in place. */
async function rewrite<Value>(
  queryRunner: QueryRunner,
  { table, column, where = '1' }: { readonly table: string; readonly column: string; readonly where?: string },
  change: (value: Value) => Value,
): Promise<void> {
  const rows = (await queryRunner.query(
    `SELECT rowid AS place, ${column} AS value FROM ${table} WHERE ${where} AND ${column} IS NOT NULL`,
  )) as { place: number; value: string }[];
  for (const { place, value } of rows)
    await queryRunner.query(`UPDATE ${table} SET ${column} = ? WHERE rowid = ?`, [
      JSON.stringify(change(JSON.parse(value) as Value)),
      place,
    ]);
}

const ofKitchen = { table: 'change_part', where: `noun = 'kitchen'` };

/** Rooms with a temperature and a humidity, places that are cold, stages of moulded pieces. */
export class RealKitchen1764200000000 implements MigrationInterface {
  name = 'RealKitchen1764200000000';

  async up(queryRunner: QueryRunner): Promise<void> {
    await addColumns(queryRunner, added);
    await rewrite<Form>(queryRunner, { table: 'piece', column: 'form' }, withParts);
    await rewrite<Settings>(queryRunner, { table: 'kitchen', column: 'settings' }, ({ fridgeLitres, ...settings }) => ({
      ...settings,
      coldPlaces:
        fridgeLitres !== undefined && fridgeLitres > 0
          ? [{ name: 'Fridge', kind: 'fridge', litres: fridgeLitres, celsius: null }]
          : [],
    }));
    // What was said of the fridge as a number cannot be said again: it is no part of what can be taken back.
    for (const column of ['before', 'after'])
      await rewrite<Settings>(queryRunner, { ...ofKitchen, column }, ({ fridgeLitres: _litres, ...rest }) => rest);
    await rewrite<string[]>(queryRunner, { ...ofKitchen, column: 'fields' }, (fields) =>
      fields.filter((field) => field !== 'fridgeLitres'),
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await rewrite<Settings>(
      queryRunner,
      { table: 'kitchen', column: 'settings' },
      ({ coldPlaces = [], ...settings }) => ({
        ...settings,
        fridgeLitres: coldPlaces.reduce((sum, { kind, litres }) => (kind === 'fridge' ? sum + litres : sum), 0),
      }),
    );
    await rewrite<Form>(queryRunner, { table: 'piece', column: 'form' }, withoutParts);
    await dropColumns(queryRunner, added);
  }
}
