import type { MeasureHabit } from '../kitchen/index.js';
import type { UnitCode } from '../quantity/index.js';
import { countWords, packWords, plainUnits, regional, smallMeasures, vagueWords } from './words.js';

/** What a word behind a number is. */
export type UnitWord =
  | { readonly kind: 'unit'; readonly unit: UnitCode; readonly times: number; readonly name: string }
  | { readonly kind: 'small'; readonly unit: UnitCode; readonly times: number; readonly name: string }
  | { readonly kind: 'pack' | 'vague' | 'count' | 'stick' | 'sheet'; readonly name: string };

/** A unit at the head of a text. */
export interface ReadUnit {
  readonly word: UnitWord;
  readonly length: number;
}

/** Ways of writing each unit. Those of one letter are told apart by being large or small. */
const spellings: Readonly<Record<string, readonly string[]>> = {
  milligram: ['mg', 'milligram', 'milligrams'],
  kilogram: ['kg', 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms', 'kilogramme', 'kilogrammes'],
  gram: ['g', 'gr', 'grs', 'gm', 'gms', 'gram', 'grams', 'gramme', 'grammes'],
  ounce: ['oz', 'ozs', 'ounce', 'ounces'],
  pound: ['lb', 'lbs', 'pound', 'pounds', '#'],
  milliliter: ['ml', 'mls', 'milliliter', 'milliliters', 'millilitre', 'millilitres', 'cc'],
  centiliter: ['cl', 'centiliter', 'centiliters', 'centilitre', 'centilitres'],
  deciliter: ['dl', 'deciliter', 'deciliters', 'decilitre', 'decilitres'],
  liter: ['l', 'lt', 'ltr', 'ltrs', 'liter', 'liters', 'litre', 'litres'],
  'fluid ounce': [
    'fl oz',
    'fl. oz',
    'fl.oz',
    'floz',
    'fluid ounce',
    'fluid ounces',
    'fluid oz',
    'fl ounces',
    'fl ounce',
  ],
  cup: ['c', 'cup', 'cups', 'cupful', 'cupfuls'],
  tablespoon: [
    'tbsp',
    'tbsps',
    'tbs',
    'tb',
    'tblsp',
    'tblsps',
    'tbspn',
    'tablespoon',
    'tablespoons',
    'tablespoonful',
    // As German and French recipes write it.
    'el',
    'esslöffel',
    'c. à soupe',
    'c. à s.',
    'c.à.s.',
    'c à soupe',
    'càs',
    'cuillère à soupe',
    'cuillères à soupe',
    'tablespoonfuls',
  ],
  teaspoon: [
    'tsp',
    'tsps',
    'tspn',
    'teaspoon',
    'teaspoons',
    'teaspoonful',
    'teaspoonfuls',
    'tl',
    'teelöffel',
    'c. à café',
    'c. à c.',
    'c.à.c.',
    'c à café',
    'càc',
    'cuillère à café',
    'cuillères à café',
  ],
  dessertspoon: ['dsp', 'dspn', 'dstspn', 'dessertspoon', 'dessertspoons'],
  pint: ['pt', 'pts', 'pint', 'pints'],
  quart: ['qt', 'qts', 'quart', 'quarts'],
  gallon: ['gal', 'gals', 'gallon', 'gallons'],
  dash: ['dash', 'dashes'],
  pinch: ['pinch', 'pinches', 'prise', 'prisen', 'pincée', 'pincées'],
};

const plural = (word: string): string[] => [
  word,
  /(?:x|ch|sh|s)$/.test(word) ? `${word}es` : `${word}s`,
  ...(word === 'leaf' ? ['leaves'] : []),
];

type Known = { readonly spelling: string; readonly name: string; readonly kind: UnitWord['kind'] | 'measure' };

const known: readonly Known[] = [
  ...Object.entries(spellings).flatMap(([name, list]) =>
    list.map((spelling): Known => ({ spelling, name, kind: 'measure' })),
  ),
  ...packWords.flatMap((name) => plural(name).map((spelling): Known => ({ spelling, name, kind: 'pack' }))),
  ...['pkt', 'pkts'].map((spelling): Known => ({ spelling, name: 'packet', kind: 'pack' })),
  ...['pkg', 'pkgs'].map((spelling): Known => ({ spelling, name: 'package', kind: 'pack' })),
  ...vagueWords.flatMap((name) => plural(name).map((spelling): Known => ({ spelling, name, kind: 'vague' }))),
  ...countWords.flatMap((name) => plural(name).map((spelling): Known => ({ spelling, name, kind: 'count' }))),
  ...plural('stick').map((spelling): Known => ({ spelling, name: 'stick', kind: 'stick' })),
  ...['sheet', 'leaf'].flatMap((name) => plural(name).map((spelling): Known => ({ spelling, name, kind: 'sheet' }))),
].sort((a, b) => b.spelling.length - a.spelling.length);

const escape = (text: string): string => text.replace(/\./g, '\\.');
const UNIT = new RegExp(`^(${known.map(({ spelling }) => escape(spelling)).join('|')})(?![\\p{L}\\d'’])\\.?`, 'iu');
const bySpelling = new Map(known.map((each) => [each.spelling, each]));

/** The unit that a name stands for where a recipe comes from; null for a name that is no measure. */
function measureOf(name: string, habit: MeasureHabit): UnitWord | null {
  const region = regional[name]?.[habit];
  if (region) return { kind: 'unit', unit: region, times: 1, name };
  const small = smallMeasures[name];
  if (small !== undefined) return { kind: 'small', unit: regional['teaspoon']?.[habit] ?? 'tsp', times: small, name };
  const plain = plainUnits[name];
  return plain ? { kind: 'unit', unit: plain[0], times: plain[1], name } : null;
}

/**
 * Reads the unit at the head of a text.
 * @param habit what a cup and a spoon are where the text does not say
 * @returns null when the first word is no unit: then what follows is counted
 */
export function readUnit(text: string, habit: MeasureHabit): ReadUnit | null {
  // A large T is a tablespoon, a small one a teaspoon.
  const letter = /^([Tt])(?![\p{L}\d'’])\.?/u.exec(text);
  if (letter) {
    const word = measureOf(letter[1] === 'T' ? 'tablespoon' : 'teaspoon', habit);
    return word && { word, length: letter[0].length };
  }
  const found = UNIT.exec(text);
  const each = found?.[1] === undefined ? undefined : bySpelling.get(found[1].toLowerCase());
  if (!found || !each) return null;
  const word: UnitWord | null =
    each.kind === 'measure' ? measureOf(each.name, habit) : { kind: each.kind as 'pack', name: each.name };
  return word && { word, length: found[0].length };
}
