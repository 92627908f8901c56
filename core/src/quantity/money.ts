import { Decimal } from 'decimal.js';

/** Whole minor units, half to even: every sum of money is rounded once, at its end. */
export const toMinor = (exact: Decimal): number => exact.toDecimalPlaces(0, Decimal.ROUND_HALF_EVEN).toNumber();

/** A share of an amount, in whole minor units, half to even. @param percent 0 to 100 */
export const percentOfMinor = (minor: number, percent: number): number =>
  toMinor(new Decimal(minor).times(percent).div(100));

/** How many decimals a currency has: 2 for USD, 0 for JPY, 3 for KWD. Source: ISO 4217, as the runtime knows it. */
export const minorDigits = (currency: string): number =>
  new Intl.NumberFormat('en-US', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;

/** Minor units in one unit of a currency: 100 for USD. */
export const minorPerUnit = (currency: string): number => 10 ** minorDigits(currency);

/**
 * Divides an amount by weights so that the parts add up to it exactly: each is rounded down, and what is left goes one by one to
 * those that lost most, the earlier first.
 * @param weights none negative; all 0 gives nothing to anyone
 */
export function splitMinor(minor: number, weights: readonly number[]): number[] {
  const sum = weights.reduce((total, weight) => total.plus(weight), new Decimal(0));
  if (sum.isZero()) return weights.map(() => 0);
  const exact = weights.map((weight) => new Decimal(minor).times(weight).div(sum));
  const parts = exact.map((each) => each.floor().toNumber());
  const lost = exact
    .map((each, index) => ({ index, rest: each.minus(each.floor()).toNumber() }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index);
  const left = minor - parts.reduce((total, part) => total + part, 0);
  for (const { index } of lost.slice(0, left)) parts[index] = (parts[index] ?? 0) + 1;
  return parts;
}

/** The signs that stand for a currency: `$` and `US$` for USD. */
export const currencySigns = (currency: string): string[] => [
  ...new Set(
    (['narrowSymbol', 'symbol'] as const).flatMap((currencyDisplay) =>
      ['en-US', 'en-CA'].flatMap((locale) =>
        new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay })
          .formatToParts(0)
          .flatMap(({ type, value }) => (type === 'currency' ? [value] : [])),
      ),
    ),
  ),
];

const GROUPED = /^\d{1,3}([ ,.’'])\d{3}(?:\1\d{3})*(?=$|[.,])/;

/**
 * Reads an amount of money as people write it: `$3.49`, `3,49 €`, `1,250.00`, `USD 12`.
 * @param currency in which it must be; its own sign and code may stand before or behind it
 * @returns in minor units; NaN where it is none, is of another currency, or is finer than the currency
 */
export function readMoney(text: string, currency: string): number {
  const signs = [currency, ...currencySigns(currency)].map((sign) => sign.toLowerCase());
  const isNegative = /^[-−]/.test(text.trim());
  let bare = text
    .trim()
    .replace(/^[-−+]\s*/, '')
    .toLowerCase();
  for (const sign of signs) {
    if (bare.startsWith(sign)) bare = bare.slice(sign.length).trim();
    else if (bare.endsWith(sign)) bare = bare.slice(0, -sign.length).trim();
    else continue;
    break;
  }
  const digits = minorDigits(currency);
  // Where a currency has thousandths, three digits behind one point are these.
  const isFine = digits >= 3 && /^\d{1,3}\.\d{3}$/.test(bare);
  const group = isFine ? undefined : GROUPED.exec(bare)?.[0];
  if (group !== undefined) bare = group.replace(/[ ,.’']/g, '') + bare.slice(group.length);
  const found = /^(\d+)?(?:[.,](\d*))?$/.exec(bare);
  if (!found || !/\d/.test(bare)) return NaN;
  const fraction = found[2] ?? '';
  if (fraction.replace(/0+$/, '').length > digits) return NaN;
  const minor =
    Number(found[1] ?? 0) * minorPerUnit(currency) + Number(fraction.slice(0, digits).padEnd(digits, '0') || 0);
  return isNegative ? -minor : minor;
}
