import type { Page } from '@playwright/test';
import type { MakingAnswer, MakingEvents } from '@usual-pantry/core/api';
import type { Batch } from '@usual-pantry/core/batch';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import { traceOf } from '@usual-pantry/core/making';
import { ask, expect, planOf, test, TODAY } from './support/kitchen';

test.use({ viewport: { width: 390, height: 844 } });

/** A bench with simulated devices, as a tablet keeps its choice. */
async function withDevices(page: Page): Promise<void> {
  await page.addInitScript(() => {
    localStorage.setItem(
      'usual-pantry-devices',
      JSON.stringify({ probe: 'simulated', scale: 'simulated', hygrometer: 'simulated' }),
    );
  });
}

/** Puts something on the simulated scale. */
async function onScale(page: Page, grams: number): Promise<void> {
  await page.getByLabel('Stands on the scale').fill(String(grams));
  await page.getByRole('button', { name: 'Put it on' }).click();
}

/** What the thermometer shows in the moment in which a text comes up, however long the test takes to hear of it. */
async function showsWhen(page: Page, text: string): Promise<number> {
  const shown = await page.waitForFunction(
    (sought) =>
      document.body.textContent.includes(sought) && document.querySelector('[data-testid="shows"]')?.textContent,
    text,
    { timeout: 180_000 },
  );
  return Number(String(await shown.jsonValue()).replace(/[^\d.]/g, ''));
}

const next = (page: Page) => page.getByRole('button', { name: /Next step|next step/ });
const shows = async (page: Page): Promise<number> =>
  Number(((await page.getByTestId('shows').textContent()) ?? '').replace(/[^\d.]/g, ''));

test('a batch of toffee: weighed with tare, cooked to its alarm with a dip and without the server, timed across a reload, weighed', async ({
  page,
  request,
}) => {
  const before = await planOf(request);
  const sugar = await ask<Ingredient>(request, '/api/ingredients/granulated-sugar');
  await withDevices(page);
  await page.goto('/kitchen');
  await page.getByLabel('Recipe').fill('Sesame');
  await page.getByRole('option', { name: 'Sesame-cardamom toffee' }).click();
  await page.getByRole('button', { name: '1 batch', exact: true }).click();

  // Weighing out: a bowl is tared away, too much is poured, the rest follows.
  await expect(page.getByRole('heading', { name: 'Unsalted butter: weigh 454 g' })).toBeVisible();
  await onScale(page, 300);
  await expect(page.getByTestId('on-scale')).toHaveText('300');
  await page.getByRole('button', { name: 'Tare' }).click();
  await expect(page.getByTestId('on-scale')).toHaveText('0');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Weighed: next line' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing is on the scale');
  await onScale(page, 799);
  await expect(page.getByTestId('on-scale')).toHaveText('499');
  await expect(page.getByText('45 over')).toBeVisible();
  await page.getByRole('button', { name: 'Scale the rest' }).click();
  await expect(page.getByRole('heading', { name: 'Granulated sugar: weigh 495 g' })).toBeVisible();
  await page.getByLabel('Or type what it weighs').fill('a cup');
  await page.getByRole('button', { name: 'Weighed: next line' }).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByLabel('Or type what it weighs').fill('495');
  await page.getByLabel('Or type what it weighs').press('Enter');
  await page.getByLabel('Or type what it weighs').fill('48');
  await page.getByLabel('Or type what it weighs').press('Enter');
  await expect(page.getByTestId('running-error')).toContainText('So far');
  await page.getByRole('button', { name: 'To the first step, the rest later' }).click();

  // Two timers, and a reload between them.
  await page.getByRole('button', { name: /^5 min/ }).click();
  await page.getByRole('button', { name: /^10 min/ }).click();
  const timers = page.getByRole('region', { name: 'Timers' });
  await expect(timers.getByRole('button')).toHaveCount(2);
  await page.reload();
  await expect(timers.getByRole('button')).toHaveCount(2);
  await timers.getByRole('button', { name: /^5 min/ }).click();
  await expect(timers.getByRole('button')).toHaveCount(1);

  // The pot, eight times as fast as in life.
  await next(page).click();
  await page.getByLabel('So many times as fast').fill('8');
  await page.getByRole('button', { name: 'Pot on the heat' }).click();
  await expect(page.getByTestId('take-off')).toBeVisible({ timeout: 60_000 });
  await expect.poll(() => shows(page), { timeout: 120_000 }).toBeGreaterThan(105);
  await page.getByRole('button', { name: 'Cold butter in' }).click();
  await page.getByRole('button', { name: 'Something went in' }).click();
  await expect(page.getByRole('list', { name: 'Noted' })).toContainText('Something went in');

  // The server is away for a while: nothing is lost, and the screen says so.
  const id = page.url().split('/').at(-1) ?? '';
  const events = `**/api/makings/${id}/events**`;
  await page.route(events, (route) => route.abort());
  await expect(page.getByText('The kitchen’s server does not answer. Go on:')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Stirred' }).click();
  await expect(page.getByRole('list', { name: 'Noted' })).toContainText('Stirred');
  const asked = page.getByText(/(\d+) things that happened are kept here/);
  await expect(asked).toBeVisible({ timeout: 30_000 });
  await page.unroute(events);
  await expect(asked).toBeHidden({ timeout: 30_000 });

  // The alarm comes before its target, not after.
  expect(await showsWhen(page, 'Take it off now')).toBeLessThan(147);
  await page.getByRole('button', { name: 'Pot off' }).click();
  await page.getByRole('button', { name: 'It is off the heat: next step' }).click();
  await page.getByRole('button', { name: 'It is in' }).click();
  await page.getByRole('button', { name: 'Room at 22 C and 48 %' }).click();
  await page.getByRole('button', { name: 'Done: weigh what came out' }).click();

  // What came out, with what was not good enough.
  await page.getByLabel('Came out').fill('1100');
  await page.getByLabel('Good pieces').fill('98');
  await page.getByLabel('broken').fill('2');
  await page.getByRole('button', { name: '4', exact: true }).click();
  await page.getByRole('button', { name: '1 batch made' }).click();
  await expect(page.getByText(/^Say where .* came from/)).toBeVisible();
  await page.getByRole('button', { name: 'All from packs that were opened' }).click();
  await page.getByRole('button', { name: '1 batch made' }).click();
  await expect(page.getByTestId('answer')).toContainText('Nothing is being made');

  // All that was kept of it can be looked at.
  await page
    .getByRole('link', { name: /^Sesame-cardamom toffee,/ })
    .first()
    .click();
  await expect(page.getByText('1,078 g that can be given away')).toBeVisible();
  await expect(page.getByRole('img', { name: /Curve of the temperature/ }).first()).toBeVisible();
  await expect(page.getByRole('list', { name: 'Noted' })).toContainText('Stirred');

  const { batches } = await ask<{ batches: Batch[] }>(request, '/api/book');
  expect(batches).toMatchObject([
    { recipeId: 'sesame-toffee', on: TODAY, grams: 1078, log: { grade: 4, humidity: 48, pieces: 98 } },
  ]);
  expect(batches[0]?.log?.weights.find(({ ingredientId }) => ingredientId === 'unsalted-butter')?.grams).toBe(499);
  const kept = await ask<MakingEvents>(request, `/api/makings/${id}/events`);
  expect(kept.state).toBe('ended');
  const trace = traceOf(kept.events, 2);
  // One reading every half second, but for those that the probe did not send: none was lost meanwhile.
  const gaps = trace.slice(1).map(({ at }, index) => at - (trace[index]?.at ?? 0));
  expect(Math.max(...gaps)).toBeLessThan(5_000);
  expect(Math.max(...trace.map(({ celsius }) => celsius ?? 0))).toBeGreaterThan(140);
  // What went in cold is in it as a dip: nearby readings fall by a degree and more, beyond what noise does.
  const good = trace.flatMap(({ celsius, mark }) =>
    celsius !== null && mark === null && celsius > 100 ? [celsius] : [],
  );
  const mean = (from: number) => good.slice(from, from + 20).reduce((sum, each) => sum + each, 0) / 20;
  const falls = good.slice(40).map((_, at) => mean(at) - mean(at + 20));
  expect(Math.max(...falls)).toBeGreaterThan(1);
  const stored = await ask<Ingredient>(request, '/api/ingredients/granulated-sugar');
  expect(stored.onHandGrams).not.toBe(sugar.onHandGrams);
  const after = await planOf(request);
  // What it gave more than its recipe says may save a further one.
  expect(after.batches).toBeLessThan(before.batches);
  expect(after.made).toMatchObject([{ recipeId: 'sesame-toffee', yieldGrams: 1078 }]);
});

test('two batches side by side: whose turn it is, something else that went in, and a batch that another device takes over', async ({
  page,
  context,
  request,
}) => {
  await page.goto('/recipes/maple-pecan-fudge');
  await page.getByRole('button', { name: 'Make it at the bench' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('weigh');
  const first = page.url();
  await page.getByRole('button', { name: 'Used something else' }).click();
  const else_ = page.getByRole('region', { name: 'Something else' });
  await else_.getByRole('combobox').fill('Peanut');
  await page.getByRole('option').first().click();
  await expect(else_.getByRole('list', { name: 'What changes' })).toContainText('peanut');
  await else_.getByRole('button', { name: 'It went in' }).click();
  await expect(page.getByText('(something else)')).toBeVisible();
  await page.getByRole('button', { name: 'To the first step, the rest later' }).click();

  await page.goto('/recipes/malted-fudge');
  await page.getByRole('button', { name: 'Make it at the bench' }).click();
  await expect(page.getByRole('link', { name: /Maple-pecan fudge/ })).toBeVisible();
  await page.getByRole('link', { name: /Maple-pecan fudge/ }).click();
  await expect(page).toHaveURL(first);

  // Another device sees the same step, and what it does is seen here.
  const tablet = await context.newPage();
  await tablet.goto(first);
  await expect(tablet.getByRole('button', { name: 'Step 1' })).toHaveAttribute('aria-current', 'step');
  await tablet.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Step 2' })).toHaveAttribute('aria-current', 'step', {
    timeout: 30_000,
  });
  await page.keyboard.press('ArrowLeft');
  await expect(tablet.getByRole('button', { name: 'Step 1' })).toHaveAttribute('aria-current', 'step', {
    timeout: 30_000,
  });
  await page.goto('/kitchen');
  await expect(page.getByTestId('answer')).toContainText('2 batches');
  await page.getByRole('button', { name: 'Put Malted milk fudge away' }).click();
  await page.getByRole('button', { name: 'Put away: it was not made' }).click();
  await expect(page.getByTestId('answer')).toContainText('1 batch');
  const makings = await ask<MakingAnswer[]>(request, '/api/makings');
  expect(makings.map(({ state }) => state).sort()).toEqual(['open', 'put away']);
});

test('practice: a pot that goes wrong ends in a debrief, a drill in a score, and nothing else is touched', async ({
  page,
  request,
}) => {
  const before = await ask<object>(request, '/api/book');
  await page.goto('/kitchen/practice');
  await page.getByRole('link', { name: 'Cook a batch' }).click();
  await page.getByRole('combobox', { name: 'Recipe' }).click();
  await page.getByRole('option', { name: /Sesame-cardamom toffee/ }).click();
  await page.getByLabel('Humidity of the room').fill('120');
  await page.getByRole('button', { name: 'On the heat' }).click();
  await expect(page.getByRole('alert')).toContainText('from 0 to 100 %');
  await page.getByLabel('Humidity of the room').fill('45');
  await page.getByLabel('too hot').check();
  await page.getByRole('slider').focus();
  await page.keyboard.press('End');
  await page.getByRole('button', { name: 'On the heat' }).click();
  await expect(page.getByRole('img', { name: /It stands at/ })).toBeVisible();
  await page.getByRole('button', { name: 'Stir', exact: true }).click();
  await expect(page.getByText('Take it off now')).toBeVisible({ timeout: 120_000 });
  await page.getByRole('button', { name: 'Take it off', exact: true }).click();
  const debrief = page.getByRole('region', { name: 'How it went' });
  await expect(debrief.getByRole('heading')).toContainText('of 100', { timeout: 60_000 });

  await page.getByRole('link', { name: 'All practice' }).click();
  await expect(page.getByText(/best \d+/)).toBeVisible();
  await page.getByRole('link', { name: 'Cold water' }).click();
  for (let question = 0; question < 5; question++) {
    await page.getByRole('main').getByRole('button').first().click();
    await page.getByRole('button', { name: /^(Next|How it went)$/ }).click();
  }
  await expect(page.getByRole('heading', { level: 1 })).toContainText('of 5 right');
  await page.getByRole('link', { name: 'All practice' }).click();
  await expect(page.getByText(/best \d+/)).toHaveCount(2);
  expect(await ask<object>(request, '/api/book')).toEqual(before);
});

test.describe('without the server', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a batch is still there after a reload, goes on, and reaches the server when it is back', async ({
    page,
    kitchen,
    request,
  }) => {
    await page.goto('/recipes/sesame-toffee');
    await page.getByRole('button', { name: 'Make it at the bench' }).click();
    await expect(page.getByRole('heading', { name: 'Unsalted butter: weigh 454 g' })).toBeVisible();
    await page.getByLabel('Or type what it weighs').fill('455');
    await page.getByLabel('Or type what it weighs').press('Enter');
    await expect(page.getByRole('heading', { name: 'Granulated sugar: weigh 450 g' })).toBeVisible();
    const id = page.url().split('/').at(-1) ?? '';
    await expect
      .poll(async () => (await ask<MakingEvents>(request, `/api/makings/${id}/events`)).events.length)
      .toBe(1);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // What this visit needed is on the shelf from the next one on.
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Granulated sugar: weigh 450 g' })).toBeVisible();
    await kitchen.kill();
    await page.getByLabel('Or type what it weighs').fill('449');
    await page.getByLabel('Or type what it weighs').press('Enter');
    await expect(page.getByText('The kitchen’s server does not answer. Go on:')).toBeVisible();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Light corn syrup: weigh 43 g' })).toBeVisible();
    await page.getByLabel('Or type what it weighs').fill('43');
    await page.getByLabel('Or type what it weighs').press('Enter');
    await expect(page.getByText('2 things that happened are kept here')).toBeVisible();
    await kitchen.start();
    await expect(page.getByText('The kitchen’s server does not answer. Go on:')).toBeHidden();
    const { events } = await ask<MakingEvents>(request, `/api/makings/${id}/events`);
    expect(events.map((event) => (event.kind === 'weighed' ? event.grams : event.kind))).toEqual([455, 449, 43]);
  });
});
