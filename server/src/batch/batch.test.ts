import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { ChangePage } from '@usual-pantry/core/api';
import type { Batch } from '@usual-pantry/core/batch';
import { openBook } from '@usual-pantry/core/book';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import { lackingFor } from '@usual-pantry/core/shopping';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { verifyPlan } from '../../../core/testing/verify-plan.js';
import { openServer, planOf, readDemo, type TestServer, TODAY } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer();
});
beforeEach(async () => {
  await server.http
    .post('/api/season-file')
    .send(await readDemo())
    .expect(200);
});
afterAll(() => server.close());

const plan = () => planOf(server);
/** The batches that are stored, with what is needed to change them. */
const stored = async () =>
  ((await server.http.get('/api/batches').expect(200)).body as { items: { id: string; version: number }[] }).items.map(
    ({ id, version }) => ({ id, version }),
  );
const versionOf = async (recipeId: string) =>
  ((await server.http.get(`/api/recipes/${recipeId}`).expect(200)).body as { version: number }).version;
const file = async () => (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
const ingredient = async (id: string) =>
  (await server.http.get(`/api/ingredients/${id}`).expect(200)).body as Ingredient;
/** Says of batches that they were made, with what the pantry lacks from elsewhere. */
const made = async (batches: object[]) => {
  const elsewhere = (await file()).ingredients.map(({ id }) => id);
  return (await server.http.post('/api/batches/made').send({ batches, elsewhere }).expect(201)).body as Batch[];
};

/** The first making of the plan, as batches that were made today. */
async function firstMaking() {
  const [run] = (await plan()).runs;
  if (!run) throw new Error('nothing to make');
  const { recipeId, batches } = run;
  return {
    run,
    drafts: batches.flatMap(({ size, count }) => Array.from({ length: count }, () => ({ recipeId, size, on: TODAY }))),
  };
}

describe('batches that were made', () => {
  it('are not made again, and the rest of the plan stays as it was decided', async () => {
    const before = await plan();
    const { run, drafts } = await firstMaking();
    await made(drafts);
    const after = await plan();
    expect(after.made).toMatchObject([{ recipeId: run.recipeId, day: TODAY, batchCount: run.batchCount }]);
    expect(after.batches).toBe(before.batches - run.batchCount);
    expect(after.follows).toBe(true);
    const stored = await file();
    expect(stored.batches).toHaveLength(drafts.length);
    expect(verifyPlan(after, openBook(stored), stored.orders, TODAY)).toEqual([]);
    // And they come back from the file.
    await server.http.post('/api/season-file').send(stored).expect(200);
    expect((await plan()).made).toEqual(after.made);
  });

  it('are asked where that came from which was never on hand, and leave the rest of an opened pack in the pantry', async () => {
    const { drafts } = await firstMaking();
    const stored = await file();
    const facts = openBook(stored).recipes.get(drafts[0]?.recipeId ?? '');
    if (!facts) throw new Error('no recipe');
    const empty = stored.ingredients.map((each) => ({ ...each, onHandGrams: 0, lots: [] }));
    await server.http
      .post('/api/season-file')
      .send({ ...stored, ingredients: empty })
      .expect(200);
    const lacking = lackingFor(drafts, facts, openBook({ ...stored, ingredients: empty }).ingredients);
    expect(lacking.length).toBeGreaterThan(0);
    const refused = await server.http.post('/api/batches/made').send({ batches: drafts }).expect(422);
    for (const { name } of lacking) expect(JSON.stringify(refused.body)).toContain(`${name}: the pantry lacks`);
    expect((await file()).batches).toEqual([]);
    const opened = lacking.map(({ ingredientId, packs }) => ({
      ingredientId,
      grams: packs.reduce((sum, { grams, count }) => sum + grams * count, 0),
    }));
    await server.http.post('/api/batches/made').send({ batches: drafts, opened }).expect(201);
    for (const { ingredientId, grams } of lacking) {
      const pack = opened.find((each) => each.ingredientId === ingredientId)?.grams ?? 0;
      expect((await ingredient(ingredientId)).onHandGrams).toBeCloseTo(pack - grams, 3);
    }
  });

  it('take from the pantry what it has of what they need, and give it back', async () => {
    const { run, drafts } = await firstMaking();
    const { recipes, ingredients } = await file();
    const used = recipes
      .find(({ id }) => id === run.recipeId)
      ?.lines.flatMap(({ uses }) => (uses.kind === 'ingredient' ? [uses.id] : []));
    const onHand = ingredients.find(({ id, onHandGrams }) => used?.includes(id) === true && onHandGrams > 0);
    if (!onHand) throw new Error('nothing of it is on hand');
    const [one] = await made(drafts);
    if (!one) throw new Error('nothing was made');
    const taken = one.taken.filter(({ ingredientId }) => ingredientId === onHand.id);
    expect(taken.length).toBeGreaterThan(0);
    const left = await ingredient(onHand.id);
    expect(left.onHandGrams).toBeLessThan(onHand.onHandGrams);
    for (const { id, version } of await stored())
      await server.http.delete(`/api/batches/${id}`).query({ version }).expect(204);
    expect((await ingredient(onHand.id)).onHandGrams).toBeCloseTo(onHand.onHandGrams, 6);
    expect((await plan()).made).toEqual([]);
  });

  it('keep what went in when something else is said of them', async () => {
    const { drafts } = await firstMaking();
    const [one] = await made(drafts);
    if (!one) throw new Error('nothing was made');
    const { id, version, ...draft } = one;
    const { body } = await server.http
      .put(`/api/batches/${id}`)
      .send({ ...draft, version, grams: 500, taken: [] })
      .expect(200);
    expect(body).toMatchObject({ grams: 500, taken: one.taken });
    expect((await plan()).made).toMatchObject([{ recipeId: one.recipeId }]);
  });

  it('are said to be finished together, or not at all', async () => {
    const { drafts } = await firstMaking();
    const [one] = await made([drafts[0] ?? {}, drafts[0] ?? {}]);
    if (!one) throw new Error('nothing was made');
    const both = await stored();
    const stale = [...both.slice(0, 1), { id: both[1]?.id, version: 7 }];
    await server.http.post('/api/batches/finished').send({ batches: stale, on: TODAY }).expect(409);
    expect((await file()).batches.map(({ finishedOn }) => finishedOn)).toEqual([null, null]);
    await server.http.post('/api/batches/finished').send({ batches: both, on: TODAY }).expect(200);
    expect((await file()).batches.map(({ finishedOn }) => finishedOn)).toEqual([TODAY, TODAY]);
    expect((await plan()).made).toMatchObject([{ finishedOn: TODAY }]);
  });

  it('are weighed and taken back together, each as one change', async () => {
    const before = (await file()).ingredients;
    const { drafts } = await firstMaking();
    await made([drafts[0] ?? {}, drafts[0] ?? {}]);
    const both = await stored();
    const weighed = both.map((each, index) => ({ ...each, grams: 500 + index }));
    await server.http.post('/api/batches/weighed').send({ batches: weighed }).expect(200);
    expect((await file()).batches.map(({ grams }) => grams)).toEqual([500, 501]);
    await server.http.post('/api/batches/taken-back').send({ batches: both }).expect(409);
    expect((await file()).batches).toHaveLength(2);
    const now = await stored();
    await server.http.post('/api/batches/taken-back').send({ batches: now }).expect(204);
    expect(await file()).toMatchObject({ batches: [], ingredients: before });
    expect(((await server.http.get('/api/history')).body as ChangePage).items.map((each) => each.recordCount)).toEqual([
      2, 2, 2,
    ]);
  });

  it('are refused as a whole, in words, when one of them cannot be', async () => {
    const { drafts } = await firstMaking();
    const later = { ...drafts[0], on: '2026-11-26' };
    const { body } = await server.http
      .post('/api/batches/made')
      .send({ batches: [drafts[0], later], elsewhere: (await file()).ingredients.map(({ id }) => id) })
      .expect(422);
    expect(body).toMatchObject({ wrong: [{ path: 'on', message: 'must not be after today, Wednesday 25 November' }] });
    await server.http
      .post('/api/batches/made')
      .send({ batches: [{ ...drafts[0], recipeId: 'lost' }] })
      .expect(422);
    expect((await file()).batches).toEqual([]);
  });

  it('keep their recipe from being deleted', async () => {
    const { drafts, run } = await firstMaking();
    await made(drafts);
    const { body } = await server.http
      .delete(`/api/recipes/${run.recipeId}`)
      .query({ version: await versionOf(run.recipeId) })
      .expect(409);
    expect(JSON.stringify(body)).toContain('batches that were made');
  });
});
