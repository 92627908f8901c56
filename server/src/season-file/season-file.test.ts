import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Kitchen } from '@usual-pantry/core/kitchen';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { openServer, readDemo, type TestServer } from '../testing/server.js';
import { readPdf } from '../testing/pdf.js';

let server: TestServer;
let demo: SeasonFile;
beforeAll(async () => {
  demo = await readDemo();
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const saved = async () => (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
const byId = (file: SeasonFile) => {
  const sorted = <T extends { id: string }>(list: T[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
  return {
    ...file,
    ingredients: sorted(file.ingredients),
    recipes: sorted(file.recipes),
    pieces: sorted(file.pieces),
    boxes: sorted(file.boxes),
    orders: sorted(file.orders),
  };
};

describe('a season file', () => {
  it('comes out as it went in', async () => {
    expect(await saved()).toEqual(byId(demo));
  });

  it('with one wrong value changes nothing and names its path', async () => {
    const wrong = structuredClone(demo);
    const order = wrong.orders[3];
    if (!order) throw new Error('the demo is too short');
    order.lines = [{ boxId: 'lost', count: 1, edition: null, without: [] }];
    const { body } = await server.http.post('/api/season-file').send(wrong).expect(422);
    expect(body).toMatchObject({ wrong: [{ path: 'orders[3].lines[0].boxId', message: 'there is no box "lost"' }] });
    expect(await saved()).toEqual(byId(demo));
  });

  it('is looked at without changing anything', async () => {
    const { body } = await server.http
      .post('/api/season-file/check')
      .send({ ...demo, orders: [] })
      .expect(200);
    expect(body).toEqual({ ingredients: 38, recipes: 19, pieces: 12, boxes: 5, orders: 0 });
    expect((await saved()).orders).toHaveLength(demo.orders.length);
  });

  it('replaces everything, after what was there has been kept beside the database', async () => {
    const before = (await readdir(join(server.folder, 'backups')).catch(() => [])).length;
    await server.http
      .post('/api/season-file')
      .send({ ...demo, orders: demo.orders.slice(0, 2) })
      .expect(200);
    expect((await saved()).orders).toHaveLength(2);
    expect(await readdir(join(server.folder, 'backups'))).toHaveLength(before + 1);
    await server.http.post('/api/season-file').send(demo).expect(200);
  });

  it('holds earlier versions of recipes and what the shop has sent, and brings them into another kitchen', async () => {
    const { body: recipe } = await server.http.get('/api/recipes/dark-coating').expect(200);
    const { id, ...draft } = recipe as { id: string; version: number };
    await server.http
      .put(`/api/recipes/${id}`)
      .send({ ...draft, method: 'darker' })
      .expect(200);
    await server.http
      .post('/api/inbox/test')
      .send({
        manner: 'twice',
        order: {
          customer: { name: 'Wren Oxley' },
          lines: [{ box: 'Pinwheel sampler', count: 1 }],
          handOver: { on: '2026-12-19', way: 'courier' },
        },
      })
      .expect(200);
    const file = await saved();
    expect(file.recipeVersions).toMatchObject([{ recipeId: id }]);
    expect(file.messages).toMatchObject([{ fate: 'taken', orderStands: true }]);
    const other = await openServer();
    await other.http.post('/api/season-file').send(file).expect(200);
    expect((await other.http.get('/api/season-file').expect(200)).body).toEqual(file);
    const versions = await other.http.get(`/api/recipes/${id}/versions`).expect(200);
    expect(versions.body).toEqual((await server.http.get(`/api/recipes/${id}/versions`)).body);
    // The next edit has a version of its own
    const { body: there } = await other.http.get(`/api/recipes/${id}`).expect(200);
    await other.http
      .put(`/api/recipes/${id}`)
      .send({ ...(there as object), id: undefined, method: 'darker still' })
      .expect(200);
    await other.close();
    await server.http.post('/api/season-file').send(demo).expect(200);
  });

  it('serves its own JSON Schema', async () => {
    const { body } = await server.http.get('/api/season-file/schema').expect(200);
    expect(body).toMatchObject({
      $schema: expect.stringContaining('2020-12'),
      title: 'Usual Pantry season file',
    });
  });
});

describe('a label as a PDF', () => {
  const address = '/api/boxes/sampler/label.pdf?handOver=2026-12-05';
  const pdf = async (query = '') =>
    readPdf(
      (await server.http.get(`${address}${query}`).buffer(true).expect(200).expect('Content-Type', /pdf/))
        .body as Buffer,
    );

  it('has the size of the label, embedded fonts, and every word of the label', async () => {
    const { pages, fontsEmbedded } = await pdf();
    expect(pages).toHaveLength(1);
    expect(pages[0]?.widthMm).toBeCloseTo(demo.kitchen.label.widthMm, 1);
    expect(pages[0]?.heightMm).toBeCloseTo(demo.kitchen.label.heightMm, 1);
    expect(fontsEmbedded).toBe(true);
    const text = pages[0]?.text ?? '';
    expect(text).toContain('Pinwheel sampler');
    expect(text).toContain('Contains: Milk, Tree Nuts (Hazelnuts, Pecans), Wheat, Soy, Sesame');
    expect(text).toContain('Net Wt 5.2 oz (148 g)');
    expect(text).toMatch(/Made \w{3} \d+, 2026\. Best before \w{3} \d+, 2026\./);
  });

  it('has as many pages as copies', async () => {
    expect((await pdf('&copies=3')).pages).toHaveLength(3);
    await server.http.get(`${address}&copies=0`).expect(400);
    await server.http.get(`${address}&copies=9999`).expect(400);
  });

  it('is refused when it is too small for its words, and the height that would do is named', async () => {
    const kitchen = (await server.http.get('/api/kitchen')).body as Kitchen;
    const small = (
      await server.http
        .put('/api/kitchen')
        .send({ ...kitchen, label: { ...kitchen.label, heightMm: 40 } })
        .expect(200)
    ).body as Kitchen;
    const { body } = await server.http.get(address).expect(422);
    const message = (body as { wrong: { message: string }[] }).wrong[0]?.message ?? '';
    const enough = Number(/must be (\d+) mm high/.exec(message)?.[1]);
    await server.http
      .put('/api/kitchen')
      .send({ ...small, label: { ...small.label, heightMm: enough } })
      .expect(200);
    await server.http.get(address).expect(200);
  });
});
