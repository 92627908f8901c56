import { expect, test } from './support/kitchen';

test('every screen is two keys away, and ? lists them', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByTestId('answer')).toContainText('45 orders');
  const screens: readonly (readonly [string, RegExp])[] = [
    ['o', /\/orders$/],
    ['b', /\/boxes$/],
    ['r', /\/recipes$/],
    ['p', /\/pantry$/],
    ['l', /\/plan$/],
    ['a', /\/labels$/],
    ['m', /\/money$/],
    ['s', /\/settings$/],
    ['t', /\/$/],
  ];
  for (const [key, address] of screens) {
    await page.keyboard.press('g');
    await page.keyboard.press(key);
    await expect(page).toHaveURL(address);
  }
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Go to Orders');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('a list is searched, walked and opened by keys', async ({ page }) => {
  await page.goto('/recipes');
  await expect(page.getByTestId('answer')).toContainText('19 recipes');
  await page.keyboard.press('/');
  await page.keyboard.type('fudge');
  await expect(page.getByRole('listitem').filter({ hasText: 'Dark coating' })).toBeHidden();
  await page.keyboard.press('Tab');
  await page.keyboard.press('j');
  await expect(page).toHaveURL(/\/recipes\/malted-fudge$/);
});

test('a box is filled by keys alone, with its figures at once', async ({ page }) => {
  await page.goto('/boxes/new');
  const tray = page.getByRole('grid', { name: 'Tray' });
  await tray.getByRole('button', { name: 'Cell 1: empty' }).focus();
  await page.keyboard.press('1');
  await page.keyboard.press('3');
  await page.keyboard.press('3');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('5');
  await expect(page.getByTestId('answer')).toContainText('4 pieces');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('+');
  await expect(page.getByTestId('answer')).toContainText('5 pieces');
  await tray.getByRole('button', { name: 'Cell 1:' }).focus();
  await page.keyboard.press('x');
  await expect(tray.getByRole('button', { name: 'Cell 1: empty' })).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('By keys');
  await page.getByLabel('Price', { exact: true }).fill('12.50');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('By keys added.')).toBeVisible();
  await expect(page.getByTestId('answer')).toContainText('sells at $12.50');
});
