import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ask, expect, test } from './support/kitchen';
import { cents, grams, shares, smallSeason } from './support/small-season';

test.use({ demo: false });

/** What a PDF says, read by a program that knows nothing of this one. */
const pdfText = (file: Buffer): { text: string; fonts: string } => {
  const path = join(mkdtempSync(join(tmpdir(), 'label-')), 'label.pdf');
  writeFileSync(path, file);
  return {
    text: execFileSync('pdftotext', ['-raw', path, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' '),
    fonts: execFileSync('pdffonts', [path], { encoding: 'utf8' }),
  };
};

const money = (minor: number) => `$${(minor / 100).toFixed(2)}`;

test('one order with an exclusion, from a line in the book to a labelled, costed box', async ({ page, request }) => {
  await test.step('an empty pantry shows the first step, and a season file fills it', async () => {
    await page.goto('/');
    await expect(page.getByTestId('answer')).toContainText('No open orders. Next: your kitchen.');
    await page.goto('/settings');
    await page
      .getByLabel('Season file', { exact: true })
      .last()
      .setInputFiles({
        name: 'small.json',
        mimeType: 'application/json',
        buffer: Buffer.from(JSON.stringify(smallSeason)),
      });
    await expect(page.getByRole('dialog')).toContainText('4 ingredients, 3 recipes, 3 pieces, 2 boxes, 0 orders');
    await page.getByRole('button', { name: 'Replace everything' }).click();
    await expect(page.getByTestId('answer')).toContainText('Small kitchen');
  });

  await test.step('an order that breaks its own exclusion is stored and asks to be decided', async () => {
    await page.goto('/orders/new');
    await page.getByLabel('Customer', { exact: true }).fill('Hesper Lindqvist-Moor');
    await page.getByLabel('How many').fill('5');
    await page.getByLabel('Day', { exact: true }).fill('2026-12-05');
    await page.getByLabel('Must not contain').fill('sesame');
    await page.getByRole('option', { name: 'sesame', exact: true }).first().click();
    await page.getByLabel('Box', { exact: true }).fill('Sesame');
    await page.getByRole('option', { name: 'Sesame box' }).click();
    await page.getByRole('button', { name: 'Save' }).click();
    // The form shows the same decision while it is typed: the one of the stored order is decided
    await expect(page.getByRole('heading', { name: 'Hesper Lindqvist-Moor' })).toBeVisible();
    const finding = page
      .getByRole('listitem')
      .filter({ hasText: 'wants no sesame, but Sesame box contains sesame (Sesame shard)' });
    await expect(finding).toBeVisible();
    await finding.getByRole('button', { name: 'Change to Plain box' }).click();
    await expect(page.getByLabel('Box', { exact: true })).toHaveValue('Plain box');
    await expect(finding).toBeHidden();
  });

  // The season by hand: 5 boxes of 3 plain and 3 dipped shards, handed over on Saturday 5 December.
  const pieces = 5 * 3;
  const toffeeYield = (grams.toffeeSugar + grams.pound) * (1 - shares.toffeeLoss);
  const plainDrawn = grams.plainShard / (1 - shares.crumbs);
  const dippedDrawn = grams.dippedCentre / (1 - shares.crumbs);
  const toffeeUsed = pieces * (plainDrawn + dippedDrawn);
  const coatingEach = (grams.dippedCentre * shares.coating) / (1 - shares.coating);
  const coatingUsed = pieces * coatingEach;
  const coatingReady = coatingUsed * shares.pool;

  await test.step('the plan covers it with whole batches and names what is left over', async () => {
    // 433 g of 751 g: one batch. 90 g must stand melted: half a batch of 500 g.
    expect(toffeeUsed).toBeLessThan(toffeeYield);
    expect(coatingReady).toBeLessThan(grams.coatingBatch / 2);
    await page.goto('/plan');
    const row = (name: string) => page.getByRole('row').filter({ has: page.getByRole('link', { name, exact: true }) });
    await expect(row('Toffee')).toContainText('1 batch');
    await expect(row('Toffee')).toContainText(`${Math.round(toffeeYield - toffeeUsed)} g`);
    await expect(row('Toffee')).toContainText('15 pieces of Plain shard');
    await expect(row('Coating')).toContainText('1 half batch');
    await expect(row('Coating')).toContainText(
      `${Math.round(grams.coatingBatch / 2 - coatingUsed)} g, ${Math.round(coatingReady - coatingUsed)} g of it the pool`,
    );
    await expect(page.getByTestId('answer')).toContainText('2 batches for 30 pieces');
  });

  await test.step('the shopping list buys whole packs net of what is there', async () => {
    // Sugar 400 - 100 on hand: one bag of 907 g. Butter: one pound. Chocolate 250 g: one kilo.
    const cost = cents.sugarBag + cents.butter + cents.chocolateKilo;
    await page.goto('/plan/shopping');
    await expect(page.getByRole('row').filter({ hasText: 'Sugar' })).toContainText('1 × 2 lb bag');
    const sugarLeft = grams.sugarOnHand + grams.sugarBag - grams.toffeeSugar;
    await expect(page.getByRole('row').filter({ hasText: 'Sugar' })).toContainText(`${Math.round(sugarLeft)} g`);
    await expect(page.getByRole('row').filter({ hasText: 'All of it' })).toContainText(money(cost));
  });

  await test.step('the box costs ingredients with losses, packaging and hands', async () => {
    const batchCents = (grams.toffeeSugar * cents.sugarBag) / grams.sugarBag + cents.butter;
    const plainABatch = Math.floor((toffeeYield * (1 - shares.crumbs)) / grams.plainShard);
    const dippedABatch = Math.floor((toffeeYield * (1 - shares.crumbs)) / grams.dippedCentre);
    const ingredients = Math.round(
      3 * (batchCents / plainABatch + batchCents / dippedABatch + (coatingEach * cents.chocolateKilo) / 1000),
    );
    const minutes =
      3 * (30 / plainABatch + 30 / dippedABatch + (10 / (2 * grams.coatingBatch)) * coatingEach + 6 / 60 + 30 / 60) + 5;
    const hands = Math.round((minutes * cents.rateAnHour) / 60);
    const cost = ingredients + cents.tray + hands;
    await page.goto('/money');
    const row = page.getByRole('row').filter({ hasText: 'Plain box' });
    await expect(row).toContainText(money(ingredients));
    await expect(row).toContainText(money(hands));
    await expect(row).toContainText(money(cost));
    await expect(row).toContainText(`${Math.round(((cents.plainBox - cost) / cents.plainBox) * 100)} %`);
  });

  await test.step('the label names everything, and the PDF says the same with its fonts embedded', async () => {
    // 78 g of toffee hold more butter (453.6 of 853.6) than sugar (400); 12 g of chocolate come third. 90 g in all.
    await page.goto('/labels');
    await page.getByRole('link', { name: /Plain box 5 labels for Sat 5 Dec/ }).click();
    const label = page.getByRole('img', { name: /Plain box/ });
    const statement = 'Ingredients: butter (cream), sugar, semisweet chocolate (sugar, chocolate liquor, soy lecithin)';
    for (const words of [
      statement,
      'Contains: Milk, Soy',
      'Net Wt 3.1 oz (90 g)',
      'Made Dec 4, 2026. Best before Dec 25, 2026.',
    ])
      await expect(label).toHaveAttribute('aria-label', new RegExp(words.replace(/[().]/g, '\\$&')));
    await expect(page.getByLabel('Copies')).toHaveValue('5');
    const address = await page.getByRole('link', { name: /PDF/ }).getAttribute('href');
    const answer = await request.get(address ?? '');
    expect(answer.headers()['content-type']).toContain('application/pdf');
    const { text, fonts } = pdfText(await answer.body());
    for (const words of [
      statement,
      'Contains: Milk, Soy',
      'Net Wt 3.1 oz (90 g)',
      'Small kitchen, 1 Short Street',
      'Made Dec 4, 2026. Best before Dec 25, 2026.',
    ])
      expect(text).toContain(words);
    const rows = fonts.trim().split('\n').slice(2);
    expect(rows.length).toBeGreaterThan(1);
    for (const font of rows) expect(font).toMatch(/TrueType|CID/);
    expect(fonts).not.toMatch(/ no +no +no /);
  });

  await test.step('changing the order changes every one of these, without a reload', async () => {
    await page.goto('/orders');
    await page.getByRole('gridcell', { name: /Hesper/ }).click();
    await page.getByLabel('How many').fill('40');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText(/saved\./)).toBeVisible();
    await page.keyboard.press('Escape');
    // 120 + 120 pieces need 3,467 g of toffee: five batches of 751 g; 720 g of coating stand ready: one batch and one double batch... as the API says
    const plan = await ask<{ batches: number; pieces: number }>(request, '/api/plan');
    expect(plan.pieces).toBe(240);
    await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: /^Plan/ }).click();
    await expect(page.getByTestId('answer')).toContainText(`${plan.batches} batches for 240 pieces`);
    const toffee = Math.ceil((120 * (plainDrawn + dippedDrawn)) / toffeeYield);
    await expect(
      page.getByRole('row').filter({ has: page.getByRole('link', { name: 'Toffee', exact: true }) }),
    ).toContainText(`${toffee} batches`);
    await page
      .getByRole('navigation', { name: 'Screens' })
      .getByRole('link', { name: /^Labels/ })
      .click();
    await expect(page.getByRole('link', { name: /Plain box 40 labels for Sat 5 Dec/ })).toBeVisible();
  });
});
