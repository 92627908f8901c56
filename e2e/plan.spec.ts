import { readFileSync } from 'node:fs';
import { openBook } from '@usual-pantry/core/book';
import { benchDay } from '@usual-pantry/core/bench-day';
import { tryMove, whyNotTo } from '@usual-pantry/core/plan';
import { sayDay } from '@usual-pantry/core/quantity';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { verifyBench } from '../core/testing/verify-bench';
import { verifyPlan } from '../core/testing/verify-plan';
import { ask, expect, test, TODAY, planOf } from './support/kitchen';

test('a season is planned, a batch moved and pinned, a day lost, shopping ticked off and the calendar taken along', async ({
  page,
  request,
}) => {
  const verified = async () => {
    const file = await ask<SeasonFile>(request, '/api/season-file');
    const [plan, book] = [await planOf(request), openBook(file)];
    return [
      ...verifyPlan(plan, book, file.orders, TODAY),
      ...plan.days.flatMap(({ day }) => verifyBench(benchDay(plan, day, book), plan, day, book)),
    ];
  };
  await page.goto('/plan/days');
  await page.getByRole('button', { name: 'Plan again' }).click();
  await expect(page.getByTestId('solved')).toContainText(/Within \d+\.\d % of the best possible plan/);
  expect(await verified()).toEqual([]);

  // A run is moved by its menu, where days that will not do say why
  const plan = await planOf(request);
  const toffee = plan.runs.find(({ recipeId }) => recipeId === 'pumpkin-toffee');
  if (!toffee) throw new Error('no toffee is made');
  const sheet = page.getByRole('region', { name: 'Bench sheet' });
  await sheet
    .getByRole('button', { name: /^Smoked-salt pumpkin-seed toffee/ })
    .first()
    .click();
  const humid = page.getByRole('menuitem', { name: /^Thursday 3 December/ });
  await expect(humid).toBeDisabled();
  await expect(humid).toContainText('on Thursday 3 December: 64 % humidity are expected, and it wants 50 % at most');
  await page.keyboard.press('Escape');
  // The first move that breaks no rule; others are refused with theirs
  const file = await ask<SeasonFile>(request, '/api/season-file');
  const book = openBook(file);
  const firsts = plan.runs.filter((run, at) => plan.runs.findIndex(({ recipeId }) => recipeId === run.recipeId) === at);
  const move = firsts
    .flatMap(({ recipeId, recipeName, day: from }) =>
      plan.days.map(({ day: to, benchMinutes }) => ({ recipeId, recipeName, from, to, benchMinutes })),
    )
    .find(
      ({ recipeId, from, to, benchMinutes }) =>
        from !== to &&
        benchMinutes > 0 &&
        !plan.runs.some((each) => each.recipeId === recipeId && each.day === to) &&
        tryMove({ plan, recipeId, from, to, pins: [] }, file.orders, book, TODAY).guide !== null,
    );
  if (!move) throw new Error('nothing can be moved');
  const name = move.recipeName;
  const target = sayDay(move.to);
  await sheet
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await page.getByRole('menuitem', { name: new RegExp(`^${target}`) }).click();
  await expect(page.getByText(`${name} moved to ${target} and pinned there.`)).toBeVisible();
  const row = sheet.getByRole('group', { name: target });
  await expect(row.getByRole('button', { name: new RegExp(`^${name}.*pinned`) }).first()).toBeVisible();

  // Taken back and done again by the keys
  await page.keyboard.press('Control+z');
  await expect(page.getByText(new RegExp(`^Undone: ${name} moved`))).toBeVisible();
  await expect(sheet.getByRole('button', { name: new RegExp(`^${name}.*pinned`) })).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await expect(row.getByRole('button', { name: new RegExp(`^${name}.*pinned`) }).first()).toBeVisible();

  // It stays there when the season is planned again
  await page.getByRole('button', { name: 'Plan again' }).click();
  const working = page.getByRole('progressbar', { name: 'Working the season out' });
  await expect(working).toBeVisible();
  await expect(working).toBeHidden();
  await expect(row.getByRole('button', { name: new RegExp(`^${name}.*pinned`) }).first()).toBeVisible();

  // A Saturday is lost: looked at first, then made so
  await page.getByRole('button', { name: 'What if' }).click();
  const drawer = page.getByRole('dialog', { name: 'What if' });
  await drawer.getByLabel('I lose these days').fill('Saturday 5');
  await page.getByRole('option', { name: 'Saturday 5 December' }).click();
  await drawer.getByLabel('Somebody helps on').click();
  await page.getByRole('option', { name: 'Tuesday 8 December' }).click();
  await drawer.getByLabel('Hours').fill('two');
  const look = drawer.getByRole('button', { name: 'See what it does' });
  await look.click();
  await expect(drawer.getByText(/The helper’s hours must be a number/)).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(drawer).toBeHidden();
  await page.getByRole('button', { name: 'What if' }).click();
  await expect(drawer.getByLabel('Hours')).toHaveValue('two');
  await drawer.getByLabel('Hours').fill('2');
  await look.click();
  await expect(drawer.getByText(/best so far/)).toBeVisible();
  await drawer.getByRole('button', { name: 'Stop' }).click();
  await expect(drawer.getByText('Stopped. The last plan stays.')).toBeVisible();
  await look.click();
  await expect(drawer.getByRole('table', { name: 'Before and after' })).toBeVisible();
  await drawer.getByRole('button', { name: 'Make it so' }).click();
  await expect(page.getByText('The season planned with the change.')).toBeVisible();
  await expect(sheet.getByRole('group', { name: 'Saturday 5 December' })).toBeHidden();
  expect(await verified()).toEqual([]);

  // What is bought goes into the pantry
  await page.getByRole('tab', { name: 'Shopping' }).click();
  const [line] = (await planOf(request)).shopping.filter(({ packs }) => packs.length > 0);
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

test('a run is dragged to another day, and stays where it is when it cannot be there', async ({ page, request }) => {
  const [plan, file] = [await planOf(request), await ask<SeasonFile>(request, '/api/season-file')];
  const book = openBook(file);
  const benchDays = plan.days.filter(({ bookedMinutes }) => bookedMinutes > 0).map(({ day }) => day);
  /** The first making that can, or cannot, be on the bench day before its own. */
  const run = (can: boolean) => {
    const found = plan.runs.find(({ recipeId, day }) => {
      const before = benchDays[benchDays.indexOf(day) - 1];
      return before !== undefined && (whyNotTo(plan, recipeId, day, before, book, TODAY).length === 0) === can;
    });
    if (!found) throw new Error('every making is bound, or none is');
    return { ...found, before: benchDays[benchDays.indexOf(found.day) - 1] ?? '' };
  };
  await page.goto('/plan/days');
  const sheet = page.getByRole('region', { name: 'Bench sheet' });
  const row = (day: string) => sheet.getByRole('group', { name: sayDay(day) });
  const strip = (name: string, day: string) =>
    row(day)
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .first();
  const drag = async ({ recipeName, day, before }: ReturnType<typeof run>) => {
    // Near its edge the page goes on while something is dragged.
    await row(before).evaluate((shown) => {
      shown.scrollIntoView({ block: 'center' });
    });
    const [from, to] = [await strip(recipeName, day).boundingBox(), await row(before).boundingBox()];
    if (!from || !to) throw new Error('not to be seen');
    await page.mouse.move(from.x + 8, from.y + 12);
    await page.mouse.down();
    await page.mouse.move(from.x + 14, from.y - 10, { steps: 4 });
    await page.mouse.move(to.x + 300, to.y + 30, { steps: 12 });
    await page.mouse.up();
  };
  const bound = run(false);
  await drag(bound);
  await expect(page.getByText(/^It cannot be moved there\./)).toBeVisible();
  await expect(strip(bound.recipeName, bound.day)).toBeVisible();
  const free = run(true);
  await drag(free);
  await expect(page.getByText(`${free.recipeName} moved to ${sayDay(free.before)} and pinned there.`)).toBeVisible();
  await expect(strip(free.recipeName, free.before)).toBeVisible();
});

test('a plan that is being worked out can be stopped, and the last one stays', async ({ page, request }) => {
  await page.goto('/plan');
  const before = (await planOf(request)).runs.length;
  await page.goto('/settings');
  await page.getByLabel('Made before hand-over', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await page.goto('/plan');
  await expect(page.getByTestId('solved')).toContainText('have changed since');
  await page.getByRole('button', { name: 'Plan again' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped. The last plan stays.')).toBeVisible();
  expect(before).toBeGreaterThan(0);
});
