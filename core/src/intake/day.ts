import { parse } from 'chrono-node';
import { dayNumber, type Day } from '../quantity/index.js';

/** Whether `5/12` is the fifth of December or the twelfth of May; unknown as long as nobody has said so. */
export type DayOrder = 'day first' | 'month first' | 'unknown';

/** A day that was read, or the days that may be meant; none when there is no day in the words. */
export interface ReadDay {
  readonly day: Day | null;
  readonly choices: readonly Day[];
  /** The words that were the day, to be taken out of the text. */
  readonly words: string;
}

const two = (value: number): string => String(value).padStart(2, '0');
const isDay = (day: Day): boolean =>
  Number.isFinite(dayNumber(day)) && new Date(`${day}T00:00:00Z`).toISOString().startsWith(day);

const numeric = /\b(\d{1,2})[/.](\d{1,2})(?:[/.](\d{2}|\d{4}))?(?=\s|$|[,;])\.?/;

/** The day in that year, or the next one when it has passed and no year is said. */
function dayIn(year: string | undefined, month: number, date: number, today: Day): Day | null {
  const at = (full: number): Day => `${full}-${two(month)}-${two(date)}`;
  if (year !== undefined) {
    const day = at(year.length === 2 ? 2000 + Number(year) : Number(year));
    return isDay(day) ? day : null;
  }
  const thisYear = at(Number(today.slice(0, 4)));
  const day = thisYear < today ? at(Number(today.slice(0, 4)) + 1) : thisYear;
  return isDay(day) ? day : null;
}

function readNumeric(found: RegExpExecArray, today: Day, order: DayOrder): ReadDay {
  const [words, first, second, year] = found;
  const dayFirst = dayIn(year, Number(second), Number(first), today);
  const monthFirst = dayIn(year, Number(first), Number(second), today);
  const possible = [
    ...(order === 'month first' ? [] : [dayFirst]),
    ...(order === 'day first' ? [] : [monthFirst]),
  ].filter((day): day is Day => day !== null);
  const choices = [...new Set(possible)];
  return { day: choices.length === 1 ? (choices[0] ?? null) : null, choices, words };
}

/**
 * Reads a day as people write it: `20 Dec`, `2026-12-20`, `next Saturday`, `20/12`. A day without a year is the next one.
 * @returns two choices for a day such as 5/12 as long as nobody has said which number is the month
 */
export function readDay(text: string, today: Day, order: DayOrder = 'unknown'): ReadDay {
  const iso = /\b\d{4}-\d{2}-\d{2}\b/.exec(text)?.[0];
  if (iso !== undefined) return { day: isDay(iso) ? iso : null, choices: isDay(iso) ? [iso] : [], words: iso };
  const found = numeric.exec(text);
  if (found) return readNumeric(found, today, order);
  const [year, month, date] = today.split('-').map(Number);
  const noon = new Date(year ?? 0, (month ?? 1) - 1, date ?? 1, 12);
  const [first] = parse(text, noon, { forwardDate: true });
  if (!first) return { day: null, choices: [], words: '' };
  const part = (name: 'year' | 'month' | 'day') => first.start.get(name) ?? 0;
  const day = `${part('year')}-${two(part('month'))}-${two(part('day'))}`;
  return { day, choices: [day], words: first.text };
}
