import { usualDay, type DayChange } from '../kitchen/index.js';
import { addDays, roundToStep, toCelsius, weekday, type Day } from '../quantity/index.js';
import { readDay } from './day.js';

/** What a typed line says of the air of one day; null where it says nothing. */
export interface ForecastDay extends Pick<DayChange, 'day' | 'roomCelsius' | 'humidityPercent'> {
  readonly humid: boolean | null;
}

/** A forecast as it was typed in one line. */
export interface Forecast {
  /** Each day once, the earliest first. */
  readonly days: readonly ForecastDay[];
  /** Parts that were not understood, each with what is wrong. */
  readonly wrong: readonly { readonly text: string; readonly message: string }[];
}

const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
const weekdayPattern = '(?:sun|mon|tue|wed|thu|fri|sat)[a-z]*';
const SPAN = new RegExp(`^(${weekdayPattern})\\s*(?:-|–|to)\\s*(${weekdayPattern})\\b`, 'i');
const WEEKDAY = new RegExp(`^${weekdayPattern}$`, 'i');
const FIRST_WORD = new RegExp(`^${weekdayPattern}\\b`, 'i');
const NUMBER = String.raw`-?\d+(?:[.,]\d+)?`;
const DEGREES = new RegExp(
  String.raw`(?:(${NUMBER})\s*(?:-|–|to)\s*)?(${NUMBER})(?:\s*(?:°|deg(?:rees)?))?\s*(c|f)\b`,
  'i',
);
const HUMIDITY = new RegExp(String.raw`(${NUMBER})\s*(?:%|percent|rh\b)(?:\s*rh\b)?`, 'i');
const numberOf = (text: string): number => Number(text.replace(',', '.'));

const dayFrom = (name: string, from: Day): Day => {
  const wanted = WEEKDAYS.findIndex((each) => name.toLowerCase().startsWith(each));
  return addDays(from, (wanted - weekday(from) + 7) % 7);
};

/** The days that the beginning of a part names, and what stands after them. */
function daysOf(part: string, today: Day): { readonly days: Day[]; readonly rest: string } | null {
  const span = SPAN.exec(part);
  if (span) {
    const first = dayFrom(span[1] ?? '', today);
    const last = dayFrom(span[2] ?? '', first);
    const days: Day[] = [];
    for (let day = first; day <= last; day = addDays(day, 1)) days.push(day);
    return { days, rest: part.slice(span[0].length) };
  }
  // A date stands before the first temperature or humidity.
  const at = [DEGREES, HUMIDITY, /\b(?:not )?humid\b|\bdry\b/i].map((pattern) => pattern.exec(part)?.index ?? Infinity);
  const end = Math.min(part.length, ...at);
  const words = part.slice(0, end).replace(/:\s*$/, '').trim();
  // By itself a weekday is the next one, today among them.
  if (WEEKDAY.test(words)) return { days: [dayFrom(words, today)], rest: part.slice(end) };
  const read = readDay(words, today);
  if (read.day !== null) return { days: [read.day], rest: part.slice(end) };
  const named = FIRST_WORD.exec(part);
  return named ? { days: [dayFrom(named[0], today)], rest: part.slice(named[0].length) } : null;
}

/** What the rest of a part says of the air, or what is wrong with it. */
function airOf(rest: string): Omit<ForecastDay, 'day'> | string {
  const degrees = DEGREES.exec(rest);
  const humidity = HUMIDITY.exec(rest);
  let left = rest;
  for (const found of [degrees, humidity]) if (found) left = left.replace(found[0], ' ');
  const humid = /\bnot humid\b|\bdry\b/i.test(left) ? false : /\bhumid\b/i.test(left) ? true : null;
  left = left.replace(/\b(?:not )?humid\b|\bdry\b|\bhumidity\b|\band\b/gi, ' ');
  const stray = /-?\d+(?:[.,]\d+)?/.exec(left);
  if (stray) return `${stray[0]} of what? Say C, F or %.`;
  if (/[a-z]/i.test(left)) return `"${left.trim()}" was not understood.`;
  if (!degrees && !humidity && humid === null)
    return 'says nothing of the air: give a temperature, a humidity, or "humid".';
  // Of a span the warmer end counts: what must not be too warm must not be so at any hour.
  const warmest = degrees
    ? Math.max(...[degrees[1], degrees[2]].flatMap((text) => (text === undefined ? [] : [numberOf(text)])))
    : null;
  const celsius = warmest === null ? null : degrees?.[3]?.toLowerCase() === 'f' ? toCelsius(warmest) : warmest;
  if (celsius !== null && (celsius < -10 || celsius > 50)) return 'no kitchen is that cold or that warm.';
  const percent = humidity ? numberOf(humidity[1] ?? '') : null;
  if (percent !== null && (percent < 0 || percent > 100)) return 'a humidity is from 0 to 100 %.';
  return { roomCelsius: celsius === null ? null : roundToStep(celsius, 0.1), humidityPercent: percent, humid };
}

/**
 * Reads the forecast of some days from one line. A weekday is the next one from today on; of a span of temperatures the warmer end counts.
 * @example readForecast('Mon 22 C 45 %, Tue-Thu 79 F humid', '2026-11-29').days[0] // { day: '2026-11-30', roomCelsius: 22, humidityPercent: 45, humid: null }
 */
export function readForecast(text: string, today: Day): Forecast {
  const found = new Map<Day, ForecastDay>();
  const wrong: { text: string; message: string }[] = [];
  const parts = text
    .split(/[;\n]|,(?!\d)/)
    .map((part) => part.trim())
    .filter(Boolean);
  for (const part of parts) {
    const said = daysOf(part, today);
    if (!said) {
      wrong.push({ text: part, message: 'names no day: begin with a weekday or a date.' });
      continue;
    }
    const air = airOf(said.rest.replace(/^\s*:/, ''));
    if (typeof air === 'string') {
      wrong.push({ text: part, message: air });
      continue;
    }
    for (const day of said.days) {
      if (found.has(day)) wrong.push({ text: part, message: 'names a day that was named before.' });
      else found.set(day, { day, ...air });
    }
  }
  return { days: [...found.values()].sort((a, b) => (a.day < b.day ? -1 : 1)), wrong };
}

/**
 * Days with what a forecast says of their air; what it does not say of a day stays. What it says in a word alone takes the place of an earlier
 * number: a number goes before a word, and this word is the newer.
 */
export function withForecast(days: readonly DayChange[], forecast: readonly ForecastDay[]): DayChange[] {
  const known = new Map(days.map((each) => [each.day, each]));
  for (const { day, roomCelsius, humidityPercent, humid } of forecast) {
    const before = known.get(day) ?? usualDay(day);
    known.set(day, {
      ...before,
      roomCelsius: roomCelsius ?? before.roomCelsius,
      humidityPercent: humidityPercent ?? (humid === null ? before.humidityPercent : null),
      humid: humid ?? before.humid,
    });
  }
  return [...known.values()].sort((a, b) => (a.day < b.day ? -1 : 1));
}
