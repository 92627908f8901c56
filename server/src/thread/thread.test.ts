import { writeFile } from 'node:fs/promises';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { GivenUp, Thread } from './thread.js';

type Job = { readonly add: number } | 'fail' | 'never' | 'die';

let folder: string;
let thread: Thread<Job, number>;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'usual-pantry-thread-'));
  const file = join(folder, 'adder.mjs');
  await writeFile(
    file,
    `import { parentPort } from 'node:worker_threads';
     let sum = 0;
     parentPort.on('message', ({ job }) => {
       if (job === 'die') throw new Error('it died');
       if (job === 'never') for (;;);
       parentPort.postMessage(job === 'fail' ? { error: 'it cannot' } : { result: (sum += job.add) });
     });`,
  );
  thread = new Thread(file);
});
afterAll(async () => {
  await thread.onModuleDestroy();
  rmSync(folder, { recursive: true });
});

const patient = { mostMs: 600_000 };

describe('a thread', () => {
  it('does one job after another, in the order in which they came', async () => {
    const done = await Promise.all([1, 2, 3].map((add) => thread.run({ add }, patient)));
    expect(done).toEqual([1, 3, 6]);
  });

  it('says what a job says, and goes on', async () => {
    await expect(thread.run('fail', patient)).rejects.toThrow('it cannot');
    expect(await thread.run({ add: 1 }, patient)).toBe(7);
  });

  it('ends a job that takes too long or that nobody waits for, and starts afresh for the next', async () => {
    await expect(thread.run('never', { mostMs: 50 })).rejects.toThrow(GivenUp);
    expect(await thread.run({ add: 1 }, patient)).toBe(1);
    const gone = new AbortController();
    const asked = thread.run('never', { ...patient, signal: gone.signal });
    // By then it has its turn.
    await new Promise((resolve) => setImmediate(resolve));
    gone.abort();
    await expect(asked).rejects.toThrow(GivenUp);
    expect(await thread.run({ add: 2 }, patient)).toBe(2);
    // One that was given up before its turn ends nothing
    await expect(thread.run({ add: 1 }, { ...patient, signal: gone.signal })).rejects.toThrow(GivenUp);
    expect(await thread.run({ add: 2 }, patient)).toBe(4);
  });

  it('that dies is followed by another', async () => {
    await expect(thread.run('die', patient)).rejects.toThrow('it died');
    expect(await thread.run({ add: 4 }, patient)).toBe(4);
  });
});
