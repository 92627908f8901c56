import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { openServer, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const text = `Order no,Customer,Box,Qty,Date,How
W1,Wren Oxley,Table box,2,2026-12-12,stall
W2,Ivo Stane,Moon box,1,2026-12-12,stall
W3,Ada Quill,Pinwheel sampler,1,5/12,courier`;
const total = async () => ((await server.http.get('/api/orders').query({ size: 1 })).body as { total: number }).total;
const send = async (path: string, body: object) =>
  (await server.http.post(path).send(body).expect(200)).body as {
    report: { fate: string; why: string }[];
    orders: object;
    refused: string;
    mapping: object;
  };

describe('a CSV of orders', () => {
  it('is looked at row by row without changing anything', async () => {
    const before = await total();
    const answer = await send('/api/order-file/check', { text });
    expect(answer.report.map(({ fate }) => fate)).toEqual(['new', 'refused', 'refused']);
    expect(answer.report[2]?.why).toContain('say which number is the month');
    expect(answer.mapping).toMatchObject({ reference: 'Order no', count: 'Qty', way: 'How' });
    expect(answer.refused.split('\r\n')).toHaveLength(3);
    expect(await total()).toBe(before);
  });

  it('is taken in one go, and the second time changes nothing', async () => {
    const before = await total();
    expect((await send('/api/order-file', { text, dayOrder: 'day first' })).orders).toEqual({ create: 2, update: 0 });
    expect(await total()).toBe(before + 2);
    expect((await send('/api/order-file', { text, dayOrder: 'day first' })).orders).toEqual({ create: 0, update: 0 });
    const changed = await send('/api/order-file', {
      text: text.replace('Table box,2', 'Table box,3'),
      dayOrder: 'day first',
    });
    expect(changed.orders).toEqual({ create: 0, update: 1 });
    expect(await total()).toBe(before + 2);
  });

  it('is not taken as long as a column may say what somebody must not eat and nobody has said what it is', async () => {
    const before = await total();
    const asks = `Customer,Box,Qty,Date,Info,Ribbon
Lark Penny,Table box,1,2026-12-14,no nuts,red`;
    const looked = (await server.http.post('/api/order-file/check').send({ text: asks }).expect(200)).body as object;
    expect(looked).toMatchObject({
      orders: { create: 0, update: 0 },
      unused: [
        { column: 'Info', sample: 'no nuts', mayRuleOut: true, use: null },
        { column: 'Ribbon', mayRuleOut: false },
      ],
    });
    const { body } = await server.http.post('/api/order-file').send({ text: asks }).expect(422);
    expect(JSON.stringify(body)).toContain('may say what somebody must not eat');
    expect(await total()).toBe(before);
    expect((await send('/api/order-file', { text: asks, beside: { Info: 'exclusions' } })).orders).toEqual({
      create: 1,
      update: 0,
    });
    const { body: found } = await server.http.get('/api/orders').query({ search: 'Lark Penny' }).expect(200);
    expect((found as { items: object[] }).items).toMatchObject([{ exclusions: ['nuts'] }]);
  });

  it('goes out so that it changes nothing when it comes back', async () => {
    const { text: csv } = await server.http
      .get('/api/order-file')
      .expect(200)
      .expect('Content-Type', /text\/csv/);
    const { report } = await send('/api/order-file/check', { text: csv });
    expect(report.filter(({ fate }) => fate === 'new' || fate === 'changed')).toEqual([]);
    expect(report.length).toBeGreaterThanOrEqual(22);
  });

  it('is promised by the plan as it stands, one order at a time', async () => {
    const order = {
      customer: { name: 'Ada Quill' },
      lines: [{ boxId: 'sampler', count: 1 }],
      // There is room for it as the plan stands: nothing has to be found within some seconds.
      handOver: { on: '2026-12-21', way: 'pick-up' },
    };
    const check = async (more: object) =>
      (
        await server.http
          .post('/api/plan/promise')
          .send({ ...order, ...more })
          .expect(200)
      ).body as object;
    expect(await check({})).toMatchObject({ earliest: '2026-12-21' });
    const large = await check({ lines: [{ boxId: 'table-box', count: 400 }] });
    expect(large).toMatchObject({
      verdict: 'not feasible',
      why: expect.arrayContaining([expect.stringContaining('over its')]),
    });
    await server.http.post('/api/plan/promise').send({}).expect(422);
  });

  it('refuses a request that is none', async () => {
    await server.http.post('/api/order-file').send({ text: 5 }).expect(422);
    await server.http.post('/api/order-file/check').send({ text: '', dayOrder: 'backwards' }).expect(422);
    expect((await send('/api/order-file/check', { text: '' })).report).toEqual([]);
  });
});

describe('what was handed over last season', () => {
  it('is a draft of this one: asked, on the same weekdays, with what must not be in it, and once', async () => {
    const past = async (name: string, on: string, state: string) =>
      server.http
        .post('/api/orders')
        .send({
          customer: { name },
          lines: [{ boxId: 'sampler', count: 2 }],
          handOver: { on, way: 'stall' },
          exclusions: ['sesame'],
          depositMinor: 500,
          state,
        })
        .expect(201);
    expect((await server.http.get('/api/order-file/last-season').expect(200)).text).toBe('');
    await past('Ida Marsh', '2025-12-06', 'handed over');
    await past('Too Early', '2025-11-20', 'handed over');
    await past('Called Off', '2025-12-06', 'cancelled');
    const { text: csv } = await server.http.get('/api/order-file/last-season').expect(200);
    const { report } = await send('/api/order-file/check', { text: csv });
    expect(report).toEqual([expect.objectContaining({ fate: 'new', customer: 'Ida Marsh' })]);
    for (const create of [1, 0])
      expect((await send('/api/order-file', { text: csv })).orders).toEqual({ create, update: 0 });
    const { items } = (await server.http.get('/api/orders').query({ search: 'Ida Marsh', on: '2026-12-05' })).body as {
      items: object[];
    };
    expect(items).toEqual([
      expect.objectContaining({
        state: 'asked',
        depositMinor: 0,
        exclusions: ['sesame'],
        lines: [expect.objectContaining({ boxId: 'sampler', count: 2 })],
      }),
    ]);
  });
});
