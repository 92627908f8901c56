import { readFileSync } from 'node:fs';
import type { LabelRunState, PrintJob, StoredKitchen } from '@usual-pantry/core/api';
import { packingOf } from '@usual-pantry/core/order';
import { seasonFileSchema } from '@usual-pantry/core/season-file';
import { serverOn, share, timed } from './lib/server.js';

/** Prints what labels cost: many of them on sheets, and a preview after an edit; asserts nothing. */
const LABELS = 500;
const EDITS = 20;
const POLL_MS = 10;
const say = (text: string) => process.stdout.write(`${text}\n`);

const server = await serverOn('2026-11-25');
const demo = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const label = { ...demo.kitchen.label, school: 'eu' as const, code: 'qr' as const, second: 'back' as const };
await server.post('/api/season-file', { ...demo, kitchen: { ...demo.kitchen, statementChecked: true, label } });

const runs = await server.get<LabelRunState[]>('/api/labels');
const each = Math.ceil(LABELS / runs.length);
const wanted = runs.map((run) => ({ boxId: run.boxId, handOver: run.handOver, ...packingOf(run), count: each }));
const printed = await timed(async () => {
  await server.post('/api/labels/print', { runs: wanted, sheet: 'a4-2x2', reason: 'bench' });
  for (;;) {
    const job = await server.get<PrintJob>('/api/labels/print');
    if (job.state === 'done') break;
    if (job.state !== 'running') throw new Error(job.message);
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
});
say(
  `${String(each * runs.length)} labels of ${String(runs.length)} kinds, front and back, with codes, on sheets: ${printed.toFixed(0)} ms`,
);

const previews: number[] = [];
for (let edit = 0; edit < EDITS; edit++) {
  const kitchen = await server.get<StoredKitchen>('/api/kitchen');
  await server.put('/api/kitchen', { ...kitchen, label: { ...kitchen.label, widthMm: 100 + edit } });
  previews.push(await timed(() => server.get('/api/boxes/longest-night/label?handOver=2026-12-05')));
}
say(
  `a preview after an edit of the settings: median ${share(previews, 0.5).toFixed(0)} ms, slowest ${share(previews, 1).toFixed(0)} ms`,
);
await server.stop();
