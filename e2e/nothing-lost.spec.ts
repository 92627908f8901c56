import { expect, test } from './support/kitchen';

test.describe('wrong input', () => {
  test('is marked at its field with what is wrong, and the typing stays', async ({ page }) => {
    await page.goto('/orders/new');
    await page.getByLabel('Customer', { exact: true }).fill('=1+1');
    await page.getByLabel('How many').fill('minus two');
    await page.getByLabel('Day', { exact: true }).fill('2026-11-01');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('must be a whole number')).toBeVisible();
    await expect(page.getByLabel('How many')).toHaveValue('minus two');
    await page.getByLabel('How many').fill('2');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Sunday 1 November has passed: choose Wednesday 25 November or later')).toBeVisible();
    await page.getByLabel('Day', { exact: true }).fill('2026-12-05');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('heading', { name: '=1+1' })).toBeVisible();
  });

  test('outlives a reload of the page until it is saved or thrown away', async ({ page }) => {
    await page.goto('/orders/order-010');
    await page.getByLabel('Notes').fill('Ring twice');
    await page.reload();
    await expect(page.getByText('Unsaved typing from before is here again.')).toBeVisible();
    await expect(page.getByLabel('Notes')).toHaveValue('Ring twice');
    await page.getByRole('button', { name: 'Discard it' }).click();
    await expect(page.getByLabel('Notes')).toHaveValue('');
  });

  test('in a season file is named by its path, and nothing changes', async ({ page }) => {
    await page.goto('/settings');
    const file = page.getByLabel('Season file', { exact: true }).last();
    const send = (text: string) =>
      file.setInputFiles({ name: 'season.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await send('{"format": ');
    await expect(page.getByText('season.json is not well-formed JSON. Nothing was changed.')).toBeVisible();
    await send(
      JSON.stringify({
        format: 'usual-pantry-season',
        formatVersion: 1,
        writtenFor: 'soon',
        kitchen: {},
        ingredients: [],
        recipes: [],
        pieces: [],
        boxes: [],
        orders: [],
      }),
    );
    await expect(page.getByText('writtenFor: must be a day such as 2026-12-05')).toBeVisible();
    await expect(page.getByText('kitchen.makerName')).toBeVisible();
    await page.goto('/');
    await expect(page.getByTestId('answer')).toContainText('45 orders');
  });
});

test('a server that dies while it saves: the typing stays, and is saved when it is back', async ({ page, kitchen }) => {
  await page.goto('/orders/order-010');
  await page.getByLabel('Notes').fill('Leave with the neighbour');
  await kitchen.kill();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('The kitchen’s server does not answer.')).toBeVisible();
  await expect(page.getByLabel('Notes')).toHaveValue('Leave with the neighbour');
  await kitchen.start();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Gideon Lamarche’s order saved.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Notes')).toHaveValue('Leave with the neighbour');
});

test('two tabs, one order: the later save is told, shown the difference, and loses nothing', async ({ context }) => {
  const [first, second] = [await context.newPage(), await context.newPage()];
  for (const page of [first, second]) await page.goto('/orders/order-010');
  await second.getByLabel('Notes').fill('From the second tab');
  await first.getByLabel('Notes').fill('From the first tab');
  await first.getByRole('button', { name: 'Save' }).click();
  await expect(first.getByText('Gideon Lamarche’s order saved.')).toBeVisible();
  await second.getByRole('button', { name: 'Save' }).click();
  await expect(second.getByText('This order was changed elsewhere after you opened it.')).toBeVisible();
  await expect(second.getByText('notes: here From the second tab, stored From the first tab')).toBeVisible();
  await expect(second.getByLabel('Notes')).toHaveValue('From the second tab');
  await second.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(second.getByText('Gideon Lamarche’s order saved.')).toBeVisible();
  await expect(first.getByLabel('Notes')).toHaveValue('From the second tab');
});

test('what was changed is undone after a reload, one change by itself, and not over a later edit of the same', async ({
  page,
}) => {
  const rename = async (name: string) => {
    await page.goto('/boxes/table-box');
    await page.getByRole('textbox', { name: 'Price' }).fill(name);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Table box saved.')).toBeVisible();
  };
  await rename('41');
  await page.goto('/orders/order-010');
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page).toHaveURL(/\/orders$/);
  await rename('42');
  await page.goto('/settings');
  await page.getByRole('link', { name: 'What was changed' }).click();
  await expect(page.getByTestId('answer')).toHaveText('3 changes kept: each can be undone by itself.');
  const rows = page.getByRole('listitem');
  await expect(rows.last()).toContainText('Can be undone after “Table box saved.”');
  await expect(rows.last().getByRole('button')).toBeDisabled();
  await page.reload();
  const deletion = rows.filter({ hasText: 'order deleted.' });
  await deletion.getByRole('button', { name: /^Undo/ }).click();
  await expect(deletion.getByRole('button', { name: /^Do again/ })).toBeVisible();
  await expect(page.getByTestId('answer')).toContainText('1 of them undone');
  await page.keyboard.press('Control+z');
  await expect(rows.last().getByRole('button')).toBeEnabled();
  await page.goto('/boxes/table-box');
  await expect(page.getByRole('textbox', { name: 'Price' })).toHaveValue('41');
});

test('a deletion is refused while something uses it, and taken back when nothing does', async ({ page }) => {
  await page.goto('/pantry/unsalted-butter');
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(
    page.getByText(/Unsalted butter is in use and was not deleted\. Used by: .*Maple-pecan fudge \(recipe\)/),
  ).toBeVisible();
  await page.goto('/orders/order-010');
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page).toHaveURL(/\/orders$/);
  await expect(page.getByTestId('answer')).toContainText('44 open orders');
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('answer')).toContainText('45 open orders');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByTestId('answer')).toContainText('44 open orders');
});
