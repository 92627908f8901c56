import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { injectFaults, SqliteFault, type Fault } from '../testing/faults.js';
import { openServer, planOf, type TestServer } from '../testing/server.js';
import { Disk } from './disk.js';

let folder: string;
let server: TestServer;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'usual-pantry-faults-'));
  server = await openServer({ folder });
});
afterEach(async () => {
  injectFaults(null);
  await server.close();
  await rm(folder, { recursive: true, force: true });
});

const add = (name: string) =>
  server.http.post('/api/ingredients').send({ name, declaration: { labelName: name, parts: [] } });
const names = async () =>
  ((await server.http.get('/api/book').expect(200)).body as { ingredients: { name: string }[] }).ingredients
    .map(({ name }) => name)
    .sort();
/** What is there after a stop and a start. */
const afterRestart = async () => {
  injectFaults(null);
  await server.close();
  server = await openServer({ folder });
  return names();
};

/** Fails the n-th statement of the first transaction that is begun, and what its end then tries, as it is told. */
function failing(n: number, error: Error, ends: 'rolls back' | 'cannot roll back' | 'rolled back by itself') {
  let count = 0;
  let isOpen = false;
  let isOver = false;
  const state = { statements: 0, happened: false };
  injectFaults((sql): Fault => {
    if (isOver) return null;
    if (/^BEGIN/i.test(sql)) isOpen = true;
    if (!isOpen) return null;
    count += 1;
    state.statements = count;
    if (/^ROLLBACK/i.test(sql)) {
      isOver = true;
      return state.happened && ends === 'cannot roll back' ? { error } : null;
    }
    if (count === n) {
      state.happened = true;
      return { error, rollsBack: ends === 'rolled back by itself' && !/^BEGIN/i.test(sql) };
    }
    if (/^COMMIT/i.test(sql)) isOver = true;
    return null;
  });
  return state;
}

describe('a write whose database fails', () => {
  it.each([
    ['SQLITE_FULL', 507, 'disk-full'],
    ['SQLITE_IOERR_WRITE', 503, 'disk-trouble'],
    ['SQLITE_IOERR_FSYNC', 503, 'disk-trouble'],
    ['SQLITE_BUSY', 503, 'database-busy'],
    ['SQLITE_READONLY', 503, 'read-only'],
  ])(
    'with %s at any statement is refused in words, and what is answered later is there after a restart',
    async (code, status, problem) => {
      const acknowledged: string[] = [];
      const refused: string[] = [];
      for (const ends of ['rolls back', 'cannot roll back', 'rolled back by itself'] as const)
        for (let n = 1; ; n++) {
          const name = `${ends} ${String(n)}`;
          const state = failing(n, new SqliteFault(code), ends);
          const answer = await add(name);
          injectFaults(null);
          if (!state.happened) {
            // All statements have had their turn.
            expect(answer.status).toBe(201);
            expect(n).toBeGreaterThan(3);
            acknowledged.push(name);
            break;
          }
          if (code === 'SQLITE_BUSY') {
            // Another program lets it go: it was waited for, and stored once.
            expect(answer.status).toBe(201);
            acknowledged.push(name);
            continue;
          }
          refused.push(name);
          expect(answer.status).toBe(status);
          expect(answer.body).toMatchObject({
            code: problem,
            detail: expect.stringContaining('Nothing of it was stored') as unknown,
          });
          await add(`after ${name}`).expect(201);
          acknowledged.push(`after ${name}`);
        }
      const there = await afterRestart();
      expect(there).toEqual(acknowledged.sort());
      for (const name of refused) expect(there).not.toContain(name);
    },
  );

  it('that cannot be opened again refuses writes and reads, and goes on when it can', async () => {
    await add('before').expect(201);
    const state = failing(3, new SqliteFault('SQLITE_IOERR'), 'cannot roll back');
    const broken = new SqliteFault('SQLITE_CANTOPEN');
    const asBefore = { happened: () => state.happened };
    const answer = await add('lost');
    expect(asBefore.happened()).toBe(true);
    expect(answer.status).toBe(503);
    // From now on even the first pragma of a new connection fails.
    injectFaults(() => ({ error: broken }));
    expect((await add('while it is away')).status).toBeGreaterThanOrEqual(500);
    injectFaults(null);
    await add('after').expect(201);
    expect(await afterRestart()).toEqual(['after', 'before']);
  });

  it('is refused before the disk is full, and the maker is warned while there is still room', async () => {
    const disk = server.app.get(Disk);
    const free = (megabytes: number) => {
      disk.freeBytes = () => Promise.resolve(megabytes * 1024 * 1024);
    };
    const codes = async () =>
      (await planOf(server)).findings
        .filter(({ code }) => code === 'disk-low' || code === 'disk-full')
        .map(({ severity }) => severity);
    free(5_000);
    expect(await codes()).toEqual([]);
    free(100);
    expect(await codes()).toEqual(['decide']);
    await add('with little room').expect(201);
    free(10);
    expect(await codes()).toEqual(['stop']);
    expect((await add('with none').expect(507)).body).toMatchObject({ code: 'disk-full' });
    free(5_000);
    await add('with room again').expect(201);
    expect(await afterRestart()).toEqual(['with little room', 'with room again']);
  });
});
