import type { Book } from '../book/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import {
  drawFrom,
  isTapWater,
  partsOfStock,
  weighedPacks,
  type IngredientDraft,
  type IngredientFiled,
  type WeighedPack,
} from '../ingredient/index.js';
import { addDays, splitMinor, type Day } from '../quantity/index.js';
import { multipleOf, type BatchCount } from '../recipe/index.js';
import { LastFew, oncePerPair } from '../record/index.js';
import { lastArrival, orderBy, thereFrom } from './arrival.js';
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
  /** What of it the pantry has, fresh enough on the days of use, and what is left of the time before, g. */
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
  /** Bought before this day it does not keep to its last use; null for what keeps. Never after {@link buyBy}. */
  readonly notBefore: Day | null;
  readonly firstUse: Day;
  readonly lastUse: Day;
  readonly keepsDays: number | null;
}

/** Batches of one recipe that are made on one day. */
export interface BatchesOnDay {
  readonly recipeId: string;
  readonly day: Day;
  readonly batches: readonly BatchCount[];
}

/** What all runs take from the pantry, by ingredient and day, the earliest first. */
export function ingredientNeeds(runs: readonly BatchesOnDay[], book: Book): Map<string, DayNeed[]> {
  const needs = new Map<string, Map<Day, number>>();
  for (const run of runs) {
    const facts = book.recipes.get(run.recipeId);
    if (!facts) continue;
    const multiple = multipleOf(run.batches);
    facts.recipe.lines.forEach((line, index) => {
      if (line.uses.kind !== 'ingredient') return;
      let days = needs.get(line.uses.id);
      if (!days) needs.set(line.uses.id, (days = new Map<Day, number>()));
      days.set(run.day, (days.get(run.day) ?? 0) + (facts.lineGrams[index] ?? 0) * multiple);
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
  /** The day of the first use that needs it, by position among the uses. */
  readonly at: number;
  /** What of that use is left of the time before, g. */
  readonly carriedGrams: number;
  readonly packs: readonly PackCount[];
}

const massOf = (packs: readonly PackCount[]): number => packs.reduce((sum, { grams, count }) => sum + grams * count, 0);
const costOf = (packs: readonly PackCount[]): number => packs.reduce((sum, { costMinor }) => sum + costMinor, 0);

/** So many amounts are tried for one time of buying: each that is cheaper than all larger ones. */
const MOST_AMOUNTS = 40;

/** Ways to buy at least so much, and up to so much, each the cheapest for what it holds. */
function amountsFor(least: number, most: number, packs: readonly WeighedPack[]): PackCount[][] {
  const ways: PackCount[][] = [];
  for (let wanted = least; ways.length < MOST_AMOUNTS;) {
    const bought = choosePacks(wanted, packs);
    ways.push(bought);
    const mass = massOf(bought);
    if (mass >= most - 1e-6) break;
    wanted = mass + 1e-3;
  }
  return ways;
}

/**
 * How often something is bought, and what each time, at least cost: what is left of one time serves the next uses as long as it keeps.
 * Among equally cheap ways the fewest times.
 * @param uses days on which it is missing, the earliest first
 * @param arrives the day on which it comes that is to be there by another: it keeps from then on
 */
function chooseTrips(
  uses: readonly DayNeed[],
  packs: readonly WeighedPack[],
  keepsDays: number,
  arrives: (by: Day) => Day,
): readonly Trip[] {
  interface Way {
    readonly costMinor: number;
    readonly trips: readonly Trip[];
  }
  const known = new Map<string, Way>();
  /** The best way for the uses from a position on, with something left that keeps until a day. */
  const best = (from: number, leftGrams: number, until: Day): Way => {
    let at = from;
    let left = leftGrams;
    for (let use = uses[at]; use && use.day <= until && left >= use.grams - 1e-6; use = uses[++at]) left -= use.grams;
    const first = uses[at];
    if (!first) return { costMinor: 0, trips: [] };
    const carriedGrams = first.day <= until ? Math.max(0, left) : 0;
    const key = `${String(at)} ${carriedGrams.toFixed(3)}`;
    const there = known.get(key);
    if (there) return there;
    // What does not keep from its coming to its first use is bought all the same, for that alone.
    const keptUntil = addDays(arrives(first.day), keepsDays);
    const good = uses.slice(at).filter(({ day }) => day === first.day || day <= keptUntil);
    const ways = amountsFor(first.grams - carriedGrams, sumOf(good) - carriedGrams, packs).map((bought): Way => {
      const rest = carriedGrams + massOf(bought) - first.grams;
      const then = best(at + 1, rest, keptUntil);
      return {
        costMinor: costOf(bought) + then.costMinor,
        trips: [{ at, carriedGrams, packs: bought }, ...then.trips],
      };
    });
    const way = ways.reduce((least, each) =>
      each.costMinor < least.costMinor || (each.costMinor === least.costMinor && each.trips.length < least.trips.length)
        ? each
        : least,
    );
    known.set(key, way);
    return way;
  };
  return best(0, 0, '').trips;
}

/** The days on which packs of one kind can be bought: no later than the first use allows, and no earlier than they keep to the last. */
export const buyingDays = (
  {
    firstUse,
    lastUse,
    keepsDays,
  }: { readonly firstUse: Day; readonly lastUse: Day; readonly keepsDays: number | null },
  pack: { readonly supplier: string; readonly leadDays: number },
  kitchen: Pick<KitchenDraft, 'shops'>,
) => {
  const buyBy = orderBy(pack, firstUse, kitchen);
  if (keepsDays === null) return { buyBy, notBefore: null };
  // It keeps from the day on which it is there.
  const notBefore = addDays(thereFrom({ ...pack, leadDays: 0 }, addDays(lastUse, -keepsDays), kitchen), -pack.leadDays);
  return { buyBy, notBefore: notBefore > buyBy ? buyBy : notBefore };
};

/** The packs that can be there by the first use; all of them when none can. */
function inTimeFor(
  firstUse: Day | undefined,
  packs: readonly WeighedPack[],
  kitchen: Pick<KitchenDraft, 'shops'>,
  today: Day,
): readonly WeighedPack[] {
  const there = packs.filter((pack) => firstUse === undefined || orderBy(pack, firstUse, kitchen) >= today);
  return there.length > 0 ? there : packs;
}

/** The lines of one ingredient: one, or one for each time that it is bought. */
function linesOf(
  ingredient: IngredientFiled,
  needs: readonly DayNeed[],
  kitchen: Pick<KitchenDraft, 'shops'>,
  today: Day,
): ShoppingLine[] {
  const { id, name, keepsDays } = ingredient;
  const { missing, spoiltGrams, leftGrams } = fromStock(needs, ingredient);
  const uses = missing.filter(({ grams }) => grams > 0);
  const packs = inTimeFor(uses[0]?.day, weighedPacks(ingredient), kitchen, today);
  const arrives = (by: Day) => packs.map((pack) => lastArrival(pack, by, kitchen)).sort()[0] ?? by;
  const trips: readonly Trip[] =
    keepsDays === null || packs.length === 0 || uses.length === 0
      ? [{ at: 0, carriedGrams: 0, packs: choosePacks(sumOf(uses), packs) }]
      : chooseTrips(uses, packs, keepsDays, arrives);
  return trips.map(({ at, carriedGrams, packs: bought }, index): ShoppingLine => {
    const next = trips[index + 1];
    const served = uses.slice(at, next?.at);
    // What needs nothing bought belongs to the time of buying before it.
    const from = index === 0 ? '' : (served[0]?.day ?? '');
    const until = next ? (uses[next.at]?.day ?? '') : '9999-12-31';
    const here = needs.filter(({ day }) => day >= from && day < until);
    const neededGrams = sumOf(here);
    const missingGrams = sumOf(served) - carriedGrams;
    const firstUse = served[0]?.day ?? here[0]?.day ?? '';
    const carriedOn = next?.carriedGrams ?? 0;
    const lastUse = (carriedOn > 0 ? uses[next?.at ?? 0] : served.at(-1))?.day;
    const span = { firstUse, lastUse: lastUse ?? firstUse, keepsDays };
    const days = (bought.length > 0 ? bought : [{ supplier: '', leadDays: 0 }]).map((pack) =>
      buyingDays(span, pack, kitchen),
    );
    const buyBy = days.map((each) => each.buyBy).sort()[0] ?? firstUse;
    const notBefore =
      days
        .map((each) => each.notBefore)
        .sort()
        .at(-1) ?? null;
    return {
      key: `${id} ${firstUse}`,
      ingredientId: id,
      name,
      neededGrams,
      onHandGrams: neededGrams - missingGrams,
      missingGrams,
      packs: bought,
      costMinor: costOf(bought),
      leftGrams: massOf(bought) - missingGrams - carriedOn + (next ? 0 : leftGrams),
      spoiltGrams: index === 0 ? spoiltGrams : 0,
      firstUse,
      lastUse: lastUse ?? firstUse,
      keepsDays,
      buyBy,
      notBefore: lastUse === undefined || notBefore === null ? null : notBefore > buyBy ? buyBy : notBefore,
    };
  });
}

const linesKnown = oncePerPair(
  (_ingredient: IngredientFiled, _kitchen: KitchenDraft) => new LastFew<readonly ShoppingLine[]>(4),
);

/** {@link linesOf}, worked out anew only where an ingredient, what is needed of it, the shops or the day have changed. */
const linesFor = (
  ingredient: IngredientFiled,
  needs: readonly DayNeed[],
  kitchen: KitchenDraft,
  today: Day,
): readonly ShoppingLine[] =>
  linesKnown(ingredient, kitchen).of([today, ...needs.map(({ day, grams }) => `${day} ${String(grams)}`)].join(), () =>
    linesOf(ingredient, needs, kitchen, today),
  );

/**
 * The shopping list: whole packs at least cost, net of what the pantry has that is still good on the day of use, by name. Packs that come too
 * late for the first use are bought only where none comes in time.
 * @param today the first day on which anything can be ordered
 */
export const shoppingList = (runs: readonly BatchesOnDay[], book: Book, today: Day): ShoppingLine[] =>
  [...ingredientNeeds(runs, book)]
    .flatMap(([id, needs]) => {
      const ingredient = book.ingredients.get(id);
      return ingredient && !isTapWater(ingredient) ? linesFor(ingredient, needs, book.kitchen, today) : [];
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
