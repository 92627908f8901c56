import { sayTime } from '@usual-pantry/core/quantity';

/** A moment as the clock on the wall shows it. @param at ms since 1970 */
export function sayAt(at: number): string {
  const moment = new Date(at);
  return sayTime(moment.getHours() * 60 + moment.getMinutes());
}

/** Seconds as a timer shows them. @example saySeconds(94) // '1:34' */
export function saySeconds(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  const two = (value: number) => String(value).padStart(2, '0');
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  return hours > 0 ? `${String(hours)}:${two(minutes)}:${two(whole % 60)}` : `${String(minutes)}:${two(whole % 60)}`;
}
