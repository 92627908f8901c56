import { schoolNames } from '../../kitchen/index.js';
import { allergens, type Allergen } from '../../ingredient/index.js';
import { allergenSpans, listSpans } from '../list.js';
import { quantityInName } from '../quid.js';
import { joinSpans, plain, type Span } from '../span.js';
import { commonFields, field } from '../required.js';
import type { ListEntry } from '../ingredients.js';
import type { DeclaredText, DisplayPanel, LabelSchool, ToDeclare } from '../school.js';
import { LITTLE_WATER, metricQuantity, SAME_SHARE, sayEuropeanDay } from './european.js';

/** Required names by code. Source: FSANZ Standard 1.2.3 and schedule 9 (as restated in the design; from memory). */
const required: Partial<Record<Allergen, string>> = {
  wheat: 'wheat',
  rye: 'rye',
  barley: 'barley',
  oats: 'oats',
  crustacean: 'crustacean',
  crab: 'crustacean',
  crayfish: 'crustacean',
  lobster: 'crustacean',
  shrimp: 'crustacean',
  mollusc: 'mollusc',
  egg: 'egg',
  fish: 'fish',
  anchovy: 'fish',
  bass: 'fish',
  cod: 'fish',
  flounder: 'fish',
  haddock: 'fish',
  pollock: 'fish',
  salmon: 'fish',
  tilapia: 'fish',
  tuna: 'fish',
  lupin: 'lupin',
  milk: 'milk',
  peanut: 'peanut',
  soy: 'soy',
  sesame: 'sesame',
  almond: 'almond',
  brazil: 'Brazil nut',
  cashew: 'cashew',
  hazelnut: 'hazelnut',
  macadamia: 'macadamia',
  pecan: 'pecan',
  'pine-nut': 'pine nut',
  pistachio: 'pistachio',
  walnut: 'walnut',
  'black-walnut': 'walnut',
  'california-walnut': 'walnut',
  heartnut: 'walnut',
  sulfites: 'sulphites',
};
const gluten: readonly Allergen[] = ['wheat', 'rye', 'barley', 'oats'];

const listed = (code: Allergen): boolean => required[code] !== undefined;
const nameOf = (code: Allergen): string => required[code] ?? allergens[code].name.toLowerCase();

/** Water is left out only where it is less than 5 % of the food. Source: FSANZ Standard 1.2.4, section 4 (from memory). */
const withoutLittleWater = (list: readonly ListEntry[]): ListEntry[] =>
  list.filter(({ isWater, per100 }) => !isWater || per100 >= LITTLE_WATER - SAME_SHARE);

/**
 * The statement names wheat, and gluten for whichever cereal brings it: rye, barley and oats by gluten alone.
 * Source: FSANZ Standard 1.2.3 and schedule 9, column 4 (from memory).
 */
function statement(codes: readonly Allergen[]): Span[] {
  const names = allergenSpans(
    codes.filter((code) => code === 'wheat' || !gluten.includes(code)),
    nameOf,
    true,
  );
  if (!codes.some((code) => gluten.includes(code))) return names;
  const own = [{ ...plain('gluten'), strong: true }];
  return names.length === 0 ? own : joinSpans([names, own]);
}

function declare({ foodName, list, contains, mayContain }: ToDeclare): DeclaredText[] {
  const style = {
    standsOut: (code: Allergen) => required[code],
    share: (entry: ListEntry) => quantityInName(foodName, entry, 'halves below five'),
  };
  return [
    { kind: 'ingredients', heading: 'Ingredients:', spans: listSpans(withoutLittleWater(list), style) },
    { kind: 'contains', heading: 'Contains:', spans: statement(contains.filter(listed)) },
    {
      kind: 'also',
      heading: 'Also contains:',
      spans: allergenSpans(
        contains.filter((code) => !listed(code)),
        nameOf,
      ),
    },
    { kind: 'may', heading: 'May be present:', spans: allergenSpans(mayContain, nameOf, true) },
  ];
}

/** Least height of the net quantity by the longest side of the package: [up to mm, mm]. Source: National Trade Measurement Regulations 2009, 4.19 (from memory). */
const netHeights: readonly (readonly [upTo: number, mm: number])[] = [
  [120, 2],
  [230, 2.5],
  [360, 3.3],
  [Infinity, 4.8],
];
/** The law says "legible" and no figure; this is what elsewhere is the least. */
const LEGIBLE_MM = 1.2;

const netLetterMm = ({ widthMm, heightMm }: DisplayPanel): number =>
  netHeights.find(([upTo]) => Math.max(widthMm, heightMm) <= upTo)?.[1] ?? 4.8;

/**
 * The label of Australia and New Zealand: ingredients by ingoing weight, required names in bold in the list and in a statement of their own.
 * Sources: FSANZ Standards 1.2.1 to 1.2.5, 1.2.10 and schedule 9. An estimate that defers to the local authority.
 */
export const anz: LabelSchool = {
  name: schoolNames.anz,
  languages: ['English'],
  listed,
  declare,
  dates: ({ madeOn, bestBefore }) => `Made ${sayEuropeanDay(madeOn)}. Best before ${sayEuropeanDay(bestBefore)}.`,
  netQuantity: metricQuantity,
  netLetterMm,
  textLetterMm: () => LEGIBLE_MM,
  warnings: (contains) =>
    contains.includes('honey') ? ['Contains honey: not suitable for infants under 12 months.'] : [],
  required: (facts) => [
    ...commonFields(facts),
    field(
      'origin',
      'Country of origin',
      'check',
      'In Australia most food for sale says where it is from.',
      'Country of Origin Food Labelling Information Standard 2016',
    ),
    ...(facts.facts.contains.includes('alcohol')
      ? [
          field(
            'alcohol-statement',
            'Alcohol above 1.15 %',
            'check',
            'Above 1.15 % alcohol by volume the label has to say how much. Have it tested if you can’t be sure.',
            'FSANZ Standard 2.7.1',
          ),
        ]
      : []),
    field(
      'nutrition',
      'Nutrition panel',
      'check',
      'Needed on most packaged food; what is made and packed where it is sold, or sold to raise money, may be free of it.',
      'FSANZ Standard 1.2.8',
    ),
  ],
};
