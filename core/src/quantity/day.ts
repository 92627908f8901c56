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

/** The day `count` days later (earlier when negative). */
export const addDays = (day: Day, count: number): Day => dayOf(dayNumber(day) + count);

/** Days from `from` to `to`; negative when `to` is earlier. */
export const daysBetween = (from: Day, to: Day): number => dayNumber(to) - dayNumber(from);

/** 0 Sunday to 6 Saturday. */
export const weekday = (day: Day): number => (((dayNumber(day) + 4) % 7) + 7) % 7;

const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** `Saturday 5 December`, as the maker says it. */
export const sayDay = (day: Day): string =>
  `${WEEKDAYS[weekday(day)] ?? ''} ${Number(day.slice(8))} ${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''}`;

/** `Sat 5 Dec`, where room is short. */
export const sayShortDay = (day: Day): string =>
  sayDay(day)
    .split(' ')
    .map((word) => word.slice(0, 3))
    .join(' ');

/** `Dec 5, 2026`, as a US label writes a date. */
export const sayLabelDay = (day: Day): string =>
  `${(MONTHS[Number(day.slice(5, 7)) - 1] ?? '').slice(0, 3)} ${Number(day.slice(8))}, ${day.slice(0, 4)}`;
