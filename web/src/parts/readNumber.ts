const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;

/** A typed number; a comma may stand for the point. NaN when it is none. */
export const readNumber = (text: string): number =>
  NUMBER.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN;
