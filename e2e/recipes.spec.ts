import { expect, test } from './support/kitchen';

test('an ingredient, a recipe and a piece are written, and follow each other at once', async ({ page }) => {
  await page.goto('/pantry/new');
  await page.getByLabel('Name', { exact: true }).fill('Honey');
  await page.getByRole('button', { name: 'Add a pack' }).click();
  await page.getByLabel('Pack', { exact: true }).fill('jar');
  await page.getByLabel('Holds').fill('12');
  await page.getByLabel('Unit', { exact: true }).click();
  await page.getByRole('option', { name: 'fl oz', exact: true }).click();
  await page.getByLabel('Price', { exact: true }).fill('7.50');
  await page.getByLabel('What the label calls it').fill('honey');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Honey added.')).toBeVisible();

  // A pack sold by volume cannot be weighed without a density: that is a finding, not a guess
  await page.goto('/pantry');
  await expect(page.getByText('The pack "jar" of Honey cannot be weighed')).toBeVisible();
  await page.getByRole('link', { name: /^Honey/ }).click();
  await page.getByRole('button', { name: 'Add a state' }).click();
  await page.getByLabel('State (packed, chopped ...)').fill('plain');
  await page.getByLabel('Density').fill('1.43');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Honey saved.')).toBeVisible();

  await page.goto('/recipes/new');
  await page.getByLabel('Name', { exact: true }).fill('Honey nougat');
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page.getByLabel('Ingredient or component').fill('Honey');
  await page.getByRole('option', { name: 'Honey', exact: true }).click();
  await page.getByLabel('Amount').fill('2');
  await page.getByLabel('Unit', { exact: true }).click();
  await page.getByRole('option', { name: 'cup', exact: true }).click();
  // Two US cups of 236.588 mL at 1.43 g/mL are 676.6 g; 5 % are lost
  await expect(page.getByText('677 g').first()).toBeVisible();
  await expect(page.getByText('643 g · 22.7 oz')).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Honey nougat added.')).toBeVisible();

  await page.getByRole('link', { name: 'Add a piece' }).click();
  await page.getByRole('button', { name: 'broken' }).click();
  await page.getByLabel('Serving').fill('20');
  await page.getByLabel('Crumbs', { exact: true }).fill('10');
  // 642.8 g less a tenth are 578.5 g: 28 whole pieces of 20 g
  await expect(page.getByTestId('answer')).toContainText('20.0 g each, 28 pieces a base batch');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Honey nougat added.')).toBeVisible();
  await page.goto('/boxes/new');
  await expect(page.getByRole('button', { name: /Honey nougat/ })).toBeVisible();
});

test('a recipe that would be made of itself is refused, and the cycle is named', async ({ page }) => {
  await page.goto('/recipes/dark-coating/edit');
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page.getByLabel('Ingredient or component').last().fill('Ginger');
  await page.getByRole('option', { name: 'Ginger and cocoa-nib bark' }).click();
  await page.getByLabel('Amount').last().fill('10');
  await expect(
    page.getByText(
      /A recipe cannot be made of itself: .*Dark coating > Ginger and cocoa-nib bark > Dark coating|Ginger and cocoa-nib bark > Dark coating > Ginger/,
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(
    page.getByText('a recipe cannot be made of itself: Dark coating > Ginger and cocoa-nib bark > Dark coating'),
  ).toBeVisible();
  await expect(page.getByLabel('Amount').last()).toHaveValue('10');
});

test('a change to a component reaches the box, the price list and the label', async ({ page }) => {
  await page.goto('/boxes/longest-night');
  await expect(page.getByTestId('answer')).toContainText('271 g');
  await page.goto('/pantry/dark-chocolate');
  await page.getByLabel('Contains').fill('gelatin');
  await page.getByRole('option', { name: 'Gelatin' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Dark chocolate 60 % saved.')).toBeVisible();
  await page
    .getByRole('navigation', { name: 'Screens' })
    .getByRole('link', { name: /^Labels/ })
    .click();
  await page.getByRole('link', { name: /^Longest Night box \d labels for Sat 5 Dec/ }).click();
  await expect(page.getByRole('img', { name: /Also contains: .*gelatin/ })).toBeVisible();
});
