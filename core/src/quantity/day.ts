import { perWriting, written } from './conventions.js';

const MS_A_DAY = 86_400_000;

/** A calendar day, `YYYY-MM-DD`, without a clock or a time zone. */
export type Day = string;

const numbers = new Map<Day, number>();
const days = new Map<number, Day>();

/** Days since 1970-01-01, a whole number. A text that is no day gives NaN. */
export function dayNumber(day: Day): number {
  let number = numbers.get(day);
  if (number === undefined) {
    number = Date.parse(`${day}T00:00:00Z`) / MS_A_DAY;
    numbers.set(day, number);
  }
  return number;
}

/** The day of a day number; the inverse of {@link dayNumber}. */
export function dayOf(number: number): Day {
  let day = days.get(number);
  if (day === undefined) {
    day = new Date(number * MS_A_DAY).toISOString().slice(0, 10);
    days.set(number, day);
  }
  return day;
}

/** After so many days it is the same weekday of the same season. */
export const A_YEAR_OF_WEEKS = 52 * 7;

/** The day `count` days later (earlier when negative). */
export const addDays = (day: Day, count: number): Day => dayOf(dayNumber(day) + count);

/** Days from `from` to `to`; negative when `to` is earlier. */
export const daysBetween = (from: Day, to: Day): number => dayNumber(to) - dayNumber(from);

/** 0 Sunday to 6 Saturday. */
export const weekday = (day: Day): number => (((dayNumber(day) + 4) % 7) + 7) % 7;

/** Says days in one way, each once. */
const saying = (options: Intl.DateTimeFormatOptions) => {
  const kept = perWriting(({ locale }) => ({
    // Between two versions of a browser only the comma differs where the day comes first.
    hasComma: locale === 'en-US' || locale === 'en-CA',
    format: new Intl.DateTimeFormat(locale, { ...options, timeZone: 'UTC' }),
    said: new Map<Day, string>(),
  }));
  return (day: Day): string => {
    const { said, format, hasComma } = kept();
    let text = said.get(day);
    if (text === undefined) {
      const number = dayNumber(day);
      text = Number.isNaN(number) ? day : format.format(new Date(number * MS_A_DAY));
      if (!hasComma) text = text.replace(',', '');
      said.set(day, text);
    }
    return text;
  };
};

/** A day as the maker says it: `Saturday 5 December`, `Saturday, December 5`. */
export const sayDay = saying({ weekday: 'long', day: 'numeric', month: 'long' });

/** Says a day that is far from today with its year: `Saturday 5 December 2028`, `Saturday, December 5, 2028`. */
export const sayFarDay = saying({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });

/** Says a day, with its year where that is not the year of today: nobody takes a year for granted that was not meant. */
export const sayDaySeenFrom = (day: Day, today: Day): string =>
  day.slice(0, 4) === today.slice(0, 4) ? sayDay(day) : sayFarDay(day);

/** A day where room is short: `Sat 5 Dec`, `Sat, Dec 5`. */
export const sayShortDay = saying({ weekday: 'short', day: 'numeric', month: 'short' });

const weekdayNames = perWriting(({ locale }) =>
  (['long', 'short', 'narrow'] as const).map((style) => {
    const format = new Intl.DateTimeFormat(locale, { weekday: style, timeZone: 'UTC' });
    // 1970-01-04 was a Sunday.
    return Array.from({ length: 7 }, (_, index) => format.format(new Date((index + 3) * MS_A_DAY)));
  }),
);

/** The name of a weekday, 0 Sunday to 6 Saturday: `Saturday`, `Sat`, `S`. */
export const sayWeekday = (weekday: number, style: 'long' | 'short' | 'narrow' = 'long'): string =>
  weekdayNames()[['long', 'short', 'narrow'].indexOf(style)]?.[weekday] ?? '';

/** The weekdays in the order of the kitchen's week, 0 Sunday to 6 Saturday. */
export function weekdays(): readonly number[] {
  const first = { Sunday: 0, Monday: 1, Saturday: 6 }[written().weekStart];
  return Array.from({ length: 7 }, (_, index) => (first + index) % 7);
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `Dec 5, 2026`, as a US label writes a date. */
export const sayLabelDay = (day: Day): string =>
  `${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''} ${Number(day.slice(8))}, ${day.slice(0, 4)}`;
