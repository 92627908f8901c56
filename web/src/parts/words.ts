import { written } from '@usual-pantry/core/quantity';

/** `37 %`, or a dash where it cannot be said. */
export const sayPercent = (percent: number | null): string =>
  percent === null ? '–' : `${String(Math.round(percent))} %`;

const clocks = {
  '12': { hour: 'numeric', hourCycle: 'h12' },
  '24': { hour: '2-digit', hourCycle: 'h23' },
} as const;

/** Says moments on the maker's own clock, as the kitchen writes them. */
const saying = (options: Intl.DateTimeFormatOptions) => {
  const formats = new Map<string, Intl.DateTimeFormat>();
  return (at: string): string => {
    const { locale, hours } = written();
    const key = locale + hours;
    const format =
      formats.get(key) ?? new Intl.DateTimeFormat(locale, { ...options, ...(options.hour ? clocks[hours] : {}) });
    formats.set(key, format);
    return format.format(new Date(at));
  };
};

/** A moment of ISO 8601 on the maker's own clock: `25 Nov, 14:05`. */
export const sayMoment = saying({ day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit' });

const sayLongDay = saying({ weekday: 'long', day: 'numeric', month: 'long' });

/** The day of a moment on the maker's own clock: `Wednesday 25 November`. */
export const sayDayOf = (at: string): string => sayLongDay(at).replace(/^(\S+), (?=\d)/, '$1 ');

/** The time of a moment on the maker's own clock: `14:05`. */
export const sayTimeOf = saying({ hour: 'numeric', minute: '2-digit' });
