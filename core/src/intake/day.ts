import { addDays, dayNumber, daysBetween, sayDay, weekday, type Day } from '../quantity/index.js';
import { phraseBook, TypedLine } from './tokens.js';

/** Whether `5/12` is the fifth of December or the twelfth of May; unknown as long as nobody has said so. */
export type DayOrder = 'day first' | 'month first' | 'unknown';

/** A day that was read at a place of a typed text. */
export interface FoundDay {
  readonly from: number;
  readonly to: number;
  /** The days that may be meant: one when there is no doubt, none when the words are no day. */
  readonly choices: readonly Day[];
  /** Why it is asked; '' when there is no doubt. */
  readonly why: string;
}

const MONTHS = 'january february march april may june july august september october november december'.split(' ');
const WEEKDAYS = 'sunday monday tuesday wednesday thursday friday saturday'.split(' ');

/** Numbers from 0 of a list of names, with the short forms that people use. */
const numbered = (names: readonly string[], more: Readonly<Record<string, number>>): ReadonlyMap<string, number> =>
  new Map([
    ...names.flatMap((name, index): [string, number][] => [
      [name, index],
      [name.slice(0, 3), index],
    ]),
    ...Object.entries(more),
  ]);
const months = numbered(MONTHS, { sept: 8, janu: 0, febr: 1, decem: 11 });
const weekdays = numbered(WEEKDAYS, { tues: 2, weds: 3, wednes: 3, thur: 4, thurs: 4 });

/** Names of months that are words of their own: they are one only beside a number. */
const TWO_MEANINGS = new Set(['may', 'mar', 'march', 'jan', 'april', 'june', 'august']);
/** Before a month alone these say that a day of it is meant. */
const ofMonth = new Set([
  'in',
  'of',
  'early',
  'mid',
  'late',
  'end',
  'this',
  'next',
  'sometime',
  'during',
  'by',
  'until',
]);

/** Names of days and months that may be misspelled. */
export const dayNames: readonly string[] = [
  ...MONTHS.filter((name) => name.length > 4),
  ...WEEKDAYS,
  'tomorrow',
  'today',
  'christmas',
];

const ordinals = new Map(
  'first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth'
    .split(' ')
    .map((word, index) => [word, index + 1]),
);

/** Feasts with a date of their own. */
const feasts: ReadonlyMap<string, readonly [month: number, date: number]> = new Map([
  ['christmas eve', [12, 24]],
  ['xmas eve', [12, 24]],
  ['christmas day', [12, 25]],
  ['xmas day', [12, 25]],
  ['boxing day', [12, 26]],
  ['new years eve', [12, 31]],
  ['new year eve', [12, 31]],
  ['nye', [12, 31]],
  ['new years day', [1, 1]],
  ['halloween', [10, 31]],
  ['valentines day', [2, 14]],
  ['valentines', [2, 14]],
]);

/** Days that are named but not said: each is asked about. */
const loose: readonly string[] = [
  'christmas',
  'xmas',
  'new year',
  'asap',
  'as soon as possible',
  'end of the month',
  'end of month',
  'sometime',
  'some time',
  'whenever',
  'any day',
  'next week',
  'this week',
  'next month',
  'this month',
  'the weekend',
  'weekend',
];

/** Days that are near, and how many days later they are. */
const nearDays: ReadonlyMap<string, number> = new Map([
  ['the day after tomorrow', 2],
  ['day after tomorrow', 2],
  ['tomorrow', 1],
  ['tmrw', 1],
  ['tmr', 1],
  ['tomoz', 1],
  ['today', 0],
  ['tonight', 0],
  ...(['a week', 'week', 'one week', '1 week', 'a wk', 'wk'] as const).flatMap((week): [string, number][] => [
    [`${week} today`, 7],
    [`${week} from today`, 7],
    [`${week} tomorrow`, 8],
    [`${week} from tomorrow`, 8],
  ]),
  ['today week', 7],
  ['tomorrow week', 8],
  ['today a week', 7],
  ...(['a fortnight', 'fortnight', 'two weeks', '2 weeks', 'two wks', '2 wks'] as const).flatMap(
    (weeks): [string, number][] => [
      [`${weeks} today`, 14],
      [`${weeks} from today`, 14],
      [`${weeks} tomorrow`, 15],
      [`${weeks} from tomorrow`, 15],
    ],
  ),
  ['today fortnight', 14],
]);

const namedBook = phraseBook([...nearDays.keys(), ...feasts.keys(), ...loose]);

/** Before a day these do not change it. */
const harmless = new Set(['on', 'by', 'for', 'the', 'this', 'coming', 'of', 'in', 'at']);
/** Before a day these say that another one is meant. */
const shifting = new Set([
  'before',
  'after',
  'not',
  'except',
  'until',
  'till',
  'from',
  'between',
  'around',
  'about',
  'no',
]);

/** A day that is further ahead than this was hardly meant. */
const FAR_DAYS = 200;

const two = (value: number): string => String(value).padStart(2, '0');
const dayAt = (year: number, month: number, date: number): Day | null => {
  const day = `${String(year)}-${two(month)}-${two(date)}`;
  return Number.isFinite(dayNumber(day)) && new Date(`${day}T00:00:00Z`).toISOString().startsWith(day) ? day : null;
};

const yearOf = (day: Day): number => Number(day.slice(0, 4));

/** The day in that year; without a year the next one. */
function dayIn(year: number | null, month: number, date: number, today: Day): Day | null {
  if (year !== null) return dayAt(year, month, date);
  const thisYear = dayAt(yearOf(today), month, date);
  if (thisYear !== null && thisYear >= today) return thisYear;
  // The 29th of February waits for a year that has one.
  for (let later = 1; later <= 8; later++) {
    const day = dayAt(yearOf(today) + later, month, date);
    if (day !== null) return day;
  }
  return null;
}

/** The first such weekday from a day on. */
const weekdayFrom = (wanted: number, day: Day): Day => addDays(day, (wanted - weekday(day) + 7) % 7);

/** A date as it is written, whatever stands around it. */
interface Written {
  readonly to: number;
  /** Days that may be meant; empty for a date that no calendar has. */
  readonly days: readonly Day[];
  /** Whether a year was said. */
  readonly dated: boolean;
}

const wholeNumber = (line: TypedLine, index: number, most: number): number | null => {
  const text = line.at(index)?.text ?? '';
  const value = /^\d{1,4}$/.test(text) ? Number(text) : NaN;
  return value >= 1 && value <= most ? value : null;
};

/** `26` or `2026` after a date. */
function yearAt(line: TypedLine, index: number, today: Day): { year: number; to: number } | null {
  const at = skip(line, index, [',', '-', '/', '.']);
  const text = line.at(at)?.text ?? '';
  if (/^20\d\d$/.test(text)) return { year: Number(text), to: at + 1 };
  const short = /^\d\d$/.test(text) && at === index ? 2000 + Number(text) : NaN;
  const ends = at + 1 >= line.length || line.isParting(at + 1);
  return ends && (short === yearOf(today) || short === yearOf(today) + 1) ? { year: short, to: at + 1 } : null;
}

/** The date of a month: `12`, `12th`, `the twelfth`. */
function dateAt(line: TypedLine, index: number): { date: number; to: number; ordinal: boolean } | null {
  const at = line.at(index)?.word === 'the' ? index + 1 : index;
  const word = ordinals.get(line.at(at)?.word ?? '');
  if (word !== undefined) return { date: word, to: at + 1, ordinal: true };
  const date = /^\d{1,2}$/.test(line.at(at)?.text ?? '') ? Number(line.at(at)?.text) : null;
  if (date === null || !line.isFree(at)) return null;
  const suffix = line.at(at + 1);
  const ordinal = suffix !== undefined && !suffix.apart && /^(?:st|nd|rd|th)$/.test(suffix.word);
  return { date, to: ordinal ? at + 2 : at + 1, ordinal };
}

/** Passes over one of these words or marks; a hyphen, a slash or a point only where no space parts it from what follows. */
function skip(line: TypedLine, index: number, texts: readonly string[]): number {
  const token = line.at(index);
  if (!token || !texts.includes(token.word)) return index;
  const joins = !['-', '/'].includes(token.text) || (!token.apart && line.at(index + 1)?.apart === false);
  return joins ? index + 1 : index;
}

/** `20 Dec`, `20th of December 2026`, `Dec the 20th`. */
function withMonth(line: TypedLine, index: number, today: Day): Written | null {
  const monthAt = (at: number) => months.get(line.at(at)?.word ?? '');
  const build = (date: number, month: number, to: number): Written => {
    const year = yearAt(line, to, today);
    const day = dayIn(year?.year ?? null, month + 1, date, today);
    return { to: year?.to ?? to, days: day === null ? [] : [day], dated: year !== null };
  };
  const first = dateAt(line, index);
  if (first) {
    const at = skip(line, skip(line, first.to, ['-', '/', '.']), ['of']);
    const month = monthAt(at);
    // `the 12th. April Vale here`: the end of a sentence parts them.
    const parted = line.at(first.to)?.text === '.' && (first.ordinal || TWO_MEANINGS.has(line.at(at)?.word ?? ''));
    if (month !== undefined && !parted) return build(first.date, month, skip(line, at + 1, ['.']));
  }
  const month = monthAt(index);
  if (month === undefined) return null;
  const date = dateAt(line, skip(line, index + 1, ['.', '-', '/', ',']));
  if (date) return build(date.date, month, date.to);
  const isName = TWO_MEANINGS.has(line.at(index)?.word ?? '') && !ofMonth.has(line.at(index - 1)?.word ?? '');
  return isName ? null : { to: index + 1, days: [], dated: false };
}

/** `2026-12-20`, `20/12`, `20.12.26`, `12-20`. */
function inFigures(line: TypedLine, index: number, today: Day, order: DayOrder): Written | null {
  if (!line.isFree(index)) return null;
  const rest = line.text.slice(line.at(index)?.from ?? line.text.length);
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?!\d)/.exec(rest);
  const found = iso ?? /^(\d{1,2})([/.-])(\d{1,2})(?:\2(\d{4}|\d{2}))?(?![\d])/.exec(rest);
  if (!found) return null;
  const end = (line.at(index)?.from ?? 0) + found[0].length;
  let to = index;
  while (to < line.length && (line.at(to)?.to ?? 0) <= end) to++;
  if ((line.at(to - 1)?.to ?? 0) !== end) return null;
  if (iso) {
    const day = dayAt(Number(iso[1]), Number(iso[2]), Number(iso[3]));
    return { to, days: day === null ? [] : [day], dated: true };
  }
  const [, first = '', sign, second = '', years] = found;
  // `1/2 dozen` is a number.
  if (years === undefined && /^\s*(?:of )?(?:a )?(?:doz|dz)/i.test(rest.slice(found[0].length))) return null;
  // Only a slash or a year makes a date of two numbers: 2-3 is a range, and 1.5 a number.
  if (sign !== '/' && years === undefined && !(sign === '.' && rest.charAt(found[0].length) === '.')) return null;
  const year = years === undefined ? null : years.length === 2 ? 2000 + Number(years) : Number(years);
  const dayFirst = dayIn(year, Number(second), Number(first), today);
  const monthFirst = dayIn(year, Number(first), Number(second), today);
  const possible = [...(order === 'month first' ? [] : [dayFirst]), ...(order === 'day first' ? [] : [monthFirst])];
  const days = possible.filter((day): day is Day => day !== null);
  return { to: skip(line, to, ['.']), days: [...new Set(days)], dated: year !== null };
}

/** A date that is written in one of the ways in which dates are. */
const writtenAt = (line: TypedLine, index: number, today: Day, order: DayOrder): Written | null =>
  withMonth(line, index, today) ?? inFigures(line, index, today, order);

const found = (from: number, to: number, choices: readonly Day[], why = ''): FoundDay => ({
  from,
  to,
  choices: [...new Set(choices)].sort(),
  why: why || (choices.length === 1 ? '' : 'which day is meant?'),
});

/** `first Saturday of December`, `last Friday in Dec`. */
function nthWeekday(line: TypedLine, index: number, today: Day): FoundDay | null {
  const at = skip(line, index, ['the']);
  const word = line.at(at)?.word ?? '';
  const nth = word === 'last' ? -1 : ordinals.get(word);
  const wanted = weekdays.get(line.at(at + 1)?.word ?? '');
  const month = months.get(line.at(skip(line, at + 2, ['of', 'in']))?.word ?? '');
  if (nth === undefined || wanted === undefined || month === undefined) return null;
  const to = skip(line, at + 2, ['of', 'in']) + 1;
  const inYear = (year: number): Day | null => {
    const days = Array.from({ length: 31 }, (_each, date) => dayAt(year, month + 1, date + 1)).filter(
      (day): day is Day => day !== null && weekday(day) === wanted,
    );
    return days.at(nth > 0 ? nth - 1 : nth) ?? null;
  };
  const day = [inYear(yearOf(today)), inYear(yearOf(today) + 1)].find((each) => each !== null && each >= today);
  return found(index, to, day ? [day] : []);
}

/** A weekday, with a date beside it or without one. */
function weekdayAt(line: TypedLine, index: number, today: Day, order: DayOrder): FoundDay | null {
  const before = line.at(index)?.word ?? '';
  const said = before === 'this' || before === 'next' || before === 'nxt' || before === 'coming' ? before : '';
  const at = said === '' ? index : index + 1;
  const wanted = weekdays.get(line.at(at)?.word ?? '');
  if (wanted === undefined) return null;
  const name = line.at(at)?.text ?? '';
  let next = at + 1;
  if (line.at(next)?.text === '.' && !line.isParting(next)) next++;
  const comma = skip(line, next, [',']);
  const date = dateAt(line, comma);
  const written = writtenAt(line, comma, today, order) ?? writtenAt(line, skip(line, comma, ['the']), today, order);
  if (written && (written.days.length > 0 || date)) {
    const fitting = written.days.filter((day) => weekday(day) === wanted);
    if (fitting.length === 1) return found(index, written.to, fitting);
    const near = written.days.map((day) => weekdayFrom(wanted, addDays(day, -3)));
    return found(
      index,
      written.to,
      [...written.days, ...near],
      `that is no ${sayDay(weekdayFrom(wanted, today)).split(' ')[0] ?? name}`,
    );
  }
  const coming = weekdayFrom(wanted, today);
  if (
    date &&
    date.date <= 31 &&
    (date.ordinal || line.at(comma)?.word === 'the' || date.to >= line.length || line.isParting(date.to))
  ) {
    // `Saturday 12`, `Friday the 11th`: the next month in which the two agree.
    const days = Array.from({ length: FAR_DAYS }, (_each, later) => addDays(today, later));
    const day = days.find((each) => Number(each.slice(8)) === date.date);
    if (day !== undefined && weekday(day) === wanted) return found(index, date.to, [day]);
    return found(index, date.to, day === undefined ? [] : [day, coming], 'the weekday and the date do not agree');
  }
  const nextWeek = line.follows(next, 'next week') ?? line.follows(next, 'week');
  if (nextWeek !== null) {
    const isWeekOn = line.at(next)?.word === 'week';
    const monday = addDays(today, (8 - weekday(today)) % 7 || 7);
    const day = isWeekOn ? addDays(coming, 7) : weekdayFrom(wanted, monday);
    return found(index, nextWeek, [day]);
  }
  if (said === 'next' || said === 'nxt')
    return found(index, next, [coming, addDays(coming, 7)], 'this week or the next?');
  return coming === today && said === ''
    ? found(index, next, [today, addDays(today, 7)], 'today or in a week?')
    : found(index, next, [coming]);
}

/** `today`, `day after tomorrow`, `in two weeks`, a feast. */
function byName(line: TypedLine, index: number, today: Day): FoundDay | null {
  const named = line.phraseAt(index, namedBook);
  if (named) {
    const { phrase, to } = named;
    const later = nearDays.get(phrase);
    if (later !== undefined) return found(index, to, [addDays(today, later)]);
    const feast = feasts.get(phrase);
    const day = feast ? dayIn(null, feast[0], feast[1], today) : null;
    return day === null ? found(index, to, [], 'which day is that?') : found(index, to, [day]);
  }
  const count = wholeNumber(line, index + 1, 52);
  const unit = line.at(index + 2)?.one;
  if (line.at(index)?.word === 'in' && count !== null && (unit === 'day' || unit === 'week'))
    return found(index, index + 3, [addDays(today, unit === 'week' ? 7 * count : count)]);
  return null;
}

/** `the 12th` alone: in the next month that has one. */
function dateAlone(line: TypedLine, index: number, today: Day): FoundDay | null {
  const date = dateAt(line, index);
  if (!date?.ordinal || date.date < 1) return null;
  // `second box`, `first order`: an ordinal in words counts only after `the`, and before nothing that it could count.
  const inWords = ordinals.has(line.at(date.to - 1)?.word ?? '');
  if (inWords && !(line.at(index)?.word === 'the' && (date.to >= line.length || line.isParting(date.to)))) return null;
  const day = Array.from({ length: 62 }, (_each, later) => addDays(today, later)).find(
    (each) => Number(each.slice(8)) === date.date,
  );
  return found(index, date.to, day === undefined ? [] : [day]);
}

const sayFar = (days: readonly Day[], today: Day, dated: boolean): string =>
  !dated && days.some((day) => daysBetween(today, day) > FAR_DAYS) ? 'that has passed this year' : '';

/** The day that begins at a token, if one does. */
function dayBeginningAt(line: TypedLine, index: number, today: Day, order: DayOrder): FoundDay | null {
  const token = line.at(index);
  if (!token || token.kind === 'mark' || !line.isFree(index)) return null;
  const read = nthWeekday(line, index, today) ?? weekdayAt(line, index, today, order) ?? byName(line, index, today);
  if (read) return read;
  const written = writtenAt(line, index, today, order);
  if (!written) return dateAlone(line, index, today);
  const { to, days, dated } = written;
  // A weekday behind the date must agree with it.
  const behind = skip(line, to, [',', '(']);
  const wanted = weekdays.get(line.at(behind)?.word ?? '');
  if (wanted !== undefined && line.isFree(behind)) {
    const end = skip(line, behind + 1, [')']);
    const fitting = days.filter((day) => weekday(day) === wanted);
    if (fitting.length === 1) return found(index, end, fitting);
    return found(index, end, days, 'the weekday and the date do not agree');
  }
  return found(index, to, days, days.length === 0 ? 'that is no day' : sayFar(days, today, dated));
}

/** The date of a range or a choice that ends with a day. */
function numberBefore(line: TypedLine, index: number): { date: number; from: number } | null {
  if (!/^(?:or|to|and|&|-|–|\/)$/.test(line.at(index - 1)?.word ?? '')) return null;
  const suffix = /^(?:st|nd|rd|th)$/.test(line.at(index - 2)?.word ?? '') ? 1 : 0;
  const at = index - 2 - suffix;
  const date = line.isFree(at) ? wholeNumber(line, at, 31) : null;
  const between = /^between$/.test(line.at(at - 1)?.word ?? '') ? 1 : 0;
  return date === null || line.at(at)?.kind !== 'number' ? null : { date, from: at - between };
}

/**
 * Every day that a typed text names, in order, each with the words around it that say how it is meant. What is taken away already is
 * passed over.
 */
export function findDays(line: TypedLine, today: Day, order: DayOrder): FoundDay[] {
  const days: FoundDay[] = [];
  for (let index = 0; index < line.length; index++) {
    const day = dayBeginningAt(line, index, today, order);
    if (!day) continue;
    let { from, why } = day;
    while (from > 0 && line.isFree(from - 1) && harmless.has(line.at(from - 1)?.word ?? '')) from--;
    // `10 or 11 Dec`, `12-14 December`: the first is a day as well.
    const other = numberBefore(line, from);
    const [last] = day.choices;
    if (other !== null && last !== undefined && day.choices.length === 1) {
      const first = `${last.slice(0, 8)}${two(other.date)}`;
      days.push({ from: other.from, to: day.to, choices: [first, last], why: 'which day is meant?' });
      index = day.to - 1;
      continue;
    }
    const word = line.at(from - 1)?.word ?? '';
    const shifted = line.isFree(from - 1) && shifting.has(word);
    let { choices } = day;
    if (shifted) {
      from--;
      why = `“${line.said(from, day.to)}”: which day is meant?`;
      const [only] = choices;
      if (only !== undefined && (word === 'before' || word === 'until' || word === 'till'))
        choices = [addDays(only, -1), only];
      if (only !== undefined && (word === 'after' || word === 'from')) choices = [only, addDays(only, 1)];
    }
    days.push({ from, to: day.to, choices, why });
    index = day.to - 1;
  }
  return days;
}

/** A day that was read, or the days that may be meant; none when there is no day in the words. */
export interface ReadDay {
  readonly day: Day | null;
  readonly choices: readonly Day[];
}

/**
 * Reads a text that is a day and nothing else: `20 Dec`, `2026-12-20`, `Sat 12 December`, `20/12`. A day without a year is the next one.
 * @returns several choices for a day such as 5/12 as long as nobody has said which number is the month, none for what is no day
 */
export function readDay(text: string, today: Day, order: DayOrder = 'unknown'): ReadDay {
  const line = new TypedLine(text);
  const [day, ...others] = findDays(line, today, order);
  if (!day || others.length > 0) return { day: null, choices: [] };
  line.claim(day.from, day.to, 'day');
  const whole = line.tokens.every((token, index) => !line.isFree(index) || harmless.has(token.word));
  const choices = whole ? day.choices : [];
  return { day: choices.length === 1 && day.why === '' ? (choices[0] ?? null) : null, choices };
}
