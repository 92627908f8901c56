import type { WeighedPack } from '../ingredient/index.js';

/** Whole packs of one kind. */
export interface PackCount {
  readonly name: string;
  readonly supplier: string;
  readonly grams: number;
  readonly count: number;
  readonly costMinor: number;
  readonly leadDays: number;
}

/**
 * The cheapest whole packs that hold at least `grams`; among equally cheap ones those that leave least. Exact:
 * depth first over the packs, cut off where even the best price by weight cannot win any more.
 *
 * @param grams more than zero
 * @returns counts in the order of `packs`; empty when there are none
 */
export function choosePacks(grams: number, packs: readonly WeighedPack[]): PackCount[] {
  const sorted = [...packs].sort((a, b) => a.priceMinor * b.grams - b.priceMinor * a.grams);
  const [best] = sorted;
  if (!best || grams <= 0) return [];
  let bestCost = Infinity;
  let bestMass = Infinity;
  let bestCounts: number[] = [];

  const search = (index: number, missing: number, cost: number, mass: number, counts: number[]) => {
    if (missing <= 1e-9) {
      if (cost < bestCost || (cost === bestCost && mass < bestMass)) {
        bestCost = cost;
        bestMass = mass;
        bestCounts = counts;
      }
      return;
    }
    const pack = sorted[index];
    if (!pack || cost + (missing * pack.priceMinor) / pack.grams > bestCost + 1e-9) return;
    const most = Math.ceil(missing / pack.grams - 1e-9);
    for (let count = most; count >= 0; count--) {
      const rest = missing - count * pack.grams;
      const spent = cost + count * pack.priceMinor;
      const next = sorted[index + 1];
      if (rest > 1e-9 && next && spent + (rest * next.priceMinor) / next.grams > bestCost) break;
      search(index + 1, rest, spent, mass + count * pack.grams, [...counts, count]);
      if (!next) break;
    }
  };
  search(0, grams, 0, 0, []);

  return sorted.flatMap((pack, index) => {
    const count = bestCounts[index] ?? 0;
    const { name, supplier, grams: each, leadDays, priceMinor } = pack;
    return count > 0 ? [{ name, supplier, grams: each, leadDays, count, costMinor: count * priceMinor }] : [];
  });
}
