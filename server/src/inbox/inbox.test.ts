import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { ShopMessage } from '@usual-pantry/core/intake';
import type { Order } from '@usual-pantry/core/order';
import { openServer, type TestServer } from '../testing/server.js';
import { distrust, sign, UNSIGNED } from '../device/signature.js';

let server: TestServer;
let secret: string;
beforeAll(async () => {
  server = await openServer({ demo: true });
  secret = await newKey();
});
afterAll(() => server.close());

const newKey = async () => ((await server.http.post('/api/inbox/key').expect(201)).body as { key: string }).key;

const message = (reference: string, revision: number, more: Partial<ShopMessage['order']> = {}): ShopMessage => ({
  id: randomUUID(),
  reference,
  revision,
  order: {
    customer: { name: 'Wren Oxley', contact: '' },
    lines: [{ box: 'Pinwheel sampler', count: 1 }],
    handOver: { on: '2026-12-19', way: 'courier', place: '' },
    exclusions: ['sesame'],
    paidMinor: 0,
    cancelled: false,
    notes: '',
    ...more,
  },
});

async function deliver(content: ShopMessage | string, by = secret, at = new Date()) {
  const body = typeof content === 'string' ? content : JSON.stringify(content);
  return server.http
    .post('/api/inbox/messages')
    .set({ ...sign(by, randomUUID(), at, body), 'content-type': 'application/json' })
    .send(body);
}
const order = async (id: string) => (await server.http.get(`/api/orders/${id}`).expect(200)).body as Order;
const total = async () => ((await server.http.get('/api/orders').query({ size: 1 })).body as { total: number }).total;

describe('the shop’s inbox', () => {
  it('takes an order once, however often it is delivered', async () => {
    const first = message('S-1', 1);
    const before = await total();
    const { body } = await deliver(first);
    expect(body).toMatchObject({ fate: 'taken', again: false });
    expect((await deliver(first)).body).toMatchObject({ fate: 'taken', again: true });
    expect(await total()).toBe(before + 1);
    expect(await order((body as { orderId: string }).orderId)).toMatchObject({
      state: 'confirmed',
      exclusions: ['sesame'],
      lines: [{ boxId: 'sampler', count: 1, edition: 1 }],
    });
  });

  it('keeps the newest whatever the order of arrival', async () => {
    const newest = await deliver(message('S-2', 3, { lines: [{ box: 'sampler', count: 4 }], paidMinor: 900 }));
    expect((await deliver(message('S-2', 2, { lines: [{ box: 'sampler', count: 2 }] }))).body).toMatchObject({
      fate: 'out of date',
    });
    const stored = await order((newest.body as { orderId: string }).orderId);
    expect(stored).toMatchObject({ lines: [{ count: 4 }], state: 'confirmed', depositMinor: 900, version: 1 });
    await deliver(message('S-2', 4, { cancelled: true }));
    expect(await order(stored.id)).toMatchObject({ state: 'cancelled' });
  });

  it('leaves an order that the maker has changed to the maker', async () => {
    const { orderId } = (await deliver(message('S-3', 1))).body as { orderId: string };
    const { id: _id, ...mine } = await order(orderId);
    await server.http
      .put(`/api/orders/${orderId}`)
      .send({ ...mine, notes: 'ribbon' })
      .expect(200);
    const later = message('S-3', 2, { lines: [{ box: 'sampler', count: 5 }] });
    expect((await deliver(later)).body).toMatchObject({ fate: 'to decide' });
    expect(await order(orderId)).toMatchObject({ notes: 'ribbon', lines: [{ count: 1 }] });
    await server.http.post(`/api/inbox/messages/${later.id}/take`).expect(200);
    expect(await order(orderId)).toMatchObject({ notes: 'ribbon', lines: [{ count: 5 }] });
    // Taken once, it is not taken again over what the maker does afterwards
    const { body } = await server.http.post(`/api/inbox/messages/${later.id}/take`).expect(200);
    expect(body).toMatchObject({ fate: 'taken', again: true });
  });

  it('refuses in words what it cannot read, and keeps it', async () => {
    const odd = message('S-4', 1, { lines: [{ box: 'Moon box', count: 1 }], exclusions: ['dust'] });
    expect((await deliver(odd)).body).toMatchObject({
      fate: 'refused',
      why: 'S-4: there is no one box “Moon box”; “dust” is nothing that can be ruled out.',
    });
    const { messages } = (await server.http.get('/api/inbox')).body as { messages: { id: string; fate: string }[] };
    expect(messages.find(({ id }) => id === odd.id)).toMatchObject({ fate: 'refused' });
    await server.http.post('/api/inbox/messages/none/take').expect(404);
  });

  it('takes nothing that is not signed by the shop, or is no message', async () => {
    const before = await total();
    expect((await deliver(message('S-5', 1), 'whsec_Z3Vlc3M=')).status).toBe(401);
    expect((await deliver(message('S-5', 1), secret, new Date('2020-01-01T00:00:00Z'))).status).toBe(401);
    expect((await deliver('{')).status).toBe(400);
    expect((await deliver('{"id":"x"}')).status).toBe(422);
    await server.http.post('/api/inbox/messages').send({}).expect(401);
    expect(await total()).toBe(before);
    expect(distrust(secret, UNSIGNED, '')).toBe('it is not signed');
  });

  it('signs as the example of the published specification is signed (Standard Webhooks 1.0, values from memory)', () => {
    const at = new Date(1614265330 * 1000);
    const by = sign(
      'whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw',
      'msg_p5jXN8AQM9LWM0D4loKWxJek',
      at,
      '{"test": 2432232314}',
    );
    expect(by).toEqual({
      'webhook-id': 'msg_p5jXN8AQM9LWM0D4loKWxJek',
      'webhook-timestamp': '1614265330',
      'webhook-signature': 'v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=',
    });
  });

  it('is tried with a test order that is delivered well and badly', async () => {
    const send = async (manner: string) =>
      (
        await server.http
          .post('/api/inbox/test')
          .send({ order: message('x', 1).order, manner })
          .expect(200)
      ).body as { fate?: string; again?: boolean; refused?: string }[];
    expect((await send('once')).map(({ fate }) => fate)).toEqual(['taken']);
    expect((await send('twice')).map(({ again }) => again)).toEqual([false, true]);
    expect((await send('out of order')).map(({ fate }) => fate)).toEqual(['taken', 'out of date']);
    expect((await send('unsigned'))[0]?.refused).toContain('not signed');
  });

  it('shows its key once; a new one takes the place of the one before, and a short one is not trusted', async () => {
    const { body } = await server.http.get('/api/inbox').expect(200);
    expect(JSON.stringify(body)).not.toContain(secret);
    const old = secret;
    secret = await newKey();
    expect((await deliver(message('S-6', 1), old)).status).toBe(401);
    expect((await deliver(message('S-6', 1))).status).toBe(200);
    const file = join(server.folder, 'inbox-secret');
    expect((await stat(file)).mode & 0o777).toBe(0o600);
    await writeFile(file, 'short');
    for (const key of ['short', 'long enough, but with signs that no key has']) {
      await writeFile(file, key);
      expect((await deliver(message('S-7', 1))).body).toMatchObject({ code: 'no-inbox-key', status: 503 });
    }
    expect((await server.http.get('/api/inbox')).body).toMatchObject({ keyMadeAt: null });
    secret = await newKey();
    expect((await deliver(message('S-7', 1))).status).toBe(200);
  });

  it('knows a message that comes again after an import', async () => {
    const first = message('S-8', 1);
    await deliver(first);
    const { body: file } = await server.http.get('/api/season-file').expect(200);
    const before = await total();
    // Without the messages, as an older file has it
    await server.http
      .post('/api/season-file')
      .send({ ...(file as object), messages: [] })
      .expect(200);
    expect((await deliver(first)).body).toMatchObject({ fate: 'taken', again: true });
    expect(await total()).toBe(before);
    // With them, what the shop changes next is taken without a question
    await server.http
      .post('/api/season-file')
      .send(file as object)
      .expect(200);
    const next = message('S-8', 2, { lines: [{ box: 'sampler', count: 3 }] });
    expect((await deliver(next)).body).toMatchObject({ fate: 'taken' });
  });
});
