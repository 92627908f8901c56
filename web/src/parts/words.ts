/** `37 %`, or a dash where it cannot be said. */
export const sayPercent = (percent: number | null): string =>
  percent === null ? '–' : `${String(Math.round(percent))} %`;

const moments = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** A moment of ISO 8601 on the maker's own clock: `25 Nov, 14:05`. */
export const sayMoment = (at: string): string => moments.format(new Date(at));

const days = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
const times = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The day of a moment on the maker's own clock: `Wednesday 25 November`. */
export const sayDayOf = (at: string): string => days.format(new Date(at)).replace(',', '');

/** The time of a moment on the maker's own clock: `14:05`. */
export const sayTimeOf = (at: string): string => times.format(new Date(at));
