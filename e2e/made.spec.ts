import type { Locator, Page } from '@playwright/test';
import { openBook } from '@usual-pantry/core/book';
import type { Batch } from '@usual-pantry/core/batch';
import type { Plan } from '@usual-pantry/core/plan';
import { sayGrams } from '@usual-pantry/core/quantity';
import { sayBatches } from '@usual-pantry/core/recipe';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { verifyPlan } from '../core/testing/verify-plan';
import { ask, expect, openFindings, planOf, test, TODAY } from './support/kitchen';

const batchesOf = async (request: Parameters<typeof ask>[0]) =>
  (await ask<{ batches: Batch[] }>(request, '/api/book')).batches;

/** Says of everything that was never on hand where it came from: the first that is offered, a pack that was opened. */
async function accountFor(page: Page, form: Locator): Promise<number> {
  const questions = await form.getByRole('combobox').all();
  for (const question of questions) {
    await question.click();
    await page.getByRole('option').first().click();
    await expect(page.getByRole('option')).toHaveCount(0);
  }
  return questions.length;
}

test('a batch is made before its day: it is struck off, the pantry gives for it, and all that can be taken back', async ({
  page,
  request,
}) => {
  const before = await planOf(request);
  const run = before.runs.find(({ recipeId, day }) => recipeId === 'dark-coating' && day === '2026-11-26');
  if (!run) throw new Error('no coating is made');
  const made = `${sayBatches(run.batches)} of Dark coating made, Wed 25 Nov.`;
  await page.goto('/?day=2026-11-26');
  await page.getByRole('button', { name: 'Dark coating was made' }).click();
  const form = page.getByRole('dialog', { name: 'Dark coating was made' });
  await expect(form.getByText(`${sayGrams(run.yieldGrams)} should come out.`)).toBeVisible();
  await form.getByLabel('Came out, all together').fill('some');
  await form.getByRole('button', { name: 'Made' }).click();
  await expect(form.getByText('must be a number')).toBeVisible();
  await accountFor(page, form);
  await form.getByLabel('Made on').fill('2026-11-26');
  await form.getByLabel('Came out, all together').fill('2700');
  await form.getByRole('button', { name: 'Made' }).click();
  await expect(form.getByText(/must not be after today, Wednesday 25 November/)).toBeVisible();
  await expect(form.getByLabel('Came out, all together')).toHaveValue('2700');
  await form.getByLabel('Made on').fill(TODAY);
  await form.getByRole('button', { name: 'Made' }).click();
  await expect(page.getByText(made, { exact: true })).toBeVisible();
  await expect(page.getByText(/1 batch is made/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Dark coating was made' })).toBeHidden();

  const after = await planOf(request);
  expect(after.batches).toBe(before.batches - 1);
  expect(after.made).toMatchObject([{ recipeId: 'dark-coating', day: TODAY, yieldGrams: 2700 }]);
  const file = await ask<SeasonFile>(request, '/api/season-file');
  expect(verifyPlan(after, openBook(file), file.orders, TODAY)).toEqual([]);

  await page.keyboard.press('Control+z');
  await expect(page.getByText(`Undone: ${made}`)).toBeVisible();
  expect((await planOf(request)).runs).toEqual(before.runs);
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByText(`Done again: ${made}`)).toBeVisible();

  await page.goto('/plan/batches');
  await page.getByRole('button', { name: 'Weigh Dark coating of Wed 25 Nov' }).click();
  await page.getByLabel('Came out, g').fill('2750');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('Dark coating weighed.')).toBeVisible();
  expect((await batchesOf(request)).map(({ grams }) => grams)).toEqual([2750]);
  await page.getByRole('button', { name: 'Take Dark coating of Wed 25 Nov back' }).click();
  await expect(page.getByText('Dark coating of Wed 25 Nov taken back.')).toBeVisible();
  expect(await batchesOf(request)).toEqual([]);
  expect((await planOf(request)).runs).toEqual(before.runs);
});

test('what went in and was never on hand is asked for, and what is left of an opened pack is in the pantry', async ({
  page,
  request,
}) => {
  await page.goto('/?day=2026-11-28');
  await page.getByRole('button', { name: 'Smoked-salt pumpkin-seed toffee was made' }).click();
  const form = page.getByRole('dialog', { name: 'Smoked-salt pumpkin-seed toffee was made' });
  await expect(form.getByText('The pantry does not have all that went in.')).toBeVisible();
  await form.getByRole('button', { name: 'Made', exact: true }).click();
  await expect(form.getByText('Say where it came from.').first()).toBeVisible();
  expect(await batchesOf(request)).toEqual([]);
  expect(await accountFor(page, form)).toBeGreaterThan(0);
  await form.getByRole('button', { name: 'Made', exact: true }).click();
  await expect(form).toBeHidden();
  const { ingredients } = await ask<SeasonFile>(request, '/api/season-file');
  // 900 g were there and 1,350 g went in: a pound of 453.6 g was opened, and the rest of it is there
  expect(ingredients.find(({ id }) => id === 'unsalted-butter')?.onHandGrams).toBeCloseTo(3.592, 2);
});

test('a batch that fails is gone with its ingredients, and what it was for is made again', async ({
  page,
  request,
}) => {
  const before = await planOf(request);
  await page.goto('/plan/days');
  await page
    .getByRole('button', { name: /^Maple-pecan fudge, / })
    .first()
    .click();
  await page.getByRole('menuitem', { name: 'It was made' }).click();
  const form = page.getByRole('dialog', { name: 'Maple-pecan fudge was made' });
  await form.getByLabel('How many: whole batch').fill('0');
  await form.getByRole('button', { name: 'It failed' }).click();
  await expect(form.getByText('Say how many were made: one or more.')).toBeVisible();
  await form.getByLabel('How many: whole batch').fill('1');
  await accountFor(page, form);
  await form.getByRole('button', { name: 'It failed' }).click();
  await expect(page.getByText('1 batch of Maple-pecan fudge failed, Wed 25 Nov.')).toBeVisible();
  const after = await planOf(request);
  const fudge = ({ runs }: Plan) =>
    runs.reduce((sum, { recipeId, batchCount }) => (recipeId === 'maple-pecan-fudge' ? sum + batchCount : sum), 0);
  expect(fudge(after)).toBe(fudge(before));
  expect((await batchesOf(request)).map(({ state, taken }) => [state, taken.length > 0])).toEqual([['failed', true]]);
  await page
    .getByRole('link', { name: 'Batches' })
    .or(page.getByRole('tab', { name: 'Batches' }))
    .first()
    .click();
  await expect(page.getByText('1 batch failed')).toBeVisible();
});

test('what was to be made yesterday is asked for; then its pieces are finished', async ({ page, request, kitchen }) => {
  const before = await planOf(request);
  await kitchen.kill();
  await kitchen.start('2026-11-27');
  await page.goto('/plan');
  const yesterday = before.runs.filter(({ day }) => day === '2026-11-26');
  expect(yesterday.length).toBeGreaterThan(3);
  await openFindings(page);
  await page.getByRole('button', { name: /^Show all/ }).click();
  for (const { recipeName } of yesterday) {
    const finding = page.getByText(new RegExp(`of ${recipeName} was to be made on Thursday 26 November`));
    await page.getByRole('listitem').filter({ has: finding }).getByRole('button', { name: 'It was made' }).click();
    const form = page.getByRole('dialog', { name: `${recipeName} was made` });
    await Promise.race([form.waitFor(), finding.waitFor({ state: 'hidden' })]);
    if (await form.isVisible()) {
      await accountFor(page, form);
      await form.getByRole('button', { name: 'Made', exact: true }).click();
    }
    await expect(finding).toBeHidden();
  }
  const after = await planOf(request);
  expect(after.findings.map(({ code }) => code)).not.toContain('not-said');
  const runs = ({ runs: list }: Plan) => list.map(({ recipeId, day, batches }) => ({ recipeId, day, batches }));
  expect(runs(after)).toEqual(runs(before).filter(({ day }) => day > '2026-11-27'));

  await page.goto('/?day=2026-11-28');
  await page.getByRole('button', { name: 'Maple-pecan fudge is finished' }).click();
  await expect(page.getByText('Maple-pecan fudge finished.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Maple-pecan fudge is finished' })).toBeHidden();
  const finished = await planOf(request);
  expect(finished.made.find(({ recipeId }) => recipeId === 'maple-pecan-fudge')).toMatchObject({
    finishedOn: '2026-11-27',
  });
  const file = await ask<SeasonFile>(request, '/api/season-file');
  expect(verifyPlan(finished, openBook(file), file.orders, '2026-11-27')).toEqual([]);
});
