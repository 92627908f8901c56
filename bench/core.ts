import { readFileSync } from 'node:fs';
import { openBook } from '@usual-pantry/core/box';
import { costOfBoxes } from '@usual-pantry/core/money';
import { planSeason } from '@usual-pantry/core/plan';
import { seasonFileSchema } from '@usual-pantry/core/season';
import { Bench } from 'tinybench';
import { madeUpSeason } from './season.js';

/** Prints figures of the core; asserts nothing. */
const large = madeUpSeason(1000, 25, 3);
const demo = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const bench = new Bench({ time: 2000, warmupTime: 500 });

const work = (data: Parameters<typeof openBook>[0], orders: Parameters<typeof planSeason>[1], today: string) => () => {
  const book = openBook(data);
  planSeason(book, orders, today);
  costOfBoxes(book);
};
bench.add(
  'explode + batch + shop + cost, 1,000 orders x 25 recipes x 3 levels',
  work(large.data, large.orders, large.today),
);
bench.add('the same for the demo', work(demo, demo.orders, demo.writtenFor));
await bench.run();

for (const { name, result } of bench.tasks)
  if (result.state === 'completed')
    process.stdout.write(
      `${name}: median ${result.latency.p50.toFixed(1)} ms, 99 % within ${result.latency.p99.toFixed(1)} ms (${result.latency.samplesCount} runs)\n`,
    );
