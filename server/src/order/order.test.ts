import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Order } from '@usual-pantry/core/order';
import { openServer, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const list = async (query: object) =>
  (await server.http.get('/api/orders').query(query).expect(200)).body as { items: Order[]; total: number };

describe('the list of orders', () => {
  it('is filtered by state, way, day and what is ruled out, alone and together', async () => {
    const asked = await list({ state: 'asked', size: 200 });
    expect(asked.items.every(({ state }) => state === 'asked')).toBe(true);
    const courier = await list({ way: 'courier', size: 200 });
    expect(courier.items.every(({ handOver }) => handOver.way === 'courier')).toBe(true);
    const both = await list({ state: 'asked', way: 'courier', size: 200 });
    const ids = new Set(courier.items.map(({ id }) => id));
    expect(both.items.map(({ id }) => id)).toEqual(asked.items.map(({ id }) => id).filter((id) => ids.has(id)));
    const sesame = await list({ exclusion: 'sesame', size: 200 });
    expect(sesame.total).toBeGreaterThan(0);
    expect(sesame.items.every(({ exclusions }) => exclusions.includes('sesame'))).toBe(true);
    const day = await list({ on: '2026-12-14', size: 200 });
    expect(day.items.every(({ handOver }) => handOver.on === '2026-12-14')).toBe(true);
  });

  it('refuses a filter that is none', async () => {
    await server.http.get('/api/orders').query({ state: 'lost' }).expect(400);
    await server.http.get('/api/orders').query({ on: 'soon' }).expect(400);
    await server.http.get('/api/orders').query({ exclusion: 'dust' }).expect(400);
  });
});

describe('several orders at once', () => {
  const pick = async () => (await list({ state: 'asked', size: 3 })).items.map(({ id, version }) => ({ id, version }));
  const bring = (orders: object[], state: string) => server.http.post('/api/orders/states').send({ orders, state });

  it('come into one state, each with its history and the number of its boxes', async () => {
    const chosen = await pick();
    const confirmed = (await bring(chosen, 'confirmed').expect(200)).body as Order[];
    expect(confirmed).toMatchObject(
      chosen.map(({ id, version }) => ({ id, version: version + 1, state: 'confirmed' })),
    );
    for (const { history, lines } of confirmed) {
      expect(history.at(-1)?.state).toBe('confirmed');
      expect(lines.every(({ edition }) => edition === 1)).toBe(true);
    }
  });

  it('are all left alone when one of them was changed elsewhere', async () => {
    const chosen = await pick();
    const [first, ...others] = chosen;
    if (!first) throw new Error('nothing to choose');
    const { body } = await bring([...others, { ...first, version: 99 }], 'packed').expect(409);
    expect(body).toMatchObject({ code: 'stale' });
    expect(await pick()).toEqual(chosen);
    await bring([], 'packed').expect(422);
    // What is paid is no state.
    await bring(chosen, 'paid').expect(422);
    await bring(chosen, 'lost').expect(422);
  });
});

describe('searching by name', () => {
  it('finds a customer whatever the case and the accents', async () => {
    for (const name of ['Öberg, Åsa', 'Łucja Groß'])
      await server.http
        .post('/api/orders')
        .send({
          customer: { name },
          lines: [{ boxId: 'sampler', count: 1 }],
          handOver: { on: '2026-12-14', way: 'courier' },
        })
        .expect(201);
    const found = async (search: string) =>
      (
        (await server.http.get('/api/orders').query({ search }).expect(200)).body as {
          items: { customer: { name: string } }[];
        }
      ).items.map(({ customer }) => customer.name);
    for (const search of ['öberg', 'ÖBERG', 'oberg', 'O\u0308berg', 'asa'])
      expect(await found(search)).toEqual(['Öberg, Åsa']);
    for (const search of ['lucja', 'GROSS', 'groß']) expect(await found(search)).toEqual(['Łucja Groß']);
    expect(await found('%')).toEqual([]);
    const { items } = (await server.http.get('/api/orders?sort=customerName&size=200').expect(200)).body as {
      items: { customer: { name: string } }[];
    };
    const names = items.map(({ customer }) => customer.name);
    // Among those with O, not after Z
    expect(names.at(-1)).not.toBe('Öberg, Åsa');
  });
});

describe('what is handed over', () => {
  const open = async () =>
    (await list({ state: 'confirmed', size: 200 })).items.filter(({ payments }) => payments.length === 0);

  it('is paid in one press, or is still owed, and its history says when', async () => {
    const [paying, owing] = await open();
    if (!paying || !owing) throw new Error('nothing to hand over');
    const hand = async ({ id, version }: Order, paid: boolean) =>
      ((await server.http.post('/api/orders/handed-over').send({ orders: [{ id, version }], paid, way: 'card' }).expect(200)).body as Order[])[0]; // prettier-ignore
    const done = await hand(paying, true);
    expect(done).toMatchObject({ state: 'handed over', payments: [{ way: 'card' }] });
    expect(done?.payments[0]?.minor).toBeGreaterThan(0);
    const owed = await hand(owing, false);
    expect(owed).toMatchObject({ state: 'handed over', payments: [] });
    // Paid later: once, however often it is pressed.
    const pay = async (each: Order) =>
      ((await server.http.post('/api/orders/paid').send({ orders: [{ id: each.id, version: each.version }] }).expect(200)).body as Order[])[0]; // prettier-ignore
    const once = owed && (await pay(owed));
    const twice = once && (await pay(once));
    expect(twice?.payments).toHaveLength(1);
  });

  it('is refused where more or less is due than the page said', async () => {
    const [one] = await open();
    if (!one) throw new Error('nothing to hand over');
    const orders = [{ id: one.id, version: one.version }];
    const { body } = await server.http
      .post('/api/orders/handed-over')
      .send({ orders, paid: true, dueMinor: 1 })
      .expect(409);
    expect(body).toMatchObject({ code: 'stale', detail: expect.stringContaining('has changed') as unknown });
    expect((await open()).map(({ id }) => id)).toContain(one.id);
  });

  it('is nothing when one of them was changed elsewhere', async () => {
    const [one, other] = await open();
    if (!one || !other) throw new Error('nothing to hand over');
    const orders = [
      { id: one.id, version: one.version },
      { id: other.id, version: 99 },
    ];
    await server.http.post('/api/orders/handed-over').send({ orders, paid: true }).expect(409);
    expect((await open()).map(({ id }) => id)).toContain(one.id);
  });
});
