import { dissolvedOf, sugarsOf, type ChocolateKind, type Parts } from '../ingredient/index.js';

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
  /** How much of it is cocoa butter, percent. */
  readonly cocoaButter: number;
}

/** What a ganache is made of and how it will set. */
export interface GanacheBalance {
  /** g of chocolate and cocoa butter, as they are and as the dark chocolate that they are worth. */
  readonly chocolateGrams: number;
  readonly darkWorthGrams: number;
  /** g of cream and other watery ingredients, less what has boiled off. */
  readonly liquidGrams: number;
  /** Dark chocolate that it is worth, to one part of liquid. */
  readonly ratio: number;
  readonly reads: string;
  /** Phases of the finished whole, percent by mass; together 100. */
  readonly fat: number;
  readonly water: number;
  readonly sugars: number;
  readonly solids: number;
}

/** From this share of water on an ingredient is part of the liquid, percent: cream, fruit, spirits, not butter. */
const LIQUID_WATER = 30;
/** From this share on an ingredient is cocoa butter, percent: it sets like the chocolate that it is added to. */
const COCOA_BUTTER = 95;
/** A ganache is chocolate, liquid, fats and syrups: of other things it has at most this share. Common practice, no source. */
const MOST_OTHERS = 0.15;
/** And of chocolate at least this share. */
const LEAST_CHOCOLATE = 0.2;
/** From this share of fat and sugars on an ingredient is a fat, a syrup or a paste of both, percent. */
const FAT_AND_SUGAR = 75;

const isChocolate = ({ chocolate, cocoaButter }: GanachePart): boolean =>
  chocolate !== null || cocoaButter >= COCOA_BUTTER;

const isLiquid = (part: GanachePart): boolean =>
  !isChocolate(part) && part.parts.water + part.parts.ethanol >= LIQUID_WATER;

/**
 * The balance of a ganache: an emulsion of chocolate and something liquid, with fats and sugars at most.
 * @param ingredients as they went in
 * @param finished parts of 100 g of it, for one gram of which the ingredients went in: water that has boiled off is gone
 * @returns null when it is no ganache: without chocolate or liquid, or with too much of anything else
 */
export function ganacheBalance(ingredients: readonly GanachePart[], finished: Parts): GanacheBalance | null {
  const sum = (of: (each: GanachePart) => number) => ingredients.reduce((total, each) => total + of(each), 0);
  const chocolateGrams = sum((each) => (isChocolate(each) ? each.grams : 0));
  const wet = sum((each) => (isLiquid(each) ? each.grams : 0));
  const waterIn = sum(({ grams, parts }) => (grams * (parts.water + parts.ethanol)) / 100);
  const boiledOff = Math.max(0, waterIn - (finished.water + finished.ethanol) / 100);
  const liquidGrams = wet - boiledOff;
  if (chocolateGrams <= 0 || liquidGrams <= 0) return null;
  const others = sum((each) => {
    const isSmooth = each.parts.fat + dissolvedOf(each.parts) >= FAT_AND_SUGAR;
    return isChocolate(each) || isLiquid(each) || isSmooth ? 0 : each.grams;
  });
  const total = sum(({ grams }) => grams);
  if (others > MOST_OTHERS * total || chocolateGrams < LEAST_CHOCOLATE * total) return null;
  const darkWorthGrams = sum((each) =>
    each.chocolate ? each.grams / moreThanDark[each.chocolate] : isChocolate(each) ? each.grams : 0,
  );
  const ratio = darkWorthGrams / liquidGrams;
  const { fat } = finished;
  const water = finished.water + finished.ethanol;
  const sugars = sugarsOf(finished);
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

/** What a ganache is for, and between which worths of dark chocolate to one part of liquid it does that. Common practice, no source; schools differ. */
export const ganacheSchools = {
  'to pour and glaze': [0.75, 1.25],
  'to pipe': [1.25, 1.75],
  'to cut or roll': [1.75, 2.6],
  'to roll after a night’s rest': [0.9, 1.5],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;
export type GanacheSchool = keyof typeof ganacheSchools;

/** Whether a balance does what it is for, and what brings it there. */
export interface GanacheAdvice {
  readonly fits: boolean;
  /** Chocolate as dark, or liquid, to be added to the whole batch, g; the other is 0. */
  readonly moreChocolate: number;
  readonly moreLiquid: number;
}

/**
 * What is missing for a ganache to do what it is for: the least that brings it into its band.
 * @param balance of one gram
 * @param grams of the batch
 */
export function ganacheAdvice(
  { darkWorthGrams, liquidGrams, ratio }: Pick<GanacheBalance, 'darkWorthGrams' | 'liquidGrams' | 'ratio'>,
  school: GanacheSchool,
  grams: number,
): GanacheAdvice {
  const [low, high] = ganacheSchools[school];
  if (ratio < low) return { fits: false, moreChocolate: (low * liquidGrams - darkWorthGrams) * grams, moreLiquid: 0 };
  if (ratio > high) return { fits: false, moreChocolate: 0, moreLiquid: (darkWorthGrams / high - liquidGrams) * grams };
  return { fits: true, moreChocolate: 0, moreLiquid: 0 };
}
