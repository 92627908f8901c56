import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, planOf, test } from './support/kitchen';

/** What comes out of the printer, read by a program that knows nothing of this one: the text, and the size of each page in points. */
async function printed(page: Page, address: string, format: 'A4' | 'Letter') {
  await page.goto(address);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const path = join(mkdtempSync(join(tmpdir(), 'paper-')), 'sheet.pdf');
  writeFileSync(path, await page.pdf({ format }));
  const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).replace(/[^\S\n]+/g, ' ');
  const info = execFileSync('pdfinfo', [path], { encoding: 'utf8' });
  const [, width, height] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(info) ?? [];
  const boxes = execFileSync('pdftotext', ['-bbox', path, '-'], { encoding: 'utf8' });
  const right = Math.max(...[...boxes.matchAll(/xMax="([\d.]+)"/g)].map(([, x]) => Number(x)));
  return { text, width: Number(width), height: Number(height), right };
}

const MARGIN_PT = (14 / 25.4) * 72;

test('every list that is used standing up has a sheet of its own, for both papers, without a button', async ({
  page,
}) => {
  const addresses = [
    '/print/bench?day=2026-11-26',
    '/print/shopping',
    '/print/hand-overs',
    '/print/orders/order-006',
    '/print/recipes/sesame-toffee',
  ];
  for (const address of addresses)
    for (const [format, width] of [
      ['A4', 595],
      ['Letter', 612],
    ] as const) {
      const sheet = await printed(page, address, format);
      expect(Math.round(sheet.width), `${address} on ${format}`).toBeCloseTo(width, -1);
      expect(sheet.right, `${address} on ${format}`).toBeLessThanOrEqual(sheet.width - MARGIN_PT + 2);
      expect(sheet.text).not.toMatch(/\bPrint\b|\bBack\b/);
    }
  await page.emulateMedia({ media: 'print' });
  for (const address of addresses) {
    await page.goto(address);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByRole('button')).toHaveCount(0);
    await expect(page.getByRole('link')).toHaveCount(0);
  }
});

test('the bench sheet says when, how much of what, how hot here, and when it is done', async ({ page, request }) => {
  const { text } = await printed(page, '/print/bench?day=2026-11-26', 'A4');
  expect(text).toContain('Thursday 26 November');
  expect(text).toMatch(/Cream ganache base 1 batch of 0\.44 · 30 min 18:00/);
  expect(text).toMatch(/396 g Dark chocolate 60 %, chopped/);
  expect(text).toContain('37 to 42 C / 98 to 107 F on your thermometer');
  expect(text).toContain('Done when smooth and glossy');
  const plan = await planOf(request);
  for (const { recipeName } of plan.runs.filter(({ day }) => day === '2026-11-26')) expect(text).toContain(recipeName);
});

test('the shopping list names each shop once, and all that must be bought', async ({ page, request }) => {
  const { text } = await printed(page, '/print/shopping', 'Letter');
  const shopping = (await planOf(request)).shopping.filter(({ packs }) => packs.length > 0);
  for (const { name } of shopping) expect(text).toContain(name);
  for (const shop of new Set(shopping.map(({ packs }) => packs[0]?.supplier ?? '')))
    expect(text.split('\n').filter((line) => line.trim().startsWith(`${shop} `))).toHaveLength(1);
});

test('hand-overs and the packing card carry money, dates, allergens, and what was ruled out', async ({ page }) => {
  const list = await printed(page, '/print/hand-overs', 'A4');
  expect(list.text).toMatch(/First Frost stall · stall, First Frost market \$372\.00 due/);
  expect(list.text).toMatch(/18 × Bag of toffee shards\n\s*Contains milk and sesame\. Best before Sat 2 Jan\./);
  expect(list.text).toContain('Keep cool.');
  // Whoever hands over sees what was ruled out, and what is in the box all the same.
  expect(list.text).toMatch(
    /3 × Pinwheel sampler · no sesame\n\s*Does contain sesame \(Sesame-cardamom toffee\): not agreed\./,
  );
  expect(list.text).toContain('1 × Box without nuts · no tree nuts and no peanuts');
  const card = await printed(page, '/print/orders/order-006', 'A4');
  expect(card.text).toContain('no sesame');
  expect(card.text).toContain('Does contain sesame (Sesame-cardamom toffee): not agreed.');
  expect(card.text).toMatch(/Maple-pecan fudge Black tea truffle/);
});
