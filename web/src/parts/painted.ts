/** A colour of the page as it is now: a chart is painted, so that it cannot follow the variables itself. */
export const painted = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--mui-palette-${name}`).trim();
