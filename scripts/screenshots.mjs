// npm run screenshots: one picture of each main view, from the demo, on a day that stands still.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { build, install, root } from './lib/run.mjs';

const pasteText = (page) =>
  page
    .getByLabel('The recipe')
    .fill(
      'Brown sugar caramels\nmakes 64\n\n1 1/2 cups packed brown sugar\n1,5 dl heavy cream\nhalf a stick butter\n1 cup (150 g) granulated sugar\n1 cup chopped pecans, toasted\n\n1. Bring to the boil and cook to 118 C, about 15 minutes.\n2. Pour into the pan and leave to set overnight.',
    );

const quickText = (page) =>
  page.getByLabel('An order in one line').fill('Wren Oxley: 3 table box + 2 large box, pick-up 5/12, no sesame');

const testOrder = async (page) => {
  await page.getByRole('button', { name: 'Send it' }).click();
  await page.getByText('taken').first().waitFor();
};

const views = [
  ['today', '/?day=2026-12-01'],
  ['orders', '/orders'],
  ['quick-entry', '/orders', undefined, undefined, quickText],
  ['order', '/orders/order-006'],
  ['boxes', '/boxes'],
  ['composer', '/boxes/longest-night'],
  ['recipe', '/recipes/sesame-toffee'],
  ['paste', '/recipes/paste', undefined, undefined, pasteText],
  ['bench-sheet', '/plan/days'],
  ['pantry', '/pantry'],
  ['ingredient', '/pantry/unsalted-butter'],
  ['batches', '/plan'],
  ['shopping', '/plan/shopping'],
  ['label', '/labels/toffee-bag?handOver=2026-12-05'],
  ['money', '/money'],
  ['settings', '/settings'],
  ['today-phone', '/?day=2026-12-01', { width: 390, height: 844 }],
  ['plan-dark', '/plan/days', { width: 1280, height: 800 }, 'dark'],
  // Last: it leaves an order behind.
  ['inbox', '/orders/inbox', undefined, undefined, testOrder],
];

install();
build();
const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-pictures-'));
const server = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
  cwd: root,
  env: { ...process.env, DATA_DIR: folder, PORT: '0', TODAY: '2026-11-25', SEED_FILE: 'demo/season.json' },
});
const url = await new Promise((resolve) => {
  server.stdout.on('data', (chunk) => {
    const found = /http:\/\/\S+/.exec(chunk.toString())?.[0];
    if (found) resolve(found);
  });
});
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const only = process.argv.slice(2);
for (const [name, address, viewport = { width: 1280, height: 800 }, colorScheme = 'light', act] of views) {
  if (only.length > 0 && !only.includes(name)) continue;
  const page = await browser.newPage({ viewport, colorScheme, reducedMotion: 'reduce' });
  await page.goto(url + address);
  await page.locator('h1:visible, h2:visible').first().waitFor();
  await page.getByRole('status', { name: 'Loading' }).waitFor({ state: 'detached' });
  await page.evaluate(() => globalThis.document.fonts.ready);
  await act?.(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
  await page.close();
}
await browser.close();
server.kill();
rmSync(folder, { recursive: true, force: true });
