import type { Book } from '../../book/index.js';
import type { BoxFacts } from '../../box/index.js';
import { finding, openWayOut, type Finding, type Subject } from '../../finding/index.js';
import {
  allergens,
  callsItChocolate,
  declarationFindings,
  inLabelOrder,
  isCompound,
  isUsMajor,
  kindIsMissing,
  type Allergen,
  type IngredientFiled,
} from '../../ingredient/index.js';
import { GRAMS_PER_OUNCE, sayLabelDay } from '../../quantity/index.js';
import { sayEntry, type ListEntry } from '../ingredients.js';
import type { LabelSchool } from '../school.js';

/** Ingredients at or under this share may stand in any order behind a quantifying statement. */
const GROUP_PERCENT = 2;

/** Two percent that a sum of fractions has left a hair above two is still two. */
const isSmall = ({ percent }: ListEntry): boolean => percent <= GROUP_PERCENT + 1e-9;

/**
 * The ingredient statement without its heading.
 * @param group whether those of 2 % or less go behind "contains 2% or less of", where at least two of them do
 * Source: 21 CFR 101.4(a)(2) (as restated in the design; from memory).
 */
export function ingredientStatement(list: readonly ListEntry[], group: boolean): string {
  const small = group ? list.filter(isSmall) : [];
  const main = small.length < 2 ? list : list.filter((entry) => !isSmall(entry));
  const head = main.map(sayEntry).join(', ');
  if (small.length < 2) return head;
  return `${head}${head ? ', ' : ''}contains 2% or less of: ${small.map(sayEntry).join(', ')}`;
}

/** Families of the nine that a US label names by kind, and how it calls the family. */
const namedByKind: Readonly<Partial<Record<(typeof allergens)[Allergen]['family'], string>>> = {
  'tree nuts': 'Tree Nuts',
  fish: 'Fish',
  'crustacean shellfish': 'Crustacean Shellfish',
};

/**
 * What follows "Contains:" on a US label: the majors among `codes`, tree nuts, fish and crustacean shellfish by kind.
 * Source: FALCPA 2004, FASTER Act 2021.
 * @returns '' when there is none
 * @example usContains(['pecan', 'milk']) // 'Milk, Tree Nuts (Pecans)'
 */
export function usContains(codes: Iterable<Allergen>): string {
  const majors = inLabelOrder(codes).filter(isUsMajor);
  const words = majors.map((code) => {
    const { family, name } = allergens[code];
    const heading = namedByKind[family];
    if (heading === undefined) return name;
    const kinds = majors.filter((each) => allergens[each].family === family && !kindIsMissing(each));
    const rest = majors.some((each) => allergens[each].family === family && kindIsMissing(each)) ? ['others'] : [];
    return kinds.length > 0
      ? `${heading} (${[...kinds.map((kind) => allergens[kind].name), ...rest].join(', ')})`
      : heading;
  });
  return [...new Set(words)].join(', ');
}

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

function findings(facts: BoxFacts, ingredients: readonly IngredientFiled[], book: Book): Finding[] {
  const { kitchen } = book;
  const box: Subject<'box'> = { noun: 'box', id: facts.box.id, name: facts.box.name };
  const settings: Subject<'kitchen'> = { noun: 'kitchen', id: 'kitchen', name: 'Settings' };
  const found: Finding[] = [];
  if (!facts.complete) found.push(finding('label-incomplete', box, {}));
  if (!kitchen.address) found.push(finding('label-no-address', settings, {}));
  if (!kitchen.homeKitchenStatement) found.push(finding('label-no-statement', settings, {}));
  else if (!kitchen.statementChecked) found.push(finding('label-statement-unchecked', settings, {}));
  if (facts.box.panel === null)
    found.push(finding('label-no-panel', box, {}, { waysOut: [openWayOut(box, 'Say its size')] }));
  const real = ingredients.some((each) => each.chocolate !== null && !isCompound(each));
  const called = [facts.box.name, facts.box.foodName].find(callsItChocolate);
  if (called !== undefined && !real && ingredients.some(isCompound))
    found.push(finding('box-called-chocolate', box, { called }));
  return [...found, ...ingredients.flatMap(declarationFindings)];
}

/** Honey may hold spores that an infant’s gut cannot stand. Common practice, no source. */
const INFANTS = 'Contains honey: not for infants under one year.';

/**
 * The label of the United States: ingredients descending by weight with sub-ingredients in parentheses, "Contains:" for the nine majors with
 * tree nuts, fish and shellfish by kind, ounces and grams.
 * Sources: 21 CFR 101.3, 101.4, 101.5, 101.7; FALCPA 2004; FASTER Act 2021. An estimate that defers to the local code.
 */
export const us: LabelSchool = {
  headings: { ingredients: 'Ingredients:', listed: 'Contains:', also: 'Also contains:', may: 'May contain:' },
  list: ingredientStatement,
  allergens: (codes) => ({
    listed: usContains(codes),
    also: beyondUsMajors(codes)
      .map((code) => allergens[code].name.toLowerCase())
      .join(', '),
  }),
  dates: ({ madeOn, bestBefore }) => `Made ${sayLabelDay(madeOn)}. Best before ${sayLabelDay(bestBefore)}.`,
  netQuantity,
  netLetterMm: netLetterHeightMm,
  textLetterMm: TEXT_LETTER_HEIGHT_MM,
  warning: (contains) => (contains.includes('honey') ? INFANTS : ''),
  findings,
};
