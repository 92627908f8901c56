/** `37 %`, or a dash where it cannot be said. */
export const sayPercent = (percent: number | null): string =>
  percent === null ? '–' : `${String(Math.round(percent))} %`;
