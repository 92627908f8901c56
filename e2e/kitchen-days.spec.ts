import { openBook } from '@usual-pantry/core/book';
import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { verifyPlan } from '../core/testing/verify-plan';
import { ask, expect, openFindings, planOf, test, TODAY } from './support/kitchen';

test('a day that is lost is set, and what falls on it is a decision with a way out that is pressed', async ({
  page,
  request,
}) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Add a day that is different' }).click();
  await page.getByLabel('My hours').last().fill('none');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('must be a day such as 2026-12-05')).toBeVisible();
  await expect(page.getByText('must be a number')).toBeVisible();
  await expect(page.getByLabel('My hours').last()).toHaveValue('none');
  await page.getByLabel('Day', { exact: true }).last().fill('2026-12-12');
  await page.getByLabel('My hours').last().fill('0');
  await page.getByRole('button', { name: 'Save settings' }).click();
  // That Saturday has a line already: the list says so, and nothing is lost
  await expect(page.getByText('This list names one day twice.')).toBeVisible();
  await page.getByLabel('Day', { exact: true }).last().fill('2026-12-10');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  const { kitchen } = await ask<{ kitchen: KitchenDraft }>(request, '/api/book');
  expect(kitchen.dayChanges).toContainEqual(
    expect.objectContaining({ day: '2026-12-10', hours: 0, helperHours: 0, humid: false }),
  );

  await page.goto('/plan/days');
  await openFindings(page);
  const finding = page.getByText(/^Thursday 10 December is no bench day, but .* of work fall on it\.$/);
  await expect(finding).toBeVisible();
  const findings = page.getByRole('region', { name: 'Findings' });
  await findings.getByRole('button', { name: 'Plan the season again' }).first().click();
  await expect(page.getByText(/^Working the season out/)).toBeVisible();
  await expect(page.getByTestId('solved')).toContainText(/^Within \d+\.\d % of the best possible plan/);
  await expect(finding).toBeHidden();
  const file = await ask<SeasonFile>(request, '/api/season-file');
  const plan = await planOf(request);
  expect(verifyPlan(plan, openBook(file), file.orders, TODAY)).toEqual([]);
  expect(plan.runs.some(({ day }) => day === '2026-12-10')).toBe(false);
});

test('a lot that must be used soon is told apart, and cannot be more than there is', async ({ page, request }) => {
  const creamOf = async () =>
    (await planOf(request)).shopping.filter(({ ingredientId }) => ingredientId === 'heavy-cream');
  const before = await creamOf();
  await page.goto('/pantry/heavy-cream');
  await page.getByRole('textbox', { name: 'Of it' }).fill('900');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('This list holds more than is on hand.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Of it' }).fill('480');
  await page.getByLabel('To use by').fill('2026-11-25');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Heavy cream saved.')).toBeVisible();
  // What must be used today is good for nothing that is made later
  const after = await creamOf();
  const usedOfBought = (list: typeof after) =>
    list.reduce(
      (sum, { packs, leftGrams }) => sum - leftGrams + packs.reduce((all, { grams, count }) => all + grams * count, 0),
      0,
    );
  expect(usedOfBought(after)).toBeCloseTo(usedOfBought(before) + 480, 3);
  expect(after[0]?.spoiltGrams).toBeCloseTo(480, 3);

  await page.goto('/plan/shopping');
  const shopping = page.getByRole('region', { name: 'Shopping' });
  const rows = shopping.getByRole('row').filter({ hasText: 'Heavy cream' });
  await expect(rows).toHaveCount(after.length);
  await expect(rows.first()).toContainText('480 g in the pantry spoil first');
  await page.getByRole('button', { name: 'By day' }).click();
  const days = new Set(
    (await planOf(request)).shopping.filter((line) => line.missingGrams > 0).map((line) => line.buyBy),
  );
  await expect(shopping.getByRole('rowheader').filter({ hasText: /^By / })).toHaveCount(days.size);
});

test('what weighed batches gave decides how much is made to spare', async ({ page, request }) => {
  const spareOf = async () =>
    (await planOf(request)).runs
      .filter(({ recipeId }) => recipeId === 'ginger-bark')
      .reduce((sum, { sparePieces }) => sum + sparePieces, 0);
  expect(await spareOf()).toBe(0);
  await page.goto('/recipes/ginger-bark/edit');
  await page.getByText('Batches that were weighed').click();
  for (const [index, grams] of ['1240', '1050', '1190'].entries()) {
    await page.getByRole('button', { name: 'Add a weighed batch' }).click();
    await page.getByLabel('Made on').nth(index).fill('2025-12-06');
    await page.getByLabel('Came out').nth(index).fill(grams);
  }
  await expect(page.getByText(/^3 batches: 93 % of what it should give, and it varies by 7\.9 %/)).toBeVisible();
  await page.getByLabel('Came out').nth(1).fill('much');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('must be a number')).toBeVisible();
  await page.getByLabel('Came out').nth(1).fill('1050');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Ginger and cocoa-nib bark saved.')).toBeVisible();
  const spare = await spareOf();
  expect(spare).toBeGreaterThan(0);

  await page.goto('/plan');
  const row = page.getByRole('row').filter({ has: page.getByRole('link', { name: 'Ginger and cocoa-nib bark' }) });
  await expect(row).toContainText(`${String(spare)} extra pieces because this recipe’s yield varies by 8 %`);
});

test('the sheet shows the next seven days, what is in use, and the work of a day in order', async ({
  page,
  request,
}) => {
  await page.goto('/plan/days');
  const sheet = page.getByRole('region', { name: 'Bench sheet' });
  const rows = sheet.getByRole('group');
  const plan = await planOf(request);
  const all = plan.days.filter(({ bookedMinutes, benchMinutes }) => bookedMinutes > 0 || benchMinutes > 0);
  await expect(rows).toHaveCount(all.length);
  await page.getByRole('button', { name: 'Next seven days' }).click();
  await expect(rows).toHaveCount(all.filter(({ day }) => day < '2026-12-02').length);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Next seven days' })).toHaveAttribute('aria-pressed', 'true');
  await expect(sheet.getByText('8 qt pot', { exact: true })).toHaveCount(0);
  await page.getByLabel('Show burners, pans and tools').check();
  await expect(sheet.getByText('8 qt pot', { exact: true }).first()).toBeVisible();

  await page.goto('/?day=2026-11-26');
  const [first] = plan.runs.filter(({ day }) => day === '2026-11-26');
  await expect(page.getByRole('heading', { name: 'In order' })).toBeVisible();
  await expect(page.getByText('18:00', { exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: new RegExp(first?.recipeName ?? 'none') }).first()).toBeVisible();
});
