import { parseIngredient, type Ingredient as Parsed } from 'parse-ingredient';
import type { MeasureHabit } from '../kitchen/index.js';
import type { UnitCode } from '../quantity/index.js';
import {
  regional,
  saidRegion,
  plainUnits,
  smallMeasures,
  packWords,
  vagueWords,
  countWords,
  additionalUOMs,
} from './words.js';

/** A size that stands beside the measure, such as that of a can. */
export interface Size {
  readonly amount: number;
  readonly unit: UnitCode;
}

/** What one line says, before anything is looked up in the pantry. */
export interface Measure {
  /** Null where the line says no number. */
  readonly amount: number | null;
  /** The other end of a range. */
  readonly upTo: number | null;
  /** Null where the word is no unit that can be measured. */
  readonly unit: UnitCode | null;
  /** The word for a pack, such as `can`; its size is in `size`, if the line says it. */
  readonly pack: string | null;
  readonly size: Size | null;
  /** Everything after the measure. */
  readonly rest: string;
  /** What was taken for granted, for the maker to see. */
  readonly remarks: readonly string[];
  /** What must be asked. */
  readonly questions: readonly string[];
}

const numberWords: Readonly<Record<string, string>> = {
  a: '1',
  an: '1',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
  dozen: '12',
};

const options = { additionalUOMs, normalizeUOM: true, round: false, descriptionMeasurements: true } as const;

const STICK_GRAMS = 113.4;

/** Words in place of figures, dashes, and what stands before the measure, made plain. */
function tidy(line: string): { text: string; region: MeasureHabit | null; about: boolean; uncertain: string | null } {
  let text = line
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    // A dash before a space is a bullet; before a number it may be a sign.
    .replace(/^\s*(?:[-–—]+\s+|[•*·▢□☐]+\s*)/u, '')
    .replace(/(\d)\s*(?:and|&)\s*(\d+\s*\/\s*\d+|[½⅓⅔¼¾⅛⅜⅝⅞])/giu, '$1 $2')
    .replace(/(\d)\s*°/g, '$1°')
    .replace(/(\d\s*(?:g|kg|oz|lb|ml|l))\/(?=\d)/gi, '$1 / ')
    .replace(/\s+/g, ' ')
    .trim();
  const about = /^(?:about|approx(?:imately|\.)?|around|roughly|ca\.?|c\.)\s/i.test(text);
  text = text.replace(/^(?:about|approx(?:imately|\.)?|around|roughly|ca\.?|c\.)\s+/i, '');
  text = text
    .replace(/^half (?:of )?an? /i, '1/2 ')
    .replace(/^half /i, '1/2 ')
    .replace(/^(?:a |one )?quarter (?:of )?(?:an? )?/i, '1/4 ')
    .replace(/^(?:a |one )?third (?:of )?(?:an? )?/i, '1/3 ')
    .replace(/^(?:three quarters|three-quarters) (?:of )?(?:an? )?/i, '3/4 ')
    .replace(/^(?:two thirds|two-thirds) (?:of )?(?:an? )?/i, '2/3 ')
    .replace(/^(\w+) and a half /i, (whole, first: string) =>
      numberWords[first.toLowerCase()] ? `${numberWords[first.toLowerCase()] ?? ''} 1/2 ` : whole,
    )
    .replace(/^(\d+|a|one)? ?dozen /i, (_whole, count?: string) => `${12 * (Number(count) || 1)} `)
    .replace(/^(\w+) /, (whole, first: string) => {
      const figure = numberWords[first.toLowerCase()];
      return figure ? `${figure} ` : whole;
    });
  const regionWord = /^([\d\s./½⅓⅔¼¾⅛⅜⅝⅞–-]+)\b(us|american|imperial|uk|british|australian|metric) /i.exec(text);
  if (regionWord?.[2]) text = text.replace(new RegExp(`${regionWord[2]} `, 'i'), '');
  const level = /^([\d\s./½⅓⅔¼¾⅛⅜⅝⅞–-]+)(heaped|heaping|rounded|scant|generous|good|level|big|hefty) /i.exec(text);
  if (level?.[2]) text = text.replace(new RegExp(`${level[2]} `, 'i'), '');
  return {
    text,
    region: regionWord?.[2] ? (saidRegion[regionWord[2].toLowerCase()] ?? null) : null,
    about,
    uncertain: level?.[2] && level[2].toLowerCase() !== 'level' ? level[2].toLowerCase() : null,
  };
}

const regionalUnit = (id: string, habit: MeasureHabit): UnitCode | null => regional[id]?.[habit] ?? null;

/** A known unit of a measurement, with its multiplier. */
function unitOf(id: string | null, habit: MeasureHabit): readonly [UnitCode, number] | null {
  if (id === null) return null;
  const region = regionalUnit(id, habit);
  if (region) return [region, 1];
  const small = smallMeasures[id];
  if (small !== undefined) return [regionalUnit('teaspoon', habit) ?? 'tsp', small];
  return plainUnits[id] ?? null;
}

const SIZE = /(\d+(?:[.,]\d+)?)\s*-?\s*(g|kg|oz|ounces?|lbs?|pounds?|ml|l|grams?|fl\.? ?oz)\b\.?/i;
const sizeUnits: Readonly<Record<string, UnitCode>> = {
  g: 'g',
  gram: 'g',
  kg: 'kg',
  oz: 'oz',
  ounce: 'oz',
  lb: 'lb',
  pound: 'lb',
  ml: 'ml',
  l: 'l',
};

/** A size written beside a pack, such as `(354 mL)` or `14-oz`. */
function sizeIn(text: string, habit: MeasureHabit): Size | null {
  const found = SIZE.exec(text);
  if (!found?.[1] || !found[2]) return null;
  const name = found[2].toLowerCase().replace(/\.| /g, '');
  const unit = name.startsWith('fl') ? regionalUnit('fluid ounce', habit) : sizeUnits[name.replace(/s$/, '')];
  return unit ? { amount: Number(found[1].replace(',', '.')), unit } : null;
}

const nothing = { amount: null, upTo: null, unit: null, pack: null, size: null };

/** `2 x 100 g bars`, `2 (14-oz) cans`: so many packs of a size. */
function packsOfSize(text: string, habit: MeasureHabit): Measure | null {
  const words = packWords.join('|');
  const patterns = [
    new RegExp(`^(\\d+)\\s*[x×]\\s*(${SIZE.source})\\s*(?:(${words})(?:e?s)?\\b)?\\s*(?:of )?(.*)$`, 'i'),
    new RegExp(`^(\\d+)(?:\\s+|\\s*\\()(${SIZE.source})\\)?\\s*(?:(${words})(?:e?s)?\\b)\\s*(?:of )?(.*)$`, 'i'),
  ];
  for (const pattern of patterns) {
    const [, count, sizeText, , , pack, rest] = pattern.exec(text) ?? [];
    const size = sizeText === undefined ? null : sizeIn(sizeText, habit);
    if (count !== undefined && size)
      return {
        ...nothing,
        amount: Number(count),
        pack: pack?.toLowerCase() ?? 'pack',
        size,
        rest: rest ?? '',
        remarks: [],
        questions: [],
      };
  }
  return null;
}

/** The second of two ways in which the same amount is written, `200 g / 7 oz` or `200 g (7 oz)`. */
const otherWriting =
  /^\s*(?:\/|\(|or )\s*(?:about |approx\.? )?[\d½⅓⅔¼¾⅛⅜⅝⅞][\d\s./½⅓⅔¼¾⅛⅜⅝⅞-]*(?:g|kg|oz|lbs?|ml|l|cups?|tbsps?|tsps?|tablespoons?|teaspoons?|fl\.? ?oz|ounces?|pounds?|grams?|pints?|sticks?)\b\.?\)?\s*/i;

/** `1 lb 4 oz`: a second amount of a smaller unit straight after the first. */
const andSmaller = /^(?:and )?([\d./½⅓⅔¼¾⅛⅜⅝⅞]+)\s*(oz|ounces?|g|tbsps?|tablespoons?|tsps?|teaspoons?|ml)\b\.?\s*/i;

/** `400 g tin of`: the pack's word after its size. */
const leadingPack = new RegExp(`^(?:${packWords.join('|')})(?:e?s)?\\b\\s*(?:of )?`, 'i');

/** Adds `4 oz` to `1 lb`, both kinds being of one sort. */
function compound(
  parsed: Parsed,
  unit: readonly [UnitCode, number],
  habit: MeasureHabit,
): { amount: number; unit: UnitCode; rest: string } | null {
  const found = andSmaller.exec(parsed.description);
  if (!found || parsed.quantity === null) return null;
  const [second] = parseIngredient(`${found[1] ?? ''} ${found[2] ?? ''} x`, options);
  const smaller = second && unitOf(second.unitOfMeasureID, habit);
  if (!second?.quantity || !smaller) return null;
  const inSmaller: Partial<Record<UnitCode, Partial<Record<UnitCode, number>>>> = {
    lb: { oz: 16 },
    kg: { g: 1000 },
    l: { ml: 1000 },
    cup: { tbsp: 16, tsp: 48 },
    tbsp: { tsp: 3 },
    'metric-tbsp': { 'metric-tsp': 3 },
    'australian-tbsp': { 'metric-tsp': 4 },
    'imperial-pint': { 'imperial-floz': 20 },
  };
  const times = inSmaller[unit[0]]?.[smaller[0]];
  if (times === undefined) return null;
  return {
    amount: parsed.quantity * unit[1] * times + second.quantity * smaller[1],
    unit: smaller[0],
    rest: parsed.description.slice(found[0].length),
  };
}

/** The measure of a line that names a pack, a stick, or something that cannot be measured. */
function byWord(id: string, amount: number, parsed: Parsed, habit: MeasureHabit): Partial<Measure> {
  if (packWords.includes(id)) return { pack: id, size: sizeIn(parsed.description, habit) };
  if (id === 'stick')
    return /butter|margarine/i.test(parsed.description)
      ? { amount: amount * STICK_GRAMS, unit: 'g', remarks: ['A stick of butter is 113.4 g.'] }
      : { questions: ['A stick is a measure of butter only: how much is meant?'] };
  if (vagueWords.includes(id))
    return { questions: [`“${parsed.unitOfMeasure ?? id}” is no measure: how much is meant?`] };
  return countWords.includes(id)
    ? { unit: 'count' }
    : { questions: [`“${parsed.unitOfMeasure ?? id}” is no unit here: how much is meant?`] };
}

/**
 * Reads the measure at the head of one line as people write it: numbers in figures, fractions or words, ranges, units of
 * three regions, packs, sticks, pinches.
 *
 * @param habit what a cup and a spoon are where the line does not say
 * @returns never a guess without a remark; what cannot be known stands in `questions`
 */
export function readMeasure(line: string, habit: MeasureHabit): Measure {
  const { text, region, about, uncertain } = tidy(line);
  const where = region ?? habit;
  const remarks = [...(about ? ['“About” was read as the number itself.'] : [])];
  const questions = uncertain ? [`“${uncertain}”: how much is meant?`] : [];
  const packs = packsOfSize(text, where);
  if (packs) return { ...packs, remarks };
  const [parsed] = parseIngredient(text, options);
  if (!parsed) return { ...nothing, rest: text, remarks, questions };
  if (parsed.quantity === null)
    return { ...nothing, rest: text, remarks, questions: [...questions, 'No amount: how much is meant?'] };
  if (parsed.quantity === 0) questions.push('Nothing of it: how much is meant?');

  const measure = {
    ...nothing,
    amount: parsed.quantity,
    upTo: parsed.quantity2,
    rest: parsed.description,
    remarks,
    questions,
  };
  const id = parsed.unitOfMeasureID;
  const unit = unitOf(id, where);
  if (unit) {
    const both = compound(parsed, unit, where);
    if (both) return { ...measure, ...both };
    const second = otherWriting.exec(parsed.description);
    if (second) measure.rest = parsed.description.slice(second[0].length);
    measure.rest = measure.rest.replace(leadingPack, '');
    if (id !== null && smallMeasures[id] !== undefined)
      remarks.push(`A ${id} was read as 1/${String(1 / smallMeasures[id])} tsp.`);
    return {
      ...measure,
      amount: parsed.quantity * unit[1],
      upTo: parsed.quantity2 === null ? null : parsed.quantity2 * unit[1],
      unit: unit[0],
    };
  }
  if (id === null) return { ...measure, unit: 'count' };
  const more = byWord(id, parsed.quantity, parsed, where);
  return {
    ...measure,
    ...more,
    remarks: [...remarks, ...(more.remarks ?? [])],
    questions: [...questions, ...(more.questions ?? [])],
  };
}
