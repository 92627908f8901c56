import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { PromiseCheck } from '@usual-pantry/core/promise';
import { PromiseService } from './promise.service.js';
import { openServer, type TestServer } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
  // On a busy machine it may take its time, and is not given up for that.
  server.app.get(PromiseService).seconds = 300;
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
    expect((await check(1, '2026-12-12')).verdict).not.toBe('not known');
  });
});
