import { readFileSync } from 'node:fs';
import { seasonFileSchema } from '@usual-pantry/core/season-file';
import { serverOn, share, timed } from './lib/server.js';

/** Prints what an edit costs in a season of 5,000 orders; asserts nothing. */
const ORDERS = 5000;
const EDITS = 12;
// Where the days are full, another plan is looked for, for seconds: a promise is timed in a kitchen whose days have no end.
/** Orders here and there, none of them of the first days. */
const idOf = (at: number): string => `o${String(at * 47 * 7 + 20)}`;
const say = (text: string) => process.stdout.write(`${text}\n`);

const demo = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const orders = Array.from({ length: ORDERS }, (_, at) => {
  const order = demo.orders[at % demo.orders.length];
  if (!order) throw new Error('the demo has no orders');
  return {
    ...order,
    id: `o${String(at)}`,
    customer: { ...order.customer, name: `${order.customer.name} ${String(at)}` },
  };
});

const server = await serverOn('2026-11-25');
await server.post('/api/season-file', { ...demo, orders: [] });
const csv = [
  'reference,customer,box,count,day,way',
  ...orders.map(({ id, customer, handOver }) => `${id},${customer.name},Pinwheel sampler,1,${handOver.on},stall`),
].join('\n');
const taken = await timed(() => server.post('/api/order-file', { text: csv }));
say(`a CSV of ${String(ORDERS)} orders taken in ${taken.toFixed(0)} ms (before: a CSV of 4,000 in 19,500 ms)`);

await server.post('/api/season-file', { ...demo, orders });
const first = await timed(() => server.get('/api/plan'));
say(`the plan of ${String(ORDERS)} orders, worked out from nothing: ${first.toFixed(0)} ms`);
const [saves, plans, promises, blocks]: [number[], number[], number[], number[]] = [[], [], [], []];
for (let at = 0; at < EDITS; at++) {
  const id = idOf(at);
  const { version, ...draft } = await server.get<{ version: number; lines: { count: number }[] }>(`/api/orders/${id}`);
  const { id: _id, ...edited } = { ...draft, lines: draft.lines.map((line) => ({ ...line, count: line.count + 1 })) } as typeof draft & { id: string }; // prettier-ignore
  saves.push(await timed(() => server.put(`/api/orders/${id}`, { ...edited, version })));
  plans.push(await timed(() => server.get('/api/plan')));
}
const later = orders.filter(({ handOver }) => handOver.on > '2026-12-01');
const pieces = JSON.parse(
  JSON.stringify(demo.pieces)
    .replace(/"moulds":\d+/g, '"moulds":200')
    .replace(/"turnsPerDay":[\d.]+/g, '"turnsPerDay":24'),
) as typeof demo.pieces;
await server.post('/api/season-file', {
  ...demo,
  pieces,
  orders: later,
  kitchen: { ...demo.kitchen, benchWeek: [], moulds: [], pans: [] },
});
for (let at = 0; at < EDITS; at++) {
  const id = later[at * 97]?.id ?? '';
  const { version, id: _id, ...draft } = await server.get<{ version: number; id: string; notes: string }>(`/api/orders/${id}`); // prettier-ignore
  await server.put(`/api/orders/${id}`, { ...draft, notes: `edit ${String(at)}`, version });
  await server.get('/api/plan');
  const asked = { customer: { name: 'Ada' }, lines: [{ boxId: 'sampler', count: 1 }], handOver: { on: '2026-12-19', way: 'stall' } }; // prettier-ignore
  // What nobody has asked yet; and meanwhile something else, which must not wait for it.
  const promise = timed(() => server.post('/api/plan/promise', { ...asked, customer: { name: `Ada ${String(at)}` } }));
  blocks.push(await timed(() => server.get('/api/health')));
  promises.push(await promise);
}
const figures = (times: readonly number[]) => `median ${share(times, 0.5).toFixed(0)} ms, slowest ${share(times, 1).toFixed(0)} ms`; // prettier-ignore
say(`an order saved: ${figures(saves)}`);
say(`GET /plan after it: ${figures(plans)} (before: 1,200 ms at 4,500 orders)`);
say(
  `a promise after a save, in a kitchen whose days have no end: ${figures(promises)}; something else asked meanwhile: ${figures(blocks)}`,
);
await server.stop();
