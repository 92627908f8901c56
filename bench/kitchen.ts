import { readFileSync } from 'node:fs';
import type { Happening, MakingEvent } from '@usual-pantry/core/making';
import { seasonFileSchema } from '@usual-pantry/core/season-file';
import { chromium } from '@playwright/test';
import { serverOn, share } from './lib/server.js';

/** Prints what a tap at the bench costs on a phone, with two batches open and an hour of readings on the curve; asserts nothing. */
const TAPS = 20;
const HOUR = 7_200;
const AT_ONCE = 600;
const say = (text: string) => process.stdout.write(`${text}\n`);

const server = await serverOn('2026-11-25');
await server.post('/api/season-file', seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8'))));
const began = Date.now() - HOUR * 500;
const ids = ['bench-one', 'bench-two'];
let count = 0;
const happened = (happening: Happening, at: number): MakingEvent => ({
  id: `bench-${String(count++)}`,
  at: new Date(at).toISOString(),
  ...happening,
});
for (const id of ids) {
  const startedAt = new Date(began).toISOString();
  await server.post('/api/makings', { id, recipeId: 'sesame-toffee', size: 1, on: '2026-11-25', startedAt });
  await server.post(`/api/makings/${id}/events`, { events: [happened({ kind: 'stage', stage: 2 }, began)] });
  for (let first = 0; first < HOUR; first += AT_ONCE) {
    const values = Array.from({ length: AT_ONCE }, (_, index) => {
      const celsius = 20 + (110 * (first + index)) / HOUR + Math.sin(index) / 5;
      return [index * 500, celsius, null] as const;
    });
    const readings = happened({ kind: 'readings', stage: 2, values }, began + first * 500);
    await server.post(`/api/makings/${id}/events`, { events: [readings] });
  }
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
await page.goto(`${server.url}/kitchen/batch/${ids[0] ?? ''}`);
await page.getByRole('button', { name: 'Stirred' }).waitFor();
const taps: number[] = [];
for (let tap = 0; tap < TAPS; tap++)
  taps.push(
    await page.evaluate(
      async (name) => {
        const noted = () => document.querySelector('[aria-label="Noted"]')?.textContent ?? '';
        const button = [...document.querySelectorAll('button')].find((each) => each.textContent === name);
        const before = noted();
        const since = performance.now();
        button?.click();
        while (noted() === before) await new Promise((resolve) => requestAnimationFrame(resolve));
        const took = performance.now() - since;
        // The next tap comes when this one is painted.
        for (let frame = 0; frame < 2; frame++) await new Promise((resolve) => requestAnimationFrame(resolve));
        return took;
        // Two in turn, so that what is noted is never the same as before.
      },
      tap % 2 === 0 ? 'Stirred' : 'Foamed',
    ),
  );
say(
  `a tap with two batches and an hour of readings (${HOUR.toLocaleString('en')}), 390x844: median ${share(taps, 0.5).toFixed(0)} ms, slowest ${share(taps, 1).toFixed(0)} ms`,
);
await browser.close();
await server.stop();
