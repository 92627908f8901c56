import type { Kitchen } from '@usual-pantry/core/kitchen';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import { ask, expect, test } from './support/kitchen';

test('a saved new order leaves nothing behind: the next one starts empty', async ({ page, request }) => {
  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Ada Quill');
  await page.getByLabel('Day', { exact: true }).fill('2026-12-19');
  await page.getByLabel('How many').fill('2');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Ada Quill' })).toBeVisible();
  await page.goto('/orders/new');
  await expect(page.getByLabel('Customer', { exact: true })).toHaveValue('');
  const { orders } = await ask<{ orders: { customer: { name: string } }[] }>(request, '/api/season-file');
  expect(orders.filter(({ customer }) => customer.name === 'Ada Quill')).toHaveLength(1);
});

test('settings keep what was typed when the page is left, until it is saved or discarded', async ({
  page,
  request,
}) => {
  await page.goto('/settings');
  const name = page.getByLabel('Name', { exact: true }).first();
  const before = await name.inputValue();
  await name.fill('Quill and daughters');
  await page.getByRole('link', { name: 'Orders' }).first().click();
  await expect(page).toHaveURL(/\/orders/);
  await page.goto('/settings');
  await expect(page.getByText('Unsaved typing from before is here again.')).toBeVisible();
  await expect(name).toHaveValue('Quill and daughters');
  await page.getByRole('button', { name: 'Discard it' }).click();
  await expect(name).toHaveValue(before);
  await page.reload();
  await expect(name).toHaveValue(before);

  await name.fill('Quill and sons');
  await page.reload();
  await expect(name).toHaveValue('Quill and sons');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  expect((await ask<Kitchen>(request, '/api/kitchen')).makerName).toBe('Quill and sons');
  await page.reload();
  await expect(page.getByText('Unsaved typing from before')).toBeHidden();
});

test('a press counts although the page moves under it when the field is left', async ({ page }) => {
  await page.goto('/boxes/longest-night');
  await page.getByLabel('Name', { exact: true }).fill('');
  const button = page.getByRole('button', { name: 'Not known' });
  await button.scrollIntoViewIfNeeded();
  await page.getByLabel('Name', { exact: true }).focus();
  const place = await button.boundingBox();
  if (!place) throw new Error('no button');
  // At its very edge: what is wrong with the name appears above it and pushes it away.
  await page.mouse.move(place.x + place.width / 2, place.y + 3);
  await page.mouse.down();
  await expect(page.getByText('must not be empty')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Say how large the front of the package is' })).toBeVisible();
});

test('rows and columns are typed anew, and a box without a piece is refused', async ({ page }) => {
  await page.goto('/boxes/new');
  const rows = page.getByLabel('Rows', { exact: true });
  await rows.fill('');
  await expect(page.getByText('1 to 12')).toBeVisible();
  await rows.pressSequentially('2');
  await expect(rows).toHaveValue('2');
  await rows.fill('40');
  await page.getByLabel('Columns', { exact: true }).fill('3');
  await expect(rows).toHaveValue('2');
  await page.getByLabel('Name', { exact: true }).fill('Empty box');
  await page.getByLabel('Price', { exact: true }).fill('$12.50');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The tray must have a piece in one cell at least.')).toBeVisible();
  await expect(page.getByLabel('Price', { exact: true })).toHaveValue('12.5');
});

test('a pack is typed as it is written on it, a second ingredient of a name is refused, and nothing is said in a program’s English', async ({
  page,
  request,
}) => {
  await page.goto('/pantry/new');
  await page.getByLabel('Name', { exact: true }).fill('UNSALTED  butter');
  await page.getByLabel('What the label calls it').fill('butter');
  await page.getByRole('button', { name: 'Add a pack' }).click();
  await page.getByLabel('Pack', { exact: true }).fill('block');
  await page.getByLabel('Holds').fill('2 kg');
  await page.getByLabel('Price', { exact: true }).fill('$3.49');
  await page.getByLabel('Arrives after').fill('soon');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('must be whole days')).toBeVisible();
  await expect(page.getByText(/invalid|expected|received/i)).toBeHidden();
  await expect(page.getByLabel('Holds')).toHaveValue('2');
  await page.getByLabel('Arrives after').fill('1');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/^there is already “UNSALTED {1,2}butter” in the pantry/)).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Butter for frying');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Butter for frying added.')).toBeVisible();
  const { items } = await ask<{ items: Ingredient[] }>(request, '/api/ingredients?search=frying');
  expect(items[0]?.packs).toMatchObject([{ amount: 2, unit: 'kg', priceMinor: 349, leadDays: 1 }]);
});

test('temperatures are typed in the scale that the kitchen has chosen', async ({ page, request }) => {
  const kitchen = await ask<Kitchen>(request, '/api/kitchen');
  for (const [scale, typed] of [
    ['F', '300'],
    ['C', '148.9'],
  ] as const) {
    const { version } = await ask<Kitchen>(request, '/api/kitchen');
    const changed = { ...kitchen, version, temperatureFirst: scale };
    expect((await request.put('/api/kitchen', { data: changed })).status()).toBe(200);
    await page.goto('/recipes/pumpkin-toffee/edit');
    const target = page.getByLabel('At sea level', { exact: true }).first();
    if (scale === 'F') await target.fill(typed);
    await expect(target).toHaveValue(typed);
    if (scale === 'F') {
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(page.getByText(/ saved\.$/)).toBeVisible();
    }
  }
});

test('one choice of measures rules every screen: days, lengths, heights and what stands first in a recipe', async ({
  page,
  request,
}) => {
  await page.goto('/settings');
  await page.getByLabel('Figures and dates as in').click();
  await page.getByRole('option', { name: 'United States' }).click();
  // What a place usually writes is chosen with it, and each can be chosen apart from it
  await expect(page.getByLabel('Lengths')).toHaveText('inches');
  await expect(page.getByLabel('Altitude')).toHaveValue('4659');
  await page.getByLabel('A week begins on').click();
  await page.getByRole('option', { name: 'Saturday' }).click();
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByLabel('Label width')).toHaveValue('5');
  await expect(page.getByRole('switch').first()).toHaveAccessibleName('Saturday');
  await page.getByLabel('Label width').fill('4 1/8');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect.poll(async () => (await ask<Kitchen>(request, '/api/kitchen')).label.widthMm).toBeCloseTo(104.775, 6);
  // On the page, and in the sentences of the server
  await expect(page.locator('[data-day="2026-12-05"]')).toHaveAttribute('title', /^Saturday, December 5: /);
  await page.goto('/recipes/maple-pecan-fudge');
  await expect(page.getByRole('columnheader').first()).toHaveText('measure');
  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Wren Oxley');
  await page.getByLabel('Day', { exact: true }).fill('2026-11-26');
  await expect(page.getByTestId('promise')).toContainText('It cannot be promised for Thursday, November 26.');
  await page.goto('/boxes/longest-night');
  await expect(page.getByLabel('Depth').first()).toHaveValue(/^\d\.\d+$/);
});

test('what is to decide about a record stands at its field, and follows the typing', async ({ page }) => {
  await page.goto('/pieces/black-tea-truffle');
  const keeps = page.getByLabel('Keeps', { exact: true });
  await expect(keeps).toBeVisible();
  await keeps.fill('90');
  await expect(keeps).toHaveAccessibleDescription(/Black tea truffle/);
  await keeps.fill('1');
  await expect(keeps).toHaveAccessibleDescription('Empty: as its recipe keeps.');
  // Another field that cannot be read yet leaves the fields where they are
  await page.getByLabel('Hands, each', { exact: true }).fill('-');
  await expect(keeps).toHaveValue('1');
});
