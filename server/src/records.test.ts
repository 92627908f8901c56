import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { openServer, type TestServer } from './testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

/** A draft of each noun, an edit of it, and a wrong value with its path. */
const nouns = [
  {
    path: 'ingredients',
    draft: {
      name: 'Honey',
      declaration: { labelName: 'honey' },
      densities: [{ state: 'plain', gramsPerMl: 1.43 }],
      packs: [{ name: 'jar', amount: 12, unit: 'floz', priceMinor: 750 }],
    },
    edit: { onHandGrams: 340, contains: ['milk'] },
    wrong: { pieceGrams: 0 },
    at: 'pieceGrams',
  },
  {
    path: 'recipes',
    draft: {
      name: 'Honey nougat',
      lines: [
        { uses: { kind: 'ingredient', id: 'granulated-sugar' }, amount: 400, unit: 'g' },
        { uses: { kind: 'recipe', id: 'praline-paste' }, amount: 100, unit: 'g' },
      ],
      yield: { by: 'loss', lossPercent: 5 },
      batchSizes: [1],
      handsMinutes: 30,
      keepsDays: 20,
      restDays: 0,
    },
    edit: { lines: [], batchSizes: [1, 2] },
    wrong: { batchSizes: [] },
    at: 'batchSizes',
  },
  {
    path: 'pieces',
    draft: {
      name: 'Square',
      form: {
        kind: 'rolled',
        recipeId: 'cream-ganache',
        centreGrams: 12,
        finish: { recipeId: 'cocoa-dust', gramsEach: 1 },
      },
      keepsDays: 9,
      handSeconds: 20,
      travel: 'keep cool',
      colour: '#51304f',
    },
    edit: {
      form: {
        kind: 'dipped',
        centre: { kind: 'broken', recipeId: 'sesame-toffee', crumbsPercent: 5, servingGrams: 9 },
        coatingRecipeId: 'milk-coating',
        coatingPercent: 30,
      },
    },
    wrong: { form: { kind: 'rolled', recipeId: 'lost', centreGrams: 12 } },
    at: 'form',
  },
  {
    path: 'boxes',
    draft: {
      name: 'Pair',
      foodName: 'Fudge',
      rows: 1,
      columns: 3,
      cells: [{ pieceId: 'malted', count: 2 }, null, { pieceId: 'praline', count: 1 }],
      packMinutes: 3,
      priceMinor: 700,
    },
    edit: { columns: 1, cells: [{ pieceId: 'malted', count: 2, standIns: [] }] },
    wrong: { cells: [{ pieceId: 'lost', count: 1 }, null, null] },
    at: 'cells[0].pieceId',
  },
  {
    path: 'orders',
    draft: {
      customer: { name: 'Ada' },
      lines: [{ boxId: 'sampler', count: 2 }],
      handOver: { on: '2026-12-16', way: 'pick-up' },
      exclusions: ['sesame'],
      agreed: [{ boxId: 'sampler', exclusion: 'sesame' }],
    },
    edit: { lines: [{ boxId: 'toffee-bag', count: 1 }], agreed: [], state: 'packed' },
    wrong: { agreed: [{ boxId: 'lost', exclusion: 'sesame' }] },
    at: 'agreed[0].boxId',
  },
] as const;

it('text that cannot be stored as it is, is refused with its path, and what can be written in two ways is one', async () => {
  const draft = { name: 'Ann\u0000 without nuts', declaration: { labelName: 'x', parts: [] } };
  expect((await server.http.post('/api/ingredients').send(draft).expect(422)).body).toMatchObject({
    wrong: [{ path: 'name', message: 'has a control character (code 0) at place 4: take it out' }],
  });
  const composed = await server.http
    .post('/api/ingredients')
    .send({ ...draft, name: 'Cre\u0300me' })
    .expect(201);
  expect((composed.body as { name: string }).name).toBe('Cr\u00e8me');
  await server.http
    .post('/api/ingredients')
    .send({ ...draft, name: 'Cr\u00e8me' })
    .expect(422);
});

it('a second ingredient of the same name, and a box without a piece, are refused in words; what was so before may stay', async () => {
  const { ingredients } = (await server.http.get('/api/book').expect(200)).body as {
    ingredients: { id: string; version: number; name: string }[];
  };
  const [first, second] = ingredients;
  if (!first || !second) throw new Error('a pantry');
  const named = (name: string) => ({ name, declaration: { labelName: 'x', parts: [] } });
  const refused = await server.http
    .post('/api/ingredients')
    .send(named(`  ${first.name.toUpperCase()} `))
    .expect(422);
  expect(refused.body).toMatchObject({
    wrong: [
      {
        path: 'name',
        message: `there is already “${first.name.toUpperCase()}” in the pantry: give this one another name`,
      },
    ],
  });
  const { id, ...draft } = second;
  await server.http
    .put(`/api/ingredients/${id}`)
    .send({ ...draft, name: first.name })
    .expect(422);
  await server.http
    .put(`/api/ingredients/${id}`)
    .send({ ...draft, name: `${second.name} ` })
    .expect(200);
  const empty = {
    name: 'Empty',
    foodName: 'Air',
    rows: 1,
    columns: 2,
    cells: [null, null],
    packMinutes: 1,
    priceMinor: 1,
  };
  expect((await server.http.post('/api/boxes').send(empty).expect(422)).body).toMatchObject({
    wrong: [{ path: 'cells', message: 'must have a piece in one cell at least' }],
  });
});

describe.each(nouns)('$path', ({ path, draft, edit, wrong, at }) => {
  it('are added with what was left out filled in, read again, changed whole, and deleted', async () => {
    const added = (await server.http.post(`/api/${path}`).send(draft).expect(201)).body as {
      id: string;
      version: number;
    };
    expect(added).toMatchObject(draft);
    expect((await server.http.get(`/api/${path}/${added.id}`).expect(200)).body).toEqual(added);
    const { id, ...stored } = added;
    const changed = (
      await server.http
        .put(`/api/${path}/${id}`)
        .send({ ...stored, ...edit })
        .expect(200)
    ).body as object;
    expect(changed).toMatchObject({ ...edit, version: added.version + 1 });
    expect((await server.http.get(`/api/${path}/${id}`)).body).toEqual(changed);
    await server.http.delete(`/api/${path}/${id}?version=${added.version + 1}`).expect(204);
    await server.http.get(`/api/${path}/${id}`).expect(404);
    // One that takes its place is none that a page of before may change
    const again = (
      await server.http
        .post(`/api/${path}`)
        .send({ ...draft, id })
        .expect(201)
    ).body as { version: number };
    expect(again.version).toBeGreaterThan(added.version + 1);
    await server.http.delete(`/api/${path}/${id}?version=${added.version}`).expect(409);
    await server.http.delete(`/api/${path}/${id}?version=${again.version}`).expect(204);
  });

  it('keep the id that they are given, once', async () => {
    const id = `given-${path}`;
    await server.http
      .post(`/api/${path}`)
      .send({ ...draft, id })
      .expect(201);
    const { body } = await server.http
      .post(`/api/${path}`)
      .send({ ...draft, id })
      .expect(409);
    expect(body).toMatchObject({ code: 'id-taken', current: { id } });
    await server.http
      .post(`/api/${path}`)
      .send({ ...draft, id: '../up' })
      .expect(422);
  });

  it('with a wrong value are refused at its place and not stored', async () => {
    const total = async () => ((await server.http.get(`/api/${path}?size=1`)).body as { total: number }).total;
    const before = await total();
    const { body } = await server.http
      .post(`/api/${path}`)
      .send({ ...draft, ...wrong })
      .expect(422);
    expect((body as { wrong: { path: string }[] }).wrong.map((each) => each.path)).toEqual([at]);
    expect(await total()).toBe(before);
  });

  it('that are not there are neither changed nor deleted', async () => {
    await server.http
      .put(`/api/${path}/nobody`)
      .send({ ...draft, version: 1 })
      .expect(404);
    await server.http.delete(`/api/${path}/nobody?version=1`).expect(404);
    await server.http.delete(`/api/${path}/nobody`).expect(400);
  });

  it('are listed in order, page by page', async () => {
    const names: string[] = [];
    for (let page = 1; page <= 3; page++) {
      const { body } = await server.http.get(`/api/${path}?size=3&page=${page}`).expect(200);
      const { items } = body as { items: { name?: string; customer?: { name: string } }[] };
      names.push(...items.map((each) => each.name ?? each.customer?.name ?? ''));
    }
    expect([...names].sort((a, b) => (a < b ? -1 : 1))).toEqual(names);
    expect(new Set(names).size).toBeGreaterThan(3);
  });
});
