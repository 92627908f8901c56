import type { Pack } from '../ingredient/index.js';
import { readMeasure } from './measure.js';
import { indexNames, matchName, type NameIndex, type Usable } from './names.js';
import { asked, beforePrice, decide, packOf, pricesIn, TWO_WAYS, type PriceHabit, type ReadPrice } from './price.js';

/** An ingredient as a receipt can name it. */
export interface Priceable extends Usable {
  readonly packs: readonly Pack[];
}

/** A line of a receipt or of a list of prices, with what was understood. */
export interface ReceiptLine {
  readonly source: string;
  /** A line without a price, or a sum, a tax, a payment: nothing that was bought. */
  readonly kind: 'bought' | 'aside';
  /** What it names; null where that is asked. */
  readonly found: Priceable | null;
  /** Whether it is the very name of what was found. */
  readonly certain: boolean;
  /** What else it may name, the best first. */
  readonly candidates: readonly Priceable[];
  /** The price for an ingredient that has some packs. */
  readonly price: (packs: readonly Pack[]) => ReadPrice;
}

const ASIDE =
  /\b(?:sub ?-?total|total|sum|tax|vat|gst|hst|pst|change|cash|card|credit|debit|visa|balance|tender|payment|discount|savings?|coupon|loyalty|points|tip|deposit)\b/iu;
/** Letters by which a till marks a tax behind a price. */
const TILL_MARK = /(?<=\d)\s+[A-Z*]{1,2}$/u;

/** The cells of a CSV line as one text; commas between digits are decimal. */
const plainLine = (line: string): string =>
  line
    .replace(/["\t;|]/gu, ' ')
    .replace(/,(?!\d)|(?<!\d),|(?<=\d),(?=\d+[.,]\d)/gu, ' ')
    .replace(/\s+/gu, ' ')
    .trim()
    .replace(TILL_MARK, '');

function readReceiptLine(source: string, prices: PriceHabit, index: NameIndex<Priceable>): ReceiptLine {
  const text = plainLine(source);
  const found = pricesIn(text, prices.currency);
  const aside = { source, found: null, certain: false, candidates: [], price: () => asked('There is no price in it.') };
  if (ASIDE.test(text) || found.length === 0) return { ...aside, kind: 'aside' };
  const words = text.replace(/[\d.,@]+|[^\p{L}\s]/gu, ' ');
  const named = (name: string) => ({
    source,
    kind: 'bought' as const,
    ...matchName(beforePrice(name), index),
  });
  const asks = (why: string): ReceiptLine => ({ ...named(words), price: () => asked(why) });
  if (typeof found === 'string') return asks(found);
  const [first, ...others] = found;
  if (!first || others.some(({ priceMinor }) => priceMinor !== first.priceMinor)) return asks(TWO_WAYS);
  const { rest: name, ...measure } = readMeasure(beforePrice(first.rest), prices.habit);
  const isBare = !/\d/u.test(first.rest);
  const holds = isBare ? null : packOf({ ...measure, rest: '' });
  if (holds && 'why' in holds) return asks(holds.why);
  if (!holds && !isBare) return asks(measure.questions[0] ?? TWO_WAYS);
  return { ...named(name), price: (packs) => decide({ priceMinor: first.priceMinor, holds }, packs) };
}

/**
 * Reads a pasted receipt, a list or a CSV of prices, line by line: `Unsalted butter 2 lb 7.49`.
 * @returns every line that is not empty, in its order: none is lost
 */
export function readReceipt(text: string, prices: PriceHabit, ingredients: readonly Priceable[]): ReceiptLine[] {
  const index = indexNames(ingredients);
  return text
    .split(/\r?\n/u)
    .filter((line) => line.trim() !== '')
    .map((line) => readReceiptLine(line.trim(), prices, index));
}
