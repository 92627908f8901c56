import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Recipe } from '@usual-pantry/core/recipe';
import { openServer, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const get = async (path: string) => (await server.http.get(path).expect(200)).body as unknown;

describe('what follows from a recipe', () => {
  it('is answered without a screen: composition and water activity as estimates', async () => {
    expect(await get('/api/recipes/cream-ganache/estimate')).toMatchObject({
      unknown: [],
      per100Grams: { water: expect.any(Number) },
      estimate: { waterActivity: { reading: 'may be above' }, ganache: { reads: 'sets to cut or roll' } },
    });
  });

  it('has targets for this kitchen, cautions, and the mass after each step', async () => {
    const method = (await get('/api/recipes/sesame-toffee/method')) as {
      pot: { fits: { name: string } };
      steps: { target: { here: number[] } | null; cautions: string[]; mass: { boiledOff: number } }[];
    };
    // What goes in behind the cooking needs no room in the pot.
    expect(method.pot.fits.name).toBe('3 qt pot');
    expect(method.steps[1]?.target?.here[0]).toBeCloseTo(149 - 4.71 + 1.51, 1);
    expect(method.steps[1]?.cautions[0]).toContain('Hot sugar');
    expect(method.steps[1]?.mass.boiledOff).toBeGreaterThan(50);
    await server.http.get('/api/recipes/lost/method').expect(404);
    await server.http.get('/api/recipes/lost/estimate').expect(404);
  });

  it('reads pasted lines against the stored pantry', async () => {
    const { body } = await server.http
      .post('/api/recipes/read-lines')
      .send({ text: '1 cup packed brown sugar\n1 stick butter', habit: 'US' })
      .expect(200);
    expect(body).toMatchObject([
      { line: { uses: { id: 'brown-sugar' }, amount: 1, unit: 'cup', state: 'packed' }, questions: [] },
      { questions: [expect.stringContaining('which is meant?')] },
    ]);
    await server.http.post('/api/recipes/read-lines').send({ text: 5 }).expect(422);
  });
});

describe('versions', () => {
  it('keep what each edit replaced, and come back by an edit', async () => {
    const before = (await get('/api/recipes/ginger-bark')) as Recipe;
    const { id, version, ...draft } = before;
    await server.http
      .put(`/api/recipes/${id}`)
      .send({ ...draft, version, keepsDays: 11 })
      .expect(200);
    const [newest] = (await get(`/api/recipes/${id}/versions`)) as {
      version: number;
      replacedOn: string;
      draft: object;
    }[];
    expect(newest).toEqual({ version, replacedOn: '2026-11-25', draft });
    await server.http
      .put(`/api/recipes/${id}`)
      .send({ ...newest?.draft, version: version + 1 })
      .expect(200);
    expect(await get(`/api/recipes/${id}`)).toEqual({ ...before, version: version + 2 });
  });
});

describe('what hangs together', () => {
  const refusal = async (path: string) => {
    const { version } = (await get(path)) as { version: number };
    const { body } = await server.http.delete(path).query({ version }).expect(409);
    return (body as { users: { name: string }[] }).users.map(({ name }) => name);
  };

  it('keeps a recipe that has a variant, and a filling of a moulded piece', async () => {
    expect(await refusal('/api/recipes/cream-ganache')).toContain('Ganache base, coconut cream');
    expect(await refusal('/api/recipes/praline-paste')).toContain('Hazelnut praline dome');
  });

  it('keeps an ingredient that is swapped in or stands in for another', async () => {
    expect(await refusal('/api/ingredients/coconut-cream')).toEqual(
      expect.arrayContaining(['Ganache base, coconut cream', 'Heavy cream']),
    );
  });

  it('refuses a variant and a substitute of nothing, by their paths', async () => {
    const recipe = (await get('/api/recipes/cream-ganache-coconut')) as Recipe;
    const { body } = await server.http
      .put(`/api/recipes/${recipe.id}`)
      .send({ ...recipe, id: undefined, variantOf: { recipeId: 'lost', swaps: recipe.variantOf?.swaps } })
      .expect(422);
    expect(body).toMatchObject({ wrong: [{ path: 'variantOf.recipeId', message: 'there is no recipe "lost"' }] });
  });
});

it('takes a line for what it says: an ingredient that has only the name of the recipe is not there', async () => {
  const { id: _id, version: _version, ...draft } = (await get('/api/recipes/cream-ganache')) as Recipe;
  const lines = draft.lines.map((line) => ({ ...line, uses: { kind: 'ingredient', id: 'nothing-yet' } }));
  const { body } = await server.http
    .post('/api/recipes')
    .send({ ...draft, id: 'nothing-yet', name: 'Nothing yet', lines })
    .expect(422);
  expect((body as { wrong: unknown[] }).wrong[0]).toEqual({
    path: 'lines[0].uses.id',
    message: 'there is no ingredient "nothing-yet"',
  });
});

it('may be of any size between two, and says what is wrong with others', async () => {
  const { id, ...draft } = (await get('/api/recipes/ginger-bark')) as Recipe;
  const put = (batchSizes: number[]) =>
    server.http.put(`/api/recipes/${id}`).send({ ...draft, batchSizes, anySize: true });
  expect((await put([0.5, 1, 2]).expect(422)).body).toMatchObject({ wrong: [{ path: 'batchSizes' }] });
  expect((await put([2, 1]).expect(422)).body).toMatchObject({
    wrong: [{ path: 'batchSizes[1]', message: 'must be larger than the least' }],
  });
  await put([0.3, 1.7]).expect(200);
  expect(await get(`/api/recipes/${id}`)).toMatchObject({ batchSizes: [0.3, 1.7], anySize: true });
});

it('remembers what a pack has cost since when', async () => {
  const { id, version, ...draft } = (await get('/api/ingredients/cocoa')) as {
    id: string;
    version: number;
    packs: { name: string; priceMinor: number }[];
    prices: unknown[];
  };
  const packs = draft.packs.map((pack) => ({ ...pack, priceMinor: pack.priceMinor + 100 }));
  await server.http
    .put(`/api/ingredients/${id}`)
    .send({ ...draft, version, packs })
    .expect(200);
  expect(await get(`/api/ingredients/${id}`)).toMatchObject({
    prices: [{ on: '2026-11-25', pack: packs[0]?.name, priceMinor: packs[0]?.priceMinor }],
  });
});
