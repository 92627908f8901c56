import type { Book } from '../book/index.js';
import type { OrderFiled } from '../order/index.js';
import type { Day } from '../quantity/index.js';
import { oncePer, oncePerPair } from '../record/index.js';

/** Orders that are handed over on one day. */
export interface DayOrders {
  readonly day: Day;
  readonly orders: readonly OrderFiled[];
}

/** So many lists of one day are remembered: all orders, those to be packed, those without the late ones, each before and after an edit. */
const MOST_KEPT = 8;

const keptLists = oncePer((_book: Book) => new Map<Day, DayOrders[]>());

const isSame = (a: readonly OrderFiled[], b: readonly OrderFiled[]): boolean =>
  a.length === b.length && a.every((order, at) => order === b[at]);

/** Orders of a day; the same object as before where they are the same orders. */
export function ordersOfDay(day: Day, orders: readonly OrderFiled[], book: Book): DayOrders {
  const kept = keptLists(book);
  const known = kept.get(day) ?? [];
  const same = known.find((each) => isSame(each.orders, orders)) ?? { day, orders };
  if (known[0] !== same) kept.set(day, [same, ...known.filter((each) => each !== same)].slice(0, MOST_KEPT));
  return same;
}

/**
 * Orders by the day of their hand-over, the earliest first. A day whose orders are the same objects as when it was asked for before is the
 * same object too: what is worked out from it once need not be worked out again.
 */
export function ordersByDay(orders: readonly OrderFiled[], book: Book): DayOrders[] {
  const days = new Map<Day, OrderFiled[]>();
  for (const order of orders) {
    const list = days.get(order.handOver.on);
    if (list) list.push(order);
    else days.set(order.handOver.on, [order]);
  }
  return [...days].sort(([a], [b]) => (a < b ? -1 : 1)).map(([day, list]) => ordersOfDay(day, list, book));
}

/** The orders of a day that are packed, and those that are still to be packed. */
export const splitPacked = oncePerPair((book: Book, { day, orders }: DayOrders) => ({
  packed: orders.filter(({ state }) => state === 'packed'),
  unpacked: ordersOfDay(
    day,
    orders.filter(({ state }) => state !== 'packed'),
    book,
  ),
}));
