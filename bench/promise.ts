import { readFileSync } from 'node:fs';
import { openBook } from '@usual-pantry/core/book';
import { orderFiledSchema } from '@usual-pantry/core/order';
import { PromiseDesk } from '@usual-pantry/core/promise';
import { addDays } from '@usual-pantry/core/quantity';
import { seasonFileSchema } from '@usual-pantry/core/season-file';
import { solveWithHighs, type HighsRuntime, type Solver } from '@usual-pantry/core/solver';
import loadHighs from 'highs';

/** Prints how soon a promise is answered as the plan stands, and with other plans, over more and more orders; asserts nothing. */
const highs = await (loadHighs as unknown as () => Promise<HighsRuntime>)();
const solver: Solver = (model, options) => Promise.resolve(solveWithHighs(highs, model, options));
const file = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const book = openBook(file);
const today = file.writtenFor;

/** The demo's orders again and again, each time some weeks later: a kitchen that sells all year. */
const ordersOf = (count: number) =>
  Array.from({ length: count }, (_, at) => {
    const order = file.orders[at % file.orders.length];
    if (!order) throw new Error('The demo has no orders.');
    const later = Math.floor(at / file.orders.length) * 7;
    return { ...order, id: `o${String(at)}`, handOver: { ...order.handOver, on: addDays(order.handOver.on, later) } };
  });
const asked = orderFiledSchema.parse({
  id: 'asked',
  customer: { name: 'asked' },
  lines: [{ boxId: 'longest-night', count: 1 }],
  handOver: { on: addDays(today, 17), way: 'pick-up' },
});

for (const count of [46, 200, 2000]) {
  const desk = new PromiseDesk({
    book,
    orders: ordersOf(count),
    today,
    guide: count === 46 ? (file.plan ?? null) : null,
  });
  const times: string[] = [];
  const timed = async (name: string, work: () => unknown) => {
    const since = performance.now();
    const found = await work();
    times.push(`${name} ${((performance.now() - since) / 1000).toFixed(2)} s`);
    return found as { readonly verdict: string };
  };
  await timed('the season itself', () => {
    desk.begin();
  });
  const soon = await timed('soon', () => desk.check(asked, {}));
  const final = await timed('in the end', () => desk.check(asked, { solver }));
  process.stdout.write(`${String(count)} orders: ${times.join(', ')}; ${soon.verdict}, then ${final.verdict}\n`);
}
