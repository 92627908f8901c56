import type { Offer } from '@usual-pantry/core/promise';
import { ask, expect, planOf, test } from './support/kitchen';

interface Season {
  readonly orders: readonly { readonly customer: { readonly name: string } }[];
}

test('what will be left over is offered as boxes; taken, money and plan change, and it can be taken back', async ({
  page,
  request,
}) => {
  const before = await planOf(request);
  await page.goto('/plan');
  await page.getByRole('button', { name: 'What could still be sold' }).click();
  const offers = page.getByRole('list', { name: 'What could still be sold' });
  await expect(offers.getByRole('listitem').first()).toContainText('in packaging', { timeout: 120_000 });
  const [best] = await ask<Offer[]>(request, '/api/plan/offers');
  if (!best) throw new Error('nothing is offered');
  const row = offers.getByRole('listitem').first();
  for (const { count, boxName } of best.boxes) {
    await expect(row).toContainText(new RegExp(`\\b${String(count)} (more )?× ${boxName}`));
  }
  await row.getByRole('button').click();
  await expect(page.getByText(/taken into the plan for/)).toBeVisible();

  const after = await planOf(request);
  expect(after.boxes).toBe(before.boxes + best.boxes.reduce((sum, { count }) => sum + count, 0));
  expect(after.batches).toBeLessThanOrEqual(before.batches);
  expect(after.shoppingCostMinor - before.shoppingCostMinor).toBe(best.boughtMinor);
  const { orders } = await ask<Season>(request, '/api/season-file');
  expect(orders.filter(({ customer }) => customer.name === 'More boxes')).toHaveLength(1);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await planOf(request)).boxes).toBe(before.boxes);
});

test('a recipe is made of any size: by its form, at the bench, and no other', async ({ page, request }) => {
  await page.goto('/recipes/peanut-crisp/edit');
  const scales = page.getByRole('radiogroup', { name: 'How it scales' });
  await scales.getByRole('radio', { name: 'Any size' }).check();
  await page.getByLabel('Least', { exact: true }).fill('2');
  await page.getByLabel('Most', { exact: true }).fill('1');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('must be larger than the least').first()).toBeVisible();
  await page.getByLabel('Least', { exact: true }).fill('0.4');
  await page.getByLabel('Most', { exact: true }).fill('1.6');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/saved\./)).toBeVisible();
  expect(await ask(request, '/api/recipes/peanut-crisp')).toMatchObject({ batchSizes: [0.4, 1.6], anySize: true });

  await page.goto('/kitchen');
  await page.getByLabel('Recipe').fill('Peanut');
  await page.getByRole('option', { name: 'Peanut crisp' }).click();
  await page.getByLabel('How much of a batch').fill('1.7');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('alert')).toHaveText('It is made in any size from 0.4 to 1.6 of a batch.');
  await page.getByLabel('How much of a batch').fill('0.75');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByText('1 batch of 0.75').first()).toBeVisible();
});
