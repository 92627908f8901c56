import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { BookAnswer, ChangePage } from '@usual-pantry/core/api';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import { openServer, readDemo, TODAY, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
beforeEach(async () =>
  server.http
    .post('/api/season-file')
    .send(await readDemo())
    .expect(200),
);
afterAll(() => server.close());

const pantry = async () => ((await server.http.get('/api/book').expect(200)).body as BookAnswer).ingredients;
const one = async (id: string) => (await server.http.get(`/api/ingredients/${id}`).expect(200)).body as Ingredient;
const pack = (name: string, amount: number, priceMinor: number) => ({ name, amount, unit: 'lb', priceMinor });
const give = (prices: object[]) => server.http.post('/api/ingredients/prices').send({ prices });

describe('prices of several ingredients', () => {
  it('are given at once, are written down by day, and are one change', async () => {
    const [sugar, butter] = [await one('brown-sugar'), await one('unsalted-butter')];
    const known = sugar.packs[0]?.name ?? '';
    await give([
      { id: sugar.id, version: sugar.version, packs: [{ ...sugar.packs[0], priceMinor: 321 }] },
      { id: butter.id, version: butter.version, packs: [pack('3 lb', 3, 1099), pack('9 lb', 9, 2999)] },
    ]).expect(200);
    const after = await one(sugar.id);
    expect(after.packs.map(({ name, priceMinor }) => [name, priceMinor])).toContainEqual([known, 321]);
    expect(after.packs).toHaveLength(sugar.packs.length);
    expect(after.prices).toContainEqual({ on: TODAY, pack: known, priceMinor: 321 });
    expect((await one(butter.id)).packs.map(({ name }) => name)).toEqual([
      ...butter.packs.map(({ name }) => name),
      '3 lb',
      '9 lb',
    ]);
    const { items } = (await server.http.get('/api/history').expect(200)).body as ChangePage;
    expect(items[0]?.recordCount).toBe(2);
    await server.http.post('/api/history/undo').send({}).expect(200);
    expect((await one(sugar.id)).packs).toEqual(sugar.packs);
  });

  it('are taken all or none: one that was changed elsewhere refuses them', async () => {
    const [sugar, butter] = [await one('brown-sugar'), await one('unsalted-butter')];
    await give([
      { id: sugar.id, version: sugar.version, packs: [pack('3 lb', 3, 999)] },
      { id: butter.id, version: butter.version - 1, packs: [pack('3 lb', 3, 1099)] },
    ]).expect(409);
    expect((await one(sugar.id)).packs).toEqual(sugar.packs);
  });
});

describe('plain ingredients', () => {
  const take = (ids: string[]) => server.http.post('/api/ingredients/starters').send({ ids });

  it('come into the pantry as one change, with what they contain, and leave what is there as it is', async () => {
    const before = await pantry();
    const taken = (await take(['tahini', 'cashews', 'unsalted-butter']).expect(200)).body as Ingredient[];
    expect(taken.map(({ id, contains }) => [id, contains])).toEqual([
      ['tahini', ['sesame']],
      ['cashews', ['cashew']],
    ]);
    expect(await pantry()).toHaveLength(before.length + 2);
    expect((await pantry()).find(({ id }) => id === 'unsalted-butter')).toEqual(
      before.find(({ id }) => id === 'unsalted-butter'),
    );
    await server.http.post('/api/history/undo').send({}).expect(200);
    expect(await pantry()).toHaveLength(before.length);
  });

  it('that nobody knows are refused by name', async () => {
    const before = await pantry();
    const refused = await take(['tahini', 'moon-dust']).expect(422);
    expect(JSON.stringify(refused.body)).toContain('there is no \\"moon-dust\\"');
    expect(await pantry()).toHaveLength(before.length);
  });
});
