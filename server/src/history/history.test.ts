import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { ChangePage } from '@usual-pantry/core/api';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { openServer, planOf, readDemo, TODAY, type TestServer } from '../testing/server.js';

let server: TestServer;
let demo: SeasonFile;
beforeAll(async () => {
  server = await openServer({ demo: true });
  demo = await readDemo();
});
beforeEach(() => server.http.post('/api/season-file').send(demo).expect(200));
afterAll(() => server.close());

interface Kept extends Record<string, unknown> {
  readonly id: string;
  readonly version: number;
}
const get = async (path: string) => (await server.http.get(`/api/${path}`).expect(200)).body as Kept;
const put = async (path: string, change: object) => {
  const { id: _id, ...stored } = await get(path);
  await server.http
    .put(`/api/${path}`)
    .send({ ...stored, ...change })
    .expect(200);
};
const turn = (direction: 'undo' | 'redo', id?: number) =>
  server.http.post(`/api/history/${direction}`).send(id === undefined ? {} : { id });
const list = async () => (await server.http.get('/api/history').expect(200)).body as ChangePage;
const file = async () => {
  const {
    plan: _plan,
    recipeVersions: _versions,
    ...kept
  } = (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
  return kept;
};
const order = {
  customer: { name: 'Ada Quill' },
  lines: [{ boxId: 'sampler', count: 1 }],
  handOver: { on: '2026-12-14', way: 'courier' },
};

describe('what was changed', () => {
  it('is listed with what it was called, and is taken back and done again to the letter', async () => {
    const before = await file();
    const { headers, body } = await server.http
      .post('/api/orders')
      .set('Change-Label', encodeURIComponent('Ada’s order taken.'))
      .send(order)
      .expect(201);
    expect(decodeURIComponent(headers['x-change-label'] as string)).toBe('Ada’s order taken.');
    const after = await file();
    const { items, total } = await list();
    expect(total).toBe(1);
    expect(items).toMatchObject([
      {
        id: Number(headers['x-change']),
        label: 'Ada’s order taken.',
        from: 'this computer',
        isMine: true,
        isUndone: false,
        records: [{ noun: 'order', id: (body as Kept).id, name: 'Ada Quill’s order' }],
        recordCount: 1,
        inTheWay: null,
      },
    ]);
    expect((await turn('undo').expect(200)).body).toMatchObject({ isUndone: true });
    expect(await file()).toEqual(before);
    await turn('redo').expect(200);
    expect(await file()).toEqual(after);
    await turn('undo').expect(200);
    expect(await file()).toEqual(before);
  });

  it('goes back over several edits, step by step, and forward again', async () => {
    const states = [await file()];
    for (const method of ['first', 'second', 'third']) {
      await put('recipes/pumpkin-toffee', { method });
      states.push(await file());
    }
    for (const back of [2, 1, 0]) {
      await turn('undo').expect(200);
      expect(await file()).toEqual(states[back]);
    }
    expect((await turn('undo').expect(409)).body).toMatchObject({ code: 'not-in-history', detail: 'Nothing to undo.' });
    for (const forth of [1, 2, 3]) {
      await turn('redo').expect(200);
      expect(await file()).toEqual(states[forth]);
    }
    expect((await turn('redo').expect(409)).body).toMatchObject({ detail: 'Nothing to redo.' });
  });

  it('is not done again after something else was changed, but by itself', async () => {
    await put('recipes/pumpkin-toffee', { method: 'first' });
    const { id } = (await turn('undo').expect(200)).body as { id: number };
    await put('recipes/cream-ganache', { method: 'other' });
    await turn('redo').expect(409);
    await turn('redo', id).expect(200);
    expect(await get('recipes/pumpkin-toffee')).toMatchObject({ method: 'first' });
  });

  it('can be undone out of order, unless a later edit of the same field stands in the way, which is named', async () => {
    await put('recipes/pumpkin-toffee', { method: 'first' });
    await put('recipes/pumpkin-toffee', { handsMinutes: 77 });
    await put('recipes/pumpkin-toffee', { method: 'second' });
    const [third, second, first] = (await list()).items;
    expect([first?.inTheWay, second?.inTheWay]).toEqual([{ id: third?.id, label: third?.label }, null]);
    const { body } = await turn('undo', first?.id).expect(409);
    expect(body).toMatchObject({ code: 'in-the-way' });
    expect((body as { detail: string }).detail).toContain('(method) was changed since');
    await turn('undo', second?.id).expect(200);
    expect(await get('recipes/pumpkin-toffee')).toMatchObject({ method: 'second' });
    expect((await get('recipes/pumpkin-toffee'))['handsMinutes']).not.toBe(77);
    await turn('undo', second?.id).expect(409);
  });

  it('of batches gives the pantry back what they took, and takes it again', async () => {
    const before = await file();
    const [run] = (await planOf(server)).runs;
    const elsewhere = before.ingredients.map(({ id }) => id);
    const batches = [{ recipeId: run?.recipeId, size: run?.batches[0]?.size, on: TODAY }];
    await server.http.post('/api/batches/made').send({ batches, elsewhere }).expect(201);
    const after = await file();
    expect(after.ingredients).not.toEqual(before.ingredients);
    await turn('undo').expect(200);
    expect(await file()).toEqual(before);
    await turn('redo').expect(200);
    expect(await file()).toEqual(after);
  });

  it('of a stock is refused when a batch has taken from it since', async () => {
    const [run] = (await planOf(server)).runs;
    const recipe = demo.recipes.find(({ id }) => id === run?.recipeId);
    const used = recipe?.lines.find(({ uses }) => uses.kind === 'ingredient')?.uses.id ?? '';
    await put(`ingredients/${used}`, { onHandGrams: 9000, lots: [] });
    const [edit] = (await list()).items;
    const elsewhere = demo.ingredients.map(({ id }) => id);
    const batches = [{ recipeId: run?.recipeId, size: run?.batches[0]?.size, on: TODAY }];
    await server.http.post('/api/batches/made').send({ batches, elsewhere }).expect(201);
    expect((await turn('undo', edit?.id).expect(409)).body).toMatchObject({ code: 'in-the-way' });
    await turn('undo').expect(200);
    await turn('undo', edit?.id).expect(200);
  });

  it('brings back what was deleted with its id, unless there is one with it again', async () => {
    const { body } = await server.http.post('/api/orders').send(order).expect(201);
    const { id, version } = body as Kept;
    const before = await file();
    await server.http.delete(`/api/orders/${id}`).query({ version }).expect(204);
    await turn('undo').expect(200);
    expect(await file()).toEqual(before);
    await turn('redo').expect(200);
    await server.http
      .post('/api/orders')
      .send({ ...order, id })
      .expect(201);
    const deletion = (await list()).items.find(({ label }) => label === 'Ada Quill’s order deleted.');
    expect((await turn('undo', deletion?.id).expect(409)).body).toMatchObject({ code: 'in-the-way' });
  });

  it('is refused in the words of the edit when the record may not be so any more', async () => {
    const [{ id: _id, ...butter } = { id: '' }] = demo.ingredients;
    await server.http
      .post('/api/ingredients')
      .send({ ...butter, name: 'Mace' })
      .expect(201);
    const [{ id: change, records: [mace] } = { id: 0, records: [] }] = (await list()).items;
    await put('recipes/pumpkin-toffee', {
      lines: [{ uses: { kind: 'ingredient', id: mace?.id }, amount: 1, unit: 'g' }],
    });
    expect((await turn('undo', change).expect(409)).body).toMatchObject({ code: 'in-use' });
    expect((await list()).items.every(({ isUndone }) => !isUndone)).toBe(true);
  });

  it('of a whole file of orders is one change', async () => {
    const before = await file();
    const rows = Array.from({ length: 40 }, (_, index) => `H${index},Wren Oxley ${index},Table box,1,2026-12-12,stall`);
    const text = ['Order no,Customer,Box,Qty,Date,How', ...rows].join('\n');
    await server.http.post('/api/order-file').send({ text }).expect(200);
    expect((await list()).items).toMatchObject([{ recordCount: 40, label: '40 orders taken from a file.' }]);
    await turn('undo').expect(200);
    expect(await file()).toEqual(before);
  });

  it('is forgotten when a file replaces everything, and kept no longer than 200 changes', async () => {
    for (let edit = 0; edit < 203; edit++) await put('recipes/pumpkin-toffee', { method: `edit ${edit}` });
    expect((await list()).total).toBe(200);
    await server.http.post('/api/season-file').send(demo).expect(200);
    expect(await list()).toMatchObject({ items: [], total: 0 });
  });

  it('may be called anything that is text', async () => {
    for (const label of ['%E0%A4', encodeURIComponent('x'.repeat(301)), '%00'])
      await server.http.post('/api/orders').set('Change-Label', label).send(order).expect(400);
    expect((await list()).total).toBe(0);
  });
});
