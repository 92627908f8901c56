import Papa from 'papaparse';
import type { Book } from '../box/index.js';
import {
  drawFrom,
  partsOfStock,
  weighedPacks,
  type IngredientDraft,
  type IngredientFiled,
  type WeighedPack,
} from '../ingredient/index.js';
import {
  addDays,
  daysBetween,
  minorDigits,
  minorPerUnit,
  sayShortDay,
  splitMinor,
  type Day,
} from '../quantity/index.js';
import { multipleOf } from '../recipe/index.js';
import type { Making } from './making.js';
import { choosePacks, type PackCount } from './packs.js';

/** What is taken from the pantry on one day. */
export interface DayNeed {
  readonly day: Day;
  readonly grams: number;
}

/** One ingredient of the shopping list; what does not keep long enough is on it once for each time that it is bought. */
export interface ShoppingLine {
  readonly key: string;
  readonly ingredientId: string;
  readonly name: string;
  readonly neededGrams: number;
  /** What of it the pantry has, fresh enough on the days of use, g. */
  readonly onHandGrams: number;
  /** What is missing, g; 0 when the pantry has enough. */
  readonly missingGrams: number;
  readonly packs: readonly PackCount[];
  readonly costMinor: number;
  /** In the pantry when all this is made, g; negative when nothing could be bought. */
  readonly leftGrams: number;
  /** What of the pantry passes its use-by before anything takes it, g. */
  readonly spoiltGrams: number;
  /** The last day on which it can be ordered or bought: the first use, less the days until it is there. */
  readonly buyBy: Day;
  /** Bought before this day it does not keep to its last use; null for what keeps. */
  readonly notBefore: Day | null;
}

/** What all makings take from the pantry, by ingredient and day, the earliest first. */
export function ingredientNeeds(makings: readonly Making[], book: Book): Map<string, DayNeed[]> {
  const needs = new Map<string, Map<Day, number>>();
  for (const making of makings) {
    const facts = book.recipes.get(making.recipeId);
    if (!facts) continue;
    const multiple = multipleOf(making.batches);
    facts.recipe.lines.forEach((line, index) => {
      if (line.uses.kind !== 'ingredient') return;
      let days = needs.get(line.uses.id);
      if (!days) needs.set(line.uses.id, (days = new Map<Day, number>()));
      days.set(making.day, (days.get(making.day) ?? 0) + (facts.lineGrams[index] ?? 0) * multiple);
    });
  }
  return new Map(
    [...needs].map(([id, days]) => [
      id,
      [...days].map(([day, grams]) => ({ day, grams })).sort((a, b) => (a.day < b.day ? -1 : 1)),
    ]),
  );
}

const sumOf = (list: readonly { readonly grams: number }[]): number => list.reduce((sum, { grams }) => sum + grams, 0);

/** What the pantry covers of each day's need, what spoils in it, and what is left of it: what must be used first is used first. */
function fromStock(needs: readonly DayNeed[], ingredient: IngredientFiled) {
  const stock = partsOfStock(ingredient);
  const missing = needs.map(({ day, grams }): DayNeed => {
    const left = grams - sumOf(drawFrom(stock, grams, day));
    return { day, grams: left > 1e-6 ? left : 0 };
  });
  const last = needs.at(-1)?.day ?? '';
  const spoilt = sumOf(stock.filter(({ useBy }) => useBy !== null && useBy < last));
  return { missing, spoiltGrams: spoilt, leftGrams: sumOf(stock) - spoilt };
}

interface Trip {
  readonly uses: readonly DayNeed[];
  readonly packs: readonly PackCount[];
}

/**
 * How often something is bought, and what each time, at least cost: the best of all ways to divide the days of use into stretches that
 * are no longer than it keeps; among equally cheap ones the fewest.
 * @param uses days on which it is missing, the earliest first
 */
function chooseTrips(uses: readonly DayNeed[], packs: readonly WeighedPack[], keepsDays: number): Trip[] {
  interface Way {
    readonly costMinor: number;
    readonly trips: readonly Trip[];
  }
  /** The best way for the first so many days of use. */
  const best: Way[] = [{ costMinor: 0, trips: [] }];
  for (let end = 1; end <= uses.length; end++) {
    const last = uses[end - 1]?.day ?? '';
    const ways = uses.slice(0, end).flatMap(({ day }, start): Way[] => {
      const before = best[start];
      if (!before || daysBetween(day, last) > keepsDays) return [];
      const stretch = uses.slice(start, end);
      const bought = choosePacks(sumOf(stretch), packs);
      const costMinor = before.costMinor + bought.reduce((sum, pack) => sum + pack.costMinor, 0);
      return [{ costMinor, trips: [...before.trips, { uses: stretch, packs: bought }] }];
    });
    best.push(
      ways.reduce((least, way) =>
        way.costMinor < least.costMinor || (way.costMinor === least.costMinor && way.trips.length < least.trips.length)
          ? way
          : least,
      ),
    );
  }
  return [...(best[uses.length]?.trips ?? [])];
}

/** The lines of one ingredient: one, or one for each time that it is bought. */
function linesOf(ingredient: IngredientFiled, needs: readonly DayNeed[]): ShoppingLine[] {
  const { id, name, keepsDays } = ingredient;
  const { missing, spoiltGrams, leftGrams } = fromStock(needs, ingredient);
  const uses = missing.filter(({ grams }) => grams > 0);
  const packs = weighedPacks(ingredient);
  const trips: readonly Trip[] =
    keepsDays === null || packs.length === 0
      ? [{ uses, packs: choosePacks(sumOf(uses), packs) }]
      : uses.length === 0
        ? [{ uses, packs: [] }]
        : chooseTrips(uses, packs, keepsDays);
  return trips.map(({ uses: served, packs: bought }, index): ShoppingLine => {
    // What needs nothing bought belongs to the time of buying before it.
    const from = index === 0 ? '' : (served[0]?.day ?? '');
    const until = trips[index + 1]?.uses[0]?.day ?? '9999-12-31';
    const here = needs.filter(({ day }) => day >= from && day < until);
    const neededGrams = sumOf(here);
    const missingGrams = sumOf(served);
    const first = served[0]?.day ?? here[0]?.day ?? '';
    const lead = Math.max(0, ...bought.map(({ leadDays }) => leadDays));
    const last = served.at(-1)?.day;
    const isLast = index === trips.length - 1;
    return {
      key: `${id} ${first}`,
      ingredientId: id,
      name,
      neededGrams,
      onHandGrams: neededGrams - missingGrams,
      missingGrams,
      packs: bought,
      costMinor: bought.reduce((sum, { costMinor }) => sum + costMinor, 0),
      leftGrams:
        bought.reduce((sum, { grams, count }) => sum + grams * count, 0) - missingGrams + (isLast ? leftGrams : 0),
      spoiltGrams: index === 0 ? spoiltGrams : 0,
      buyBy: addDays(first, -lead),
      notBefore: keepsDays === null || last === undefined ? null : addDays(last, -keepsDays),
    };
  });
}

/** The shopping list: whole packs at least cost, net of what the pantry has that is still good on the day of use, by name. */
export const shoppingList = (makings: readonly Making[], book: Book): ShoppingLine[] =>
  [...ingredientNeeds(makings, book)]
    .flatMap(([id, needs]) => {
      const ingredient = book.ingredients.get(id);
      return ingredient ? linesOf(ingredient, needs) : [];
    })
    .sort((a, b) => a.name.localeCompare(b.name) || (a.buyBy < b.buyBy ? -1 : 1));

/** The shop at which a line is bought; the first, when its packs come from several. */
export const shopOf = (line: ShoppingLine): string => line.packs[0]?.supplier ?? '';

/**
 * An ingredient after its line of the list was bought: on hand, and with the prices that were paid.
 * @param paidMinor for all packs together; each kind is charged its share of it
 * @param on the day on which it was bought: from it on it keeps
 */
export function afterBuying<Ingredient extends IngredientDraft>(
  ingredient: Ingredient,
  line: ShoppingLine,
  paidMinor: number,
  on: Day,
): Ingredient {
  const shares = splitMinor(
    paidMinor,
    line.packs.map(({ costMinor }) => Math.max(1, costMinor)),
  );
  const grams = line.packs.reduce((sum, pack) => sum + pack.grams * pack.count, 0);
  const { keepsDays } = ingredient;
  return {
    ...ingredient,
    packs: ingredient.packs.map((pack) => {
      const at = line.packs.findIndex(({ name, supplier }) => name === pack.name && supplier === pack.supplier);
      const bought = line.packs[at];
      return bought ? { ...pack, priceMinor: Math.round((shares[at] ?? 0) / bought.count) } : pack;
    }),
    onHandGrams: ingredient.onHandGrams + grams,
    lots: keepsDays === null ? ingredient.lots : [...ingredient.lots, { grams, useBy: addDays(on, keepsDays) }],
  };
}

const bought = (list: readonly ShoppingLine[]) =>
  list.flatMap((line) =>
    line.packs.map((pack) => ({ ...pack, ingredient: line.name, buyBy: line.buyBy, notBefore: line.notBefore })),
  );

/** The shopping list as CSV that is safe in a spreadsheet, a row a kind of pack. */
export const shoppingCsv = (list: readonly ShoppingLine[], currency: string): string =>
  Papa.unparse(
    bought(list).map(({ supplier, ingredient, name, count, buyBy, notBefore, costMinor }) => ({
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
export function shoppingText(list: readonly ShoppingLine[]): string {
  const shops = new Map<string, string[]>();
  for (const { supplier, ingredient, name, count, buyBy, notBefore } of bought(list))
    shops.set(supplier, [
      ...(shops.get(supplier) ?? []),
      `[ ] ${String(count)} x ${name}, ${ingredient}, ${notBefore === null ? '' : `not before ${sayShortDay(notBefore)}, `}by ${sayShortDay(buyBy)}`,
    ]);
  return [...shops]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([shop, lines]) => [shop || 'Any shop', ...lines].join('\n'))
    .join('\n\n');
}
