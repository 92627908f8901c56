// npm run screenshots: one picture of each main view, from the demo, on a day that stands still.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { build, installAll, root } from './lib/run.mjs';

const pasteText = (page) =>
  page
    .getByLabel('The recipe')
    .fill(
      'Brown sugar caramels\nmakes 64\n\n1 1/2 cups packed brown sugar\n1,5 dl heavy cream\nhalf a stick butter\n1 cup (150 g) granulated sugar\n1 cup chopped pecans, toasted\n\n1. Bring to the boil and cook to 118 C, about 15 minutes.\n2. Pour into the pan and leave to set overnight.',
    );

const at = '2026-11-26T18:10:00.000Z';
/** A batch of toffee at the bench with what happened to it. */
const batch = (url, id, events) =>
  [
    ['/api/makings', { id, recipeId: 'sesame-toffee', size: 1, on: '2026-11-25', startedAt: at }],
    [`/api/makings/${id}/events`, { events: events.map((event, index) => ({ id: `${id}-${index}`, at, ...event })) }],
  ].reduce(
    (before, [path, body]) =>
      before.then(() =>
        fetch(url + path, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        }),
      ),
    Promise.resolve(),
  );

/** A toffee that climbs: a plateau while its water goes, a dip, then faster. */
const toffee = Array.from({ length: 700 }, (_, index) => {
  const seconds = index / 2;
  const warm = Math.min(106, 30 + seconds * 0.75);
  const syrup = Math.max(0, seconds - 102) * 0.07 + Math.max(0, seconds - 250) ** 2 * 0.0009;
  return [index * 500, Math.round((warm + syrup - (seconds > 240 && seconds < 262 ? 2 : 0)) * 10) / 10, null];
});
const potAtBench = (url) =>
  batch(url, 'pot', [
    { kind: 'stage', stage: 2 },
    { kind: 'readings', stage: 2, values: toffee.slice(0, 600) },
    {
      kind: 'readings',
      stage: 2,
      at: '2026-11-26T18:15:00.000Z',
      values: toffee.slice(600).map(([ms, ...rest]) => [ms - 300_000, ...rest]),
    },
  ]);
const weighedHalf = (url) =>
  batch(url, 'weighs', [
    { kind: 'weighed', line: 0, grams: 455, useBy: '2026-12-09' },
    { kind: 'weighed', line: 1, grams: 450, useBy: null },
  ]);
const practise = async (page) => {
  await page.getByRole('combobox', { name: 'Recipe' }).click();
  await page.getByRole('option', { name: /Sesame/ }).click();
  await page.getByRole('button', { name: 'On the heat' }).click();
  await page.getByTestId('take-off').waitFor();
  await page.getByText('it hangs').waitFor();
};

const views = [
  ['today', '/?day=2026-12-01'],
  ['orders', '/orders'],
  ['tickets', '/orders?as=tickets'],
  ['composer', '/boxes/longest-night'],
  ['recipe', '/recipes/sesame-toffee'],
  ['paste', '/recipes/paste', undefined, undefined, pasteText],
  ['bench-sheet', '/plan/days'],
  ['pantry', '/pantry'],
  ['batches', '/plan'],
  ['shopping', '/plan/shopping'],
  ['label', '/labels/toffee-bag?handOver=2026-12-05'],
  ['money', '/money'],
  ['settings', '/settings'],
  ['today-phone', '/?day=2026-12-01', { width: 390, height: 844 }],
  ['bench-pot', '/kitchen/batch/pot', undefined, undefined, undefined, potAtBench],
  ['bench-phone', '/kitchen/batch/weighs', { width: 390, height: 844 }, undefined, undefined, weighedHalf],
  ['practice', '/kitchen/practice/cook', undefined, 'dark', practise],
  ['paper', '/print/bench?day=2026-11-26'],
];
/** As a new maker sees it: nothing is there yet. */
const emptyViews = [['start', '/']];

installAll();
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
  for (const [name, address, viewport = { width: 1280, height: 800 }, colorScheme = 'light', act, before] of wanted) {
    if (only.length > 0 && !only.includes(name)) continue;
    const page = await browser.newPage({ viewport, colorScheme, reducedMotion: 'reduce', serviceWorkers: 'block' });
    await before?.(url);
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
