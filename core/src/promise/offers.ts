import type { Book } from '../book/index.js';
import { isOpen, type OrderFiled } from '../order/index.js';
import type { Plan } from '../plan/index.js';
import type { Day } from '../quantity/index.js';

/** So many of one kind of box. */
export interface OfferedBox {
  readonly boxId: string;
  readonly boxName: string;
  readonly count: number;
}

/** Further boxes that could be packed beside all that is ordered: from what is left over, without one batch more. */
export interface Offer {
  readonly boxes: readonly OfferedBox[];
  readonly on: Day;
  /** What they bring at the price of the boxes, minor units. */
  readonly priceMinor: number;
  readonly packagingMinor: number;
  /** What must be bought for them beyond what the plan buys anyway, in whole packs, minor units. */
  readonly boughtMinor: number;
  /** Minutes of hands beyond the plan's. */
  readonly handsMinutes: number;
  /** So much less is left over, g. */
  readonly savedGrams: number;
}

/** So many further boxes of a kind are looked at. */
export const MOST_OFFERED = 100;

/** Days from today on that have a hand-over anyway. */
export const handOverDays = (orders: readonly OrderFiled[], today: Day): Day[] =>
  [
    ...new Set(orders.flatMap((order) => (isOpen(order) && order.handOver.on >= today ? [order.handOver.on] : []))),
  ].sort();

/** Batches of each recipe in a plan. */
function batchCounts({ runs }: Plan): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { recipeId, batchCount } of runs) counts.set(recipeId, (counts.get(recipeId) ?? 0) + batchCount);
  return counts;
}

const bookedMinutes = ({ days }: Plan): number => days.reduce((sum, day) => sum + day.bookedMinutes, 0);

/** Whether a plan makes no batch that another does not, and books no day beyond its hours that the other does not. */
export function costsNoBatch(before: Plan, after: Plan, { kitchen }: Book): boolean {
  const counts = batchCounts(before);
  const booked = new Map(before.days.map((each) => [each.day, each.bookedMinutes]));
  const isOver = after.days.some(
    (each) =>
      kitchen.benchWeek.length > 0 && each.bookedMinutes > Math.max(each.benchMinutes, booked.get(each.day) ?? 0) + 0.5,
  );
  return !isOver && [...batchCounts(after)].every(([id, count]) => count <= (counts.get(id) ?? 0));
}

/** What boxes that nobody has ordered would cost and bring. @param after the plan with them */
export function offerOf({ lines, handOver }: OrderFiled, before: Plan, after: Plan, book: Book): Offer {
  const boxes = lines.flatMap(({ boxId, count }) => {
    const facts = book.boxes.get(boxId);
    return facts ? [{ box: facts.box, count }] : [];
  });
  return {
    boxes: boxes.map(({ box, count }) => ({ boxId: box.id, boxName: box.name, count })),
    on: handOver.on,
    priceMinor: boxes.reduce((sum, { box, count }) => sum + box.priceMinor * count, 0),
    packagingMinor: boxes.reduce(
      (sum, { box, count }) => sum + count * box.packaging.reduce((all, { costMinor }) => all + costMinor, 0),
      0,
    ),
    boughtMinor: after.shoppingCostMinor - before.shoppingCostMinor,
    handsMinutes: bookedMinutes(after) - bookedMinutes(before),
    savedGrams: before.leftOverGrams - after.leftOverGrams,
  };
}

/** What an offer brings beyond what it costs, minor units. */
export const gainOf = ({ priceMinor, packagingMinor, boughtMinor }: Offer): number =>
  priceMinor - packagingMinor - boughtMinor;

/**
 * Finds the largest whole number up to `most` for which something holds, when it holds for all smaller ones.
 * @param known a number for which it is known to hold
 * @returns `known` when it does not hold for the next one
 */
export async function largestFor(holds: (count: number) => Promise<boolean>, most: number, known = 0): Promise<number> {
  let [good, bad, step] = [known, known + 1, 1];
  while (bad <= most && (await holds(bad))) {
    step *= 2;
    [good, bad] = [bad, bad + step];
  }
  bad = Math.min(bad, most + 1);
  while (bad - good > 1) {
    const middle = Math.floor((good + bad) / 2);
    if (await holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
