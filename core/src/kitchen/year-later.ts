import { A_YEAR_OF_WEEKS, addDays, type Day } from '../quantity/index.js';
import type { KitchenDraft } from './schema.js';

/**
 * The different days of the last 52 weeks as a template of the next: hours, helpers and closed days on the same weekdays. What the air was like
 * is no template, and a day of which something is said already stays as it is.
 * @returns the kitchen with them, and how many were added
 */
export function yearLater(
  kitchen: KitchenDraft,
  today: Day,
): { readonly kitchen: KitchenDraft; readonly added: number } {
  const from = addDays(today, -A_YEAR_OF_WEEKS);
  const known = new Set(kitchen.dayChanges.map(({ day }) => day));
  const dayChanges = kitchen.dayChanges
    .filter(({ day, hours, begins, helperHours }) => {
      const isPlanned = hours !== null || begins !== null || helperHours > 0;
      return day >= from && day < today && isPlanned && !known.has(addDays(day, A_YEAR_OF_WEEKS));
    })
    .map((each) => ({
      ...each,
      day: addDays(each.day, A_YEAR_OF_WEEKS),
      humid: false,
      roomCelsius: null,
      humidityPercent: null,
    }));
  const later = kitchen.closures
    .filter((each) => each.from >= from && each.to < today)
    .map((each) => ({ ...each, from: addDays(each.from, A_YEAR_OF_WEEKS), to: addDays(each.to, A_YEAR_OF_WEEKS) }));
  const closures = later.filter(
    (each) => !kitchen.closures.some((old) => old.from === each.from && old.to === each.to),
  );
  return {
    kitchen: {
      ...kitchen,
      dayChanges: [...kitchen.dayChanges, ...dayChanges].sort((a, b) => (a.day < b.day ? -1 : 1)),
      closures: [...kitchen.closures, ...closures].sort((a, b) => (a.from < b.from ? -1 : 1)),
    },
    added: dayChanges.length + closures.length,
  };
}
