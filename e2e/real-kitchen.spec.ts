import { openBook } from '@usual-pantry/core/book';
import { addDays, daysBetween, sayDay, sayShortDay } from '@usual-pantry/core/quantity';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { verifyPlan } from '../core/testing/verify-plan';
import { ask, expect, planOf, test, TODAY } from './support/kitchen';

const DOME = 'praline';
const domesOf = ({ finishings }: Awaited<ReturnType<typeof planOf>>) =>
  finishings.filter(({ pieceId }) => pieceId === DOME);

test('a moulded piece is shelled and filled on one evening and capped on a later one, in moulds that are shared', async ({
  page,
  request,
}) => {
  const verified = async () => {
    const file = await ask<SeasonFile>(request, '/api/season-file');
    return verifyPlan(await planOf(request), openBook(file), file.orders, TODAY);
  };
  expect(await verified()).toEqual([]);
  const before = domesOf(await planOf(request));
  expect(before.length).toBeGreaterThan(0);
  for (const { work } of before)
    expect(work.map(({ stages }) => stages)).toEqual([
      ['shell', 'fill'],
      ['cap', 'knock out'],
    ]);

  await page.goto(`/pieces/${DOME}`);
  const stages = page.getByRole('region', { name: 'Stages' });
  await expect(stages).toContainText('Shell and fill; Cap and knock out: over 2 days, its moulds full for 1 night');
  // Nothing sets after the last stage
  await stages.getByLabel('Then sets').nth(3).fill('1');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(stages.getByText('must not set after the last: nothing is done then')).toBeVisible();
  await stages.getByLabel('Then sets').nth(3).fill('0');
  await stages.getByLabel('Then sets').nth(1).fill('2');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/saved\./)).toBeVisible();

  const after = domesOf(await planOf(request));
  for (const { begun, day } of after) expect(daysBetween(begun, day)).toBeGreaterThanOrEqual(2);
  await page.goto('/plan/days');
  const sheet = page.getByRole('region', { name: 'Bench sheet' });
  await expect(sheet.getByRole('button', { name: /^Shell and fill Hazelnut praline dome/ }).first()).toBeAttached();
  await expect(sheet.getByRole('button', { name: /^Cap and knock out Hazelnut praline dome/ }).first()).toBeAttached();
  expect(await verified()).toEqual([]);
});

test('a stage is moved by the keyboard to a day on which it can be, and the other days say why not', async ({
  page,
  request,
}) => {
  await page.goto('/plan/days');
  const strip = page
    .getByRole('region', { name: 'Bench sheet' })
    .getByRole('button', { name: /^Cap and knock out Hazelnut praline dome/ })
    .first();
  await strip.focus();
  await page.keyboard.press('Enter');
  const menu = page.getByRole('menu');
  await expect(menu).toBeVisible();
  const first = domesOf(await planOf(request)).sort((a, b) => (a.day < b.day ? -1 : 1))[0];
  if (!first) throw new Error('no domes');
  // The arrows come to days that will not do, too
  const refused = menu.getByRole('menuitem', { name: new RegExp(`^${sayDay(first.begun)}`) });
  for (let presses = 0; presses < 20 && !(await refused.evaluate((item) => item === document.activeElement)); presses++)
    await page.keyboard.press('ArrowDown');
  await expect(refused).toBeFocused();
  await expect(refused).toContainText('it has to rest or set until then');
  const able = menu.locator('[role=menuitem]:not([aria-disabled=true])').filter({ hasText: 'free' }).first();
  const target = (await able.innerText()).split('\n')[0] ?? '';
  for (let presses = 0; presses < 20 && !(await able.evaluate((item) => item === document.activeElement)); presses++)
    await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(
    page.getByText(`Cap and knock out Hazelnut praline dome moved to ${target} and pinned there.`),
  ).toBeVisible();
  const moved = domesOf(await planOf(request)).filter(({ work }) => work.some(({ pinned }) => pinned));
  expect(moved.map(({ day }) => sayDay(day))).toContain(target);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect
    .poll(async () => domesOf(await planOf(request)).some(({ work }) => work.some(({ pinned }) => pinned)))
    .toBe(false);
});

test('a hot day moves the dipping; the forecast of a week is typed in one line', async ({ page, request }) => {
  const plan = await planOf(request);
  const dipped = plan.finishings.find(({ pieceId, day }) => pieceId === 'black-tea-truffle' && day > addDays(TODAY, 7));
  if (!dipped) throw new Error('no truffles');
  await page.goto('/settings');
  const line = page.getByLabel('The air of some days, in one line');
  await line.fill('Mon sunny 28 C');
  await expect(page.getByText('“Mon sunny 28 C”: "sunny" was not understood.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Take/ }).first()).toBeDisabled();
  await line.fill(`${sayShortDay(dipped.day)} 28 C 45 %`);
  await page.getByRole('button', { name: 'Take 1 day' }).click();
  await expect(line).toHaveValue('');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect
    .poll(async () => {
      const { finishings } = await planOf(request);
      return finishings.filter(({ pieceId, day }) => pieceId === 'black-tea-truffle' && day === dipped.day).length;
    })
    .toBe(0);
  const file = await ask<SeasonFile>(request, '/api/season-file');
  expect(file.kitchen.dayChanges).toContainEqual(
    expect.objectContaining({ day: dipped.day, roomCelsius: 28, humidityPercent: 45 }),
  );
  expect(verifyPlan(await planOf(request), openBook(file), file.orders, TODAY)).toEqual([]);
});

test('what the hygrometer says of the room is taken for the day by one tap, and can be taken back', async ({
  page,
  request,
}) => {
  await page.addInitScript(() => {
    localStorage.setItem(
      'usual-pantry-devices',
      JSON.stringify({ probe: 'none', scale: 'none', hygrometer: 'connected' }),
    );
  });
  const line = page.waitForEvent('websocket');
  await page.goto('/kitchen');
  await line;
  const says = page.getByText('The room is 28 C / 82 F, 61 % humidity;');
  // It may speak before the page listens
  await expect(async () => {
    await request.post('/api/devices/simulated', { data: { what: 'room', celsius: 28, humidity: 61 } });
    await expect(says).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.getByRole('button', { name: 'Plan by it' }).click();
  await expect(says).toBeHidden();
  const todays = async () =>
    (await ask<SeasonFile>(request, '/api/season-file')).kitchen.dayChanges.find(({ day }) => day === TODAY);
  await expect.poll(todays).toMatchObject({ roomCelsius: 28, humidityPercent: 61 });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(says).toBeVisible();
});

test('half of a batch becomes another product: both are made of one run, and neither takes what the other has', async ({
  page,
  request,
}) => {
  await page.goto('/pieces/new?recipe=pistachio-bark');
  await page.getByLabel('Name', { exact: true }).fill('Bark in a jar');
  await page.getByRole('button', { name: 'portion' }).click();
  await page.getByLabel('Fill', { exact: true }).fill('100');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/Bark in a jar added\./)).toBeVisible();
  const { items } = await ask<{ items: { id: string; name: string }[] }>(request, '/api/pieces?size=100');
  const jar = items.find(({ name }) => name === 'Bark in a jar');
  if (!jar) throw new Error('no jar');
  const box = await request.post('/api/boxes', {
    data: {
      name: 'One jar',
      foodName: 'Bark',
      rows: 1,
      columns: 1,
      cells: [{ pieceId: jar.id, count: 1 }],
      packMinutes: 1,
      priceMinor: 900,
    },
  });
  expect(box.ok()).toBe(true);
  const { id: boxId } = (await box.json()) as { id: string };
  const order = await request.post('/api/orders', {
    data: {
      customer: { name: 'Jo Vale' },
      lines: [{ boxId, count: 3 }],
      handOver: { on: '2026-12-16', way: 'pick-up' },
    },
  });
  expect(order.ok()).toBe(true);
  await page.goto('/plan');
  const row = page.getByRole('row').filter({ hasText: 'Pistachio and sour cherry bark' }).first();
  await expect(row).toContainText('3 pieces of Bark in a jar');
  await expect(row).toContainText('pieces of Pistachio and sour cherry bark');
  const plan = await planOf(request);
  const shared = plan.runs.filter(
    ({ recipeId, pegs }) => recipeId === 'pistachio-bark' && new Set(pegs.map(({ id }) => id)).size > 1,
  );
  expect(shared).toHaveLength(1);
  const file = await ask<SeasonFile>(request, '/api/season-file');
  expect(verifyPlan(plan, openBook(file), file.orders, TODAY)).toEqual([]);
});

test('a promise for January, before anything is ordered for it; none while the kitchen is closed', async ({
  page,
  request,
}) => {
  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Jo Vale');
  await page.getByLabel('Day', { exact: true }).fill('2027-01-16');
  const promise = page.getByTestId('promise');
  await expect(promise).toContainText('It can be promised for Saturday 16 January');

  await page.goto('/plan/ahead');
  const weeks = page.getByRole('region', { name: 'Weeks to come' });
  const january = weeks.getByRole('row').filter({ hasText: 'Mon 11 Jan to Sun 17 Jan' });
  await expect(january).toContainText(/\d/, { timeout: 180_000 });
  const week = await ask<{ boxes: { boxName: string; most: number }[] }>(request, '/api/plan/week?index=7&soon=true');
  expect(week.boxes.some(({ most }) => most > 0)).toBe(true);

  await page.goto('/settings');
  await page.getByRole('button', { name: 'Add a closed time' }).click();
  await page.getByLabel('From', { exact: true }).fill('2027-01-18');
  await page.getByLabel('To', { exact: true }).fill('2027-01-10');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('must not be before the first day')).toBeVisible();
  await page.getByLabel('From', { exact: true }).fill('2027-01-11');
  await page.getByLabel('To', { exact: true }).fill('2027-01-20');
  await page.getByLabel('Why', { exact: true }).fill('a wedding');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect
    .poll(async () => (await ask<SeasonFile>(request, '/api/season-file')).kitchen.closures.map(({ reason }) => reason))
    .toEqual(['a wedding']);
  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Jo Vale');
  await page.getByLabel('Day', { exact: true }).fill('2027-01-16');
  await expect(promise).toContainText('It cannot be promised for Saturday 16 January.');
  await expect(promise).toContainText('when the kitchen is closed: a wedding');
});

test('the way back from a hand-over says when to start, on the clock', async ({ page, request }) => {
  const { orders } = await ask<SeasonFile>(request, '/api/season-file');
  const order = orders.find(({ handOver, state }) => handOver.on === '2026-12-05' && state !== 'cancelled');
  await page.goto(`/orders/${order?.id ?? ''}`);
  await page.getByText('When everything for it is done').click();
  const steps = page.getByRole('list', { name: 'Backwards from the hand-over' });
  await expect(steps.getByRole('listitem').first()).toContainText('Sat 5 Dec');
  await expect(page.getByText(/^Start on Thursday 26 November at 18:\d\d: make /)).toBeVisible();
  await expect(steps).toContainText(/\d\d:\d\d–\d\d:\d\d/);
});

test('the way back is told of a box by itself, for each of its hand-overs', async ({ page }) => {
  await page.goto('/boxes/sampler');
  await page.getByText('When everything for it is done').click();
  const steps = page.getByRole('list', { name: 'Backwards from the hand-over' });
  await expect(steps).toContainText('Pack ');
  const handedOver = page.getByRole('combobox', { name: 'Handed over on' });
  const first = await handedOver.innerText();
  await handedOver.click();
  await page.getByRole('option').last().click();
  await expect(handedOver).not.toHaveText(first);
  await expect(page.getByText(/^(Start on|Everything for it is made)/)).toBeVisible();
});

test('last season’s orders are a draft of this one: looked at row by row, then taken', async ({ page, request }) => {
  await page.goto('/orders/import');
  const again = page.getByRole('button', { name: 'Last season’s orders, to be asked again' });
  await again.click();
  await expect(page.getByText('No order was handed over in the last 52 weeks.')).toBeVisible();
  const past = {
    customer: { name: 'Ida Marsh' },
    lines: [{ boxId: 'sampler', count: 2 }],
    handOver: { on: '2025-12-06', way: 'stall' },
    exclusions: ['sesame'],
    state: 'handed over',
  };
  expect((await request.post('/api/orders', { data: past })).ok()).toBe(true);
  await again.click();
  await expect(page.getByRole('grid', { name: 'Rows of the file' })).toContainText('Ida Marsh');
  await page.getByRole('button', { name: 'Take 1 order' }).click();
  await expect(page.getByText('1 new order, 0 changed and taken')).toBeVisible();
  const { orders } = await ask<SeasonFile>(request, '/api/season-file');
  const hers = orders.filter(({ customer }) => customer.name === 'Ida Marsh');
  expect(hers.sort((a, b) => (a.handOver.on < b.handOver.on ? -1 : 1))).toEqual([
    expect.objectContaining({ state: 'handed over' }),
    expect.objectContaining({
      state: 'asked',
      exclusions: ['sesame'],
      handOver: expect.objectContaining({ on: '2026-12-05' }),
    }),
  ]);
});
