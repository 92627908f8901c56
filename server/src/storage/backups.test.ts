import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { copyFile, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { addDays } from '@usual-pantry/core/quantity';
import { openServer, planOf, readDemo, type TestServer, TODAY } from '../testing/server.js';
import { backupFolder, keptBackups, readName, type BackupFile } from './backup-files.js';
import { Backups } from './backups.js';
import { LibsqlConnection } from './driver.js';
import { closeDatabase, DATABASE_FILE, openDatabase } from './data-source.js';

let folder: string;
let server: TestServer;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'usual-pantry-backups-'));
  server = await openServer({ demo: true, folder });
});
afterEach(async () => {
  await server.close();
  await rm(folder, { recursive: true, force: true });
});

interface Stored {
  readonly id: string;
  readonly version: number;
  readonly name: string;
}

const season = async () => (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
const list = async () => (await server.http.get('/api/backups').expect(200)).body as BackupFile[];
const add = async (name: string) =>
  (
    await server.http
      .post('/api/ingredients')
      .send({ name, declaration: { labelName: name, parts: [] } })
      .expect(201)
  ).body as Stored;
const names = async () => (await season()).ingredients.map(({ name }) => name);
const restore = (name: string) => server.http.post(`/api/backups/${name}/restore`);

describe('a copy that is to be put back', () => {
  const copyNow = async (): Promise<string> => {
    const { body } = await server.http.post('/api/backups').expect(201);
    return (body as BackupFile).name;
  };

  it('waits until no other program uses the database: nothing ends, and everything is as before', async () => {
    const name = await copyNow();
    await add('After the copy');
    const other = new LibsqlConnection(join(folder, DATABASE_FILE));
    other.prepare('BEGIN IMMEDIATE').run();
    try {
      const { body } = await restore(name).expect(503);
      expect(body).toMatchObject({ code: 'database-busy' });
      await server.http.get('/api/kitchen').expect(200);
    } finally {
      other.prepare('ROLLBACK').run();
      other.close();
    }
    expect(await names()).toContain('After the copy');
    await add('Still stored');
    await restore(name).expect(200);
    expect(await names()).not.toContain('After the copy');
    await add('And again');
  });

  it.each([
    ['a trigger that is missing', 'DROP TRIGGER', 'is missing'],
    ['a view that does not belong to it', 'CREATE VIEW spy AS SELECT 1 AS one', 'view spy does not belong to it'],
    [
      'a trigger that does something of its own',
      'CREATE TRIGGER spy AFTER UPDATE ON recipe BEGIN DELETE FROM batch; END',
      'trigger spy does not belong to it',
    ],
    ['a table that is another', 'ALTER TABLE recipe ADD COLUMN spy TEXT', 'table recipe is another'],
  ])('is refused with %s', async (_what, sql, said) => {
    const name = await copyNow();
    const copy = new LibsqlConnection(join(backupFolder(folder), name));
    const [trigger] = [
      ...(copy.prepare("SELECT name FROM sqlite_master WHERE type = 'trigger'").iterate() as Iterable<{
        name: string;
      }>),
    ];
    copy.prepare(sql === 'DROP TRIGGER' ? `DROP TRIGGER "${trigger?.name ?? ''}"` : sql).run();
    copy.close();
    const { body } = await restore(name).expect(422);
    expect((body as { detail: string }).detail).toContain(said);
    await add('Goes on');
  });
});

describe('a copy of the database', () => {
  it('is whole, holds what was stored, and is listed', async () => {
    const { body } = await server.http.post('/api/backups').expect(201);
    expect(body).toMatchObject({ sequence: 1, kind: 'on-demand', on: TODAY });
    const [only] = await list();
    const checked = await server.http.post(`/api/backups/${only?.name ?? ''}/check`).expect(200);
    expect(checked.body).toMatchObject({
      troubles: [],
      counts: { customer_order: 46, box: 5, recipe: 19, ingredient: 38 },
    });
    const file = await server.http
      .get(`/api/backups/${only?.name ?? ''}/file`)
      .responseType('blob')
      .expect(200);
    expect((file.body as Buffer).subarray(0, 15).toString()).toBe('SQLite format 3');
    expect((await readdir(backupFolder(folder))).filter((name) => name.includes('.part'))).toEqual([]);
    await server.http.post('/api/backups/000009-daily-2026-11-25.db/check').expect(404);
    await server.http.get('/api/backups/..%2Fusual-pantry.db/file').expect(404);
  });

  it('is taken while orders are stored, and each is in it whole or not at all', async () => {
    const writing = Promise.all(Array.from({ length: 30 }, (_, at) => add(`while copying ${String(at)}`)));
    const copies = await Promise.all([1, 2, 3].map(() => server.app.get(Backups).take('on-demand')));
    await writing;
    expect(copies.map(({ sequence }) => sequence)).toEqual([1, 2, 3]);
    for (const { name } of copies)
      expect((await server.http.post(`/api/backups/${name}/check`).expect(200)).body).toMatchObject({ troubles: [] });
  });

  it('is one a day, when the day has begun', async () => {
    const backups = server.app.get(Backups);
    await backups.takeDaily();
    await add('Later that day');
    await backups.takeDaily();
    expect((await list()).map(({ kind, on }) => [kind, on])).toEqual([['daily', TODAY]]);
  });

  it('that was cut off leaves nothing behind', async () => {
    const cut = join(backupFolder(folder), '000004-daily-2026-11-25.db.part');
    for (const end of ['', '-wal']) await writeFile(cut + end, 'half');
    await server.app.close();
    server = await openServer({ folder });
    expect(await readdir(backupFolder(folder))).toEqual([]);
  });

  it('that cannot be taken is said on Today, and everything goes on', async () => {
    await rm(join(folder, 'backups'), { recursive: true, force: true });
    await writeFile(join(folder, 'backups'), 'in the way');
    await server.app.get(Backups).takeDaily();
    await add('All the same');
    const { findings } = await planOf(server);
    expect(findings.map(({ code }) => code)).toContain('no-backup');
  });
});

/** What a season is without what the last migration brought. */
const withoutPayments = (file: SeasonFile): SeasonFile => ({
  ...file,
  orders: file.orders.map((each) => ({ ...each, payments: [] })),
});

describe('putting a copy back', () => {
  it.each(['on-demand', 'daily', 'before-import', 'before-restore', 'before-migration'] as const)(
    '%s brings back what was there, and can itself be undone',
    async (kind) => {
      const before = await season();
      if (kind === 'on-demand') await server.http.post('/api/backups').expect(201);
      if (kind === 'daily') await server.app.get(Backups).takeDaily();
      if (kind === 'before-import')
        await server.http
          .post('/api/season-file')
          .send({ ...(await readDemo()), orders: [] })
          .expect(200);
      if (kind === 'before-restore') {
        await server.http.post('/api/backups').expect(201);
        await restore((await list())[0]?.name ?? '').expect(200);
      }
      if (kind === 'before-migration') {
        await server.app.close();
        const older = await openDatabase(folder);
        await older.undoLastMigration();
        await closeDatabase(older);
        server = await openServer({ folder });
      }
      const copy = (await list()).find((each) => each.kind === kind);
      // What the last migration brought was not in the copy yet.
      const kept = kind === 'before-migration' ? withoutPayments(before) : before;
      await add('Since then');
      expect(await season()).not.toEqual(kept);
      await restore(copy?.name ?? '').expect(200);
      expect(await season()).toEqual(kept);
      // After a stop and a start, too
      await server.app.close();
      server = await openServer({ folder });
      expect(await season()).toEqual(kept);
      const [undo] = await list();
      expect(undo?.kind).toBe('before-restore');
      await restore(undo?.name ?? '').expect(200);
      expect(await names()).toContain('Since then');
    },
  );

  it('lets no page that shows what was there save over it', async () => {
    const sugar = await add('Sugar, fine');
    await server.http.post('/api/backups').expect(201);
    const edit = (version: number, notes: string) =>
      server.http.put(`/api/ingredients/${sugar.id}`).send({
        name: 'Sugar, fine',
        declaration: { labelName: 'sugar', parts: [] },
        notes,
        version,
      });
    await edit(sugar.version, 'one').expect(200);
    await edit(sugar.version + 1, 'two').expect(200);
    await restore((await list())[0]?.name ?? '').expect(200);
    // As many edits as before: the version of an old page must not fit again
    for (const version of [sugar.version, sugar.version + 1, sugar.version + 2]) await edit(version, 'old').expect(409);
    const { body } = await server.http.get(`/api/ingredients/${sugar.id}`).expect(200);
    await edit((body as Stored).version, 'new').expect(200);
  });

  it('refuses a damaged copy, and leaves everything as it was', async () => {
    await server.http.post('/api/backups').expect(201);
    const [copy] = await list();
    await writeFile(join(backupFolder(folder), copy?.name ?? ''), Buffer.alloc(20_000, 0x61));
    const before = await season();
    const { body } = await restore(copy?.name ?? '').expect(422);
    expect(body).toMatchObject({ code: 'not-restored' });
    expect(await season()).toEqual(before);
    await add('Goes on');
    await restore('000099-daily-2026-11-25.db').expect(404);
  });

  it('works by hand too: a copy under the name of the database', async () => {
    const before = await season();
    const { name } = (await server.http.post('/api/backups').expect(201)).body as BackupFile;
    await add('Since then');
    await server.app.close();
    for (const end of ['', '-wal', '-shm']) await rm(join(folder, DATABASE_FILE + end), { force: true });
    await copyFile(join(backupFolder(folder), name), join(folder, DATABASE_FILE));
    server = await openServer({ folder });
    expect(await season()).toEqual(before);
  });
});

describe('an import', () => {
  it('comes right after its copy: what was stored while it ran is in the copy or after it', async () => {
    const file = await season();
    const stored: string[] = [];
    const state = { isOver: false };
    const writing = (async () => {
      for (let at = 0; !state.isOver; at++) {
        const name = `while importing ${String(at)}`;
        await add(name);
        stored.push(name);
      }
    })();
    await server.http.post('/api/season-file').send(file).expect(200);
    state.isOver = true;
    await writing;
    const after = new Set(await names());
    const copy = (await list()).find(({ kind }) => kind === 'before-import');
    await restore(copy?.name ?? '').expect(200);
    const inCopy = new Set(await names());
    expect(stored.length).toBeGreaterThan(0);
    for (const name of stored) expect([name, after.has(name) || inCopy.has(name)]).toEqual([name, true]);
  });

  it('lets no page of before save over it', async () => {
    const { body } = await server.http.get('/api/orders/order-001').expect(200);
    const { id, ...order } = body as { id: string; version: number };
    await server.http
      .post('/api/season-file')
      .send(await season())
      .expect(200);
    await server.http.put(`/api/orders/${id}`).send(order).expect(409);
  });
});

describe('copies that are kept', () => {
  const taken = (days: readonly string[], kind: BackupFile['kind'] = 'daily') =>
    days.map((on, at): BackupFile => ({ name: `${String(at)} ${kind}`, sequence: at + 1, kind, on })).reverse();
  const daysOf = (files: readonly BackupFile[]) => {
    const kept = keptBackups(files);
    return files.filter(({ name }) => kept.has(name)).map(({ on }) => on);
  };

  it('are seven days, four weeks and twelve months', () => {
    const days = Array.from({ length: 500 }, (_, at) => addDays('2025-07-01', at));
    const kept = daysOf(taken(days));
    expect(kept.slice(0, 7)).toEqual(days.slice(-7).reverse());
    expect(new Set(kept.map((day) => day.slice(0, 7))).size).toBe(12);
    expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12);
  });

  it('are never fewer because the clock went back, or far ahead', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: 1, maxLength: 60 }),
        fc.integer({ min: -4000, max: 9000 }),
        (steps, jump) => {
          const days = steps.map((step) => addDays('2026-01-01', step));
          const files = taken(days);
          // One that is taken under a wrong clock takes the place of one at most of each span.
          const withOne: BackupFile[] = [
            { name: 'wrong', sequence: days.length + 1, kind: 'daily', on: addDays('2026-01-01', jump) },
            ...files,
          ];
          const [before, after] = [keptBackups(files), keptBackups(withOne)];
          expect(after.has('wrong')).toBe(true);
          expect([...before].filter((name) => !after.has(name)).length).toBeLessThanOrEqual(3);
          const newest = files[0]?.name ?? '';
          expect(before.has(newest)).toBe(true);
        },
      ),
    );
  });

  it('know their own names only', () => {
    expect(readName('000012-daily-2026-11-28.db')).toEqual({
      name: '000012-daily-2026-11-28.db',
      sequence: 12,
      kind: 'daily',
      on: '2026-11-28',
    });
    for (const name of ['usual-pantry.db', '12-daily-2026-11-28.db', '000012-weekly-2026-11-28.db', '../x'])
      expect(readName(name)).toBeNull();
  });
});
