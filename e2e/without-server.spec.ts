import { expect, test } from './support/kitchen';

test.use({ serviceWorkers: 'allow' });

test('without the server the pages still open, and say what needs it', async ({ page, kitchen }) => {
  await page.goto('/');
  await expect(page.getByTestId('answer')).toContainText('45 orders');
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // What this visit needed is on the shelf from the next one on.
  await page.reload();
  await expect(page.getByTestId('answer')).toContainText('45 orders');
  await kitchen.kill();
  await page.reload();
  await expect(page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Today' })).toBeVisible();
  await expect(page.getByText('The kitchen’s server does not answer.')).toBeVisible();
  await kitchen.start();
  await page.reload();
  await expect(page.getByTestId('answer')).toContainText('45 orders');
});

test('it can be installed', async ({ page, request }) => {
  await page.goto('/');
  const address = await page.locator('link[rel=manifest]').getAttribute('href');
  const manifest = (await (await request.get(address ?? '')).json()) as { icons: { src: string }[]; start_url: string };
  expect(manifest.start_url).toBe('/');
  for (const { src } of manifest.icons) expect((await request.get(src)).status(), src).toBe(200);
});
