import type { Page } from '@playwright/test';
import { expect, test } from './support/kitchen';

test('every screen is the key beside its name away, and F1 lists them', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByTestId('answer')).toContainText('45 orders');
  const screens: readonly (readonly [string, RegExp])[] = [
    ['Orders', /\/orders$/],
    ['Boxes', /\/boxes$/],
    ['Recipes', /\/recipes$/],
    ['Pantry', /\/pantry$/],
    ['Plan', /\/plan$/],
    ['Labels', /\/labels$/],
    ['Money', /\/money$/],
    ['Settings', /\/settings$/],
    ['Today', /\/$/],
  ];
  const navigation = page.getByRole('navigation', { name: 'Screens' });
  for (const [name, address] of screens) {
    const badge = await navigation.getByRole('link', { name }).locator('kbd').textContent();
    await page.keyboard.press(badge ?? '');
    await expect(page).toHaveURL(address);
    await expect(page).toHaveTitle(`${name} · Usual Pantry`);
    await expect(page.locator('#screen')).toBeFocused();
  }
  await page.keyboard.press('F1');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Go to Orders');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('a list is searched, walked and opened by keys', async ({ page }) => {
  await page.goto('/recipes');
  await expect(page.getByTestId('answer')).toContainText('19 recipes');
  await page.getByLabel('Search recipes').focus();
  await page.keyboard.type('fudge');
  await expect(page.getByRole('listitem').filter({ hasText: 'Dark coating' })).toBeHidden();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/recipes\/malted-fudge$/);
});

test('a record and something to do are found from anywhere', async ({ page }) => {
  await page.goto('/money');
  await expect(page.getByTestId('answer')).toBeVisible();
  await page.keyboard.press('Alt+s');
  // Enter is pressed before the orders are found
  const finder = page.getByRole('form', { name: 'Find' });
  await expect(finder.getByRole('searchbox').or(finder.getByRole('textbox'))).toBeFocused();
  await page.keyboard.type('odile');
  await page.keyboard.press('Enter');
  await expect(page).toHaveTitle(/^Odile Marchetti-Bryce/);
  await page.keyboard.press('Alt+s');
  await expect(finder.getByRole('searchbox').or(finder.getByRole('textbox'))).toBeFocused();
  await page.keyboard.type('receipt');
  await expect(finder.getByRole('link').first()).toHaveText('Give prices');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/pantry\/prices$/);
  await page.keyboard.press('Alt+n');
  await expect(page).toHaveURL(/\/pantry\/new$/);
});

test('the focus goes to what is opened, and back to its line when it is closed', async ({ page }) => {
  await page.goto('/pantry');
  await page.getByLabel('Search pantry').focus();
  await page.keyboard.type('brown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  const record = page.getByRole('form', { name: 'Brown sugar' });
  await expect(record.locator(':focus')).toHaveText('Brown sugar');
  await page.keyboard.press('Tab');
  await expect(record.locator(':focus')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/pantry$/);
  await expect(page.getByRole('link', { name: /^Brown sugar/ })).toBeFocused();
});

/** What has the focus: what it is called, and whether it can be seen. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const at = document.activeElement;
    if (!(at instanceof HTMLElement) || at === document.body) return null;
    const { width, height } = at.getBoundingClientRect();
    const labels = at instanceof HTMLInputElement ? [...(at.labels ?? [])].map((each) => each.textContent) : [];
    const named = at.getAttribute('aria-labelledby')?.split(' ') ?? [];
    const words = [
      at.getAttribute('aria-label'),
      ...labels,
      ...named.map((id) => document.getElementById(id)?.textContent),
      at.textContent,
      at.getAttribute('placeholder'),
    ];
    return {
      html: at.outerHTML.slice(0, 200),
      name: words.find((word) => word?.trim()) ?? '',
      isSeen: width * height > 0,
    };
  });

/** No screen asks for more presses of Tab than this. */
const MOST_TABS = 400;

test('every screen is walked by the keyboard alone: each stop is seen and has a name, and none is a trap', async ({
  page,
}) => {
  await page.goto('/');
  const screens = page.getByRole('navigation', { name: 'Screens' });
  for (const key of ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0']) {
    await page.keyboard.press(key);
    await expect(screens.locator('a.active kbd')).toHaveText(key);
    await expect(page.locator('main h1')).toBeVisible();
    await expect(page.locator('[role=grid]:not(:has([role=gridcell]))')).toHaveCount(0);
    let stops = 0;
    for (; stops < MOST_TABS; stops++) {
      await page.keyboard.press('Tab');
      const at = await focused(page);
      if (at === null) break;
      expect(at.isSeen, at.html).toBe(true);
      expect(at.name, at.html).not.toBe('');
    }
    expect(stops).toBeGreaterThan(3);
    expect(stops).toBeLessThan(MOST_TABS);
    await page.locator('#screen').focus();
  }
});

test('the days of the season are one stop, walked by arrows', async ({ page }) => {
  await page.goto('/orders');
  const days = page.getByRole('navigation', { name: 'Days of the season' });
  const stops = days.locator('a[tabindex="0"]');
  await expect(stops).toHaveCount(1);
  await stops.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(stops).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/\?day=2026-11-27$/);
});

test('a box is filled by keys alone, with its figures at once', async ({ page }) => {
  await page.goto('/boxes/new');
  const tray = page.getByRole('grid', { name: 'Tray' });
  await tray.getByRole('button', { name: 'Cell 1: empty' }).focus();
  await page.keyboard.press('1');
  await page.keyboard.press('3');
  await page.keyboard.press('3');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('5');
  await expect(page.getByTestId('answer')).toContainText('4 pieces');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('+');
  await expect(page.getByTestId('answer')).toContainText('5 pieces');
  await tray.getByRole('button', { name: 'Cell 1:' }).focus();
  await page.keyboard.press('x');
  await expect(tray.getByRole('button', { name: 'Cell 1: empty' })).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('By keys');
  await page.getByLabel('Price', { exact: true }).fill('12.50');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByText('By keys added.')).toBeVisible();
  await expect(page.getByTestId('answer')).toContainText('sells at $12.50');
});
