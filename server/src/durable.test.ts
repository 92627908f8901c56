import { expect, it } from '@jest/globals';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const draft = (name: string) => ({
  customer: { name },
  lines: [{ boxId: 'sampler', count: 1 }],
  handOver: { on: '2026-12-14', way: 'courier' },
});

async function serve(folder: string): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, ['server/dist/main.js'], {
    env: { ...process.env, DATA_DIR: folder, PORT: '0', TODAY: '2026-11-25', SEED_FILE: 'demo/season.json' },
  });
  const url = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/\S+/.exec(chunk.toString())?.[0];
      if (found) resolve(found);
    });
    child.on('exit', (code) => {
      reject(new Error(`ended with ${code}`));
    });
  });
  return { child, url };
}

const kill = (child: ChildProcess) =>
  new Promise((resolve) => {
    child.on('exit', resolve);
    child.kill('SIGKILL');
  });

it('loses nothing that it has confirmed when it is killed while it saves, and starts again', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'usual-pantry-'));
  const confirmed: string[] = [];
  for (let round = 0; round < 3; round++) {
    const { child, url } = await serve(folder);
    let alive = true;
    const saving = Array.from({ length: 3 }, async (_, writer) => {
      for (let index = 0; alive; index++) {
        const name = `round ${round} writer ${writer} order ${index}`;
        try {
          const answer = await fetch(`${url}/api/orders`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify(draft(name)),
          });
          if (answer.status === 201) confirmed.push(name);
        } catch {
          alive = false;
        }
      }
    });
    while (confirmed.length < (round + 1) * 8) await new Promise((resolve) => setImmediate(resolve));
    await kill(child);
    alive = false;
    await Promise.all(saving);
  }
  const { child, url } = await serve(folder);
  const file = (await (await fetch(`${url}/api/season-file`)).json()) as {
    orders: { customer: { name: string }; lines: object[] }[];
  };
  const stored = new Map(file.orders.map((order) => [order.customer.name, order.lines.length]));
  for (const name of confirmed) expect(stored.get(name)).toBe(1);
  // Nothing half written: every order has its line
  expect([...stored.values()].every((lines) => lines > 0)).toBe(true);
  await kill(child);
  await rm(folder, { recursive: true, force: true });
}, 120_000);
