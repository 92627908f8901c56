import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { openServer, TODAY, type TestServer } from '../testing/server.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { BookService } from './book.service.js';

let server: TestServer;
let books: BookService;
beforeAll(async () => {
  server = await openServer({ demo: true });
  books = server.app.get(BookService);
});
afterAll(() => server.close());

const order = (name: string) => ({
  customer: { name },
  lines: [{ boxId: 'sampler', count: 1 }],
  handOver: { on: '2026-12-14', way: 'courier' },
});

describe('the book', () => {
  it('comes with today and every version', async () => {
    const { body } = await server.http.get('/api/book').expect(200);
    const book = body as Record<string, { version: number }[]> & { today: string };
    expect(book.today).toBe(TODAY);
    for (const noun of ['ingredients', 'recipes', 'pieces', 'boxes'])
      expect(book[noun]?.every(({ version }) => version >= 1)).toBe(true);
  });

  it('is worked out once for each revision', async () => {
    const [first, second] = [await books.plan(), await books.plan()];
    expect(second.plan).toBe(first.plan);
    await server.http.post('/api/orders').send(order('Ada')).expect(201);
    const third = await books.plan();
    expect(third.plan).not.toBe(first.plan);
    expect(third.plan.orders).toBe(first.plan.orders + 1);
  });

  it('neither waits for itself nor mixes up states when reads and writes come all at once', async () => {
    const before = (await books.plan()).plan.orders;
    const all = Array.from({ length: 12 }, (_, index) =>
      index % 2 === 0 ? server.http.post('/api/orders').send(order(`Bo ${index}`)) : server.http.get('/api/plan'),
    );
    const answers = await Promise.all(all);
    expect(answers.every(({ status }) => status === 200 || status === 201)).toBe(true);
    expect((await books.plan()).plan.orders).toBe(before + 6);
  });

  it('does not keep what a write that fails has seen', async () => {
    const work = server.app.get(UnitOfWork);
    const before = (await books.season()).orders.length;
    await expect(
      work.write(async (manager) => {
        await manager.query(`DELETE FROM customer_order`);
        expect((await books.season()).orders).toHaveLength(0);
        throw new Error('no');
      }),
    ).rejects.toThrow('no');
    expect((await books.season()).orders).toHaveLength(before);
  });
});

it('names the revision in every answer, and a new one after each write', async () => {
  const revision = async () => Number((await server.http.get('/api/plan')).headers['x-revision']);
  const before = await revision();
  expect(await revision()).toBe(before);
  const { headers } = await server.http.post('/api/orders').send(order('Cy')).expect(201);
  expect(Number(headers['x-revision'])).toBe(before + 1);
  await server.http.post('/api/orders').send({}).expect(422);
  expect(await revision()).toBe(before + 1);
});

it('streams the revision to every page that listens', async () => {
  const seen: number[] = [];
  const work = server.app.get(UnitOfWork);
  const subscription = work.changes.subscribe((revision) => seen.push(revision));
  await server.http.post('/api/orders').send(order('Di')).expect(201);
  subscription.unsubscribe();
  expect(seen).toEqual([work.revision - 1, work.revision]);
});
