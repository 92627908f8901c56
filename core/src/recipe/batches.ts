import { sayCount, sayExact, sayList } from '../quantity/index.js';

/** How many batches of one size. */
export interface BatchCount {
  /** Multiple of the base batch. */
  readonly size: number;
  readonly count: number;
}

/** A batch size and what one batch of it covers, in a whole unit (pieces, or steps of mass). */
export interface BatchSize {
  readonly size: number;
  readonly covers: number;
}

/** How many base batches they come to. */
export const multipleOf = (batches: readonly BatchCount[]): number =>
  batches.reduce((sum, { size, count }) => sum + size * count, 0);

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

/**
 * The fewest whole batches that cover a need and, among those, the ones that leave least over. Exact.
 *
 * With the largest size alone the number of batches k is least. What remains is to replace as much of the
 * slack as possible by smaller sizes within those k batches: a knapsack over the slack, in whole units.
 *
 * @param need in the unit of `covers`; fractions are rounded up
 * @param sizes at least one must cover more than nothing
 * @returns counts by size, the largest first; empty when nothing is needed or no size covers anything
 * @example chooseBatches(100, [{ size: 1, covers: 81 }, { size: 0.5, covers: 40 }]) // one of 1 and one of 0.5: 121
 */
export function chooseBatches(need: number, sizes: readonly BatchSize[]): BatchCount[] {
  const usable = sizes.filter((each) => each.covers > 0).sort((a, b) => b.covers - a.covers);
  const [largest] = usable;
  const wanted = Math.ceil(need - 1e-9);
  if (!largest || wanted <= 0) return [];
  const total = Math.ceil(wanted / largest.covers);
  const slack = total * largest.covers - wanted;

  const smaller = usable.slice(1).filter((each) => largest.covers - each.covers <= slack);
  const savings = smaller.map((each) => largest.covers - each.covers);
  const step = savings.reduce(greatestDivisor, 0) || 1;
  const capacity = Math.floor(slack / step);

  // fewest[s]: the fewest replaced batches that save exactly s steps; last[s]: the size replaced last
  const fewest = new Array<number>(capacity + 1).fill(Infinity);
  const last = new Array<number>(capacity + 1).fill(-1);
  fewest[0] = 0;
  for (let saved = 1; saved <= capacity; saved++)
    savings.forEach((saving, index) => {
      const before = saved - saving / step;
      const replaced = (fewest[before] ?? Infinity) + 1;
      if (replaced < (fewest[saved] ?? Infinity)) {
        fewest[saved] = replaced;
        last[saved] = index;
      }
    });

  let best = capacity;
  while ((fewest[best] ?? Infinity) > total) best--;
  const counts = new Map<number, number>();
  for (let saved = best; saved > 0;) {
    const index = last[saved] ?? 0;
    const size = smaller[index]?.size ?? largest.size;
    counts.set(size, (counts.get(size) ?? 0) + 1);
    saved -= (savings[index] ?? step) / step;
  }
  const kept = total - [...counts.values()].reduce((sum, count) => sum + count, 0);
  return [
    ...(kept > 0 ? [{ size: largest.size, count: kept }] : []),
    ...[...counts].map(([size, count]) => ({ size, count })).sort((a, b) => b.size - a.size),
  ];
}

/** Batch sizes are kept to a thousandth of the base batch. */
export const SIZE_STEP = 1000;

const sizeWords: Readonly<Record<number, string>> = { 0.25: 'quarter ', 0.5: 'half ', 2: 'double ', 3: 'triple ' };

/**
 * Batches in words.
 * @param single the word for a batch of the base size
 * @example sayBatches([{ size: 2, count: 1 }, { size: 0.5, count: 2 }]) // '1 double batch and 2 half batches'
 */
export const sayBatches = (batches: readonly BatchCount[], single = ''): string =>
  sayList(
    batches.map(({ size, count }) => {
      const word = size === 1 ? single : sizeWords[size];
      const [before, after] = word === undefined ? ['', ` of ${sayExact(size)}`] : [word, ''];
      return sayCount(count, `${before}batch${after}`, `${before}batches${after}`);
    }),
  ) || 'none';
