import type { BoxFacts } from '../box/index.js';

/** Tolerable negative error by what is declared: [from grams, to grams, percent or grams]. Source: Directive 76/211/EEC annex I, 2.4 (as restated in the design; from memory). */
const errors: readonly { readonly upTo: number; readonly percent?: number; readonly grams?: number }[] = [
  { upTo: 50, percent: 9 },
  { upTo: 100, grams: 4.5 },
  { upTo: 200, percent: 4.5 },
  { upTo: 300, grams: 9 },
  { upTo: 500, percent: 3 },
  { upTo: 1000, grams: 15 },
  { upTo: 10_000, percent: 1.5 },
];

/**
 * By how much a single box may hold less than it says, g; a percentage is rounded up to a tenth of a gram.
 * Below 5 g the table says nothing: there the percentage goes on.
 * @example tolerableError(276) // 9
 */
export function tolerableError(declaredGrams: number): number {
  const row = errors.find(({ upTo }) => declaredGrams <= upTo);
  if (row?.grams !== undefined) return row.grams;
  return Math.ceil(((declaredGrams * (row?.percent ?? 1.5)) / 100) * 10 - 1e-9) / 10;
}

/** With fewer boxes than this the mean says little. Common practice, no source. */
export const ENOUGH_BOXES = 10;

/** Of all boxes so many may be short by more than the tolerable error. Source: Directive 76/211/EEC annex II (2.5 %, from memory). */
const MOST_SHORT = 0.025;

export interface WeighingVerdict {
  readonly count: number;
  readonly meanGrams: number;
  /** Of the sample; 0 for a single box. */
  readonly spreadGrams: number;
  readonly leastGrams: number;
  readonly toleranceGrams: number;
  /** Places of boxes that are short by more than the tolerable error, and of those short by more than twice as much. */
  readonly short: readonly number[];
  readonly farTooShort: readonly number[];
  readonly verdict: 'right' | 'too few' | 'mean too low' | 'too many short' | 'one far too short';
  /** What is missing in each box so that the mean is what is declared, g; 0 when nothing is. */
  readonly addGrams: number;
}

/** What the labels of a box declare, in whole grams: rounded down, so that a box never holds less than it says. */
export const declaredGrams = ({ weightGrams }: Pick<BoxFacts, 'weightGrams'>): number => Math.floor(weightGrams + 1e-9);

/**
 * Whether weighed boxes hold what they say: their mean must not be under it, few may be short by more than the tolerable error, and none by
 * twice that. An estimate from a sample, not the procedure of an inspector.
 * @param weights net, g
 * @returns null without a box
 */
export function judgeWeights(declaredGrams: number, weights: readonly number[]): WeighingVerdict | null {
  const count = weights.length;
  if (count === 0) return null;
  const meanGrams = weights.reduce((sum, each) => sum + each, 0) / count;
  const squares = weights.reduce((sum, each) => sum + (each - meanGrams) ** 2, 0);
  const toleranceGrams = tolerableError(declaredGrams);
  const below = (times: number) =>
    weights.flatMap((each, index) => (each < declaredGrams - times * toleranceGrams - 1e-9 ? [index] : []));
  const short = below(1);
  const farTooShort = below(2);
  const isLow = meanGrams < declaredGrams - 1e-9;
  const verdict =
    farTooShort.length > 0
      ? 'one far too short'
      : isLow
        ? 'mean too low'
        : short.length > Math.floor(count * MOST_SHORT)
          ? 'too many short'
          : count < ENOUGH_BOXES
            ? 'too few'
            : 'right';
  return {
    count,
    meanGrams,
    spreadGrams: count > 1 ? Math.sqrt(squares / (count - 1)) : 0,
    leastGrams: Math.min(...weights),
    toleranceGrams,
    short,
    farTooShort,
    verdict,
    addGrams: isLow ? declaredGrams - meanGrams : 0,
  };
}
