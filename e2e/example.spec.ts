import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ask, expect, test } from './support/kitchen';

test.use({ demo: false });

test('an example kitchen is loaded beside one’s own, tried, and removed without a trace', async ({
  page,
  request,
  kitchen,
}) => {
  await kitchen.startAs({ EXAMPLE_FILE: 'demo/season.json' });
  const folder = join(kitchen.folder, 'example');
  await page.goto('/');
  await page.getByRole('link', { name: 'Settings, Example kitchen' }).click();
  const panel = page.getByRole('region', { name: 'Example kitchen' });
  await panel.getByRole('button', { name: 'Load it' }).click();
  await panel.getByRole('link', { name: 'Open the example' }).click();
  // It is a kitchen of its own, and says so on every screen
  await expect(page).toHaveURL(/\/example$/);
  await expect(page.getByRole('note')).toContainText('nothing of it is yours');
  await expect(page.getByTestId('answer')).toContainText('batches');
  await page.getByRole('link', { name: /^Orders/ }).click();
  await expect(page).toHaveURL(/\/example\/orders$/);
  await expect(page.getByTestId('answer')).toContainText('45 open orders');
  await page.getByLabel('An order in one line').fill('Wren Oxley: 2 longest night box, courier 19 Dec');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('Wren Oxley’s order taken.')).toBeVisible();
  await page.goto('/example/orders');
  await expect(page.getByTestId('answer')).toContainText('46 open orders');
  // Nothing of it is in one's own
  expect(await ask<{ total: number }>(request, '/api/orders')).toMatchObject({ total: 0 });
  expect((await ask<{ recipes: unknown[] }>(request, '/api/book')).recipes).toEqual([]);
  // It is there again after a restart of one's own
  await kitchen.startAs({ EXAMPLE_FILE: 'demo/season.json' });
  await page.reload();
  await expect(page.getByTestId('answer')).toContainText('46 open orders');
  await page.getByRole('note').getByRole('link', { name: 'Remove it' }).click();
  await panel.getByRole('button', { name: 'Remove it' }).click();
  await expect(panel.getByRole('button', { name: 'Load it' })).toBeVisible();
  expect(existsSync(folder)).toBe(false);
  await page.goto('/example/orders');
  await expect(page.getByText('The example kitchen is not loaded.')).toBeVisible();
});
