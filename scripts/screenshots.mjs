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

const receipt = (page) =>
  page
    .getByLabel('Paste it here')
    .fill('CORNER MARKET\nBROWN SUGAR 4 LB    5.49 F\nBUTTER 2 LB 9.98\nPECAN HALVES 1 LB 14.49\nTOTAL 29.96');

const views = [
  ['today', '/?day=2026-12-01'],
  ['orders', '/orders'],
  ['tickets', '/orders?as=tickets'],
  ['order', '/orders/order-006'],
  ['composer', '/boxes/longest-night'],
  ['recipe', '/recipes/sesame-toffee'],
  ['paste', '/recipes/paste', undefined, undefined, pasteText],
  ['bench-sheet', '/plan/days'],
  ['pantry', '/pantry'],
  ['prices', '/pantry/prices', undefined, undefined, receipt],
  ['batches', '/plan'],
  ['shopping', '/plan/shopping'],
  ['label', '/labels/toffee-bag?handOver=2026-12-05'],
  ['money', '/money'],
  ['settings', '/settings'],
  ['today-phone', '/?day=2026-12-01', { width: 390, height: 844 }],
  ['plan-dark', '/plan/days', { width: 1280, height: 800 }, 'dark'],
  ['paper', '/print/bench?day=2026-11-26'],
];
/** As a new maker sees it: nothing is there yet. */
const emptyViews = [['start', '/']];

install();
build();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const only = process.argv.slice(2);

/** Pictures of some views of a kitchen of its own. */
async function take(wanted, environment) {
  const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-pictures-'));
  const server = spawn(process.execPath, [join(root, 'server/dist/program/main.js')], {
    cwd: root,
    env: { ...process.env, DATA_DIR: folder, PORT: '0', TODAY: '2026-11-25', ...environment },
  });
  const url = await new Promise((resolve) => {
    server.stdout.on('data', (chunk) => {
      const found = /http:\/\/\S+/.exec(chunk.toString())?.[0];
      if (found) resolve(found);
    });
  });
  for (const [name, address, viewport = { width: 1280, height: 800 }, colorScheme = 'light', act] of wanted) {
    if (only.length > 0 && !only.includes(name)) continue;
    const page = await browser.newPage({ viewport, colorScheme, reducedMotion: 'reduce', serviceWorkers: 'block' });
    await page.goto(url + address);
    await page.locator('h1:visible, h2:visible').first().waitFor();
    await page.getByRole('status', { name: 'Loading' }).waitFor({ state: 'detached' });
    await page.evaluate(() => globalThis.document.fonts.ready);
    await act?.(page);
    await page.waitForTimeout(400);
    await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
    await page.close();
  }
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}

await take(views, { SEED_FILE: 'demo/season.json' });
await take(emptyViews, {});
await browser.close();
