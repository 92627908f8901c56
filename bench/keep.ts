import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { seasonFileSchema } from '@usual-pantry/core/season-file';

/** Prints figures of the store: saving, many writers, start, backup; asserts nothing. */
const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-keep-'));
const say = (text: string) => process.stdout.write(`${text}\n`);
const sorted = (times: readonly number[]): number[] => [...times].sort((a, b) => a - b);
const share = (times: readonly number[], of: number): number =>
  sorted(times)[Math.floor((times.length - 1) * of)] ?? NaN;

interface Server {
  readonly child: ChildProcess;
  readonly url: string;
  readonly milliseconds: number;
}

async function start(): Promise<Server> {
  const since = performance.now();
  const child = spawn(process.execPath, ['server/dist/program/main.js'], {
    env: { ...process.env, DATA_DIR: folder, PORT: '0', TODAY: '2026-11-25' },
  });
  const url = await new Promise<string>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/\S+/.exec(chunk.toString())?.[0];
      if (found) resolve(found);
    });
  });
  return { child, url, milliseconds: performance.now() - since };
}
const stop = ({ child }: Server) =>
  new Promise((resolve) => {
    child.on('exit', resolve);
    child.kill('SIGTERM');
  });
const post = async (url: string, body: unknown): Promise<number> => {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  await answer.text();
  if (!answer.ok) throw new Error(`${url}: ${String(answer.status)}`);
  return answer.status;
};
const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const since = performance.now();
  await work();
  return performance.now() - since;
};

const demo = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const withOrders = (count: number) => ({
  ...demo,
  orders: Array.from({ length: count }, (_, at) => ({ ...demo.orders[at % demo.orders.length], id: `o${String(at)}` })),
});
const draft = (name: string) => ({
  customer: { name },
  lines: [{ boxId: 'sampler', count: 1 }],
  handOver: { on: '2026-12-14', way: 'courier' },
});

/** As much of the server's own parts as this needs. */
interface Manager {
  query(sql: string, values?: readonly unknown[]): Promise<unknown>;
}
interface Parts {
  readonly createApp: (
    setup: object,
    quiet: boolean,
  ) => Promise<{ get: (token: unknown) => unknown; close: () => Promise<void> }>;
  readonly UnitOfWork: new () => { write: (work: (manager: Manager) => Promise<unknown>) => Promise<unknown> };
}
const dist = (path: string) =>
  import(pathToFileURL(join('server/dist', path)).href) as Promise<Record<string, unknown>>;
const { createApp } = (await dist('app.js')) as unknown as Pick<Parts, 'createApp'>;
const { UnitOfWork } = (await dist('storage/unit-of-work.js')) as unknown as Pick<Parts, 'UnitOfWork'>;
const { Database } = (await dist('storage/database.js')) as { Database: unknown };

const app = await createApp({ dataDir: folder, pagesDir: 'none', allowedHosts: [], today: '2026-11-25' }, true);
const work = app.get(UnitOfWork) as InstanceType<Parts['UnitOfWork']>;
const { dataSource } = app.get(Database) as {
  dataSource: { transaction: (work: (manager: Manager) => Promise<unknown>) => Promise<unknown> };
};
let written = 0;
const insert = (manager: Manager) =>
  manager.query(`INSERT INTO answered VALUES (?, 'bench', 200, '{}', '2026-11-25')`, [`bench ${String(++written)}`]);
const [plain, proven]: [number[], number[]] = [[], []];
for (let turn = 0; turn < 400; turn++) {
  plain.push(await timed(() => dataSource.transaction(insert)));
  proven.push(await timed(() => work.write(insert)));
}
await app.close();
say(
  `a row stored: median ${share(plain, 0.5).toFixed(2)} ms in a bare transaction, ${share(proven, 0.5).toFixed(2)} ms with turn, disk and proof`,
);

let server = await start();
await post(`${server.url}/api/season-file`, withOrders(2000));
// As a page does that is open: what is worked out once is worked out.
await fetch(`${server.url}/api/plan`).then((answer) => answer.text());
const alone: number[] = [];
for (let at = 0; at < 50; at++)
  alone.push(await timed(() => post(`${server.url}/api/orders`, draft(`alone ${String(at)}`))));
say(`an order stored by one writer at 2,000 orders: median ${share(alone, 0.5).toFixed(0)} ms`);
const times: number[] = [];
await Promise.all(
  Array.from({ length: 50 }, async (_, writer) => {
    for (let at = 0; at < 6; at++)
      times.push(await timed(() => post(`${server.url}/api/orders`, draft(`writer ${String(writer)} ${String(at)}`))));
  }),
);
say(
  `50 writers at 2,000 orders: median ${share(times, 0.5).toFixed(0)} ms, 95 % within ${share(times, 0.95).toFixed(0)} ms of ${String(times.length)}`,
);

await post(`${server.url}/api/season-file`, withOrders(5000));
await stop(server);
server = await start();
say(`start with the check of 5,000 orders: answering after ${(server.milliseconds / 1000).toFixed(2)} s`);
await fetch(`${server.url}/api/book`).then((answer) => answer.text());

const saves: number[] = [];
const state = { isOver: false };
const saving = (async () => {
  while (!state.isOver)
    saves.push(
      await timed(() =>
        post(`${server.url}/api/ingredients`, {
          name: `n${String(saves.length)}`,
          declaration: { labelName: 'n', parts: [] },
        }),
      ),
    );
})();
const took = await timed(() => post(`${server.url}/api/backups`, {}));
state.isOver = true;
await saving;
say(
  `backup of 5,000 orders: ${(took / 1000).toFixed(2)} s, during which ${String(saves.length)} records were stored, the slowest in ${Math.max(...saves).toFixed(0)} ms`,
);
await stop(server);
rmSync(folder, { recursive: true });
