import { expect, it } from '@jest/globals';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { endProgram, runProgram } from './testing/program.js';

/** `npm run soak` kills it more often. */
const ROUNDS = Number(process.env['KILL_ROUNDS'] ?? 6);
const WRITERS = 3;

const draft = (name: string) => ({
  customer: { name },
  lines: [{ boxId: 'sampler', count: 1 }],
  handOver: { on: '2026-12-14', way: 'courier' },
});

/** Adds orders until the server is gone, each under a name of its own; tells of every one that is acknowledged. */
async function keepAdding(url: string, nameOf: (at: number) => string, tell: (name: string) => void): Promise<void> {
  for (let at = 0; ; at++) {
    const name = nameOf(at);
    try {
      const { status } = await fetch(`${url}/api/orders`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(draft(name)),
      });
      if (status === 201) tell(name);
    } catch {
      return;
    }
  }
}

it(`loses nothing that it has confirmed when it is killed while it saves, ${String(ROUNDS)} times`, async () => {
  const folder = await mkdtemp(join(tmpdir(), 'usual-pantry-'));
  const confirmed: string[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const program = await runProgram(folder, { SEED_FILE: 'demo/season.json' });
    const enough = confirmed.length + 1 + (round % 5);
    const saving = Array.from({ length: WRITERS }, (_, writer) =>
      keepAdding(
        program.url,
        (at) => `round ${String(round)} writer ${String(writer)} order ${String(at)}`,
        (name) => confirmed.push(name),
      ),
    );
    while (confirmed.length < enough) await new Promise((resolve) => setTimeout(resolve, 2));
    await endProgram(program, 'SIGKILL');
    await Promise.all(saving);
  }
  const program = await runProgram(folder);
  const file = (await (await fetch(`${program.url}/api/season-file`)).json()) as {
    orders: { customer: { name: string }; lines: object[] }[];
  };
  const stored = new Map(file.orders.map((order) => [order.customer.name, order.lines.length]));
  for (const name of confirmed) expect([name, stored.get(name)]).toEqual([name, 1]);
  // Nothing half written: every order has its line
  expect([...stored.values()].every((lines) => lines > 0)).toBe(true);
  const health = (await (await fetch(`${program.url}/api/backups/check`, { method: 'POST' })).json()) as object;
  expect(health).toMatchObject({ troubles: [] });
  await endProgram(program, 'SIGTERM');
  await rm(folder, { recursive: true, force: true });
}, 3_600_000);
