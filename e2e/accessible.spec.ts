import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './support/kitchen';

const screens = [
  ['/', '/orders', '/orders/order-006', '/orders/new'],
  ['/orders?as=tickets', '/orders/inbox', '/orders/order-007/slip', '/plan/days', '/plan/ahead'],
  ['/boxes', '/boxes/longest-night', '/money', '/labels/sampler?handOver=2026-12-05'],
  ['/recipes', '/recipes/maple-pecan-fudge', '/recipes/maple-pecan-fudge/edit', '/recipes/paste'],
  [
    '/recipes/cream-ganache-coconut/compare',
    '/pantry/starter',
    '/pieces/praline',
    '/pieces/black-tea-truffle',
    '/nowhere',
  ],
  ['/kitchen', '/kitchen/practice', '/kitchen/practice/cook', '/kitchen/practice/tempering'],
  ['/pantry', '/pantry/unsalted-butter', '/plan', '/plan/shopping', '/settings', '/changes'],
  [
    '/pantry/prices',
    '/manual',
    '/words',
    '/orders/import',
    '/orders/hand-overs',
    '/recipes/new',
    '/pieces/new',
    '/boxes/new',
  ],
  [
    '/print/bench',
    '/print/shopping',
    '/print/hand-overs',
    '/print/orders/order-006',
    '/print/recipes/maple-pecan-fudge',
    '/pantry/new',
  ],
] as const;
const onAPhone = ['/', '/orders/order-006', '/boxes/longest-night', '/plan', '/settings'];

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

async function open(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await expect(page.locator('h1:visible, h2:visible').first()).toBeVisible();
  await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
  // A table draws its frame first, then its rows, and their cells a moment later
  await expect(page.locator('[role=grid]:not(:has([role=gridcell]))')).toHaveCount(0);
  await expect(page.locator('[role=row][data-id]:not(:has([role=gridcell]))')).toHaveCount(0);
}

/** Nothing that axe calls serious or critical, and nothing wider than the window. */
async function checkScreen(page: Page, address: string): Promise<void> {
  await open(page, address);
  await checkShown(page, address);
}

async function checkShown(page: Page, address: string, only?: string): Promise<void> {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'], preload: false });
  const { violations } = await (only === undefined ? axe : axe.withRules(only)).analyze();
  const grave = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(
    grave.map(({ id, nodes }) => `${address}: ${id} ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`),
  ).toEqual([]);
  await checkWidth(page, address);
}

async function checkWidth(page: Page, address: string): Promise<void> {
  const wider = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  // A chart takes its new width a moment after the window has it.
  await expect.poll(wider, `${address} is wider than the window`).toBeLessThanOrEqual(0);
}

/** Errors that the page writes, such as something that the content security policy refuses. */
function listen(page: Page): string[] {
  const trouble: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') trouble.push(message.text());
  });
  page.on('pageerror', (error) => trouble.push(error.message));
  return trouble;
}

/** Looks at each screen at a desk, in the dark and on a phone. */
async function checkAll(page: Page, addresses: readonly string[]): Promise<void> {
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  const trouble = listen(page);
  for (const address of addresses) {
    await page.setViewportSize(DESK);
    await checkScreen(page, address);
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
    await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark');
    // Colours fade into each other from the next frame on
    await page.evaluate(async () => {
      await new Promise(requestAnimationFrame);
      await Promise.allSettled(document.getAnimations().map(({ finished }) => finished));
    });
    await checkShown(page, `${address} in the dark`, 'color-contrast');
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
    await expect(page.locator('html')).toHaveAttribute('data-scheme', 'light');
    await page.setViewportSize(PHONE);
    await checkWidth(page, address);
  }
  expect(trouble).toEqual([]);
}

for (const addresses of screens)
  test(`nothing serious at a desk, letters to be read in the dark, no wider than a phone: ${addresses.join(', ')}`, async ({
    page,
  }) => {
    await checkAll(page, addresses);
  });

test('nothing serious at the bench: weighing out, a pot, tempering, a filling, the end', async ({ page }) => {
  const at = '2026-11-25T18:00:00.000Z';
  const stages = [
    ['weighs', 'sesame-toffee', 0],
    ['cooks', 'sesame-toffee', 2],
    ['tempers', 'dark-coating', 1],
    ['fills', 'praline-ganache', 1],
    ['ends', 'sesame-toffee', 4],
  ] as const;
  for (const [id, recipeId, stage] of stages) {
    await page.request.post('/api/makings', { data: { id, recipeId, size: 1, on: '2026-11-25', startedAt: at } });
    const events = [
      { id: `${id}-stage`, at, kind: 'stage', stage },
      { id: `${id}-read`, at, kind: 'readings', stage, values: [[0, 40, 'tapped'], [60_000, 31, 'tapped']] }, // prettier-ignore
      { id: `${id}-timer`, at, kind: 'timer', timerId: `${id}-timer`, name: 'It rests', stage, seconds: 60 },
    ];
    const answer = await page.request.post(`/api/makings/${id}/events`, { data: { events } });
    expect(answer.ok()).toBe(true);
  }
  await checkAll(
    page,
    stages.map(([id]) => `/kitchen/batch/${id}`),
  );
});

test('nothing serious on a phone', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  await page.setViewportSize(PHONE);
  for (const address of onAPhone) await checkScreen(page, address);
});

test('nothing serious before one is let in', async ({ page, kitchen }) => {
  const passphrase = 'four words and a biscuit';
  await page.request.put('/api/door/passphrase', { data: { passphrase, old: null } });
  await kitchen.startAs({ ALLOWED_HOSTS: 'kitchen.example', TLS: 'off' });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await checkShown(page, 'signing in');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/pair');
  await expect(page.getByRole('heading', { name: 'Pair this device' })).toBeVisible();
  await checkShown(page, '/pair');
});
