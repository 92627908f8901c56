import { schoolNames } from '../../kitchen/index.js';
import { allergens, inLabelOrder, isUsMajor, kindIsMissing, type Allergen } from '../../ingredient/index.js';
import { GRAMS_PER_OUNCE, sayLabelDay } from '../../quantity/index.js';
import type { ListEntry } from '../ingredients.js';
import { allergenSpans, entrySpans } from '../list.js';
import { commonFields } from '../required.js';
import type { LabelSchool } from '../school.js';
import { joinSpans, plain, textOf, warning, type Span } from '../span.js';

/** Ingredients at or under this share may stand in any order behind a quantifying statement. */
const GROUP_PERCENT = 2;

/** Two percent that a sum of fractions has left a hair above two is still two. */
const isSmall = ({ percent }: ListEntry): boolean => percent <= GROUP_PERCENT + 1e-9;

/**
 * The ingredient statement without its heading.
 * @param group whether those of 2 % or less go behind "contains 2% or less of", where at least two of them do
 * Source: 21 CFR 101.4(a)(2) (as restated in the design; from memory).
 */
export function ingredientStatement(list: readonly ListEntry[], group: boolean): Span[] {
  const small = group ? list.filter(isSmall) : [];
  const main = small.length < 2 ? list : list.filter((entry) => !isSmall(entry));
  const head = joinSpans(main.map((entry) => entrySpans(entry)));
  if (small.length < 2) return head;
  const tail = joinSpans(small.map((entry) => entrySpans(entry)));
  return [...head, plain(`${head.length > 0 ? ', ' : ''}contains 2% or less of: `), ...tail];
}

/** Families of the nine that a US label names by kind, and how it calls the family. */
const namedByKind: Readonly<Partial<Record<(typeof allergens)[Allergen]['family'], string>>> = {
  'tree nuts': 'Tree Nuts',
  fish: 'Fish',
  'crustacean shellfish': 'Crustacean Shellfish',
};

/** What follows "Contains:" on a US label, by majors: tree nuts, fish and crustacean shellfish by kind. Source: FALCPA 2004, FASTER Act 2021. */
function containsSpans(codes: Iterable<Allergen>): Span[] {
  const majors = inLabelOrder(codes).filter(isUsMajor);
  const done = new Set<string>();
  const lists = majors.flatMap((code): Span[][] => {
    const { family, name } = allergens[code];
    const heading = namedByKind[family];
    if (heading === undefined) return [[warning(name, code, false)]];
    if (done.has(family)) return [];
    done.add(family);
    const ofIt = majors.filter((each) => allergens[each].family === family);
    const kinds = ofIt
      .filter((each) => !kindIsMissing(each))
      .map((each) => [warning(allergens[each].name, each, false)]);
    const unnamed = ofIt.filter(kindIsMissing);
    const [one] = unnamed;
    if (kinds.length === 0) return [[one ? warning(heading, one, false) : plain(heading)]];
    const rest = one ? [[warning('others', one, false)]] : [];
    return [[plain(`${heading} (`), ...joinSpans([...kinds, ...rest]), plain(')')]];
  });
  return joinSpans(lists);
}

/**
 * What follows "Contains:" on a US label, in words.
 * @returns '' when there is none
 * @example usContains(['pecan', 'milk']) // 'Milk, Tree Nuts (Pecans)'
 */
export const usContains = (codes: Iterable<Allergen>): string => textOf(containsSpans(codes));

/**
 * Those among `codes` that the US nine leave out but that somebody must know: gluten cereals, sulphites, alcohol, what comes of animals,
 * coconut.
 */
export const beyondUsMajors = (codes: Iterable<Allergen>): Allergen[] =>
  inLabelOrder(codes).filter((code) => !isUsMajor(code));

const OUNCES_PER_POUND = 16;
/** From here on ounces alone are not said any more: pounds come first. */
const POUNDS_FIRST = 4;

/** Rounded down, so that a box never holds less than it says. */
const floorTo = (value: number, decimals: number): number => Math.floor(value * 10 ** decimals + 1e-9) / 10 ** decimals;

/** A label is written as its rules want it, however the kitchen writes. */
const wholeGrams = new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 });

const trimmed = (value: number): string => String(Number(value.toFixed(1)));

/**
 * The net quantity as a US label states it: ounces, from one pound up pounds and ounces beside them, from four pounds up pounds first, and
 * grams. Rounded down to 0.1 oz and 1 g (to 0.1 g under 10 g).
 * Source: 21 CFR 101.7(b), (j) to (m), formerly 101.105 (as restated in the design; from memory).
 * @param grams above zero
 * @example netQuantity(276) // 'Net Wt 9.7 oz (276 g)'
 * @example netQuantity(680.39) // 'Net Wt 24 oz (1 lb 8 oz) 680 g'
 * @example netQuantity(2041.2) // 'Net Wt 4 lb 8 oz (2,041 g)'
 */
export function netQuantity(grams: number): string {
  const metric = grams < 10 ? `${trimmed(floorTo(grams, 1))} g` : `${wholeGrams.format(floorTo(grams, 0))} g`;
  const ounces = floorTo(grams / GRAMS_PER_OUNCE, 1);
  if (ounces < OUNCES_PER_POUND) return `Net Wt ${trimmed(ounces)} oz (${metric})`;
  const pounds = Math.floor(ounces / OUNCES_PER_POUND);
  const rest = floorTo(ounces - pounds * OUNCES_PER_POUND, 1);
  const customary = rest > 0 ? `${pounds} lb ${trimmed(rest)} oz` : `${pounds} lb`;
  if (pounds >= POUNDS_FIRST) return `Net Wt ${customary} (${metric})`;
  return `Net Wt ${trimmed(ounces)} oz (${customary}) ${metric}`;
}

const SQUARE_MM_PER_SQUARE_INCH = 645.16;
const MM_PER_INCH = 25.4;

/** Least letter height of the net quantity by the area of the main panel: [up to square inches, inches]. */
const netHeights: readonly (readonly [number, number])[] = [
  [5, 1 / 16],
  [25, 1 / 8],
  [100, 3 / 16],
  [400, 1 / 4],
  [Infinity, 1 / 2],
];

/**
 * The least letter height of the net quantity, mm.
 * Source: 21 CFR 101.7(i) (as restated in the design; the half inch above 400 sq in from memory).
 */
export function netLetterHeightMm(widthMm: number, heightMm: number): number {
  const area = (widthMm * heightMm) / SQUARE_MM_PER_SQUARE_INCH;
  const row = netHeights.find(([upTo]) => area <= upTo);
  return (row?.[1] ?? 1 / 2) * MM_PER_INCH;
}

/** The least letter height of everything else on the information panel, mm: 1/16 inch (21 CFR 101.2(c), from memory). */
export const TEXT_LETTER_HEIGHT_MM = MM_PER_INCH / 16;

/** Honey may hold spores that an infant’s gut cannot stand. Common practice, no source. */
const INFANTS = 'Contains honey: not for infants under one year.';

/**
 * The label of the United States: ingredients descending by weight with sub-ingredients in parentheses, "Contains:" for the nine majors with
 * tree nuts, fish and shellfish by kind, ounces and grams.
 * Sources: 21 CFR 101.3, 101.4, 101.5, 101.7; FALCPA 2004; FASTER Act 2021. An estimate that defers to the local code.
 */
export const us: LabelSchool = {
  name: schoolNames.us,
  languages: ['English'],
  listed: isUsMajor,
  declare: ({ list, contains, mayContain, group }) => {
    const others = (codes: readonly Allergen[]) =>
      allergenSpans(beyondUsMajors(codes), (code) => allergens[code].name.toLowerCase());
    return [
      { kind: 'ingredients', heading: 'Ingredients:', spans: ingredientStatement(list, group) },
      { kind: 'contains', heading: 'Contains:', spans: containsSpans(contains) },
      { kind: 'also', heading: 'Also contains:', spans: others(contains) },
      {
        kind: 'may',
        heading: 'May contain:',
        spans: joinSpans([containsSpans(mayContain), others(mayContain)].filter((spans) => spans.length > 0)),
      },
    ];
  },
  dates: ({ madeOn, bestBefore }) => `Made ${sayLabelDay(madeOn)}. Best before ${sayLabelDay(bestBefore)}.`,
  netQuantity,
  netLetterMm: ({ widthMm, heightMm }) => netLetterHeightMm(widthMm, heightMm),
  textLetterMm: () => TEXT_LETTER_HEIGHT_MM,
  warnings: (contains) => (contains.includes('honey') ? [INFANTS] : []),
  required: commonFields,
};
