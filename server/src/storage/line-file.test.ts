import { afterEach, beforeEach, expect, it } from '@jest/globals';
import { appendFile, mkdtemp, readdir, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LineFile } from './line-file.js';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'usual-pantry-lines-'));
});
afterEach(() => rm(folder, { recursive: true }));

it('keeps lines in their order, for the user alone, and leaves out one that was cut off', async () => {
  const file = new LineFile<{ n: number }>(join(folder, 'log'), 1_000);
  expect(file.newest(5)).toEqual([]);
  file.add([{ n: 1 }, { n: 2 }]);
  file.add([{ n: 3 }]);
  await appendFile(join(folder, 'log'), '{"n":');
  expect(file.newest(3)).toEqual([{ n: 2 }, { n: 3 }]);
  expect((await stat(join(folder, 'log'))).mode & 0o777).toBe(0o600);
});

it('puts a file that is too long aside and begins anew', async () => {
  const file = new LineFile<{ n: number }>(join(folder, 'log'), 20);
  for (const n of [1, 2, 3, 4]) file.add([{ n }]);
  expect((await readdir(folder)).sort()).toEqual(['log', 'log.1']);
  expect(file.newest(9)).toEqual([{ n: 4 }]);
});
