import type { Book } from '../box/index.js';
import { weighedPacks, type IngredientDraft, type WeighedPack } from '../ingredient/index.js';
import Papa from 'papaparse';
import { minorDigits, minorPerUnit, sayShortDay, splitMinor, type Day } from '../quantity/index.js';
import { multipleOf } from '../recipe/index.js';
import type { Making } from './making.js';

/** Whole packs of one kind. */
export interface PackCount {
  readonly name: string;
  readonly supplier: string;
  readonly grams: number;
  readonly count: number;
  readonly costMinor: number;
}

/** One ingredient of the shopping list. */
export interface ShoppingLine {
  readonly ingredientId: string;
  readonly name: string;
  readonly neededGrams: number;
  readonly onHandGrams: number;
  /** What is missing, g; 0 when the pantry has enough. */
  readonly missingGrams: number;
  readonly packs: readonly PackCount[];
  readonly costMinor: number;
  /** In the pantry after everything is made, g; negative when nothing could be bought. */
  readonly leftGrams: number;
  /** The first day on which it is used. */
  readonly buyBy: Day;
}

/**
 * The cheapest whole packs that hold at least `grams`; among equally cheap ones those that leave least. Exact:
 * depth first over the packs, cut off where even the best price by weight cannot win any more.
 *
 * @param grams more than zero
 * @returns counts in the order of `packs`; empty when there are none
 */
export function choosePacks(grams: number, packs: readonly WeighedPack[]): PackCount[] {
  const sorted = [...packs].sort((a, b) => a.priceMinor * b.grams - b.priceMinor * a.grams);
  const [best] = sorted;
  if (!best || grams <= 0) return [];
  let bestCost = Infinity;
  let bestMass = Infinity;
  let bestCounts: number[] = [];

  const search = (index: number, missing: number, cost: number, mass: number, counts: number[]) => {
    if (missing <= 1e-9) {
      if (cost < bestCost || (cost === bestCost && mass < bestMass)) {
        bestCost = cost;
        bestMass = mass;
        bestCounts = counts;
      }
      return;
    }
    const pack = sorted[index];
    if (!pack || cost + (missing * pack.priceMinor) / pack.grams > bestCost + 1e-9) return;
    const most = Math.ceil(missing / pack.grams - 1e-9);
    for (let count = most; count >= 0; count--) {
      const rest = missing - count * pack.grams;
      const spent = cost + count * pack.priceMinor;
      const next = sorted[index + 1];
      if (rest > 1e-9 && next && spent + (rest * next.priceMinor) / next.grams > bestCost) break;
      search(index + 1, rest, spent, mass + count * pack.grams, [...counts, count]);
      if (!next) break;
    }
  };
  search(0, grams, 0, 0, []);

  return sorted.flatMap((pack, index) => {
    const count = bestCounts[index] ?? 0;
    return count > 0 ? [{ ...pack, count, costMinor: count * pack.priceMinor }] : [];
  });
}

/** What all makings take from the pantry: grams and the first day of use, by ingredient. */
export function ingredientNeeds(makings: readonly Making[], book: Book): Map<string, { grams: number; firstUse: Day }> {
  const needs = new Map<string, { grams: number; firstUse: Day }>();
  for (const making of makings) {
    const facts = book.recipes.get(making.recipeId);
    if (!facts) continue;
    const multiple = multipleOf(making.batches);
    facts.recipe.lines.forEach((line, index) => {
      if (line.uses.kind !== 'ingredient') return;
      const grams = (facts.lineGrams[index] ?? 0) * multiple;
      const before = needs.get(line.uses.id);
      needs.set(line.uses.id, {
        grams: (before?.grams ?? 0) + grams,
        firstUse: before && before.firstUse < making.day ? before.firstUse : making.day,
      });
    });
  }
  return needs;
}

/** The shopping list: whole packs at least cost, net of what is on hand, by name. */
export function shoppingList(makings: readonly Making[], book: Book): ShoppingLine[] {
  const lines = [...ingredientNeeds(makings, book)].flatMap(([id, need]): ShoppingLine[] => {
    const ingredient = book.ingredients.get(id);
    if (!ingredient) return [];
    const missingGrams = Math.max(0, need.grams - ingredient.onHandGrams);
    const packs = missingGrams > 1e-6 ? choosePacks(missingGrams, weighedPacks(ingredient)) : [];
    const boughtGrams = packs.reduce((sum, pack) => sum + pack.grams * pack.count, 0);
    return [
      {
        ingredientId: id,
        name: ingredient.name,
        neededGrams: need.grams,
        onHandGrams: ingredient.onHandGrams,
        missingGrams,
        packs,
        costMinor: packs.reduce((sum, pack) => sum + pack.costMinor, 0),
        leftGrams: ingredient.onHandGrams + boughtGrams - need.grams,
        buyBy: need.firstUse,
      },
    ];
  });
  return lines.sort((a, b) => a.name.localeCompare(b.name));
}

/**
 * An ingredient after its line of the list was bought: on hand, and with the prices that were paid.
 * @param paidMinor for all packs together; each kind is charged its share of it
 */
export function afterBuying<Ingredient extends IngredientDraft>(
  ingredient: Ingredient,
  line: ShoppingLine,
  paidMinor: number,
): Ingredient {
  const shares = splitMinor(
    paidMinor,
    line.packs.map(({ costMinor }) => Math.max(1, costMinor)),
  );
  return {
    ...ingredient,
    packs: ingredient.packs.map((pack) => {
      const at = line.packs.findIndex(({ name, supplier }) => name === pack.name && supplier === pack.supplier);
      const bought = line.packs[at];
      return bought ? { ...pack, priceMinor: Math.round((shares[at] ?? 0) / bought.count) } : pack;
    }),
    onHandGrams: ingredient.onHandGrams + line.packs.reduce((sum, pack) => sum + pack.grams * pack.count, 0),
  };
}

const bought = (list: readonly ShoppingLine[]) =>
  list.flatMap((line) => line.packs.map((pack) => ({ ...pack, ingredient: line.name, buyBy: line.buyBy })));

/** The shopping list as CSV that is safe in a spreadsheet, a row a kind of pack. */
export const shoppingCsv = (list: readonly ShoppingLine[], currency: string): string =>
  Papa.unparse(
    bought(list).map(({ supplier, ingredient, name, count, buyBy, costMinor }) => ({
      shop: supplier,
      ingredient,
      pack: name,
      count,
      'buy by': buyBy,
      cost: (costMinor / minorPerUnit(currency)).toFixed(minorDigits(currency)),
    })),
    { escapeFormulae: true, newline: '\r\n' },
  );

/** The shopping list as plain text, by shop. */
export function shoppingText(list: readonly ShoppingLine[]): string {
  const shops = new Map<string, string[]>();
  for (const { supplier, ingredient, name, count, buyBy } of bought(list))
    shops.set(supplier, [
      ...(shops.get(supplier) ?? []),
      `[ ] ${String(count)} x ${name}, ${ingredient}, by ${sayShortDay(buyBy)}`,
    ]);
  return [...shops]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([shop, lines]) => [shop || 'Any shop', ...lines].join('\n'))
    .join('\n\n');
}
