import type { Locator, Page } from '@playwright/test';
import { expect, test } from './support/kitchen';

test.use({ demo: false });

/** What a person can do, counted: a press, a filled field, a picked choice. */
class Hand {
  actions = 0;

  constructor(private readonly page: Page) {}

  async press(what: Locator): Promise<void> {
    this.actions++;
    await what.click();
  }

  button(name: string | RegExp): Promise<void> {
    return this.press(this.page.getByRole('button', { name, exact: typeof name === 'string' }));
  }

  link(name: string | RegExp): Promise<void> {
    return this.press(this.page.getByRole('link', { name }));
  }

  async fill(label: string, text: string): Promise<void> {
    this.actions++;
    await this.page.getByLabel(label, { exact: true }).fill(text);
  }

  /** Goes to a screen by the navigation: on a phone the rarer ones are behind More. */
  async go(name: string): Promise<void> {
    const screens = this.page.getByRole('navigation', { name: 'Screens' });
    const direct = screens.getByRole('link', { name });
    if (await direct.isVisible()) return this.press(direct);
    await this.press(screens.getByRole('button', { name: 'More' }));
    await this.press(this.page.getByRole('menuitem', { name }));
  }
}

const TOFFEE = `Sea salt toffee
Makes 900 g

1 cup unsalted butter
1 cup granulated sugar
1/2 tsp salt
6 oz dark chocolate 55 %
3 oz almonds

1. Cook butter, sugar and salt to 300 F, about 12 minutes.
2. Pour onto a sheet and cool for 1 hour.
3. Coat with the melted chocolate and almonds, leave to set 1 hour, then break.`;

const FUDGE = `Vanilla fudge
Makes 64

2 cups granulated sugar
3/4 cup heavy cream
2 tbsp light corn syrup
2 tbsp unsalted butter
1 tsp vanilla extract
1/4 cup water

1. Bring to the boil and cook to 236 F.
2. Cool to 110 F, about 1 hour, then beat for 10 minutes.
3. Press into the pan and leave to set overnight.`;

const paid: readonly (readonly [string, string])[] = [
  ['Almonds', '8.99/lb'],
  ['Dark chocolate 55 %', '$12.49 for 2 lb'],
  ['Granulated sugar', '3.29 for 4 lb'],
  ['Heavy cream', '$5.49 for 1 qt'],
  ['Light corn syrup', '16 fl oz 3.79'],
  ['Table salt', '1.19 for 26 oz'],
  ['Unsalted butter', '4.99 for 1 lb'],
  ['Vanilla extract', '$9.99 for 4 fl oz'],
];

/** Eighty presses and fields are what the first hour may ask for. */
const MOST_ACTIONS = 80;

const sizes = [
  ['at a desk', { width: 1280, height: 800 }],
  ['on a phone', { width: 390, height: 844 }],
] as const;

for (const [where, size] of sizes)
  test(`from an empty pantry to a printed label ${where}`, async ({ page, request }) => {
    await page.setViewportSize(size);
    const hand = new Hand(page);
    const next = (step: string) => expect(page.getByTestId('answer')).toContainText(`Next: ${step}.`);
    await page.goto('/');
    await next('your kitchen');
    await hand.fill('Its name', 'Quince Lane');
    await hand.fill('Address on the label', '4 Quince Lane, Harrow’s Notch');
    await hand.press(page.getByLabel('Figures and dates as in'));
    await hand.press(page.getByRole('option', { name: 'United States' }));
    await hand.fill('Above the sea', '4659');
    await expect(page.getByLabel('Temperatures')).toHaveText('Fahrenheit first');
    for (const day of ['Tue', 'Thu', 'Sat']) await hand.button(day);
    await hand.fill('An hour', '22');
    await hand.button('This is my kitchen');
    await next('a recipe');

    for (const [text, lacking] of [
      [TOFFEE, 5],
      [FUDGE, 4],
    ] as const) {
      await hand.link('Paste a recipe');
      await hand.fill('The recipe', text);
      await hand.button(`Take ${String(lacking)} ingredients into the pantry`);
      await hand.button('Go on');
      await hand.button('Save');
      await expect(page.getByRole('link', { name: 'Add a piece' })).toBeVisible();
      await hand.go('Today');
    }

    await next('prices');
    await hand.link('Give prices');
    for (const [name, price] of paid) await hand.fill(`Price of ${name}`, price);
    await hand.button(`Save ${String(paid.length)} prices`);
    await expect(page.getByTestId('answer')).toHaveText('Everything in use has a price.');
    await hand.go('Today');

    await next('a piece');
    await hand.link('First piece');
    await hand.button('broken');
    await hand.button('Save');
    await expect(page.getByRole('button', { name: 'Delete' })).toBeVisible();
    await hand.go('Recipes');
    await hand.link(/^Vanilla fudge/);
    await hand.link('Add a piece');
    await hand.button('Save');
    await expect(page.getByRole('button', { name: 'Delete' })).toBeVisible();
    await hand.go('Today');

    await next('a box');
    await hand.link('First box');
    const shelf = page.getByRole('region', { name: 'Shelf' });
    for (const piece of ['Sea salt toffee', 'Vanilla fudge'])
      for (let times = 0; times < (piece === 'Vanilla fudge' ? 4 : 5); times++)
        await hand.press(shelf.getByRole('button', { name: piece }));
    await hand.fill('Name', 'Quince sampler');
    await hand.fill('Price', '18');
    await hand.button('Save');
    await expect(page.getByTestId('answer')).toContainText('sells at $18.00');

    await hand.go('Orders');
    await hand.fill('An order in one line', 'Odile: 2 quince sampler, pick-up 12 Dec');
    await hand.button('Take it');
    await expect(page.getByRole('heading', { name: 'Odile' })).toBeVisible();
    await hand.go('Labels');
    await hand.link(/Quince sampler.*Sat, Dec 12/);
    const pdf = page.getByRole('link', { name: 'PDF, one label a page' });
    const address = await pdf.getAttribute('href');
    hand.actions++;
    const printed = await request.get(address ?? '');
    expect(printed.status()).toBe(200);
    expect(printed.headers()['content-type']).toBe('application/pdf');
    expect(hand.actions).toBeLessThanOrEqual(MOST_ACTIONS);
  });
