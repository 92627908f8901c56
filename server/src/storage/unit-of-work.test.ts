import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import type { EntityManager } from 'typeorm';
import { openServer, type TestServer } from '../testing/server.js';
import { UnitOfWork } from './unit-of-work.js';

let server: TestServer;
let work: UnitOfWork;

beforeEach(async () => {
  server = await openServer();
  work = server.app.get(UnitOfWork);
});
afterEach(() => server.close());

const pause = () => new Promise((resolve) => setImmediate(resolve));
const insert = (manager: EntityManager, id: string) =>
  manager.query(
    `INSERT INTO recipe (id, version, name, yield, batchSizes, handsMinutes, keepsDays, restDays, method)
     VALUES (?, 1, ?, '{}', '[]', 0, 0, 0, '')`,
    [id, id],
  );
const ids = () =>
  work
    .read((manager) => manager.query<{ id: string }[]>('SELECT id FROM recipe ORDER BY id'))
    .then((rows) => rows.map((row) => row.id));

describe('twenty writers at once, half of which throw', () => {
  it('leave exactly the rows of those that did not, each whole', async () => {
    const writers = Array.from({ length: 20 }, (_, index) =>
      work.write(async (manager) => {
        await insert(manager, `a${index}`);
        await pause();
        await insert(manager, `b${index}`);
        if (index % 2 === 1) throw new Error(`writer ${index}`);
      }),
    );
    const results = await Promise.allSettled(writers);
    expect(results.map((each) => each.status)).toEqual(
      results.map((_, index) => (index % 2 === 0 ? 'fulfilled' : 'rejected')),
    );
    const expected = [0, 2, 4, 6, 8, 10, 12, 14, 16, 18].flatMap((index) => [`a${index}`, `b${index}`]).sort();
    expect(await ids()).toEqual(expected);
    expect(work.revision).toBe(11);
  });

  it('are never seen half done by a reader', async () => {
    const writes = Array.from({ length: 8 }, (_, index) =>
      work.write(async (manager) => {
        await insert(manager, `a${index}`);
        await pause();
        await insert(manager, `b${index}`);
        if (index % 2 === 1) throw new Error('undone');
      }),
    );
    const reads = Array.from({ length: 8 }, async () => {
      await pause();
      return ids();
    });
    await Promise.allSettled(writes);
    for (const seen of await Promise.all(reads)) expect(seen.length % 2).toBe(0);
  });
});

describe('nested calls', () => {
  it('join the transaction: an outer throw undoes the inner write', async () => {
    await expect(
      work.write(async (manager) => {
        await insert(manager, 'outer');
        await work.write((inner) => insert(inner, 'inner'));
        throw new Error('all of it');
      }),
    ).rejects.toThrow('all of it');
    expect(await ids()).toEqual([]);
  });

  it('may read inside a write, but not write inside a read', async () => {
    await work.write(async (manager) => {
      await insert(manager, 'seen');
      expect(await ids()).toEqual(['seen']);
    });
    await expect(work.read(() => work.write((manager) => insert(manager, 'never')))).rejects.toThrow('inside a read');
    expect(await ids()).toEqual(['seen']);
  });
});

it('enforces foreign keys and writes ahead', async () => {
  const [keys] = await work.read((manager) => manager.query<{ foreign_keys: number }[]>('PRAGMA foreign_keys'));
  const [journal] = await work.read((manager) => manager.query<{ journal_mode: string }[]>('PRAGMA journal_mode'));
  expect(keys?.foreign_keys).toBe(1);
  expect(journal?.journal_mode).toBe('wal');
  await expect(
    work.write((manager) =>
      manager.query(`INSERT INTO box_cell (boxId, position, pieceId, count) VALUES ('x', 0, 'y', 1)`),
    ),
  ).rejects.toThrow(/FOREIGN KEY/);
});

it('keeps what was stored when the database is opened again', async () => {
  const { folder } = server;
  await work.write((manager) => insert(manager, 'kept'));
  await server.app.close();
  const again = await openServer({ folder });
  const count = await again.app
    .get(UnitOfWork)
    .read((manager) => manager.query('SELECT count(*) AS count FROM recipe'));
  expect(count).toEqual([{ count: 1 }]);
  server = again;
});
