import { readFileSync } from 'node:fs';
import { openBook } from '@usual-pantry/core/box';
import { benchDay, type Plan } from '@usual-pantry/core/plan';
import type { SeasonFile } from '@usual-pantry/core/season';
import { verifyBench } from '../core/testing/verify-bench';
import { verifyPlan } from '../core/testing/verify-plan';
import { ask, expect, test, TODAY } from './support/kitchen';

test('a season is planned, a batch moved and pinned, a day lost, shopping ticked off and the calendar taken along', async ({
  page,
  request,
}) => {
  const verified = async () => {
    const file = await ask<SeasonFile>(request, '/api/season-file');
    const [plan, book] = [await ask<Plan>(request, '/api/plan'), openBook(file)];
    return [
      ...verifyPlan(plan, book, file.orders, TODAY),
      ...plan.days.flatMap(({ day }) => verifyBench(benchDay(plan, day, book), plan, day, book)),
    ];
  };
  await page.goto('/plan/days');
  await page.getByRole('button', { name: 'Plan again' }).click();
  await expect(page.getByTestId('solved')).toContainText(/Within \d+\.\d % of the best possible plan/, {
    timeout: 90_000,
  });
  expect(await verified()).toEqual([]);

  // A making is moved by its menu, where days that will not do say why
  const plan = await ask<Plan>(request, '/api/plan');
  const toffee = plan.makings.find(({ recipeId }) => recipeId === 'pumpkin-toffee');
  if (!toffee) throw new Error('no toffee is made');
  const sheet = page.getByRole('region', { name: 'Bench sheet' });
  await sheet
    .getByRole('button', { name: /^Smoked-salt pumpkin-seed toffee/ })
    .first()
    .click();
  const humid = page.getByRole('menuitem', { name: /^Thursday 3 December/ });
  await expect(humid).toBeDisabled();
  await expect(humid).toContainText('draws damp, and Thursday 3 December is humid');
  const target = toffee.day === '2026-12-01' ? 'Saturday 28 November' : 'Tuesday 1 December';
  await page.getByRole('menuitem', { name: new RegExp(`^${target}`) }).click();
  await expect(page.getByText(`Smoked-salt pumpkin-seed toffee moved to ${target} and pinned there.`)).toBeVisible();
  const row = sheet.getByRole('group', { name: target });
  await expect(row.getByRole('button', { name: /^Smoked-salt pumpkin-seed toffee.*pinned/ }).first()).toBeVisible();

  // Taken back and done again by the keys
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^Undone: Smoked-salt pumpkin-seed toffee moved/)).toBeVisible();
  await expect(sheet.getByRole('button', { name: /^Smoked-salt pumpkin-seed toffee.*pinned/ })).toBeHidden();
  await page.keyboard.press('Control+Shift+z');
  await expect(row.getByRole('button', { name: /^Smoked-salt pumpkin-seed toffee.*pinned/ }).first()).toBeVisible();

  // It stays there when the season is planned again
  await page.getByRole('button', { name: 'Plan again' }).click();
  const working = page.getByRole('progressbar', { name: 'Working the season out' });
  await expect(working).toBeVisible();
  await expect(working).toBeHidden({ timeout: 90_000 });
  await expect(row.getByRole('button', { name: /^Smoked-salt pumpkin-seed toffee.*pinned/ }).first()).toBeVisible();

  // A Saturday is lost: looked at first, then made so
  await page.getByRole('button', { name: 'What if' }).click();
  const drawer = page.getByRole('dialog', { name: 'What if' });
  await drawer.getByLabel('I lose these days').fill('Saturday 5');
  await page.getByRole('option', { name: 'Saturday 5 December' }).click();
  await drawer.getByRole('button', { name: 'See what it does' }).click();
  await expect(drawer.getByRole('table', { name: 'Before and after' })).toBeVisible({ timeout: 60_000 });
  await drawer.getByRole('button', { name: 'Make it so' }).click();
  await expect(page.getByText('The season is planned that way now.')).toBeVisible();
  await expect(sheet.getByRole('group', { name: 'Saturday 5 December' })).toBeHidden();
  expect(await verified()).toEqual([]);

  // What is bought goes into the pantry
  await page.getByRole('tab', { name: 'Shopping' }).click();
  const [line] = (await ask<Plan>(request, '/api/plan')).shopping.filter(({ packs }) => packs.length > 0);
  if (!line) throw new Error('nothing to buy');
  await page.getByRole('button', { name: `${line.name} is bought` }).click();
  await page.getByLabel('Paid, USD').fill('many');
  await page.getByRole('button', { name: 'Into the pantry' }).click();
  await expect(page.getByText('The price paid must be a number.')).toBeVisible();
  await page.getByLabel('Paid, USD').fill('12.50');
  await page.getByRole('button', { name: 'Into the pantry' }).click();
  await expect(page.getByText(`${line.name} bought.`)).toBeVisible();
  await expect(page.getByRole('row').filter({ hasText: line.name })).toContainText('enough on hand');

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Calendar' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  expect(text).toMatch(/^BEGIN:VCALENDAR/);
  expect(text).toContain('UID:bench-2026-12-12@usual-pantry');
});

test('a making is dragged to another day, and back from one on which it cannot be', async ({ page }) => {
  await page.goto('/plan/days');
  const sheet = page.getByRole('region', { name: 'Bench sheet' });
  const strip = sheet
    .getByRole('group', { name: 'Saturday 28 November' })
    .getByRole('button', { name: /^Ginger and cocoa-nib bark/ });
  const drop = async (day: string) => {
    const [from, to] = [await strip.boundingBox(), await sheet.getByRole('group', { name: day }).boundingBox()];
    if (!from || !to) throw new Error('not to be seen');
    await page.mouse.move(from.x + 12, from.y + 12);
    await page.mouse.down();
    await page.mouse.move(from.x + 20, from.y + 40, { steps: 4 });
    await page.mouse.move(to.x + 300, to.y + 30, { steps: 12 });
    await page.mouse.up();
  };
  await drop('Thursday 26 November');
  await expect(
    page.getByText('Ginger and cocoa-nib bark moved to Thursday 26 November and pinned there.'),
  ).toBeVisible();
});

test('a plan that is being worked out can be stopped, and the last one stays', async ({ page, request }) => {
  await page.goto('/plan');
  const before = (await ask<Plan>(request, '/api/plan')).makings.length;
  await page.goto('/settings');
  await page.getByLabel('Made before hand-over').fill('2');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await page.goto('/plan');
  await expect(page.getByTestId('solved')).toContainText('have changed since');
  await page.getByRole('button', { name: 'Plan again' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped. The last plan stays.')).toBeVisible();
  expect(before).toBeGreaterThan(0);
});
