import { spawnSync } from 'node:child_process';
import { ask, expect, test } from './support/kitchen';

test('a copy is taken and looked at; what was changed since is gone when it is put back, and comes back again', async ({
  page,
  request,
}) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Take a copy' }).click();
  await expect(page.getByText('A copy was taken and checked.')).toBeVisible();
  const copies = page.getByRole('list', { name: 'Backups' }).getByRole('listitem');
  await expect(copies).toHaveCount(1);
  await copies.getByRole('button', { name: /^Check/ }).click();
  await expect(page.getByText('It is whole: 19 recipes, 5 boxes, 46 orders.')).toBeVisible();
  const download = page.waitForEvent('download');
  await copies.getByRole('link', { name: /^Download/ }).click();
  expect((await download).suggestedFilename()).toBe('000001-on-demand-2026-11-25.db');

  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Ada Quill');
  await page.getByLabel('Day', { exact: true }).fill('2026-12-19');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Ada Quill' })).toBeVisible();
  const names = async () =>
    (await ask<{ orders: { customer: { name: string } }[] }>(request, '/api/season-file')).orders.map(
      ({ customer }) => customer.name,
    );
  expect(await names()).toContain('Ada Quill');

  await page.goto('/settings');
  await page.getByRole('button', { name: /^Put back 000001/ }).click();
  const question = page.getByRole('dialog');
  await question.getByRole('button', { name: 'Keep what is here' }).click();
  await expect(question).toBeHidden();
  await page.getByRole('button', { name: /^Put back 000001/ }).click();
  await question.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText('What was there before is a copy too.')).toBeVisible();
  expect(await names()).not.toContain('Ada Quill');
  await page.getByRole('button', { name: /^Put back 000002-before-restore/ }).click();
  await question.getByRole('button', { name: 'Put it back' }).click();
  await expect(copies).toHaveCount(3);
  expect(await names()).toContain('Ada Quill');
});

test('a phone is let in by a code as a helper, and let out again', async ({ page, kitchen, browser }) => {
  const passphrase = 'four words and a biscuit';
  await page.goto('/settings');
  const door = page.getByRole('region', { name: 'Who may come in' });
  await door.getByLabel('Passphrase', { exact: true }).fill('short');
  await door.getByRole('button', { name: 'Set it' }).click();
  await expect(door.getByText('must have 15 characters at least')).toBeVisible();
  await door.getByLabel('Passphrase', { exact: true }).fill(passphrase);
  await door.getByRole('button', { name: 'Set it' }).click();
  await expect(door.getByText('A passphrase is set')).toBeVisible();

  // Now it is to be reached under another name, too: everybody signs in
  await kitchen.startAs({ ALLOWED_HOSTS: 'kitchen.example', TLS: 'off' });
  await page.goto('/settings');
  await page.getByLabel('Passphrase').fill('not these words at all');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('That is not the passphrase.')).toBeVisible();
  await page.getByLabel('Passphrase').fill(passphrase);
  await page.getByLabel('This device is called').fill('Laptop');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(door.getByText('Laptop, this one')).toBeVisible();

  await door.getByLabel('It is called').fill('Tam’s phone');
  await door.getByLabel('It may see').click();
  await page.getByRole('option', { name: /What is to be done today/ }).click();
  await door.getByRole('button', { name: 'Make a code' }).click();
  const code = (await door.getByRole('status').locator('code').first().textContent()) ?? '';
  await expect(door.getByRole('img', { name: /kitchen\.example/ })).toBeVisible();

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: kitchen.url });
  const theirs = await phone.newPage();
  await theirs.goto('/');
  await theirs.getByRole('link', { name: 'I have a code from another device' }).click();
  await theirs.getByLabel('Code').fill('WRONGCODE1');
  await theirs.getByRole('button', { name: 'Let this device in' }).click();
  await expect(theirs.getByText('The code does not hold')).toBeVisible();
  // As the picture has it, behind the # of the address
  await theirs.goto(`/pair#${code}`);
  await theirs.reload();
  await theirs.getByRole('button', { name: 'Let this device in' }).click();
  await expect(theirs.getByRole('heading', { name: /orders/ })).toBeVisible();
  await expect(theirs.getByRole('heading', { name: /^Next, / })).toBeVisible();
  await expect(theirs.getByText('to decide')).toBeHidden();
  await expect(theirs.getByRole('navigation', { name: 'Screens' }).getByText('Orders')).toBeHidden();
  await theirs.goto('/money');
  await expect(theirs.getByRole('heading', { name: 'This is the maker’s.' })).toBeVisible();
  await theirs.getByRole('main').getByRole('link', { name: 'To Today' }).click();
  await expect(theirs.getByRole('heading', { name: /^Next, / })).toBeVisible();

  await page.reload();
  await door.getByRole('button', { name: 'Let out Tam’s phone' }).click();
  await expect(door.getByText('Tam’s phone', { exact: true })).toBeHidden();
  await theirs.goto('/');
  await expect(theirs.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await door.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await phone.close();
});

test('what a report would say is shown before it is saved, and names nobody', async ({ page, request }) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Look at it' }).click();
  const shown = page.getByLabel('What the file says');
  await expect(shown).toContainText('"writable"');
  const text = (await shown.textContent()) ?? '';
  const { orders, recipes, ingredients } = await ask<{
    orders: { id: string; customer: { name: string } }[];
    recipes: { name: string }[];
    ingredients: { name: string }[];
  }>(request, '/api/season-file');
  for (const { id, customer } of orders) {
    expect(text).not.toContain(customer.name);
    expect(text).not.toContain(id);
  }
  for (const { name } of [...recipes, ...ingredients]) expect(text).not.toContain(name);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save it' }).click();
  expect((await download).suggestedFilename()).toBe('usual-pantry-diagnostics.json');
});

test('a passphrase can be set where nobody can sign in any more, but not while the kitchen runs', async ({
  kitchen,
}) => {
  const set = (typed: string) =>
    spawnSync(process.execPath, ['server/dist/door/set-passphrase.js'], {
      input: `${typed}\n`,
      env: { ...process.env, DATA_DIR: kitchen.folder },
      encoding: 'utf8',
    });
  expect(set('four words and a biscuit').stderr).toContain('is in use');
  await kitchen.kill();
  expect(set('short').stderr).toContain('must have 15 characters at least');
  expect(set('four words and a biscuit').stdout).toContain('The passphrase is set.');
  await kitchen.start();
});
