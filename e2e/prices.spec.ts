import type { Page } from '@playwright/test';
import type { BookAnswer } from '@usual-pantry/core/api';
import { expect, test } from './support/kitchen';

/** What is in the pantry now. */
const pantry = async (page: Page): Promise<BookAnswer['ingredients']> =>
  ((await (await page.request.get('/api/book')).json()) as BookAnswer).ingredients;

test('prices are typed as people write them, saved at once, and undone at once', async ({ page }) => {
  await page.goto('/pantry/prices');
  const price = (name: string) => page.getByLabel(`Price of ${name}`, { exact: true });
  await price('Brown sugar').fill('$5.49 for 4 lb');
  await expect(page.getByText('4 lb for $5.49')).toBeVisible();
  await price('Brown sugar').press('Enter');
  await page.keyboard.type('cheap');
  await expect(page.getByText('What was paid, and for how much?')).toBeVisible();
  // A reload loses nothing.
  await page.reload();
  await expect(price('Brown sugar')).toHaveValue('$5.49 for 4 lb');
  await page.getByRole('button', { name: 'Save 1 price' }).click();
  await expect(page.getByText('1 price given.')).toBeVisible();
  await expect(price('Brown sugar')).toHaveValue('');
  // What was not understood is still there.
  await expect(price('Candied ginger')).toHaveValue('cheap');
  const packs = async () =>
    (await pantry(page)).find(({ name }) => name === 'Brown sugar')?.packs.map(({ name }) => name);
  expect(await packs()).toEqual(['2 lb bag', '4 lb']);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(packs).toEqual(['2 lb bag']);
});

test('a receipt is matched line by line, and only what is sure is taken', async ({ page }) => {
  await page.goto('/pantry/prices');
  await page
    .getByLabel('Paste it here')
    .fill('CORNER MARKET\nBROWN SUGAR 4 LB    5.49 F\nBUTTER 10 LB 36.99\nDISH SOAP 2.99\nTOTAL 15.47');
  const lines = page.getByRole('list', { name: 'Lines of the receipt' });
  await expect(lines.getByText('2 lines without anything bought')).toBeVisible();
  await expect(lines.getByLabel('Ingredient').first()).toHaveValue('Brown sugar');
  await expect(page.getByRole('button', { name: 'Save 1 price' })).toBeVisible();
  await lines.getByLabel('Ingredient').nth(1).fill('unsalted');
  await page.getByRole('option', { name: 'Unsalted butter' }).click();
  await page.getByRole('button', { name: 'Save 2 prices' }).click();
  await expect(page.getByText('2 prices given.')).toBeVisible();
  const paid = (await pantry(page)).flatMap(({ name, packs }) =>
    packs.some(({ priceMinor }) => priceMinor === 549 || priceMinor === 3699) ? [name] : [],
  );
  expect(paid).toEqual(expect.arrayContaining(['Brown sugar', 'Unsalted butter']));
});
