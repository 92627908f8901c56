import type { Pack } from '../ingredient/index.js';
import type { MeasureHabit } from '../kitchen/index.js';
import { currencySigns, minorDigits, readMoney, units } from '../quantity/index.js';
import { readMeasure, type Amount, type Measure } from './measure.js';

/** How prices are read in a kitchen. */
export interface PriceHabit {
  readonly currency: string;
  readonly habit: MeasureHabit;
}

/** A pack with its price, or what must be said before it can be known. */
export type ReadPrice =
  { readonly kind: 'pack'; readonly pack: Pack } | { readonly kind: 'asked'; readonly why: string };

export const asked = (why: string): ReadPrice => ({ kind: 'asked', why });

/** Signs and codes of money that people write, whatever their own is. */
const SIGN = String.raw`(?:US\$|CA\$|C\$|A\$|NZ\$|[$£€¥₹₩]|\b(?:USD|CAD|AUD|NZD|GBP|EUR|CHF|JPY|SEK|NOK|DKK)\b)`;
const DIGITS = String.raw`\d[\d.,’']*\d|\d`;
const SIGNED = new RegExp(String.raw`(?:(?<!\S)[-−])?(?:${SIGN}\s?(?:${DIGITS})|(?:${DIGITS})\s?${SIGN})`, 'giu');
const JOINED = /\s*(?:\bfor\b|\bat\b|@|=|:|;|\t|\s[-–—]\s)\s*/giu;

/** Words between a price and what it is for. */
const BEFORE_HOLDS = /^[\s,;:=@/–—-]*(?:(?:for|per|costs?|at|=)\s+)?/iu;
const JOINER = /(?:[,;:=@/–—-]|(?<![^\s])(?:for|at|costs?|is))$/iu;
const ONE = /^(?:an?|the|each|ea\.?|every)\s+/iu;
const EACH = /^(?:an?|each|ea\.?|apiece|a piece|per piece|pc\.?)$/iu;

/** Without the words and signs at its end that lead to a price. */
export function beforePrice(text: string): string {
  let bare = text.trimEnd();
  while (JOINER.test(bare)) bare = bare.replace(JOINER, '').trimEnd();
  return bare;
}

/** What a pack holds, and what it is called. */
type Holds = (Amount & { readonly name: string }) | { readonly why: string };

const round = (value: number): number => Number(value.toPrecision(9));

const nameOf = (amount: number, unit: Amount['unit'], kind = ''): string =>
  [unit === 'count' ? String(round(amount)) : `${String(round(amount))} ${units[unit].label}`, kind]
    .filter(Boolean)
    .join(' ');

/** What a measure says of a pack; null where it says no single amount. */
export function packOf({ amount, upTo, unit, size, pack, others, plus, either, questions }: Measure): Holds | null {
  if (amount === null || upTo !== null || plus.length + either.length + questions.length > 0) return null;
  if (pack === null) return unit === null ? null : { amount: round(amount), unit, name: nameOf(amount, unit) };
  const one = size ?? others[0];
  if (one === undefined) return { why: `How much does a ${pack} hold? For example: 500 g.` };
  const single = nameOf(one.amount, one.unit, pack === 'pack' ? '' : pack);
  const name = amount === 1 ? single : `${String(amount)} × ${single}`;
  return { amount: round(amount * one.amount), unit: one.unit, name };
}

/** `2 lb`, `2 lb bag`, `2 x 500 g`, `lb`, `dozen`, `each`. */
function readPack(text: string, habit: MeasureHabit): Holds {
  const bare = beforePrice(text.replace(BEFORE_HOLDS, '')).trim();
  if (EACH.test(bare)) return { amount: 1, unit: 'count', name: '1' };
  const wanted = bare.replace(ONE, '');
  const isCounted = /^[\d½⅓⅔¼¾⅛⅜⅝⅞.,]/u.test(wanted);
  const measure = readMeasure(isCounted || wanted === '' ? wanted : `1 ${wanted}`, habit);
  const holds = measure.rest.trim() === '' ? packOf(measure) : null;
  return holds ?? { why: `“${bare}” is no amount that a pack can hold: write it like 2 lb, 500 g or 12.` };
}

/** Nobody writes a longer price. */
const MOST_LENGTH = 300;

/** A price with the rest of what was written. */
interface Priced {
  readonly priceMinor: number;
  readonly rest: string;
}

/** Every way to part a text into a price and a rest where no sign says which is which. */
function unsigned(text: string, currency: string): Priced[] {
  const decimals = minorDigits(currency);
  const isExact = (word: string) =>
    decimals > 0 && new RegExp(String.raw`^\d+[.,]\d{${String(decimals)}}$`, 'u').test(word);
  const found: Priced[] = [];
  const put = (money: string, rest: string, isJoined: boolean) => {
    const priceMinor = readMoney(money, currency);
    if (Number.isFinite(priceMinor) && (isJoined || isExact(money.trim()))) found.push({ priceMinor, rest });
  };
  if (text.trim() !== '') put(text, '', false);
  for (const { 0: join, index } of text.matchAll(JOINED)) {
    const [left, right] = [text.slice(0, index), text.slice(index + join.length)];
    put(left, right, true);
    put(right, left, true);
  }
  if (found.length > 0) return found;
  for (const { 0: gap, index } of text.matchAll(/\s*\/\s*|[,;]?\s+/gu)) {
    const [left, right] = [text.slice(0, index), text.slice(index + gap.length)];
    put(left, right, false);
    put(right, left, false);
  }
  return found;
}

/** The prices that a text may name. */
export function pricesIn(text: string, currency: string): Priced[] | string {
  if (text.length > MOST_LENGTH) return `It is longer than ${String(MOST_LENGTH)} letters.`;
  const signed = [...text.matchAll(SIGNED)];
  const [first, second] = signed;
  if (second)
    return `It names two prices, ${signed.map(([each]) => each).join(' and ')}: leave the one that was paid for the pack.`;
  if (!first) return unsigned(text, currency);
  const priceMinor = readMoney(first[0], currency);
  if (Number.isNaN(priceMinor)) {
    const own = currencySigns(currency)[0] ?? currency;
    return `“${first[0]}” is no price in ${currency} (${own}).`;
  }
  return [{ priceMinor, rest: `${text.slice(0, first.index)} ${text.slice(first.index + first[0].length)}` }];
}

/** The pack among those that are there which holds just as much, or a new one. */
function asPack(holds: Amount & { readonly name: string }, priceMinor: number, packs: readonly Pack[]): Pack {
  const same = packs.find((pack) => pack.amount === holds.amount && pack.unit === holds.unit);
  const taken = new Set(packs.map(({ name }) => name));
  let name = holds.name.slice(0, 50);
  for (let again = 2; taken.has(name); again++) name = `${holds.name.slice(0, 50)} (${String(again)})`;
  return same ? { ...same, priceMinor } : { ...holds, name, priceMinor, supplier: '', leadDays: 0 };
}

interface Paid {
  readonly priceMinor: number;
  /** Null where nothing is said but the price. */
  readonly holds: (Amount & { readonly name: string }) | null;
}

/** The pack that was paid for. @param packs those that are there: one that holds as much gets the new price */
export function decide({ priceMinor, holds }: Paid, packs: readonly Pack[]): ReadPrice {
  if (holds) return { kind: 'pack', pack: asPack(holds, priceMinor, packs) };
  const [pack, other] = packs;
  if (!pack) return asked('For how much of it? For example: 3.49 for 2 lb.');
  if (other) return asked(`For which pack: ${packs.map(({ name }) => name).join(', ')}?`);
  return { kind: 'pack', pack: { ...pack, priceMinor } };
}

const sameAs =
  (one: Paid) =>
  ({ priceMinor, holds }: Paid): boolean =>
    priceMinor === one.priceMinor && holds?.amount === one.holds?.amount && holds?.unit === one.holds?.unit;

export const TWO_WAYS = 'It may be read in two ways: write it like 3.49 for 2 lb.';

/**
 * Reads what was paid for what, as people write it: `$3.49 for 2 lb`, `2 x 500 g 7,98 €`, `1.99/lb`, `3.49`.
 *
 * A price alone is that of the one pack that is there. Where a number could be the price or the amount, where two prices stand, or where the
 * currency is another, it is asked: nothing is guessed.
 * @param packs those that the ingredient has: one that holds as much gets the new price
 */
export function readPrice(text: string, { currency, habit }: PriceHabit, packs: readonly Pack[]): ReadPrice {
  const prices = pricesIn(text.trim(), currency);
  if (typeof prices === 'string') return asked(prices);
  const [first] = prices;
  if (!first) return asked('What was paid, and for how much? For example: 3.49 for 2 lb.');
  if (prices.some(({ priceMinor }) => priceMinor < 0)) return asked('A price cannot be negative.');
  const paid = prices.flatMap(({ priceMinor, rest }): Paid[] => {
    if (rest.replace(BEFORE_HOLDS, '').trim() === '') return [{ priceMinor, holds: null }];
    const holds = readPack(rest, habit);
    return 'why' in holds ? [] : [{ priceMinor, holds }];
  });
  const [only] = paid;
  if (!only) {
    const holds = readPack(first.rest, habit);
    return asked('why' in holds ? holds.why : TWO_WAYS);
  }
  return paid.every(sameAs(only)) ? decide(only, packs) : asked(TWO_WAYS);
}
