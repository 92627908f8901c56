import { schoolNames } from '../../kitchen/index.js';
import { allergens, type Allergen } from '../../ingredient/index.js';
import type { Day } from '../../quantity/index.js';
import { openWayOut } from '../../finding/index.js';
import { frenchFor } from '../french.js';
import { allergenSpans, entrySpans, type ListStyle } from '../list.js';
import { commonFields, field, neededField } from '../required.js';
import { joinSpans, plain, type Span } from '../span.js';
import type { ListEntry } from '../ingredients.js';
import type { DeclaredText, DisplayPanel, LabelSchool, ToDeclare } from '../school.js';
import { metricQuantity } from './european.js';

interface Named {
  readonly english: string;
  readonly french: string;
}
const named = (english: string, french: string): Named => ({ english, french });

/** What is named, in both languages. From memory. */
const names: Readonly<Record<Allergen, Named>> = {
  milk: named('milk', 'lait'),
  egg: named('eggs', 'œufs'),
  fish: named('fish', 'poisson'),
  anchovy: named('anchovy', 'anchois'),
  bass: named('bass', 'bar'),
  cod: named('cod', 'morue'),
  flounder: named('flounder', 'plie'),
  haddock: named('haddock', 'aiglefin'),
  pollock: named('pollock', 'goberge'),
  salmon: named('salmon', 'saumon'),
  tilapia: named('tilapia', 'tilapia'),
  tuna: named('tuna', 'thon'),
  crustacean: named('crustaceans', 'crustacés'),
  crab: named('crab', 'crabe'),
  crayfish: named('crayfish', 'écrevisse'),
  lobster: named('lobster', 'homard'),
  shrimp: named('shrimp', 'crevettes'),
  mollusc: named('molluscs', 'mollusques'),
  almond: named('almonds', 'amandes'),
  'black-walnut': named('black walnuts', 'noix noires'),
  brazil: named('Brazil nuts', 'noix du Brésil'),
  'california-walnut': named('walnuts', 'noix'),
  cashew: named('cashews', 'noix de cajou'),
  hazelnut: named('hazelnuts', 'noisettes'),
  heartnut: named('walnuts (heartnuts)', 'noix (noix du Japon)'),
  macadamia: named('macadamia nuts', 'noix de macadamia'),
  pecan: named('pecans', 'pacanes'),
  'pine-nut': named('pine nuts', 'pignons'),
  pistachio: named('pistachios', 'pistaches'),
  walnut: named('walnuts', 'noix'),
  peanut: named('peanuts', 'arachides'),
  wheat: named('wheat', 'blé'),
  soy: named('soy', 'soja'),
  sesame: named('sesame', 'sésame'),
  barley: named('barley', 'orge'),
  rye: named('rye', 'seigle'),
  oats: named('oats', 'avoine'),
  sulfites: named('sulphites', 'sulfites'),
  mustard: named('mustard', 'moutarde'),
  celery: named('celery', 'céleri'),
  lupin: named('lupin', 'lupin'),
  coconut: named('coconut', 'noix de coco'),
  alcohol: named('alcohol', 'alcool'),
  'alcohol-carrier': named('alcohol of a flavouring', 'alcool d’un arôme'),
  gelatin: named('gelatin', 'gélatine'),
  honey: named('honey', 'miel'),
  beeswax: named('beeswax', 'cire d’abeille'),
  shellac: named('shellac', 'gomme-laque'),
  carmine: named('carmine', 'carmin'),
  meat: named('meat or animal fat', 'viande ou gras animal'),
};

/** Priority allergens, gluten sources and sulphites; celery and lupin are not among them. Source: Food and Drug Regulations B.01.010.1 (as restated in the design; from memory). */
const listed = (code: Allergen): boolean => {
  const { family } = allergens[code];
  return (
    (family !== 'other' && family !== 'alcohol' && family !== 'animal') || code === 'mustard' || code === 'mollusc'
  );
};

/** What a list calls sugars. Source: Food and Drug Regulations B.01.001 and B.01.008.3 (from memory). */
const SUGARS =
  /\b(?:sugars?|(?:corn|glucose|fructose|maple|agave|rice|malt|golden|invert|date|cane)(?:[- ]\w+)? syrup|syrup|honey|molasses|treacle|dextrose|fructose|glucose|maltose|juice concentrate)\b/i;
const isSugar = ({ labelName }: ListEntry): boolean =>
  SUGARS.test(labelName) && !/\bvinegar|caramel\b/i.test(labelName);

type Language = keyof Named;
const words: Readonly<
  Record<Language, Readonly<Record<'ingredients' | 'sugars' | 'contains' | 'also' | 'may', string>>>
> = {
  english: {
    ingredients: 'Ingredients:',
    sugars: 'Sugars',
    contains: 'Contains:',
    also: 'Also contains:',
    may: 'May contain:',
  },
  french: {
    ingredients: 'Ingrédients :',
    sugars: 'Sucres',
    contains: 'Contient :',
    also: 'Contient aussi :',
    may: 'Peut contenir :',
  },
};

const inFrench = (english: string, french: string): string => french || frenchFor(english) || english;

const styles: Readonly<Record<Language, ListStyle>> = {
  english: {},
  french: {
    name: ({ labelName, french }) => inFrench(labelName, french),
    partName: ({ name, french }) => inFrench(name, french),
  },
};

/** The list with all sugars together, where all of them by weight have their place. */
function grouped(list: readonly ListEntry[], language: Language): Span[] {
  const style = styles[language];
  const sugars = list.filter(isSugar);
  const weight = sugars.reduce((sum, { grams }) => sum + grams, 0);
  const spans = (entry: ListEntry) => ({ grams: entry.grams, spans: entrySpans(entry, style) });
  const together =
    sugars.length === 0
      ? []
      : [
          {
            grams: weight,
            spans: [
              plain(`${words[language].sugars} (`),
              ...joinSpans(sugars.map((entry) => entrySpans(entry, style))),
              plain(')'),
            ],
          },
        ];
  const all = [...list.filter((entry) => !isSugar(entry)).map(spans), ...together].sort((a, b) => b.grams - a.grams);
  return joinSpans(all.map((each) => each.spans));
}

function declareIn(language: Language, { list, contains, mayContain }: ToDeclare): DeclaredText[] {
  const nameOf = (code: Allergen) => names[code][language];
  const heading = words[language];
  return [
    { kind: 'ingredients', heading: heading.ingredients, spans: grouped(list, language) },
    { kind: 'contains', heading: heading.contains, spans: allergenSpans(contains.filter(listed), nameOf) },
    {
      kind: 'also',
      heading: heading.also,
      spans: allergenSpans(
        contains.filter((code) => !listed(code)),
        nameOf,
      ),
    },
    { kind: 'may', heading: heading.may, spans: allergenSpans(mayContain, nameOf) },
  ];
}

/** Months in both languages at once. Source: Food and Drug Regulations B.01.007 (from memory). */
const MONTHS = ['JA', 'FE', 'MR', 'AL', 'MA', 'JN', 'JL', 'AU', 'SE', 'OC', 'NO', 'DE'];
const sayDay = (day: Day): string => `${day.slice(0, 4)} ${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''} ${day.slice(8)}`;

/** Least height of the net quantity by the area of the front: [up to cm2, mm]. Source: Consumer Packaging and Labelling Regulations, 14 (from memory). */
const netHeights: readonly (readonly [upTo: number, mm: number])[] = [
  [32, 1.6],
  [258, 3.2],
  [645, 6.4],
  [2580, 9.5],
  [Infinity, 12.7],
];
const netLetterMm = ({ widthMm, heightMm }: DisplayPanel): number =>
  netHeights.find(([upTo]) => (widthMm * heightMm) / 100 <= upTo)?.[1] ?? 12.7;
const TEXT_MM = 1.6;

/** Names that have no French yet. */
const untranslated = (list: readonly ListEntry[]): string[] => [
  ...new Set(
    list.flatMap(({ labelName, french, parts }) => [
      ...(french || frenchFor(labelName) ? [] : [labelName]),
      ...parts.flatMap((part) => (part.french || frenchFor(part.name) ? [] : [part.name])),
    ]),
  ),
];

/**
 * The label of Canada, in English and French: sugars together, priority allergens, gluten sources and sulphites in a statement, grams.
 * Sources: Food and Drug Regulations B.01.007 to B.01.010.3; Consumer Packaging and Labelling Regulations. An estimate that defers to the local authority.
 */
export const canada: LabelSchool = {
  name: schoolNames.canada,
  languages: ['English', 'French'],
  listed,
  declare: (food) => [...declareIn('english', food), ...declareIn('french', food)],
  dates: ({ madeOn, bestBefore }) =>
    `Made / Fait le ${sayDay(madeOn)}. Best before / Meilleur avant ${sayDay(bestBefore)}.`,
  netQuantity: metricQuantity,
  netLetterMm,
  textLetterMm: () => TEXT_MM,
  warnings: (contains) =>
    contains.includes('honey')
      ? [
          'Contains honey: not for infants under one year. / Contient du miel : ne convient pas aux nourrissons de moins d’un an.',
        ]
      : [],
  required: (facts) => {
    const missing = untranslated(facts.list);
    return [
      ...commonFields(facts),
      neededField(
        'french',
        'French',
        missing.length > 0 ? 'missing' : 'check',
        missing.length > 0
          ? `Say in French too, at the ingredient: ${missing.join(', ')}.`
          : 'Names that you did not write yourself are suggestions: have them checked.',
        'Food and Drug Regulations B.01.012',
      ),
      neededField(
        'food-french',
        'Name of the food in French',
        facts.facts.box.foodNameFrench === '' ? 'missing' : 'there',
        facts.facts.box.foodNameFrench || 'Say the name of the food in French, at the box.',
        'Food and Drug Regulations B.01.012',
        openWayOut({ noun: 'box', id: facts.facts.box.id, name: facts.facts.box.name }),
      ),
      field(
        'statement-french',
        'Home-kitchen statement in French',
        facts.book.kitchen.label.statementFrench === '' ? 'check' : 'there',
        facts.book.kitchen.label.statementFrench || 'Where your local code asks for it, say it under Design.',
        'Local code',
      ),
      field(
        'nutrition',
        'Nutrition facts',
        'check',
        'Needed on most packaged food; small makers who sell direct may be free of it.',
        'Food and Drug Regulations B.01.401',
      ),
    ];
  },
};
