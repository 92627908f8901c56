import type { MeasureHabit } from '../kitchen/index.js';
import { units, type UnitCode } from '../quantity/index.js';
import { readNumber, type ReadNumber } from './number.js';
import { readUnit } from './units.js';
import { packWords, saidRegion } from './words.js';

/** An amount in a unit. */
export interface Amount {
  readonly amount: number;
  readonly unit: UnitCode;
}

/** What one line says, before anything is looked up in the pantry. */
export interface Measure {
  /** Null where the line says no number, or none that can be relied on. */
  readonly amount: number | null;
  /** The other end of a range. */
  readonly upTo: number | null;
  /** Null where the word is no unit that can be measured. */
  readonly unit: UnitCode | null;
  /** The same amount in other words, as it stands beside it in brackets or behind a stroke. */
  readonly others: readonly Amount[];
  /** What is added to it in another kind of measure: `1 cup plus 5 g`. */
  readonly plus: readonly Amount[];
  /** The word for a pack, such as `can`; its size is in `size`, if the line says it. */
  readonly pack: string | null;
  readonly size: Amount | null;
  /** Amounts that may be meant where the writing has several meanings. */
  readonly either: readonly Amount[];
  /** Whether it is sheets that are counted: they weigh what the maker's sheets weigh. */
  readonly sheets: boolean;
  /** Everything else, without the measure. */
  readonly rest: string;
  /** What was taken for granted, for the maker to see. */
  readonly remarks: readonly string[];
  /** What must be asked. */
  readonly questions: readonly string[];
}

const STICK_GRAMS = 113.4;

const nothing: Measure = {
  amount: null,
  upTo: null,
  unit: null,
  others: [],
  plus: [],
  pack: null,
  size: null,
  either: [],
  sheets: false,
  rest: '',
  remarks: [],
  questions: [],
};

const ABOUT = /^(?:about\b|approx(?:imately|\.)?|around\b|roughly|circa|ca\b\.?|c\.(?=\s)|~)\s*/i;
const LEVELS = /^(heaped|heaping|rounded|scant|generous|good|level|big|hefty|rough|full)\s+/i;
const REGIONS = new RegExp(`^(${Object.keys(saidRegion).join('|')})\\s+`, 'i');

/** Without bullets, boxes to tick and the spaces of typesetters. */
const tidy = (line: string): string =>
  line
    .replace(/[\u00a0\u2002-\u200a\u202f]/g, ' ')
    // A dash before a space is a bullet; before a number it may be a sign.
    .replace(/^\s*(?:[-–—]+\s+|[•*·▢□☐]+\s*|\[[ x]?\]\s*)/u, '')
    .replace(/\s+/g, ' ')
    .trim();

/** What the words of a line are understood by: where its cups come from, and whether it is of butter, so that a stick is a measure. */
interface From {
  readonly habit: MeasureHabit;
  readonly butter: boolean;
}

/** A number and a unit that measures mass or volume, at the head of a text. */
interface Measured {
  readonly number: ReadNumber;
  readonly amount: Amount;
  readonly name: string;
  readonly small: boolean;
  readonly length: number;
}

function measured(text: string, from: From): Measured | null {
  const about = ABOUT.exec(text)?.[0].length ?? 0;
  const number = readNumber(text.slice(about));
  if (!number) return null;
  const gap = /^\s*-?\s*/.exec(text.slice(about + number.length))?.[0].length ?? 0;
  const at = about + number.length + gap;
  const region = REGIONS.exec(text.slice(at));
  const where =
    region?.[1] === undefined ? from : { ...from, habit: saidRegion[region[1].toLowerCase()] ?? from.habit };
  const start = at + (region?.[0].length ?? 0);
  const unit = readUnit(text.slice(start), where.habit);
  if (unit?.word.kind === 'stick' && from.butter)
    return {
      number,
      amount: { amount: number.value * STICK_GRAMS, unit: 'g' },
      name: 'stick',
      small: false,
      length: start + unit.length,
    };
  if (!unit || (unit.word.kind !== 'unit' && unit.word.kind !== 'small')) return null;
  const { unit: code, times, name, kind } = unit.word;
  return {
    number,
    amount: { amount: number.value * times, unit: code },
    name,
    small: kind === 'small',
    length: start + unit.length,
  };
}

const PACKS = `(?:${packWords.join('|')}|pkt|pkg)(?:e?s)?`;
const LEADING_PACK = new RegExp(`^\\s*(${PACKS})\\b\\.?\\s*(?:of\\s+)?`, 'i');
const singularPack = (word: string): string => {
  const lower = word.toLowerCase();
  return packWords.find((each) => each === lower || `${each}s` === lower || `${each}es` === lower) ?? 'pack';
};

/** `2 x 100 g bars`, `2 (14-oz) cans`, `2 14-ounce cans`, `1 1/4-ounce package`: so many packs of a size. */
function packsOfSize(text: string, from: From): Measure | null {
  const count = /^(\d{1,3}|one|two|three|four|five|six)(\s*[x×*]\s*|\s*\(\s*|\s+)/i.exec(text);
  const [whole = '', word = '', sign = ''] = count ?? [];
  const number = String(readNumber(word)?.value ?? '');
  const size = count ? measured(text.slice(whole.length), from) : null;
  if (!size || size.number.upTo !== null) return null;
  let rest = text.slice(whole.length + size.length);
  const bracket = sign.trim() === '(';
  if (bracket) {
    const close = /^\.?\s*\)\s*/.exec(rest)?.[0];
    if (close === undefined) return null;
    rest = rest.slice(close.length);
  }
  const pack = LEADING_PACK.exec(rest);
  const times = /[x×*]/.test(sign);
  if (!pack && !times) return null;
  const base = {
    ...nothing,
    amount: Number(number),
    pack: pack?.[1] === undefined ? 'pack' : singularPack(pack[1]),
    size: size.amount,
    rest: rest.slice(pack?.[0].length ?? 0).trim(),
  };
  // `1 1/4-ounce package` is a package of a quarter of an ounce, or one and a quarter ounces.
  const mixed = !bracket && !times ? readNumber(text) : null;
  if (mixed && mixed.length > word.length && size.number.value < 1) {
    const either = [
      { amount: Number(number) * size.amount.amount, unit: size.amount.unit },
      { amount: (mixed.value / size.number.value) * size.amount.amount, unit: size.amount.unit },
    ];
    return {
      ...base,
      amount: null,
      size: null,
      pack: null,
      either,
      questions: ['It may be read in two ways: how much is meant?'],
    };
  }
  return base;
}

/** How many of a smaller unit make a larger one, for amounts such as `1 lb 4 oz`. */
const inSmaller: Partial<Record<UnitCode, Partial<Record<UnitCode, number>>>> = {
  lb: { oz: 16 },
  kg: { g: 1000 },
  l: { ml: 1000 },
  cup: { tbsp: 16, tsp: 48 },
  tbsp: { tsp: 3 },
  pint: { floz: 16, cup: 2 },
  quart: { cup: 4, pint: 2 },
  'metric-tbsp': { 'metric-tsp': 3 },
  'australian-tbsp': { 'metric-tsp': 4 },
  'imperial-pint': { 'imperial-floz': 20 },
  'imperial-quart': { 'imperial-pint': 2 },
};

/** Two amounts as one, in the smaller unit of the two; null when they are no measures of one kind. */
function sumOf(a: Amount, b: Amount): Amount | null {
  if (a.unit === b.unit) return { amount: a.amount + b.amount, unit: a.unit };
  const own = inSmaller[a.unit]?.[b.unit];
  if (own !== undefined) return { amount: a.amount * own + b.amount, unit: b.unit };
  const [left, right] = [units[a.unit], units[b.unit]];
  if (left.measures !== right.measures || left.measures === 'count') return null;
  const base: UnitCode = left.measures === 'mass' ? 'g' : 'ml';
  return { amount: a.amount * left.base + b.amount * right.base, unit: base };
}

interface Sum {
  readonly total: Amount;
  readonly plus: readonly Amount[];
  readonly length: number;
}

/** What is added to an amount: `1 lb 4 oz`, `1/3 cup + 1 tbsp`, `1 cup plus 5 g`. */
function added(text: string, first: Amount, from: From): Sum {
  let total = first;
  const plus: Amount[] = [];
  let length = 0;
  for (;;) {
    const join = /^\s*(?:\+|plus\b|and\b|&|,)?\s*/i.exec(text.slice(length))?.[0] ?? '';
    const more = measured(text.slice(length + join.length), from);
    if (!more) break;
    const isSaid = /\+|plus/i.test(join);
    const smaller = inSmaller[total.unit]?.[more.amount.unit] !== undefined;
    // Behind a comma or `and` only a smaller measure goes on: what else has an amount is another ingredient.
    if (!isSaid && !smaller) break;
    const sum = sumOf(total, more.amount);
    if (sum) total = sum;
    else plus.push(more.amount);
    length += join.length + more.length;
  }
  return { total, plus, length };
}

/** The same amount once more, straight behind the first: `(200 g)`, `/ 7 oz`, `= 250 ml`, `or 200 g`. */
function writtenAgain(text: string, from: From): { others: readonly Amount[]; length: number } {
  const others: Amount[] = [];
  let length = 0;
  for (;;) {
    const rest = text.slice(length);
    const bracket = bracketed(rest, from);
    if (bracket) {
      others.push(...bracket.others);
      length += bracket.length;
      continue;
    }
    const join = /^\s*(?:\/|=|or\b|\|)\s*/i.exec(rest)?.[0];
    const more = join === undefined ? null : measured(rest.slice(join.length), from);
    if (join === undefined || !more) break;
    others.push(more.amount);
    length += join.length + more.length;
  }
  return { others, length };
}

/** A bracket with nothing but measures in it. */
function bracketed(text: string, from: From): { others: readonly Amount[]; length: number } | null {
  const open = /^\s*[([]\s*/.exec(text)?.[0];
  if (open === undefined) return null;
  const others: Amount[] = [];
  let at = open.length;
  for (;;) {
    const more = measured(text.slice(at), from);
    if (!more) return null;
    const sum = added(text.slice(at + more.length), more.amount, from);
    if (sum.plus.length > 0) return null;
    others.push(sum.total);
    at += more.length + sum.length;
    const next = /^\s*(?:\/|=|or\b|,|;|\|)\s*/i.exec(text.slice(at))?.[0];
    if (next !== undefined) {
      at += next.length;
      continue;
    }
    const close = /^\s*(?:each\s*)?[)\]]\s*/i.exec(text.slice(at));
    if (!close || /each/i.test(close[0])) return null;
    return { others, length: at + close[0].length };
  }
}

/** Brackets with measures that stand further on: `1 cup sugar (200 g), sifted`. */
function withoutBrackets(text: string, from: From): { rest: string; others: readonly Amount[] } {
  const others: Amount[] = [];
  let rest = '';
  for (let at = 0; at < text.length;) {
    const bracket = text[at] === '(' || text[at] === '[' ? bracketed(text.slice(at), from) : null;
    if (bracket) {
      others.push(...bracket.others);
      at += bracket.length;
      rest += ' ';
    } else rest += text[at++] ?? '';
  }
  return {
    rest: rest
      .replace(/\s+/g, ' ')
      .replace(/\s+([,;])/g, '$1')
      .trim(),
    others,
  };
}

const sayAmount = (value: number): string => String(Number(value.toPrecision(6)));

/** Thousands or thousandths: what is asked where `1,500` may be both. */
function thousandsIn(number: ReadNumber, unit: UnitCode): Pick<Measure, 'either' | 'questions' | 'remarks'> {
  const plain = { either: [], questions: [], remarks: [] as string[] };
  const { thousands, value } = number;
  if (!thousands) return plain;
  const asThousands = thousands.asDecimal * 1000;
  const small = unit === 'g' || unit === 'ml' || unit === 'count';
  if (thousands.separator === ',' && small)
    return { ...plain, remarks: [`Read as ${sayAmount(value)}: the comma parts thousands.`] };
  if (thousands.separator === '.' && !small) return plain;
  return {
    ...plain,
    either: [
      { amount: thousands.asDecimal, unit },
      { amount: asThousands, unit },
    ],
    questions: [`Is it ${sayAmount(thousands.asDecimal)} or ${sayAmount(asThousands)}?`],
  };
}

/** The measure of a line whose unit is a pack, a stick, a sheet, or a word that cannot be measured. */
function byWord(kind: string, name: string, amount: number, rest: string, from: From): Partial<Measure> {
  switch (kind) {
    case 'pack': {
      const bracket = bracketed(rest, from);
      const size = bracket?.others[0] ?? null;
      const after = bracket ? rest.slice(bracket.length) : rest;
      return { pack: name, size, unit: null, rest: after };
    }
    case 'stick':
      return /butter|margarine/i.test(rest)
        ? { amount: amount * STICK_GRAMS, unit: 'g', remarks: ['A stick of butter is 113.4 g.'] }
        : { amount: null, questions: ['A stick is a measure of butter only: how much is meant?'] };
    case 'sheet':
      return { unit: 'count', sheets: true };
    case 'count':
      return { unit: 'count' };
    default:
      return { amount: null, questions: [`“${name}” is no measure: how much is meant?`] };
  }
}

/** An amount at the end of a line: `Granulated sugar: 200 g`, `Butter 1 cup`. */
function atTheEnd(text: string, from: From): { head: string; tail: string } | null {
  for (const found of text.matchAll(/[\s:–—,-]+(?=[\d½⅓⅔¼¾⅛⅜⅝⅞.,~])/gu)) {
    const tail = text.slice(found.index + found[0].length);
    const amount = measured(tail, from);
    const head = text.slice(0, found.index);
    // What stands between two figures parts no amount from a name.
    if (!amount || /[\d½⅓⅔¼¾⅛⅜⅝⅞]$/u.test(head)) continue;
    const sum = added(tail.slice(amount.length), amount.amount, from);
    const again = writtenAgain(tail.slice(amount.length + sum.length), from);
    const after = tail.slice(amount.length + sum.length + again.length);
    if (/^\s*(?:$|[,;(])/.test(after)) return { head, tail };
  }
  return null;
}

/** The measure of a text that begins with a number. */
function fromNumber(text: string, number: ReadNumber, from: From): Measure {
  const questions: string[] = [];
  let at = number.length;
  at += /^\s*-?\s*/.exec(text.slice(at))?.[0].length ?? 0;
  if (/^of\s+/i.test(text.slice(at))) at += 3;
  const level = LEVELS.exec(text.slice(at));
  at += level?.[0].length ?? 0;
  if (level?.[1] !== undefined && !/^(?:level|full)$/i.test(level[1]))
    questions.push(`“${level[1].toLowerCase()}”: how much is meant?`);
  const region = REGIONS.exec(text.slice(at));
  at += region?.[0].length ?? 0;
  const where =
    region?.[1] === undefined ? from : { ...from, habit: saidRegion[region[1].toLowerCase()] ?? from.habit };
  if (number.value === 0) questions.push('Nothing of it: how much is meant?');
  const unit = readUnit(text.slice(at), where.habit);
  // Without a unit it is counted, as far as a word goes on.
  if (!unit) {
    const counted = thousandsIn(number, 'count');
    const rest = text.slice(level || region ? at : number.length).trim();
    return {
      ...nothing,
      ...counted,
      amount: counted.questions.length > 0 ? null : number.value,
      upTo: number.upTo,
      unit: 'count',
      rest,
      questions: [...questions, ...counted.questions],
    };
  }
  at += unit.length;
  const { word } = unit;
  if (word.kind !== 'unit' && word.kind !== 'small') {
    const rest = text.slice(at).replace(/^\s*(?:of\b)?\s*/i, '');
    const more = byWord(word.kind, word.name, number.value, rest, where);
    const bracket =
      more.pack === undefined ? withoutBrackets(more.rest ?? rest, from) : { rest: more.rest ?? rest, others: [] };
    return {
      ...nothing,
      amount: number.value,
      upTo: number.upTo,
      ...more,
      ...bracket,
      questions: [...questions, ...(more.questions ?? [])],
    };
  }
  // `a cup and a half`
  const behind = /^\s+and (?:an? )?(half|third|quarter)\b/i.exec(text.slice(at));
  const extra = behind?.[1] === undefined ? 0 : 1 / ({ half: 2, third: 3, quarter: 4 }[behind[1].toLowerCase()] ?? 1);
  at += behind?.[0].length ?? 0;
  const first = { amount: (number.value + extra) * word.times, unit: word.unit };
  const sum = added(text.slice(at), first, where);
  at += sum.length;
  const again = writtenAgain(text.slice(at), from);
  at += again.length;
  const pack = LEADING_PACK.exec(text.slice(at));
  at += pack?.[0].length ?? 0;
  const { rest, others } = withoutBrackets(text.slice(at).replace(/^\s*(?:of\b)?\s*/i, ''), from);
  const thousands = thousandsIn(number, word.unit);
  return {
    ...nothing,
    amount: thousands.questions.length > 0 ? null : sum.total.amount,
    upTo: number.upTo === null ? null : number.upTo * word.times,
    unit: sum.total.unit,
    plus: sum.plus,
    others: [...again.others, ...others],
    either: thousands.either,
    rest,
    remarks: [
      ...thousands.remarks,
      ...(word.kind === 'small' ? [`A ${word.name} was read as 1/${String(1 / word.times)} tsp.`] : []),
    ],
    questions: [...questions, ...thousands.questions],
  };
}

/**
 * Reads the measure of one line as people write it: numbers in figures, fractions or words, with decimal points or commas, ranges, sums,
 * the same amount in brackets, units of four regions, packs, sticks, pinches; at the head of the line or at its end.
 *
 * Every character of an amount is accounted for: it is in `amount` and its unit, in `others`, in `plus`, or asked about.
 * @param habit what a cup and a spoon are where the line does not say
 * @returns never a guess without a remark; what cannot be known stands in `questions`, and then `amount` is null unless it is sure
 */
export function readMeasure(line: string, habit: MeasureHabit): Measure {
  return readTidy(tidy(line), { habit, butter: /\b(?:butter|margarine)\b/i.test(line) });
}

function readTidy(whole: string, from: From): Measure {
  const about = ABOUT.exec(whole)?.[0].length ?? 0;
  const text = whole.slice(about);
  const remarks = about > 0 ? ['“About” was read as the number itself.'] : [];
  const packs = packsOfSize(text, from);
  if (packs) return { ...packs, remarks: [...remarks, ...packs.remarks] };
  const number = readNumber(text);
  if (number) {
    const measure = fromNumber(text, number, from);
    return { ...measure, remarks: [...remarks, ...measure.remarks] };
  }
  if (/^[-+−]\s*\d/.test(text))
    return { ...nothing, rest: text, questions: ['An amount has no sign: how much is meant?'] };
  // `pinch of salt` is one.
  const bare = readUnit(text, from.habit);
  if (bare?.word.kind === 'small') {
    const one = readTidy(`1 ${text}`, from);
    return { ...one, remarks: [...remarks, ...one.remarks] };
  }
  const end = atTheEnd(text, from);
  if (end) {
    const measure = readTidy(end.tail, from);
    return {
      ...measure,
      rest: [end.head.replace(/[\s:–—,-]+$/, ''), measure.rest.replace(/^[\s,;]+/, '')].filter(Boolean).join(', '),
    };
  }
  const bracket = /[([](?=[^)\]]*[)\]]\s*$)/.exec(text);
  const inside = bracket && bracketed(text.slice(bracket.index), from);
  if (bracket && inside) {
    const measure = readTidy(text.slice(bracket.index + 1).replace(/\s*[)\]]\s*$/, ''), from);
    return { ...measure, rest: text.slice(0, bracket.index).trim() };
  }
  return { ...nothing, rest: text, remarks, questions: ['No amount: how much is meant?'] };
}
