import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Box } from '@usual-pantry/core/box';
import type { Composition } from '@usual-pantry/core/compose';
import type { Order } from '@usual-pantry/core/order';
import { openServer, planOf, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const sampler = async () => (await server.http.get('/api/boxes/sampler').expect(200)).body as Box;
const put = ({ id, ...box }: Box) => server.http.put(`/api/boxes/${id}`).send(box);

describe('a box that somebody has bought', () => {
  it('stays for them as it was sold, and its pieces cannot be deleted', async () => {
    const { body } = await server.http.post('/api/orders').send({
      customer: { name: 'Ada Quill' },
      lines: [{ boxId: 'sampler', count: 1 }],
      handOver: { on: '2026-12-19', way: 'courier' },
      state: 'confirmed',
    });
    const order = body as Order;
    expect(order).toMatchObject({ lines: [{ edition: 1 }], history: [{ state: 'confirmed' }] });
    const box = await sampler();
    const changed = (await put({ ...box, priceMinor: box.priceMinor + 500, editions: [] }).expect(200)).body as Box;
    expect(changed).toMatchObject({ edition: 2, editions: [{ edition: 1, content: { priceMinor: box.priceMinor } }] });
    expect((await server.http.get(`/api/orders/${order.id}`)).body).toMatchObject({ lines: [{ edition: 1 }] });
    const plan = await planOf(server);
    expect(plan.findings.filter(({ about }) => about.id === order.id).map(({ code }) => code)).toContain(
      'box-changed-since',
    );
    const back = (await put({ ...changed, priceMinor: box.priceMinor }).expect(200)).body as Box;
    expect(back).toMatchObject({ edition: 1 });
  });

  it('is refused a piece that does not fit, with the sizes, at its cell', async () => {
    const box = await sampler();
    const tray = { columnsMm: Array(box.columns).fill(12), rowsMm: Array(box.rows).fill(12), depthMm: 12 };
    const { body } = await put({ ...box, tray, cells: box.cells.map(() => box.cells[0] ?? null) }).expect(422);
    expect(JSON.stringify(body)).toMatch(/does not fit: it is about .* cell 1 is 12 × 12 mm, 12 mm deep/);
    const { body: refused } = await put({ ...box, tray: { ...tray, columnsMm: [12] } }).expect(422);
    expect(refused).toMatchObject({ wrong: [{ path: 'tray' }] });
  });
});

describe('compose for me', () => {
  it('proposes boxes that keep every wish, and stores nothing', async () => {
    const { id: _id, version, ...box } = await sampler();
    const wish = { box, without: ['alcohol'], leastKinds: 3, mostOfOne: 4, leastMarginPercent: 10, boxes: 20 };
    const { proposals } = (await server.http.post('/api/boxes/compose').send(wish).expect(200)).body as Composition;
    expect(proposals.length).toBeGreaterThan(0);
    for (const { pieces, kinds, marginPercent } of proposals) {
      expect(pieces.reduce((sum, { count }) => sum + count, 0)).toBe(9);
      expect(kinds).toBeGreaterThanOrEqual(3);
      expect(marginPercent).toBeGreaterThanOrEqual(10);
    }
    expect((await sampler()).version).toBe(version);
  });

  it('says which wishes clash, and refuses what is no wish', async () => {
    const { id: _id, version: _version, ...box } = await sampler();
    const wish = { box, leastKinds: 9, mostOfOne: 9, leastMarginPercent: 99, boxes: 1 };
    const { proposals, clash } = (await server.http.post('/api/boxes/compose').send(wish).expect(200))
      .body as Composition;
    expect(proposals).toEqual([]);
    expect(clash.length).toBeGreaterThan(0);
    await server.http
      .post('/api/boxes/compose')
      .send({ ...wish, leastKinds: 0 })
      .expect(422);
  });
});
