import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { openServer, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const draft = (name: string) => ({
  customer: { name },
  lines: [{ boxId: 'sampler', count: 1 }],
  handOver: { on: '2026-12-14', way: 'courier' },
});
const send = (key: string, name: string) =>
  server.http.post('/api/orders').set('Idempotency-Key', key).send(draft(name));
const total = async () => ((await server.http.get('/api/orders?size=1')).body as { total: number }).total;

describe('a request that names itself', () => {
  it('is done once, however often and however close together it comes', async () => {
    const before = await total();
    const answers = await Promise.all(Array.from({ length: 5 }, () => send('one-of-a-kind', 'Wren Oxley')));
    const later = await send('one-of-a-kind', 'Wren Oxley').expect(201);
    for (const { status, body } of answers) expect([status, body]).toEqual([201, later.body]);
    expect(later.headers['idempotent-replayed']).toBe('true');
    expect(await total()).toBe(before + 1);
  });

  it('is known after a stop and a start', async () => {
    const first = await send('before-the-stop', 'Ada Quill').expect(201);
    const before = await total();
    await server.app.close();
    server = await openServer({ folder: server.folder });
    expect((await send('before-the-stop', 'Ada Quill').expect(201)).body).toEqual(first.body);
    expect(await total()).toBe(before);
  });

  it('is not taken for another: the same key with something else is refused', async () => {
    await send('the-same-key', 'Ada Quill').expect(201);
    expect((await send('the-same-key', 'Ivo Stane').expect(422)).body).toMatchObject({ code: 'key-reused' });
    expect((await send('short', 'Ivo Stane').expect(400)).body).toMatchObject({ code: 'wrong-address' });
  });

  it('that was refused may be sent again, mended, with the same key', async () => {
    const refused = () => server.http.post('/api/orders').set('Idempotency-Key', 'first-wrong').send({});
    await refused().expect(422);
    await refused().expect(422);
    await send('first-wrong', 'Ada Quill').expect(201);
  });

  it('holds for batches that were made, and for a file of orders', async () => {
    const made = () =>
      server.http
        .post('/api/batches/made')
        .set('Idempotency-Key', 'made-once')
        .send({ batches: [{ recipeId: 'dark-coating', on: '2026-11-24', size: 1, state: 'failed' }], elsewhere: all });
    const { recipes, ingredients } = (await server.http.get('/api/book')).body as Record<string, { id: string }[]>;
    expect(recipes?.some(({ id }) => id === 'dark-coating')).toBe(true);
    const all = ingredients?.map(({ id }) => id);
    const first = await made().expect(201);
    expect((await made().expect(201)).body).toEqual(first.body);
    expect((await server.http.get('/api/batches')).body).toMatchObject({ total: 1 });
    const before = await total();
    const file = () =>
      server.http
        .post('/api/order-file')
        .set('Idempotency-Key', 'file-once')
        .send({ text: 'Customer,Box,Date\nWren Oxley,Table box,2026-12-12' })
        .expect(200);
    await file();
    await file();
    expect(await total()).toBe(before + 1);
  });
});
