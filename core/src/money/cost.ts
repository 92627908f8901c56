import { Decimal } from 'decimal.js';
import type { Book } from '../book/index.js';
import type { BoxFacts, PieceCount } from '../box/index.js';
import { cheapestPack, isTapWater } from '../ingredient/index.js';
import { bodyForm, handSecondsOf, piecesPerBatch, type PieceFacts } from '../piece/index.js';
import { splitMinor, toMinor } from '../quantity/index.js';

/** Exact minor units while adding up; rounded once, at the end, half to even. */
const zero = new Decimal(0);

/** What one gram of each ingredient and of each finished recipe costs, exact minor units; from the pack cheapest by weight. */
export interface UnitCosts {
  readonly ingredients: ReadonlyMap<string, Decimal>;
  readonly recipes: ReadonlyMap<string, Decimal>;
  /** Ingredients in use without a price: they count as nothing, and the screen says so. */
  readonly unpriced: ReadonlySet<string>;
}

/**
 * Cost of a gram of everything. Losses are in it: a recipe's lines are divided by what comes out, not by what goes in.
 */
export function unitCosts(book: Book): UnitCosts {
  const ingredients = new Map<string, Decimal>();
  const recipes = new Map<string, Decimal>();
  const unpriced = new Set<string>();
  for (const [id, ingredient] of book.ingredients) {
    const pack = cheapestPack(ingredient);
    if (pack) ingredients.set(id, new Decimal(pack.priceMinor).div(pack.grams));
    else if (isTapWater(ingredient)) ingredients.set(id, zero);
  }
  for (const id of book.componentsFirst) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    let sum = zero;
    for (const [ingredientId, share] of facts.ingredientsPerGram) {
      const cost = ingredients.get(ingredientId);
      if (cost) sum = sum.plus(cost.times(share));
      else unpriced.add(ingredientId);
    }
    recipes.set(id, sum);
  }
  return { ingredients, recipes, unpriced };
}

/** Minutes of hands in one gram of a finished recipe and its components, at the largest allowed batch. */
function handsPerGram(book: Book): Map<string, number> {
  const minutes = new Map<string, number>();
  for (const id of book.componentsFirst) {
    const facts = book.recipes.get(id);
    if (!facts || facts.yieldGrams <= 0) continue;
    const own = facts.recipe.handsMinutes / Math.max(...facts.recipe.batchSizes);
    const components = facts.recipe.lines.reduce(
      (sum, line, index) =>
        line.uses.kind === 'recipe' ? sum + (minutes.get(line.uses.id) ?? 0) * (facts.lineGrams[index] ?? 0) : sum,
      0,
    );
    minutes.set(id, (own + components) / facts.yieldGrams);
  }
  return minutes;
}

/** What one piece takes from each recipe, g, with the batch's remainder in it: whole pieces only. */
function chargedGrams(facts: PieceFacts, book: Book): { recipeId: string; grams: number }[] {
  const body = bodyForm(facts.piece.form);
  return facts.parts.map((part) => {
    const recipe = book.recipes.get(part.recipeId);
    if (part.role !== 'body' || !recipe) return { recipeId: part.recipeId, grams: part.drawnGrams };
    const size = Math.max(...recipe.recipe.batchSizes);
    const count = piecesPerBatch(body, size, recipe.yieldGrams);
    return {
      recipeId: part.recipeId,
      grams: count > 0 ? (recipe.yieldGrams * size) / count : part.drawnGrams,
    };
  });
}

/** One piece's part of a cost. */
export interface PieceCost {
  readonly pieceId: string;
  readonly name: string;
  readonly count: number;
  readonly ingredientsMinor: number;
}

/** What a box costs and brings, minor units. */
export interface BoxCost {
  readonly boxId: string;
  readonly name: string;
  readonly ingredientsMinor: number;
  readonly packagingMinor: number;
  readonly handsMinor: number;
  readonly costMinor: number;
  readonly priceMinor: number;
  /** Price less cost. */
  readonly profitMinor: number;
  /** Price less ingredients and packaging: what is left for the hands. */
  readonly contributionMinor: number;
  /** Profit as a share of the price, percent; null without a price. */
  readonly marginPercent: number | null;
  /** Profit as a share of the cost, percent; null without a cost. */
  readonly markupPercent: number | null;
  /** Minutes of hands: batches, pieces and packing. */
  readonly handsMinutes: number;
  /** Contribution for an hour of the maker's hands; null without hands. */
  readonly perBenchHourMinor: number | null;
  readonly pieces: readonly PieceCost[];
  /** Names of ingredients that have no price and so are missing from it. */
  readonly unpriced: readonly string[];
}

/** The per-gram figures that every box cost starts from. */
export interface CostBasis {
  readonly costs: UnitCosts;
  readonly hands: ReadonlyMap<string, number>;
}

/** Works out the per-gram figures once for a book. */
export const costBasis = (book: Book): CostBasis => ({
  costs: unitCosts(book),
  hands: handsPerGram(book),
});

/** What one piece takes: ingredients with losses, exact minor units, and minutes of hands with its share of its batches. */
export interface PieceWork {
  readonly ingredients: Decimal;
  readonly handsMinutes: number;
  /** Names of ingredients that have no price and so are missing from it. */
  readonly unpriced: readonly string[];
}

/** Works out one piece. */
export function workOfPiece(piece: PieceFacts, book: Book, basis: CostBasis): PieceWork {
  let ingredients = zero;
  let handsMinutes = handSecondsOf(piece.piece) / 60;
  const unpriced: string[] = [];
  for (const { recipeId, grams } of chargedGrams(piece, book)) {
    ingredients = ingredients.plus((basis.costs.recipes.get(recipeId) ?? zero).times(grams));
    handsMinutes += (basis.hands.get(recipeId) ?? 0) * grams;
    for (const id of book.recipes.get(recipeId)?.ingredientsPerGram.keys() ?? [])
      if (basis.costs.unpriced.has(id)) unpriced.push(book.ingredients.get(id)?.name ?? id);
  }
  return { ingredients, handsMinutes, unpriced };
}

/**
 * Cost of a box = ingredients with losses + packaging + hands x rate, rounded once, half to even; the parts are shown so that they add up to
 * it.
 * Margin is on the price, markup on the cost: 50 % markup is 33 % margin.
 */
export function costOfBox(facts: BoxFacts, book: Book, basis: CostBasis): BoxCost {
  let ingredients = zero;
  let minutes = facts.box.packMinutes;
  const unpriced = new Set<string>();
  const exact = facts.pieces.flatMap(({ pieceId, count }: PieceCount) => {
    const piece = book.pieces.get(pieceId);
    if (!piece) return [];
    const work = workOfPiece(piece, book, basis);
    for (const name of work.unpriced) unpriced.add(name);
    minutes += work.handsMinutes * count;
    const all = work.ingredients.times(count);
    ingredients = ingredients.plus(all);
    return [{ pieceId, name: piece.piece.name, count, cost: all }];
  });
  const packagingMinor = facts.box.packaging.reduce((sum, each) => sum + each.costMinor, 0);
  const hands = new Decimal(book.kitchen.handsRateMinorPerHour).times(minutes).div(60);
  const costMinor = toMinor(ingredients.plus(hands)) + packagingMinor;
  const [ingredientsMinor = 0, handsMinor = 0] = splitMinor(costMinor - packagingMinor, [
    ingredients.toNumber(),
    hands.toNumber(),
  ]);
  const shares = splitMinor(
    ingredientsMinor,
    exact.map(({ cost }) => cost.toNumber()),
  );
  const pieces = exact.map(({ cost: _cost, ...piece }, index) => ({ ...piece, ingredientsMinor: shares[index] ?? 0 }));
  const { priceMinor } = facts.box;
  const profitMinor = priceMinor - costMinor;
  const contributionMinor = priceMinor - ingredientsMinor - packagingMinor;
  return {
    boxId: facts.box.id,
    name: facts.box.name,
    ingredientsMinor,
    packagingMinor,
    handsMinor,
    costMinor,
    priceMinor,
    profitMinor,
    contributionMinor,
    marginPercent: priceMinor > 0 ? (profitMinor / priceMinor) * 100 : null,
    markupPercent: costMinor > 0 ? (profitMinor / costMinor) * 100 : null,
    handsMinutes: minutes,
    perBenchHourMinor:
      minutes > 0 ? toMinor(new Decimal(priceMinor - packagingMinor).minus(ingredients).times(60).div(minutes)) : null,
    pieces,
    unpriced: [...unpriced].sort(),
  };
}

const costsByBook = new WeakMap<Book, (pieceId: string) => number>();

/** What the ingredients of a piece cost, minor units, worked out once for a book; 0 for one that is not there. */
export function pieceCosts(book: Book): (pieceId: string) => number {
  let costOf = costsByBook.get(book);
  if (!costOf) {
    let basis: CostBasis | undefined;
    const costs = new Map<string, number>();
    costOf = (pieceId) => {
      const piece = book.pieces.get(pieceId);
      const kept = costs.get(pieceId);
      if (!piece || kept !== undefined) return kept ?? 0;
      basis ??= costBasis(book);
      const cost = workOfPiece(piece, book, basis).ingredients.toNumber();
      costs.set(pieceId, cost);
      return cost;
    };
    costsByBook.set(book, costOf);
  }
  return costOf;
}

/** The cost of every box of the book. */
export function costOfBoxes(book: Book): BoxCost[] {
  const basis = costBasis(book);
  return [...book.boxes.values()].map((facts) => costOfBox(facts, book, basis));
}
