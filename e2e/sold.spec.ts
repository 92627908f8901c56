import { expect, openFindings, test } from './support/kitchen';

test('a piece that does not fit is turned away with its size, by keys and on the second layer too', async ({
  page,
}) => {
  await page.goto('/boxes/new');
  await page.getByLabel('Name', { exact: true }).fill('Two layers');
  await page.getByLabel('Rows', { exact: true }).fill('2');
  await page.getByLabel('Columns', { exact: true }).fill('2');
  await page.getByLabel('Layers', { exact: true }).fill('2');
  await page.getByRole('button', { name: /^Give the cells/ }).click();
  await page.getByLabel('Width of columns, mm').fill('34 20 8');
  await expect(page.getByText('One number from 5 mm to 600 mm, or 2 of them')).toBeVisible();
  await page.getByLabel('Width of columns, mm').fill('34 20');
  await page.getByLabel('Length of rows, mm').fill('34');
  const tray = page.getByRole('grid', { name: 'Tray' });
  await tray.getByRole('button', { name: 'Cell 1: empty' }).focus();
  await page.keyboard.press('1');
  await expect(tray.getByRole('button', { name: 'Cell 1: Black tea truffle' })).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByRole('alert')).toContainText(
    'Black tea truffle does not fit: it is about 29 × 29 × 29 mm, cell 2 is 34 × 20 mm, 30 mm deep.',
  );
  await expect(tray.getByRole('button', { name: 'Cell 2: empty' })).toBeVisible();
  // Down the second row and on to the layer below
  await tray.getByRole('button', { name: 'Cell 3: empty' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(tray.getByRole('button', { name: 'Cell 5: empty' })).toBeFocused();
  await page.keyboard.press('1');
  await expect(page.getByTestId('answer')).toContainText('2 pieces');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Two layers added.')).toBeVisible();
});

test('boxes are composed within a margin, and a wish that cannot be kept is named', async ({ page }) => {
  await page.goto('/boxes/longest-night');
  const panel = page.getByRole('region', { name: 'Compose for me' });
  await panel.getByLabel('Nothing with').fill('sesame');
  await page.getByRole('option', { name: 'sesame', exact: true }).click();
  await panel.getByRole('button', { name: 'Compose for me' }).click();
  const cheapest = panel.getByRole('listitem').filter({ hasText: 'The cheapest' });
  await expect(cheapest).toContainText('No box with a piece in each cell that keeps your wishes costs less than');
  const cost = /\$\d+\.\d\d/.exec((await cheapest.textContent()) ?? '')?.[0] ?? 'none';
  await cheapest.getByRole('button', { name: 'Put it in the tray' }).click();
  await expect(page.getByTestId('answer')).toContainText(`16 pieces`);
  await expect(page.getByTestId('answer')).toContainText(`costs ${cost}`);
  await expect(page.getByRole('grid', { name: 'Tray' })).not.toContainText('Sesame');
  await panel.getByLabel('Margin at least, %').fill('95');
  await panel.getByRole('button', { name: 'Compose for me' }).click();
  await expect(panel.getByRole('alert')).toContainText('a margin of 95 % at $26.00, so a cost of $1.30 or less');
});

test('a confirmed order keeps the box as it was sold until the maker says otherwise', async ({ page }) => {
  await page.goto('/boxes/table-box');
  await page.getByRole('textbox', { name: 'Price' }).fill('40');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Table box saved.')).toBeVisible();
  // Confirmed before at 36 dollars
  await page.goto('/orders/order-017');
  const order = page.getByRole('form', { name: 'Marisol Penhallow' });
  await expect(order.getByText('$36.00', { exact: true })).toBeVisible();
  await order.getByRole('button', { name: 'Take the box as it is now' }).click();
  await expect(order.getByText('$40.00', { exact: true })).toBeVisible();
  await expect(page.getByText('Marisol Penhallow’s order changed.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(order.getByText('$36.00', { exact: true })).toBeVisible();
});

test('what nothing replaces is left out for its share of the price, down to the slip', async ({ page }) => {
  await page.goto('/orders');
  await openFindings(page);
  const decision = page.getByRole('listitem').filter({ hasText: 'Quillon Ferrand wants no gluten' });
  await decision.getByRole('button', { name: 'Leave 4 pieces out, $6.50 less a box' }).click();
  await expect(decision).toBeHidden();
  await page.goto('/orders/order-007/slip');
  const slip = page.getByRole('article');
  await expect(slip).toContainText('1 × Longest Night box, no gluten, some left out');
  await expect(slip).toContainText('Still to pay$19.50');
  await expect(slip).not.toContainText('Oat and date bar');
  await expect(slip).toContainText(
    'No ingredient of these boxes has gluten in it. All of it is made in one home kitchen',
  );
  await page.goto('/orders/order-006/slip');
  await expect(slip).toContainText(
    'Pinwheel sampler does contain sesame (Sesame-cardamom toffee), which is still to be agreed',
  );
});

test('orders are filtered, several are changed at once, and one undo takes it back', async ({ page }) => {
  await page.goto('/orders');
  const table = page.getByRole('grid', { name: 'Orders' });
  await page.getByRole('combobox', { name: 'State' }).click();
  await page.getByRole('option', { name: 'asked' }).click();
  await page.getByRole('combobox', { name: 'Way' }).click();
  await page.getByRole('option', { name: 'courier' }).click();
  await expect(page.getByText('1 order', { exact: true })).toBeVisible();
  await page.getByRole('combobox', { name: 'Way' }).click();
  await page.getByRole('option', { name: 'any way' }).click();
  await expect(page.getByText('6 orders', { exact: true })).toBeVisible();
  await table.getByRole('checkbox', { name: 'Select all rows' }).check();
  await page.getByRole('combobox', { name: 'Bring to' }).click();
  await page.getByRole('option', { name: 'confirmed' }).click();
  await page.getByRole('button', { name: 'Change them' }).click();
  await expect(page.getByText('6 orders confirmed.')).toBeVisible();
  await expect(page.getByText('0 orders', { exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('6 orders', { exact: true })).toBeVisible();
});

test('tickets hang under their days and open with the keyboard', async ({ page }) => {
  await page.goto('/orders');
  await page.getByRole('button', { name: 'Tickets' }).click();
  const stall = page.getByRole('region', { name: 'Sat 5 Dec' });
  await expect(stall).toContainText('Sat 5 Dec · 44 boxes');
  await expect(stall.getByRole('link', { name: /First Frost stall/ })).toContainText('$372.00 due');
  await stall.getByRole('button', { name: '2 more' }).click();
  await expect(stall.getByRole('link')).toHaveCount(8);
  await stall.getByRole('link').first().focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/orders\/order-/);
});

test('the shop’s inbox takes a test order once, keeps the newest, and holds what it cannot read', async ({ page }) => {
  await page.goto('/orders/inbox');
  const form = page.getByRole('region', { name: 'Send a test order' });
  const send = async (manner: string) => {
    await form.getByRole('combobox', { name: 'Delivered' }).click();
    await page.getByRole('option', { name: manner }).click();
    await form.getByRole('button', { name: 'Send it' }).click();
  };
  await form.getByLabel('Customer').fill('Wren Oxley');
  await send('twice, as a shop does that heard no answer');
  await expect(form.getByRole('alert')).toHaveText('taken Then: came again, nothing done');
  await send('the second message before the first');
  await expect(form.getByRole('alert')).toContainText('taken Then: out of date');
  await send('without the shop’s signature');
  await expect(form.getByRole('alert')).toContainText('it is not signed');
  await form.getByLabel('Box, as the shop calls it').fill('Moon box');
  await send('once, as it should be');
  const messages = page.getByRole('list', { name: 'Messages' });
  await expect(messages.getByText(/there is no one box “Moon box”/)).toBeVisible();
  await expect(page.getByTestId('answer')).toContainText('1 waits for you');
  await messages.getByRole('link', { name: 'Open the order' }).first().click();
  await expect(page.getByRole('form', { name: 'Wren Oxley' })).toBeVisible();
});
