import { decimalSign } from '../quantity/index.js';

/** A number at the head of a text, how far it goes, and what about it must be asked. */
export interface ReadNumber {
  readonly value: number;
  /** The other end of a range. */
  readonly upTo: number | null;
  readonly length: number;
  /** What may be meant where the writing has two meanings; empty where it has one. */
  readonly either: readonly number[];
  /** Three digits behind a point or a comma, such as 1,500: thousands or thousandths. */
  readonly thousands: { readonly separator: ',' | '.'; readonly asDecimal: number } | null;
}

const vulgar: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
const VULGAR = `[${Object.keys(vulgar).join('')}]`;

const units: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
};
const tens: Readonly<Record<string, number>> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
const partWords: Readonly<Record<string, number>> = {
  half: 2,
  halves: 2,
  third: 3,
  quarter: 4,
  fourth: 4,
  fifth: 5,
  eighth: 8,
};
/** Words that numbers are said in, in the singular. */
export const numberWords: readonly string[] = [
  ...Object.keys(units),
  ...Object.keys(tens),
  ...Object.keys(partWords),
  'dozen',
  'couple',
];
const UNIT_WORD = Object.keys(units).join('|');
const TEN_WORD = Object.keys(tens).join('|');
const PART_WORD = '(half|halves|thirds?|quarters?|fourths?|fifths?|eighths?)';

const MEASURED = '(?=(?:of an? )?(?:cups?|pints?|pounds?|ounces?|lit(?:er|re)s?|tea|table|tsp|tbsp|lb|oz|stick))';
const VULGAR_HEAD = new RegExp(`^${VULGAR}`, 'u');
const TENS = new RegExp(`^(${TEN_WORD})(?:[- ](${UNIT_WORD}))?\\b`, 'i');
const UNITS = new RegExp(`^(${UNIT_WORD})\\b`, 'i');
const AND_PART = new RegExp(`^ and (?:an? |one )?${PART_WORD}\\b(?: of)?(?: an?)?`, 'i');
const AND_PARTS = new RegExp(`^ and (${UNIT_WORD})[- ]${PART_WORD}\\b(?: of)?(?: an?)?`, 'i');
const PARTS = new RegExp(`^[- ]${PART_WORD}\\b(?: of)?(?: (?:an?|one))?(?= |$)`, 'i');
const BARE_PART = new RegExp(`^${PART_WORD}\\b(?: of)?(?: (?:an?|one))?(?= |$)`, 'i');
const PARTED = new RegExp(`^(\\d) ${PART_WORD} ${MEASURED}(?:of an? )?`, 'i');

interface Plain {
  readonly value: number;
  readonly length: number;
  readonly thousands?: ReadNumber['thousands'];
}

const partOf = (word: string): number =>
  partWords[word.toLowerCase()] ?? partWords[word.toLowerCase().replace(/s$/, '')] ?? NaN;

/** `1/2`, `½`. */
function fraction(text: string): Plain | null {
  const sign = VULGAR_HEAD.exec(text)?.[0];
  if (sign !== undefined) return { value: vulgar[sign] ?? NaN, length: sign.length };
  const found = /^(\d{1,3}) ?[/⁄] ?(\d{1,3})(?![\d/])/.exec(text);
  if (!found || Number(found[2]) === 0) return null;
  return { value: Number(found[1]) / Number(found[2]), length: found[0].length };
}

/** `1`, `1.5`, `1,5`, `1 500`, `1,500`: digits with what stands between them. */
function digits(text: string): Plain | null {
  const spaced = /^\d{1,3}(?:[ '’]\d{3})+(?![\d.,])/.exec(text)?.[0];
  if (spaced !== undefined) return { value: Number(spaced.replace(/\D/g, '')), length: spaced.length };
  const grouped = /^\d{1,3}(?:([,.])\d{3})(?:\1\d{3})+(?!\d)/.exec(text)?.[0];
  if (grouped !== undefined) return { value: Number(grouped.replace(/\D/g, '')), length: grouped.length };
  const both = /^\d{1,3}(?:,\d{3})+\.\d+|^\d{1,3}(?:\.\d{3})+,\d+/.exec(text)?.[0];
  if (both !== undefined) {
    const decimal = both.lastIndexOf(both.includes(',') && both.lastIndexOf(',') > both.lastIndexOf('.') ? ',' : '.');
    return {
      value: Number(`${both.slice(0, decimal).replace(/\D/g, '')}.${both.slice(decimal + 1)}`),
      length: both.length,
    };
  }
  const found = /^(\d+)(?:([.,])(\d+))?|^([.,])(\d+)/.exec(text);
  if (!found) return null;
  const [whole, before = '0', sign, after, , bare] = found;
  if (bare !== undefined) return { value: Number(`0.${bare}`), length: whole.length };
  if (sign === undefined || after === undefined) return { value: Number(before), length: whole.length };
  const asDecimal = Number(`${before}.${after}`);
  const isThousands = after.length === 3 && before.length <= 3 && !before.startsWith('0');
  return {
    value: isThousands && sign === ',' ? Number(before + after) : asDecimal,
    length: whole.length,
    thousands: isThousands ? { separator: sign === ',' ? ',' : '.', asDecimal } : null,
  };
}

/** A number in figures: `2`, `1 1/2`, `1½`, `1-1/4`, `1 and 1/2`. */
function inFigures(text: string): Plain | null {
  const own = fraction(text);
  if (own) return own;
  const whole = digits(text);
  if (!whole) return null;
  if (!Number.isInteger(whole.value)) return whole;
  const rest = text.slice(whole.length);
  const join = /^(?:\s+(?:and|&|\+)\s+|\s*&\s*|-|‑|\s+|)/i.exec(rest)?.[0] ?? '';
  const part = fraction(rest.slice(join.length));
  // `1 1/2`, but not the second of two numbers such as `2 3/4-inch`.
  if (part && part.value < 1)
    return { value: whole.value + part.value, length: whole.length + join.length + part.length };
  return whole;
}

/** A whole number in words: `three`, `twenty-five`. */
function inWords(text: string): Plain | null {
  const ten = TENS.exec(text);
  if (ten?.[1] !== undefined)
    return {
      value: (tens[ten[1].toLowerCase()] ?? 0) + (units[(ten[2] ?? '').toLowerCase()] ?? 0),
      length: ten[0].length,
    };
  const unit = UNITS.exec(text)?.[0];
  return unit === undefined ? null : { value: units[unit.toLowerCase()] ?? 0, length: unit.length };
}

/** Reads a spoken amount: `half a`, `three quarters of a`, `two and a half`, `a couple of`, `a`. */
function spoken(text: string): Plain | null {
  const couple = /^(?:a )?(?:couple|pair)(?: of)?\b/i.exec(text)?.[0];
  if (couple !== undefined) return { value: 2, length: couple.length };
  const first =
    inWords(text) ?? (/^an?\b/i.test(text) ? { value: 1, length: /^an?/i.exec(text)?.[0].length ?? 1 } : null);
  if (first) {
    const rest = text.slice(first.length);
    const half = AND_PART.exec(rest);
    if (half?.[1] !== undefined) {
      // `two and three quarters` is the number of parts before the word.
      return { value: first.value + 1 / partOf(half[1]), length: first.length + half[0].length };
    }
    const several = AND_PARTS.exec(rest);
    if (several?.[1] !== undefined && several[2] !== undefined)
      return {
        value: first.value + (units[several[1].toLowerCase()] ?? 0) / partOf(several[2]),
        length: first.length + several[0].length,
      };
    const part = PARTS.exec(rest);
    if (part?.[1] !== undefined) return { value: first.value / partOf(part[1]), length: first.length + part[0].length };
    return first;
  }
  const bare = BARE_PART.exec(text);
  return bare?.[1] === undefined ? null : { value: 1 / partOf(bare[1]), length: bare[0].length };
}

const DOZEN = /^[ -]?(?:an? )?(?:dozens?|doz\.?|dzn?\.?)(?![a-z])(?: of\b)?/i;
const DOZEN_AND_PART = new RegExp(
  `^,? and (?:an? |one )?${PART_WORD}(?: (?:of )?(?:an? )?(?:dozen|doz\\.?|dzn?\\.?))?(?![a-z])(?: of\\b)?`,
  'i',
);

/** Reads one number that is no count of dozens. */
function simple(text: string): Plain | null {
  // `1 quarter cup`, `3 quarters of a cup`.
  const parted = PARTED.exec(text);
  if (parted?.[1] !== undefined && parted[2] !== undefined)
    return { value: Number(parted[1]) / partOf(parted[2]), length: parted[0].trimEnd().length };
  return inFigures(text) ?? spoken(text);
}

/** Reads one number without a range: `3`, `a dozen`, `two and a half dozen`, `a dozen and a half`. */
function single(text: string): Plain | null {
  const number = /^(?:do?z)/i.test(text) && DOZEN.test(text) ? { value: 1, length: 0 } : simple(text);
  const dozen = number && DOZEN.exec(text.slice(number.length));
  if (!dozen) return number;
  const length = number.length + dozen[0].length;
  const part = DOZEN_AND_PART.exec(text.slice(length));
  if (part?.[1] === undefined) return { value: 12 * number.value, length };
  return { value: 12 * (number.value + 1 / partOf(part[1])), length: length + part[0].length };
}

const RANGE = /^(?:\s*(?:-|–|—|‑)\s*|\s+(?:to|or|bis)\s+)/i;

/** Nobody writes a longer number; what is longer is none, so that reading takes no longer than in proportion to the text. */
const MOST_LENGTH = 200;

/**
 * Reads the number at the head of a text as people write it: figures with a decimal point or comma, fractions, mixed numbers with a space,
 * a hyphen or `and` between, words, dozens, ranges.
 * @returns null when the text begins with no number
 * @example readNumber('1-1/4 cups') // { value: 1.25, length: 5, ... }
 * @example readNumber('1,5 kg') // { value: 1.5, length: 3, ... }
 */
export function readNumber(text: string): ReadNumber | null {
  const number = headNumber(text.slice(0, MOST_LENGTH));
  return number && number.length === MOST_LENGTH ? null : number;
}

/** Figures alone, as far as they are typed: `5.`, `,5`. */
const FIGURES = /^(?:\d+[.,]?|\d*[.,]\d{1,2}|\d*[.,]\d{4,}|0?[.,]\d+)$/;

/**
 * Reads a number that stands in a field by itself: with its sign, in the kitchen's way of writing, and as people type it.
 * `1,250` has thousands where a point parts the decimals, and thousandths where a comma does.
 * @returns NaN when it is no number, or a range
 * @example typedNumber('1 1/2') // 1.5
 */
export function typedNumber(text: string): number {
  const bare = text
    .replace(/[\s\u00a0\u202f]+/g, ' ')
    .trim()
    // A blank between thousands.
    .replace(/(?<=^\D?\d{1,3}(?: \d{3})*) (?=\d{3}(?:$|[ .,]))/g, '');
  const sign = /^[-−+] ?/.exec(bare)?.[0] ?? '';
  const rest = bare.slice(sign.length);
  const signed = (value: number) => (/[-−]/.test(sign) ? -value : value);
  if (FIGURES.test(rest)) return signed(Number(rest.replace(',', '.')));
  const read = readNumber(rest);
  if (read?.length !== rest.length || read.upTo !== null || read.either.length > 0) return NaN;
  const { thousands, value } = read;
  if (!thousands) return signed(value);
  const isGroup = thousands.separator === ',' && decimalSign() === '.';
  return signed(isGroup ? thousands.asDecimal * 1000 : thousands.asDecimal);
}

function headNumber(text: string): ReadNumber | null {
  const first = single(text);
  if (!first) return null;
  const plain = {
    value: first.value,
    upTo: null,
    length: first.length,
    either: [],
    thousands: first.thousands ?? null,
  };
  const rest = text.slice(first.length);
  const range = RANGE.exec(rest)?.[0];
  const second = range === undefined ? null : single(rest.slice(range.length));
  if (range === undefined || !second) return plain;
  // `2 or more`, `1 to 1 ratio`; `14-oz` has no second number.
  if (second.value <= first.value) return plain;
  return { ...plain, upTo: second.value, length: first.length + range.length + second.length };
}
