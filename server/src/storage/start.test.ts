import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { spawn } from 'node:child_process';
import { copyFile, mkdtemp, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { endProgram, runProgram, startProgram } from '../testing/program.js';
import { openServer } from '../testing/server.js';
import { CannotStart } from './cannot-start.js';
import { DATABASE_FILE } from './data-source.js';
import { LibsqlConnection } from './driver.js';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'usual-pantry-start-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const file = (end = '') => join(folder, DATABASE_FILE + end);
const filled = async () => {
  const server = await openServer({ demo: true, folder });
  await server.app.close();
};
const why = async (): Promise<string> => {
  try {
    await (await openServer({ folder })).app.close();
    return 'it started';
  } catch (error) {
    if (!(error instanceof CannotStart)) throw error;
    return error.message;
  }
};
const addIngredient = (url: string, name: string) =>
  fetch(`${url}/api/ingredients`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name, declaration: { labelName: name, parts: [] } }),
  });

describe('a database that is not whole', () => {
  it('and empty is not started as an empty pantry', async () => {
    await writeFile(file(), '');
    expect(await why()).toContain('is empty (0 bytes)');
    expect((await stat(file())).size).toBe(0);
  });

  it.each([
    ['text', Buffer.from('something else altogether '.repeat(40)), 'is no database'],
    ['a page or two', null, 'is damaged'],
  ])('for %s in it is refused and left alone', async (_name, garbage, words) => {
    await filled();
    const before = await readFile(file());
    const broken =
      garbage ?? Buffer.concat([before.subarray(0, 4096), Buffer.alloc(8192, 0x5a), before.subarray(12288)]);
    await writeFile(file(), broken);
    const said = await why();
    expect(said).toContain(words);
    expect(said).toContain('Nothing was touched');
    expect(said).toContain('docs/deploy.md');
    expect((await readFile(file())).equals(broken)).toBe(true);
  });

  it('for a newer program is refused, and the change that is not known is named', async () => {
    await filled();
    const database = new LibsqlConnection(file());
    database.prepare(`INSERT INTO migrations (timestamp, name) VALUES (9, 'FromTheFuture9')`).run();
    database.close();
    expect(await why()).toContain('written by a newer Usual Pantry (it knows FromTheFuture9)');
  });

  it('for another program is refused', async () => {
    const other = new LibsqlConnection(file());
    other.prepare('CREATE TABLE songs (name TEXT)').run();
    other.close();
    expect(await why()).toContain('the database of another program');
  });

  it('for a row that refers to nothing is refused', async () => {
    await filled();
    const database = new LibsqlConnection(file());
    database.prepare('PRAGMA foreign_keys = OFF').run();
    database.prepare(`DELETE FROM piece WHERE id IN (SELECT pieceId FROM box_cell LIMIT 1)`).run();
    database.close();
    expect(await why()).toContain('refers to a piece that is not there');
  });
});

describe('a program that is killed', () => {
  it('goes on where it was; its database without the -wal is refused until the maker says so', async () => {
    const program = await runProgram(folder);
    expect((await addIngredient(program.url, 'Sugar')).status).toBe(201);
    await endProgram(program, 'SIGKILL');
    const alone = await mkdtemp(join(tmpdir(), 'usual-pantry-alone-'));
    await copyFile(file(), join(alone, DATABASE_FILE));
    const refused = await startProgram(alone);
    expect(refused).toMatchObject({ code: 1 });
    expect('said' in refused && refused.said).toContain(
      `${DATABASE_FILE}-wal, which holds what was stored last, is missing`,
    );
    const asItIs = await runProgram(alone, { DATABASE_AS_IT_IS: 'yes' });
    await endProgram(asItIs, 'SIGTERM');
    await rm(alone, { recursive: true });
    await rm(file());
    expect(await why()).toContain(`-wal is there, but ${file()} is not`);
  });

  it('has let its folder go', async () => {
    await endProgram(await runProgram(folder), 'SIGKILL');
    await endProgram(await runProgram(folder), 'SIGKILL');
    expect(await why()).toBe('it started');
  });
});

describe('a program that is stopped', () => {
  it('ends with a page open, and leaves one file that alone is whole', async () => {
    const program = await runProgram(folder);
    await addIngredient(program.url, 'Sugar');
    const stream = await fetch(`${program.url}/api/changes`);
    const { signal } = await endProgram(program, 'SIGTERM');
    // By the signal, as it was asked to: not given up on.
    expect(signal).toBe('SIGTERM');
    await stream.text();
    const alone = await mkdtemp(join(tmpdir(), 'usual-pantry-alone-'));
    await copyFile(file(), join(alone, DATABASE_FILE));
    const again = await runProgram(alone);
    const { ingredients } = (await (await fetch(`${again.url}/api/book`)).json()) as {
      ingredients: { name: string }[];
    };
    expect(ingredients.map(({ name }) => name)).toEqual(['Sugar']);
    await endProgram(again, 'SIGTERM');
    await rm(alone, { recursive: true });
  });
});

describe('the data folder', () => {
  it('is held by one program: a second says which one has it', async () => {
    const program = await runProgram(folder);
    const second = await startProgram(folder);
    expect(second).toMatchObject({ code: 1 });
    const said = 'said' in second ? second.said : '';
    expect(said).toContain(`process ${String(program.child.pid)}`);
    expect(said).toContain(program.url);
    expect((await addIngredient(program.url, 'Sugar')).status).toBe(201);
    await endProgram(program, 'SIGTERM');
    expect(await why()).toBe('it started');
  });

  it('is the maker’s alone, with every file in it', async () => {
    const program = await runProgram(folder);
    await addIngredient(program.url, 'Sugar');
    await fetch(`${program.url}/api/backups`, { method: 'POST' });
    await fetch(`${program.url}/api/inbox/key`, { method: 'POST' });
    await endProgram(program, 'SIGTERM');
    expect((await stat(folder)).mode & 0o777).toBe(0o700);
    const names = await readdir(folder, { recursive: true });
    expect(names.length).toBeGreaterThan(4);
    for (const name of names) {
      const found = await stat(join(folder, name));
      expect([name, found.mode & 0o077]).toEqual([name, 0]);
    }
  });
});

describe('a database that another program holds', () => {
  /** Holds the database as another program would, until it is told to let go. */
  const hold = async () => {
    const child = spawn(process.execPath, [
      '-e',
      `const Database = require('libsql');
       const held = new Database(${JSON.stringify(file())});
       held.exec('BEGIN IMMEDIATE');
       console.log('held');
       process.stdin.on('data', () => { held.exec('ROLLBACK'); process.exit(); });`,
    ]);
    await new Promise((resolve) => child.stdout.once('data', resolve));
    return () =>
      new Promise((resolve) => {
        child.on('exit', resolve);
        child.stdin.write('let go');
      });
  };

  it.each([true, false])('is waited for, then it is said; made at this start: %s', async (isNew) => {
    if (!isNew) await filled();
    const program = await runProgram(folder);
    const first = await hold();
    const asked = addIngredient(program.url, 'Sugar');
    await first();
    expect((await asked).status).toBe(201);
    const second = await hold();
    const { status, body } = await addIngredient(program.url, 'Salt').then(async (answer) => ({
      status: answer.status,
      body: (await answer.json()) as { code: string },
    }));
    expect([status, body.code]).toEqual([503, 'database-busy']);
    await second();
    expect((await addIngredient(program.url, 'Salt')).status).toBe(201);
    await endProgram(program, 'SIGTERM');
    expect(await why()).toBe('it started');
  });

  it('keeps a server from starting, in words', async () => {
    await filled();
    const letGo = await hold();
    expect(await why()).toContain('Another program holds the database');
    await letGo();
    expect(await why()).toBe('it started');
  });
});
