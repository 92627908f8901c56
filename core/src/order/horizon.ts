import { addDays, daysBetween, sayFarDay, type Day } from '../quantity/index.js';

/** So many days ahead a season is planned: what is handed over later waits until it is that near. */
export const PLANNED_DAYS = 366;
/** So many days ahead, or back, a hand-over can be at most: what is further away was typed wrong. */
const MOST_DAYS = 5 * 366;

/** Tells whether a hand-over is too far ahead to be planned yet. */
export const isTooFarAhead = (on: Day, today: Day): boolean => daysBetween(today, on) > PLANNED_DAYS;

/** Says that a hand-over is too far ahead to be planned yet, and from which day on it will be; null when it is planned. */
export const whyTooFarAhead = (on: Day, today: Day): string | null =>
  isTooFarAhead(on, today)
    ? `${sayFarDay(on)} is more than a year away. It will be planned from ${sayFarDay(addDays(on, -PLANNED_DAYS))} on.`
    : null;

/** Says that no hand-over can be on a day, since it is further away than anybody plans; null when it can. */
export const whyNoHandOver = (on: Day, today: Day): string | null =>
  Math.abs(daysBetween(today, on)) > MOST_DAYS
    ? `${sayFarDay(on)} is more than five years ${on > today ? 'away' : 'ago'}: is the year right?`
    : null;
