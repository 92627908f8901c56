import { finding, openWayOut, type Finding, type Subject } from '../finding/index.js';
import { oncePer, oncePerPair } from '../record/index.js';
import { isOpen } from './packed.js';
import { lineKey, type OrderFiled } from './schema.js';

/** What names that may be of one person have in common: the last word, and the letter that the first begins with. */
function likeness(name: string): string {
  const words = name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
  return `${words[0]?.[0] ?? ''} ${words.at(-1) ?? ''}`;
}

/** What two orders have in common that may be one, entered twice. */
const doubleKey = oncePer(({ customer, handOver, lines }: OrderFiled): string =>
  [
    likeness(customer.name),
    handOver.on,
    handOver.way,
    ...lines.map((line) => `${lineKey(line)} ${String(line.count)}`).sort(),
  ].join('|'),
);

const maybeDouble = oncePerPair((twin: OrderFiled, order: OrderFiled): Finding => {
  const [about, other] = [order, twin].map(({ id, customer }): Subject<'order'> => ({
    noun: 'order',
    id,
    name: customer.name,
  })) as [Subject<'order'>, Subject<'order'>];
  return finding(
    'maybe-double',
    about,
    { other: other.name, day: order.handOver.on },
    {
      part: other.id,
      waysOut: [openWayOut(about, `Open ${about.name}`), openWayOut(other, `Open ${other.name}`)],
    },
  );
});

/** Open orders of what may be one customer with the same boxes for the same day: perhaps one order, entered twice. */
export function doubleFindings(orders: readonly OrderFiled[]): Finding[] {
  const alike = new Map<string, OrderFiled[]>();
  for (const order of orders) {
    if (!isOpen(order)) continue;
    const key = doubleKey(order);
    const group = alike.get(key);
    if (group) group.push(order);
    else alike.set(key, [order]);
  }
  return [...alike.values()].flatMap(([twin, ...others]) =>
    twin ? others.map((order) => maybeDouble(twin, order)) : [],
  );
}
