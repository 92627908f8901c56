import Papa from 'papaparse';
import type { KitchenDraft } from '../kitchen/index.js';
import { minorDigits, minorPerUnit, sayShortDay } from '../quantity/index.js';
import { buyingDays, type ShoppingLine } from '../shopping/index.js';

const bought = (list: readonly ShoppingLine[], kitchen: Pick<KitchenDraft, 'shops'>) =>
  list.flatMap((line) =>
    line.packs.map((pack) => ({ ...pack, ingredient: line.name, ...buyingDays(line, pack, kitchen) })),
  );

/** The shopping list as CSV that is safe in a spreadsheet, a row a kind of pack. */
export const shoppingCsv = (
  list: readonly ShoppingLine[],
  { currency, shops }: Pick<KitchenDraft, 'shops' | 'currency'>,
): string =>
  Papa.unparse(
    bought(list, { shops }).map(({ supplier, ingredient, name, count, buyBy, notBefore, costMinor }) => ({
      shop: supplier,
      ingredient,
      pack: name,
      count,
      'not before': notBefore ?? '',
      'buy by': buyBy,
      cost: (costMinor / minorPerUnit(currency)).toFixed(minorDigits(currency)),
    })),
    { escapeFormulae: true, newline: '\r\n' },
  );

/** The shopping list as plain text, by shop. */
export function shoppingText(list: readonly ShoppingLine[], kitchen: Pick<KitchenDraft, 'shops'>): string {
  const shops = new Map<string, string[]>();
  for (const { supplier, ingredient, name, count, buyBy, notBefore } of bought(list, kitchen))
    shops.set(supplier, [
      ...(shops.get(supplier) ?? []),
      `[ ] ${String(count)} x ${name}, ${ingredient}, ${notBefore === null ? '' : `not before ${sayShortDay(notBefore)}, `}by ${sayShortDay(buyBy)}`,
    ]);
  return [...shops]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([shop, lines]) => [shop || 'Any shop', ...lines].join('\n'))
    .join('\n\n');
}
