import type { SeasonFile } from '@usual-pantry/core/season-file';
import { ask, expect, openFindings, planOf, test } from './support/kitchen';

const say = (count: number) => count.toLocaleString('en-US');

test('Today says what the plan says, and a day of the strip opens that day', async ({ page, request }) => {
  const plan = await planOf(request);
  await page.goto('/');
  await expect(page.getByTestId('answer')).toContainText(
    `${plan.orders} orders, ${plan.boxes} boxes, ${say(plan.pieces)} pieces: ${plan.batches} batches`,
  );
  await page
    .getByRole('navigation', { name: 'Days of the season' })
    .getByRole('link', { name: /^Saturday 5 December: .*8 orders to hand over/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Saturday 5 December' })).toBeVisible();
  await page.getByRole('link', { name: 'First Frost stall' }).click();
  await expect(page.getByRole('heading', { name: 'First Frost stall' })).toBeVisible();
});

test('a decision is decided from Today, and taken back from the notice', async ({ page }) => {
  await page.goto('/');
  await openFindings(page);
  const finding = page.getByRole('listitem').filter({ hasText: 'Quillon Ferrand wants no gluten' });
  await finding.getByRole('button', { name: 'The customer knows and agrees' }).click();
  await expect(finding).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(finding).toBeVisible();
});

test('orders are searched, filtered and sorted by the server', async ({ page }) => {
  await page.goto('/orders');
  const rows = page.getByRole('row');
  await expect(rows.filter({ hasText: 'First Frost stall' })).toBeVisible();
  await page.getByLabel('Search customers').fill('strand');
  await expect(rows.filter({ hasText: 'Corwin Mbeki-Strand' })).toBeVisible();
  await expect(rows.filter({ hasText: 'First Frost stall' })).toBeHidden();
  await page.getByLabel('Search customers').fill('nobody of that name');
  await expect(page.getByText('No customer is called that.')).toBeVisible();
  await page.getByLabel('Search customers').fill('');
  await page.getByLabel('Show', { exact: true }).click();
  await page.getByRole('option', { name: 'closed' }).click();
  await expect(rows.filter({ hasText: 'Jorah Kestrel-Dunn' })).toBeVisible();
});

test('the plan shows every making and every purchase that the API names', async ({ page, request }) => {
  const plan = await planOf(request);
  await page.goto('/plan');
  const batches = page.getByRole('region', { name: 'Batches' }).getByRole('row');
  await expect(batches).toHaveCount(new Set(plan.runs.map(({ recipeName }) => recipeName)).size + 1);
  await page.getByRole('button', { name: 'By day' }).click();
  await expect(batches).toHaveCount(plan.runs.length + 1);
  await page.getByRole('tab', { name: 'Shopping' }).click();
  const shopping = page.getByRole('region', { name: 'Shopping' });
  const groups = shopping.getByRole('rowheader');
  await expect(groups.first()).toBeVisible();
  await expect(shopping.getByRole('row')).toHaveCount(plan.shopping.length + 2 + (await groups.count()));
  await page.getByRole('button', { name: 'By name' }).click();
  await expect(groups).toHaveText(['To buy', 'Enough on hand']);
  await page.getByRole('tab', { name: 'Bench days' }).click();
  for (const { recipeName } of plan.runs)
    await expect(page.getByRole('button', { name: `${recipeName}, ` }).first()).toBeVisible();
  await page.goto('/plan');
  await page
    .getByRole('button', { name: /how this was worked out/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('Batches of allowed sizes that cover this');
});

test('a label that is too small says how high it must be, and printing waits', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel('Label height').fill('50');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await page.goto('/labels/table-box?handOver=2026-12-14');
  const finding = page.getByText(/at this width the label must be \d+ mm high/);
  await expect(finding).toBeVisible();
  await expect(page.getByRole('link', { name: /PDF/ })).toHaveAttribute('aria-disabled', 'true');
  const height = /must be (\d+) mm/.exec((await finding.textContent()) ?? '')?.[1] ?? '';
  await page.getByRole('button', { name: 'Open Settings' }).first().click();
  await page.getByLabel('Label height').fill(height);
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await page.goto('/labels/table-box?handOver=2026-12-14');
  await expect(page.getByRole('img', { name: /Table box/ })).toBeVisible();
  await expect(finding).toBeHidden();
  await page.getByLabel('Copies').fill('0');
  await expect(page.getByText('1 to 500')).toBeVisible();
});

test('wrong settings are marked and not saved', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel('Label width').fill('5');
  await page.getByLabel('Hands, an hour', { exact: true }).fill('a lot');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('must be 30 mm or more')).toBeVisible();
  await expect(page.getByLabel('Hands, an hour', { exact: true })).toHaveValue('a lot');
  await page.reload();
  // Nothing was saved, and what was typed is still there to be mended or thrown away
  await expect(page.getByLabel('Label width')).toHaveValue('5');
  await page.getByRole('button', { name: 'Discard it' }).click();
  await expect(page.getByLabel('Label width')).toHaveValue('127');
});

test('an order that only asks for traces is told so, and an empty box cannot be sold', async ({ page, request }) => {
  const empty = {
    id: 'empty-tray',
    name: 'Empty tray',
    foodName: 'Nothing yet',
    rows: 1,
    columns: 1,
    cells: [null],
    packMinutes: 0,
    priceMinor: 100,
  };
  // A file may bring one from before; by hand it is refused
  const file = await ask<SeasonFile>(request, '/api/season-file');
  expect((await request.post('/api/season-file', { data: { ...file, boxes: [...file.boxes, empty] } })).status()).toBe(
    200,
  );
  await page.goto('/boxes');
  await expect(page.getByText('Empty tray has no pieces: it cannot be made, costed or labelled.')).toBeVisible();
  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Ada');
  await page.getByLabel('Box', { exact: true }).fill('Empty');
  await page.getByRole('option', { name: 'Empty tray' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Empty tray has no pieces yet: fill it before it is sold')).toBeVisible();
  await page.getByLabel('Box', { exact: true }).fill('Table');
  await page.getByRole('option', { name: 'Table box' }).click();
  await page.getByLabel('Must not contain').fill('almonds');
  await page.getByRole('option', { name: 'almonds' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(
    page.getByText('Ada wants no almonds; Table box has none in it, but may contain almonds, its suppliers say.'),
  ).toBeVisible();
});

test('a piece is given another form, and its count and drawing follow', async ({ page }) => {
  await page.goto('/pieces/oat-date');
  await expect(page.getByRole('img', { name: 'Pan 229 × 229 mm, cut 4 by 8' })).toBeVisible();
  await page.getByLabel('Piece length').fill('27');
  await expect(page.getByRole('img', { name: 'Pan 229 × 229 mm, cut 8 by 8' })).toBeVisible();
  await expect(page.getByTestId('answer')).toContainText('64 pieces a base batch');
  await page.getByLabel('Piece length').fill('400');
  await expect(page.getByText('not one piece of that size fits in the pan')).toBeVisible();
  await page.getByRole('button', { name: 'Discard changes' }).click();
  await page.getByRole('group', { name: 'Form' }).getByRole('button', { name: 'dipped' }).click();
  await page.getByLabel('Coating', { exact: true }).fill('Milk');
  await page.getByRole('option', { name: 'Milk coating' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Oat and date bar saved.')).toBeVisible();
  await expect(page.getByTestId('answer')).toContainText('17.1 g each');
});

test('a box grows by a row and keeps its pieces', async ({ page }) => {
  await page.goto('/boxes/toffee-bag');
  const tray = page.getByRole('grid', { name: 'Tray' });
  await page.getByLabel('Rows').fill('2');
  await expect(tray.getByRole('gridcell')).toHaveCount(4);
  await expect(tray.getByRole('button', { name: 'Cell 1: 6 × Sesame-cardamom toffee' })).toBeVisible();
  await tray.getByRole('button', { name: 'Cell 4: empty' }).click();
  await page.getByRole('button', { name: /Ginger and cocoa-nib bark/ }).click();
  await expect(page.getByTestId('answer')).toContainText('13 pieces, 183 g');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Bag of toffee shards saved.')).toBeVisible();
  await page.goto('/money');
  await expect(page.getByRole('row').filter({ hasText: 'Bag of toffee shards' })).toBeVisible();
});

test('on a phone the bar at the foot leads everywhere', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  const bar = page.getByRole('navigation', { name: 'Screens' });
  await bar.getByRole('link', { name: 'Plan' }).click();
  await expect(page).toHaveURL(/\/plan$/);
  await bar.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Money' }).click();
  await expect(page.getByTestId('answer')).toContainText('a bench hour');
  await bar.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Orders' }).click();
  await page.getByRole('gridcell', { name: 'Gideon Lamarche' }).click();
  await expect(page.getByRole('heading', { name: 'Gideon Lamarche' })).toBeVisible();
  await page.getByRole('link', { name: 'Close' }).click();
  await expect(page.getByRole('gridcell', { name: 'Gideon Lamarche' })).toBeVisible();
});
