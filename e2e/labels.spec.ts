import { readPlaces } from '../server/src/testing/pdf';
import { ask, expect, test } from './support/kitchen';
import type { LabelRunState } from '@usual-pantry/core/api';

const SAMPLER = '/labels/sampler?handOver=2026-12-05';

test('a label follows the rules of the place, each change can be taken back, and a substitute changes it', async ({
  page,
}) => {
  await page.goto(SAMPLER);
  const label = page.getByRole('img', { name: /^Label: Pinwheel sampler/ });
  await expect(label).toHaveAttribute('aria-label', /Contains: Milk, Tree Nuts/);
  await page.getByText('Design', { exact: true }).click();
  await page.getByRole('combobox', { name: 'Rules of' }).click();
  await page.getByRole('option', { name: 'European Union' }).click();
  await expect(label).toHaveAttribute('aria-label', /Made 26 November 2026\. Best before 12 December 2026\./);
  await expect(label).not.toHaveAttribute('aria-label', /Contains: Milk/);
  // The food is called assorted fudge, toffee and truffles: nothing of that is an ingredient. The pieces name theirs.
  await page.getByRole('combobox', { name: 'Declared as' }).click();
  await page.getByRole('option', { name: 'piece by piece' }).click();
  await expect(label).toHaveAttribute('aria-label', /Maple-pecan fudge: .*pecans \d+%/);
  const bold = label.locator('text[font-weight="700"]', { hasText: /milk/ });
  await expect(bold.first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(label).not.toHaveAttribute('aria-label', /Maple-pecan fudge:/);

  await test.step('a substitute in the recipe changes the words, and they say where they come from', async () => {
    await page.goto('/recipes/maple-pecan-fudge/edit');
    const line = page.getByRole('combobox', { name: 'Ingredient or component' }).nth(1);
    await line.fill('Golden syrup');
    await page.getByRole('option', { name: 'Golden syrup', exact: true }).click();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Maple-pecan fudge saved.')).toBeVisible();
    await page.goto(SAMPLER);
    await page.getByRole('button', { name: 'Why golden syrup?' }).click();
    const why = page.getByRole('status', { name: 'Why “golden syrup”' });
    await expect(why.getByRole('link', { name: 'Maple-pecan fudge' }).first()).toBeVisible();
  });
});

test('any word says by which way it came, to the pack, and a missing one says why not', async ({ page }) => {
  await page.goto(SAMPLER);
  await page.getByRole('button', { name: 'Why pecans?', exact: true }).click();
  const why = page.getByRole('status', { name: 'Why “pecans”' });
  for (const name of ['Maple-pecan fudge', 'Pecan halves'])
    await expect(why.getByRole('link', { name }).first()).toBeVisible();
  await expect(why).toContainText(/bought as/);
  await page.getByRole('button', { name: 'Why Milk?' }).first().click();
  await expect(page.getByRole('status', { name: 'Why “Milk”' }).getByRole('link').nth(3)).toBeVisible();
  await page.getByLabel('Why is another word not here?').fill('peanut');
  await expect(page.getByText(/does not lie in this box/)).toBeVisible();
});

test('what does not fit says so, and a back label takes the long text', async ({ page }) => {
  await page.goto(SAMPLER);
  await page.getByText('Design', { exact: true }).click();
  const height = page.getByLabel('Height, mm');
  await height.fill('tall');
  await height.press('Enter');
  await expect(height).toHaveAttribute('aria-invalid', 'true');
  await expect(height).toHaveValue('tall');
  await height.fill('60');
  await height.press('Enter');
  await expect(page.getByText(/does not fit at the least letter height/)).toBeVisible();
  await page.getByRole('button', { name: 'Put the long text on the back' }).click();
  await expect(page.getByRole('img', { name: /^Front: Pinwheel sampler/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Back: Pinwheel sampler Ingredients:/ })).toBeVisible();
});

test('two runs go on a part-used sheet from its fourth label; printing again needs a reason', async ({
  page,
  request,
}) => {
  await page.goto('/labels');
  const { length: kinds } = await ask<LabelRunState[]>(request, '/api/labels');
  const ticks = page.getByRole('checkbox', { name: /^Print / });
  await expect(ticks).toHaveCount(kinds);
  for (let index = 0; index < kinds; index++) if (index !== 0 && index !== 2) await ticks.nth(index).uncheck();
  await page.getByRole('combobox', { name: 'Sheet' }).click();
  await page.getByRole('option', { name: 'A4, 2 × 2 of 99.1 × 139 mm' }).click();
  await page.getByRole('button', { name: 'Begin at label 4' }).click();
  await page.getByRole('button', { name: 'Print 20 labels' }).click();
  await expect(page.getByText(/Printed\. 6 pages/)).toBeVisible();
  const href = await page.getByRole('link', { name: 'Open the PDF' }).getAttribute('href');
  const places = await readPlaces(Buffer.from(await (await request.get(href ?? '')).body()));
  expect(places).toHaveLength(6);
  // The fourth label is the right lower one; nothing stands left of it, and it begins below the middle.
  const [first = []] = places;
  expect(Math.min(...first.map(({ x }) => x))).toBeGreaterThan(105);
  expect(Math.min(...first.map(({ y }) => y))).toBeGreaterThan(148);
  await expect(page.getByRole('link', { name: /Pinwheel sampler 17 labels .* printed/ })).toBeVisible();

  await ticks.first().check();
  await page.getByRole('button', { name: 'Print 17 labels' }).click();
  await expect(page.getByText(/Say why there must be more/)).toBeVisible();
  await page.getByLabel('Why again').fill('Smudged');
  await page.getByRole('button', { name: 'Print 17 labels' }).click();
  await expect(page.getByText(/Printed\. 5 pages/)).toBeVisible();
});

test('ten boxes are weighed, and it says whether they hold what the label says', async ({ page }) => {
  await page.goto(SAMPLER);
  await page.getByText('Weigh boxes', { exact: true }).click();
  const weights = page.getByLabel('Net weights, g');
  await weights.fill('150 heavy');
  await expect(page.getByText('“heavy” is no weight.')).toBeVisible();
  await weights.fill('140 141 140 142 141 140 141 142 140 141');
  await expect(page.getByRole('status').filter({ hasText: 'Put' })).toContainText(
    'The mean of 10 boxes is 140.8 g, under the 148.0 g of the label. Put 7.2 g more in each',
  );
  await weights.fill('149 150 148 151 149 150 149 148 150 149');
  await expect(page.getByRole('status').filter({ hasText: 'not under' })).toContainText(
    'The mean of 10 boxes is 149.3 g',
  );
  await expect(page.getByRole('img', { name: /Weights in the order of weighing/ })).toBeVisible();
  await page.getByRole('button', { name: 'Keep these weights' }).click();
  await expect(page.getByText(/Last kept: The mean of 10 boxes is 149.3 g/)).toBeVisible();
});

test('the code of a label leads to what is in its box', async ({ page, request }) => {
  const [run] = await ask<LabelRunState[]>(request, '/api/labels');
  if (!run) throw new Error('no run');
  await page.goto(`/contents/${run.lot}`);
  await expect(page.getByText(`${run.boxName}, made from`)).toBeVisible();
  await expect(page.getByText(/1 × Maple-pecan fudge: milk, pecans/)).toBeVisible();
});
