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
