import { allergens, type Allergen } from '../../ingredient/index.js';
import type { Day } from '../../quantity/index.js';
import { allergenSpans, listSpans } from '../list.js';
import { quantityInName, speaksOfFruit } from '../quid.js';
import { field, type RequiredFacts, type RequiredField } from '../required.js';
import type { ListEntry } from '../ingredients.js';
import type { DeclaredText, DisplayPanel, LabelSchool, ToDeclare } from '../school.js';

/** The fourteen of annex II by code, as a list names them. Source: Reg. (EU) 1169/2011 annex II (as restated in the design; from memory). */
const fourteen: Partial<Record<Allergen, string>> = {
  wheat: 'wheat',
  rye: 'rye',
  barley: 'barley',
  oats: 'oats',
  crustacean: 'crustaceans',
  crab: 'crab',
  crayfish: 'crayfish',
  lobster: 'lobster',
  shrimp: 'shrimp',
  egg: 'egg',
  fish: 'fish',
  anchovy: 'anchovy',
  bass: 'bass',
  cod: 'cod',
  flounder: 'flounder',
  haddock: 'haddock',
  pollock: 'pollock',
  salmon: 'salmon',
  tilapia: 'tilapia',
  tuna: 'tuna',
  peanut: 'peanuts',
  soy: 'soya',
  milk: 'milk',
  almond: 'almonds',
  hazelnut: 'hazelnuts',
  walnut: 'walnuts',
  'california-walnut': 'walnuts',
  // Annex II names the one species; another walnut is warned of as one, too.
  'black-walnut': 'walnuts',
  heartnut: 'walnuts',
  cashew: 'cashews',
  pecan: 'pecans',
  brazil: 'Brazil nuts',
  pistachio: 'pistachios',
  macadamia: 'macadamia nuts',
  celery: 'celery',
  mustard: 'mustard',
  sesame: 'sesame',
  sulfites: 'sulphites',
  lupin: 'lupin',
  mollusc: 'molluscs',
};

const MONTHS = 'January February March April May June July August September October November December'.split(' ');

/** `5 December 2026`. */
export const sayEuropeanDay = (day: Day): string =>
  `${String(Number(day.slice(8)))} ${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''} ${day.slice(0, 4)}`;

/** Grams as a label states them, rounded down so that a box never holds less than it says. */
export function metricQuantity(grams: number): string {
  if (grams < 10) return `${String(Math.floor(grams * 10 + 1e-9) / 10)} g`;
  const whole = Math.floor(grams + 1e-9);
  return whole < 1000 ? `${String(whole)} g` : `${String(whole / 1000)} kg`;
}

/**
 * The list at the mixing bowl. Water counts by what is left of it, and is left out where that is no more than 5 % of the food.
 * Source: Reg. (EU) 1169/2011 annex VII part A, 1 (as restated in the design; from memory).
 */
export const withoutLittleWater = (list: readonly ListEntry[]): ListEntry[] =>
  list.filter(({ isWater, per100 }) => !isWater || per100 > LITTLE_WATER + SAME_SHARE);

/** Water from which on it is listed, or below which it is not, percent of the food. */
export const LITTLE_WATER = 5;
/** Shares that differ by less are one: a sum of amounts is never exact. */
export const SAME_SHARE = 1e-6;

/** Least height of the net quantity: [up to grams, mm]. Source: Directive 76/211/EEC annex I, 3.1 (as restated in the design; from memory). */
const netHeights: readonly (readonly [upTo: number, mm: number])[] = [
  [50, 2],
  [200, 3],
  [1000, 4],
  [Infinity, 6],
];

const SMALL_PANEL_SQUARE_MM = 8000;

/** Lower-case letters of 1.2 mm, 0.9 where the largest side is under 80 cm2. Source: Reg. (EU) 1169/2011 art. 13(2) and (3) (from memory). */
const textLetterMm = ({ widthMm, heightMm }: DisplayPanel): number =>
  widthMm * heightMm < SMALL_PANEL_SQUARE_MM ? 0.9 : 1.2;

const listed = (code: Allergen): boolean => fourteen[code] !== undefined;
const nameOf = (code: Allergen): string => fourteen[code] ?? allergens[code].name.toLowerCase();

function declare({ foodName, list, contains, mayContain }: ToDeclare): DeclaredText[] {
  const style = {
    standsOut: (code: Allergen) => fourteen[code],
    share: (entry: ListEntry) => quantityInName(foodName, entry),
  };
  const shown = withoutLittleWater(list);
  const inList = new Set(shown.flatMap((entry) => entry.contains));
  // What no ingredient of the list brings is not lost for that.
  const elsewhere = contains.filter((code) => listed(code) && !inList.has(code));
  return [
    { kind: 'ingredients', heading: 'Ingredients:', spans: listSpans(shown, style) },
    { kind: 'contains', heading: 'Contains:', spans: allergenSpans(elsewhere, nameOf, true) },
    {
      kind: 'also',
      heading: 'Also contains:',
      spans: allergenSpans(
        contains.filter((code) => !listed(code)),
        nameOf,
      ),
    },
    { kind: 'may', heading: 'May contain:', spans: allergenSpans(mayContain, nameOf, true) },
  ];
}

/** What the European Union and the United Kingdom have in common. */
export const european: Omit<LabelSchool, 'name' | 'required'> = {
  languages: ['English'],
  listed,
  declare,
  dates: ({ madeOn, bestBefore }) => `Made ${sayEuropeanDay(madeOn)}. Best before ${sayEuropeanDay(bestBefore)}.`,
  netQuantity: metricQuantity,
  netLetterMm: (_panel, grams) => netHeights.find(([upTo]) => grams <= upTo)?.[1] ?? 6,
  textLetterMm,
  warnings: (contains) =>
    contains.includes('honey') ? ['Contains honey: not suitable for infants under 12 months.'] : [],
};

/** What the European Union and the United Kingdom ask for beside the common particulars. */
export function europeanFields({ facts, used }: RequiredFacts): RequiredField[] {
  const fields: RequiredField[] = [];
  if (used.some(({ chocolate }) => Boolean(chocolate)))
    fields.push(
      field(
        'cocoa',
        'Cocoa and milk solids',
        'check',
        'Anything sold as chocolate has to say “cocoa solids: … % minimum”, and milk chocolate “milk solids: … % minimum” too. Both are on the pack you bought.',
        'Directive 2000/36/EC; Cocoa and Chocolate Products Regulations 2003 (from memory)',
      ),
    );
  if (speaksOfFruit(facts.box.foodName))
    fields.push(
      field(
        'quid-fruit',
        'How much fruit',
        'check',
        'The name mentions fruit, so the label has to say what percentage of the food it is.',
        'Reg. (EU) 1169/2011 art. 22 (from memory)',
      ),
    );
  return fields;
}
