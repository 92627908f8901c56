import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './support/kitchen';

const screens = [
  ['/', '/orders', '/orders/order-006', '/orders/new'],
  ['/orders?as=tickets', '/orders/inbox', '/orders/order-007/slip', '/plan/days'],
  ['/boxes', '/boxes/longest-night', '/money', '/labels/sampler?handOver=2026-12-05'],
  ['/recipes', '/recipes/maple-pecan-fudge', '/recipes/maple-pecan-fudge/edit', '/recipes/paste'],
  [
    '/recipes/cream-ganache-coconut/compare',
    '/pantry/starter',
    '/pieces/praline',
    '/pieces/black-tea-truffle',
    '/nowhere',
  ],
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
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] });
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

for (const addresses of screens)
  test(`nothing serious at a desk, letters to be read in the dark, no wider than a phone: ${addresses.join(', ')}`, async ({
    page,
  }) => {
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
