import { sugarsOf, type ChocolateKind, type Parts } from '../ingredient/index.js';

/** How much more of a chocolate gives the set of dark chocolate. Common practice, no source. */
const moreThanDark: Readonly<Record<ChocolateKind, number>> = { dark: 1, milk: 1.25, white: 1.5 };

/** What a ganache does, by the dark chocolate that it is worth to one part of cream. Common practice, no source. */
const settings = [
  { upTo: 0.75, reads: 'stays a sauce' },
  { upTo: 1.25, reads: 'pours and glazes' },
  { upTo: 1.75, reads: 'pipes' },
  { upTo: 2.6, reads: 'sets to cut or roll' },
  { upTo: Infinity, reads: 'sets very firm and may split' },
] as const;

/** One ingredient of a ganache: its grams, its parts per 100 g, and which chocolate it is, if any. */
export interface GanachePart {
  readonly grams: number;
  readonly parts: Parts;
  readonly chocolate: ChocolateKind | null;
}

/** What a ganache is made of and how it will set. */
export interface GanacheBalance {
  /** g of chocolate, as it is and as the dark chocolate that it is worth. */
  readonly chocolateGrams: number;
  readonly darkWorthGrams: number;
  /** g of cream and other watery ingredients. */
  readonly liquidGrams: number;
  /** Dark chocolate that it is worth, to one part of liquid. */
  readonly ratio: number;
  readonly reads: string;
  /** Phases of the whole, percent by mass; together 100. */
  readonly fat: number;
  readonly water: number;
  readonly sugars: number;
  readonly solids: number;
}

/** From this share of water on an ingredient is part of the liquid, percent: cream, fruit, spirits, not butter. */
const LIQUID_WATER = 30;

/**
 * The balance of a ganache.
 * @returns null when it has no chocolate or nothing liquid
 */
export function ganacheBalance(ingredients: readonly GanachePart[]): GanacheBalance | null {
  const sum = (of: (each: GanachePart) => number) => ingredients.reduce((total, each) => total + of(each), 0);
  const chocolateGrams = sum(({ grams, chocolate }) => (chocolate ? grams : 0));
  const liquidGrams = sum(({ grams, chocolate, parts }) =>
    !chocolate && parts.water + parts.ethanol >= LIQUID_WATER ? grams : 0,
  );
  if (chocolateGrams <= 0 || liquidGrams <= 0) return null;
  const darkWorthGrams = sum(({ grams, chocolate }) => (chocolate ? grams / moreThanDark[chocolate] : 0));
  const total = sum(({ grams }) => grams);
  const percent = (of: (parts: Parts) => number) => sum(({ grams, parts }) => grams * of(parts)) / total;
  const ratio = darkWorthGrams / liquidGrams;
  const fat = percent((parts) => parts.fat);
  const water = percent((parts) => parts.water + parts.ethanol);
  const sugars = percent(sugarsOf);
  return {
    chocolateGrams,
    darkWorthGrams,
    liquidGrams,
    ratio,
    reads: settings.find(({ upTo }) => ratio <= upTo)?.reads ?? '',
    fat,
    water,
    sugars,
    solids: 100 - fat - water - sugars,
  };
}
