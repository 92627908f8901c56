import type { KitchenDraft } from '../kitchen/index.js';
import { addDays, weekday, type Day } from '../quantity/index.js';

/** From which shop something comes, and how many days after it is ordered. */
interface FromShop {
  readonly supplier: string;
  readonly leadDays: number;
}

/** The weekdays of a shop; null for one that is there on any day. */
function weekdaysOf({ supplier }: FromShop, { shops }: Pick<KitchenDraft, 'shops'>): readonly number[] | null {
  const name = supplier.trim().toLowerCase();
  return shops.find((shop) => shop.name.toLowerCase() === name)?.weekdays ?? null;
}

function shopDay(day: Day, step: 1 | -1, weekdays: readonly number[] | null): Day {
  let found = day;
  while (weekdays && weekdays.length > 0 && !weekdays.includes(weekday(found))) found = addDays(found, step);
  return found;
}

/** The first day on which something can be there that is ordered or bought on a day. */
export const thereFrom = (from: FromShop, orderedOn: Day, kitchen: Pick<KitchenDraft, 'shops'>): Day =>
  shopDay(addDays(orderedOn, from.leadDays), 1, weekdaysOf(from, kitchen));

/** The last day up to another on which something comes from its shop. */
export const lastArrival = (from: FromShop, by: Day, kitchen: Pick<KitchenDraft, 'shops'>): Day =>
  shopDay(by, -1, weekdaysOf(from, kitchen));

/** The last day on which something can be ordered or bought that is to be there by a day. */
export const orderBy = (from: FromShop, by: Day, kitchen: Pick<KitchenDraft, 'shops'>): Day =>
  addDays(lastArrival(from, by, kitchen), -from.leadDays);
