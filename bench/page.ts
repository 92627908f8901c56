import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium, type Page } from '@playwright/test';

/** Prints figures of the running application on the demo; asserts nothing. */
const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-bench-'));
const say = (text: string) => process.stdout.write(`${text}\n`);

async function startServer(): Promise<{ url: string; stop: () => void; milliseconds: number }> {
  const since = performance.now();
  const child = spawn(process.execPath, ['scripts/start.mjs', '--demo'], {
    env: { ...process.env, DATA_DIR: folder, PORT: '4399', TODAY: '2026-11-25' },
  });
  const url = await new Promise<string>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/\S+/.exec(chunk.toString())?.[0];
      if (found) resolve(found);
    });
  });
  return { url, stop: () => child.kill(), milliseconds: performance.now() - since };
}

/** Milliseconds from the press of Save to the new number of boxes on the screen. */
async function saveToScreen(page: Page, count: number): Promise<number> {
  await page.getByLabel('How many').first().fill(String(count));
  return page.evaluate(async () => {
    const answer = () => document.querySelector('nav[aria-label="Screens"] a[href="/labels"]')?.textContent ?? '';
    const before = answer();
    const button = [...document.querySelectorAll('button')].find((each) => each.textContent === 'Save');
    const since = performance.now();
    button?.click();
    while (answer() === before) await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - since;
  });
}

const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? NaN;

const first = await startServer();
first.stop();
await new Promise((resolve) => setTimeout(resolve, 500));
const server = await startServer();
say(`npm run demo again on built code: answering after ${(server.milliseconds / 1000).toFixed(1)} s`);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage();
const scripts = new Set<string>();
page.on('response', (response) => {
  if (response.url().endsWith('.js')) scripts.add(new URL(response.url()).pathname);
});
await page.goto(server.url);
await page.getByTestId('answer').waitFor();
const bytes = [...scripts].reduce((sum, path) => sum + gzipSync(readFileSync(join('web/dist', path))).length, 0);
say(
  `first screen: ${(bytes / 1000).toFixed(0)} kB of gzipped script in ${scripts.size} files of ${readdirSync('web/dist/assets').filter((name) => name.endsWith('.js')).length}`,
);

await page.goto(`${server.url}/orders/order-001`);
await page.getByLabel('How many').first().waitFor();
const times: number[] = [];
for (let round = 0; round < 15; round++) times.push(await saveToScreen(page, 20 + round));
say(
  `saving an order to every number updated on the screen: median ${median(times).toFixed(0)} ms, worst ${Math.max(...times).toFixed(0)} ms (${times.length} saves)`,
);

/** Milliseconds from a keystroke in the amount of a line to the new yield on the screen. */
async function typeToScreen(amount: number): Promise<number> {
  return page.evaluate(async (value) => {
    const shown = () => [...document.querySelectorAll('dd')].map((each) => each.textContent).join();
    const before = shown();
    const input = document.querySelector<HTMLInputElement>('input[name="lines.0.amount"]');
    const since = performance.now();
    // Past the property that React puts on the field, so that it sees a change.
    Reflect.set(HTMLInputElement.prototype, 'value', String(value), input);
    input?.dispatchEvent(new Event('input', { bubbles: true }));
    while (shown() === before) await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - since;
  }, amount);
}

await page.goto(`${server.url}/recipes/cream-ganache/edit`);
await page.getByLabel('Amount').first().waitFor();
const typed: number[] = [];
for (let round = 0; round < 15; round++) typed.push(await typeToScreen(700 + round * 10));
say(
  `typing in a line of a recipe to its new figures on the screen: median ${median(typed).toFixed(0)} ms, worst ${Math.max(...typed).toFixed(0)} ms (${typed.length} keystrokes)`,
);

await page.request.post(`${server.url}/api/order-file`, {
  data: {
    text: [
      'Order no;Customer;Box;Count;Day;Way',
      ...Array.from(
        { length: 5000 },
        (_, at) => `R${String(at)};Customer ${String(at)};Pinwheel sampler;1;${String((at % 20) + 1)} Dec 2026;stall`,
      ),
    ].join('\n'),
  },
  timeout: 180_000,
});
await page.goto(`${server.url}/orders`);
await page.getByRole('grid', { name: 'Orders' }).waitFor();
await page.getByText('5,0').first().waitFor();
/** Milliseconds from a press of the button to other rows in the table. */
const turnPage = () =>
  page.evaluate(async () => {
    const rows = () =>
      [...document.querySelectorAll<HTMLElement>('[role=row]')].map(({ dataset }) => dataset.id).join();
    const before = rows();
    const since = performance.now();
    document.querySelector<HTMLElement>('[aria-label="Go to next page"]')?.click();
    while (rows() === before) await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - since;
  });
const turned: number[] = [];
for (let round = 0; round < 10; round++) {
  // As long as it takes to look at a page.
  await new Promise((resolve) => setTimeout(resolve, 1000));
  turned.push(await turnPage());
}
say(
  `turning a page of 5,000 orders: median ${median(turned).toFixed(0)} ms, worst ${Math.max(...turned).toFixed(0)} ms (10 pages)`,
);

await browser.close();
server.stop();
rmSync(folder, { recursive: true, force: true });
