import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { pathToFileURL } from 'node:url';

/** Prints for how long the largest things that can be sent hold the server up for everybody else; asserts nothing. */
interface App {
  listen(port: number, host: string): Promise<unknown>;
  close(): Promise<void>;
}
const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-block-'));
const { createApp } = (await import(pathToFileURL(join('server/dist', 'app.js')).href)) as {
  createApp: (setup: object, quiet: boolean) => Promise<App>;
};
const app = await createApp({ dataDir: folder, pagesDir: 'none', allowedHosts: [], today: '2026-11-25' }, true);
const PORT = 4398;
await app.listen(PORT, '127.0.0.1');

const delay = monitorEventLoopDelay({ resolution: 5 });
delay.enable();
const ONE_MS = 1e6;

async function send(name: string, path: string, body: string): Promise<void> {
  delay.reset();
  const since = performance.now();
  const answer = await fetch(`http://127.0.0.1:${String(PORT)}${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body,
  });
  await answer.text();
  const took = performance.now() - since;
  process.stdout.write(
    `${name}: answered ${String(answer.status)} after ${took.toFixed(0)} ms, everybody else held up for ${(delay.max / ONE_MS).toFixed(0)} ms at most\n`,
  );
}

const demo = JSON.parse(readFileSync('demo/season.json', 'utf8')) as { orders: object[] };
const many = Array.from({ length: 20_000 }, (_, at) => ({
  ...demo.orders[at % demo.orders.length],
  id: `o${String(at)}`,
}));
const head = 'Customer,Box,Date\n';
const row = 'Wren Oxley,Table box,2026-12-12\n';
await send('the demo', '/api/season-file', JSON.stringify(demo));
await send('a CSV of 19,000 orders', '/api/order-file/check', JSON.stringify({ text: head + row.repeat(19_000) }));
await send('a CSV of 10 MB', '/api/order-file/check', JSON.stringify({ text: head + row.repeat(300_000) }));
await send('a CSV of a million columns', '/api/order-file/check', JSON.stringify({ text: 'a,'.repeat(1e6) }));
await send('20 MB of [ as a season', '/api/season-file/check', '['.repeat(20e6));
await send('20 MB of [ as orders', '/api/order-file/check', '['.repeat(20e6));
await send('a note of 1 MB', '/api/orders', JSON.stringify({ notes: 'x'.repeat(1e6) }));
await send('8,000 fractions in a line', '/api/recipes/read-lines', JSON.stringify({ text: '½'.repeat(8_000) }));
await send(
  '600 lines of a recipe',
  '/api/recipes/read-lines',
  JSON.stringify({ text: '1 cup sugar and 2 tbsp butter\n'.repeat(600) }),
);
await send('a season of 20,000 orders, looked at', '/api/season-file/check', JSON.stringify({ ...demo, orders: many }));
await send('a season of 20,000 orders, imported', '/api/season-file', JSON.stringify({ ...demo, orders: many }));
await app.close();
rmSync(folder, { recursive: true });
