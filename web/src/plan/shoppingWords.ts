import { shopOf, type ShoppingLine } from '@usual-pantry/core/shopping';
import { sayDay, sayShortDay } from '@usual-pantry/core/quantity';
import { groupBy } from '@usual-pantry/core/record';

/** Packs in words, each with its shop where that is not said above already. */
export const sayPacks = (line: ShoppingLine, shop: string | null): string => {
  if (line.packs.length > 0)
    return line.packs
      .map((pack) => {
        const from = pack.supplier && pack.supplier !== shop ? `, ${pack.supplier}` : '';
        return `${String(pack.count)} × ${pack.name}${from}`;
      })
      .join(' + ');
  return line.missingGrams > 0 ? 'no pack to buy' : 'enough on hand';
};

/** When to buy: by a day, and for what does not keep not before one. */
export const sayWhen = ({ missingGrams, buyBy, notBefore }: ShoppingLine, today: string): string => {
  if (missingGrams <= 0) return '';
  const by = `by ${sayShortDay(buyBy)}`;
  if (notBefore === null || notBefore <= today) return by;
  return notBefore >= buyBy ? `on ${sayShortDay(buyBy)}` : `${sayShortDay(notBefore)} to ${sayShortDay(buyBy)}`;
};

export const ways = ['shop', 'day', 'name'] as const;
export type Way = (typeof ways)[number];
export const ENOUGH = 'Enough on hand';

/** The list in groups, what there is enough of in the last. */
export function groupsOf(list: readonly ShoppingLine[], way: Way): [title: string, lines: readonly ShoppingLine[]][] {
  const keyOf = (line: ShoppingLine): string => {
    if (line.missingGrams <= 0) return '\uffff';
    return way === 'shop' ? shopOf(line) : way === 'day' ? line.buyBy : '';
  };
  const titleOf = (key: string) =>
    key === '\uffff' ? ENOUGH : way === 'day' ? `By ${sayDay(key)}` : way === 'shop' ? key || 'Any shop' : 'To buy';
  return [...groupBy(list, keyOf)].sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, lines]) => [titleOf(key), lines]);
}
