import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { PromiseCheck } from '@usual-pantry/core/promise';
import { openServer, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const asked = (count: number, on: string) => ({
  customer: { name: 'asked' },
  lines: [{ boxId: 'longest-night', count }],
  handOver: { on, way: 'pick-up' },
});
const check = async (count: number, on: string) =>
  (await server.http.post('/api/plan/promise').send(asked(count, on)).expect(200)).body as PromiseCheck;

describe('a promise over the demo season', () => {
  it('is worked out in a thread of its own, while everything else is answered', async () => {
    const long: { isOver: boolean; answer: PromiseCheck | null } = { isOver: false, answer: null };
    const asking = check(400, '2026-12-08').then((answer) => {
      long.isOver = true;
      long.answer = answer;
    });
    let answered = 0;
    do {
      await server.http.get('/api/kitchen').expect(200);
      answered += 1;
    } while (!long.isOver);
    // One is always answered; a second only when the first did not have to wait for the promise.
    expect(answered).toBeGreaterThan(1);
    await asking;
    expect(long.answer?.verdict).toBe('not feasible');
  });

  it('is soon known as the plan stands, and says whether another plan is still looked for', async () => {
    const soon = async (count: number, on: string) =>
      (await server.http.post('/api/plan/promise?soon=true').send(asked(count, on)).expect(200)).body as PromiseCheck;
    expect(await soon(1, '2027-01-20')).toMatchObject({ isFinal: true, earliest: '2027-01-20' });
    expect(await soon(400, '2026-12-08')).toMatchObject({ verdict: 'not known', isFinal: false, earliest: null });
  });

  it('is not given for a day more than a year away, and no order is kept for one more than five years away', async () => {
    expect(await check(1, '2028-12-12')).toMatchObject({
      verdict: 'not known',
      why: ['Tuesday 12 December 2028 is more than a year away. It will be planned from Sunday 12 December 2027 on.'],
    });
    const { body } = await server.http.post('/api/orders').send(asked(1, '2062-12-12')).expect(422);
    expect(JSON.stringify(body)).toContain('more than five years away: is the year right?');
    const far = await server.http.post('/api/orders').send(asked(1, '2028-12-12')).expect(201);
    const { body: found } = await server.http.get('/api/plan/findings?size=500').expect(200);
    expect((found as { items: { code: string }[] }).items.map(({ code }) => code)).toContain('hand-over-far-off');
    const { id, version } = far.body as { id: string; version: number };
    await server.http.delete(`/api/orders/${id}?version=${String(version)}`).expect(204);
  });

  it('finds room for sixty boxes where a better placing has it', async () => {
    const { verdict } = await check(60, '2027-01-20');
    expect(['feasible', 'tight']).toContain(verdict);
  });

  it('is given up when nobody waits for it any more, and the next is answered all the same', async () => {
    await server.app.listen(0, '127.0.0.1');
    const { port } = server.app.getHttpServer().address() as { port: number };
    const body = JSON.stringify(asked(450, '2026-12-12'));
    await new Promise<void>((resolve) => {
      const gone = request({
        port,
        path: '/api/plan/promise',
        method: 'POST',
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) },
      });
      gone.on('error', () => undefined);
      gone.on('close', () => {
        resolve();
      });
      gone.end(body, () => {
        // Something that is asked later and answered: by then the question is being worked on.
        void server.http.get('/api/kitchen').then(() => gone.destroy(new Error('the next key was pressed')));
      });
    });
    expect((await check(1, '2026-12-12')).verdict).toBe('tight');
  });
});
