import { swapIngredients, type Swap } from '../recipe/index.js';
import { daysBetween, type Day } from '../quantity/index.js';
import { oncePer } from '../record/index.js';
import { openBook, type Book } from './book.js';

/** For how long something of a batch may still be handed over, days: its own life, and that of everything that it goes into. */
const livesIn = oncePer((book: Book): ReadonlyMap<string, number> => {
  const after = new Map<string, number>();
  const goesOn = (recipeId: string, days: number) => {
    after.set(recipeId, Math.max(after.get(recipeId) ?? 0, days));
  };
  for (const { keepsDays, parts } of book.pieces.values())
    for (const { recipeId } of parts) goesOn(recipeId, keepsDays);
  const lives = new Map<string, number>();
  // What a component goes into comes before it.
  for (const id of book.componentsFirst.toReversed()) {
    const recipe = book.recipes.get(id)?.recipe;
    if (!recipe) continue;
    const life = recipe.keepsDays + (after.get(id) ?? 0);
    lives.set(id, life);
    for (const { uses } of recipe.lines) if (uses.kind === 'recipe') goesOn(uses.id, life);
  }
  return lives;
});

/**
 * What went in instead of what a recipe says, by recipe: of how much of it, over all of its batches that may be in what is handed over.
 * @param more recipes of which more is planned: what their batches will be made from is what the recipe says, so that stays in too
 */
function swapsSince(book: Book, until: Day, more: ReadonlySet<string>): Map<string, Swap[]> {
  const lives = livesIn(book);
  const recent = book.batches.filter(
    ({ on, state, recipeId }) =>
      state === 'done' && on <= until && daysBetween(on, until) <= (lives.get(recipeId) ?? Infinity),
  );
  const swaps = new Map<string, Swap[]>();
  for (const { recipeId, log, size } of recent) {
    for (const swap of log?.swaps ?? []) {
      const all = recent.reduce((sum, each) => (each.recipeId === recipeId ? sum + each.size : sum), 0);
      const share = ((swap.share * size) / all) * (more.has(recipeId) ? 0.5 : 1);
      const known = swaps.get(recipeId) ?? [];
      const same = known.find((each) => each.ingredientId === swap.ingredientId && each.withId === swap.withId);
      if (same) same.share = Math.min(1, same.share + share);
      else known.push({ ...swap, share });
      swaps.set(recipeId, known);
    }
  }
  return swaps;
}

/**
 * Gives a recipe with all that went in otherwise. Each swap is of what the recipe itself says, never of what another swap put in its place: where
 * cream stands for milk and oat drink for cream, both are in it. Several things that went in for one ingredient are each of its share.
 */
function asSwapped<Recipe extends Parameters<typeof swapIngredients>[0]>(
  recipe: Recipe,
  swaps: readonly Swap[],
  ingredients: Book['ingredients'],
): Recipe {
  const lines = recipe.lines.flatMap((line) => {
    const put: Recipe['lines'][number][] = [];
    let rest: Recipe['lines'][number] | undefined = line;
    const own = swaps.filter(({ ingredientId }) => line.uses.kind === 'ingredient' && ingredientId === line.uses.id);
    // Where more is said to have gone in than all of it, all that is said is in it.
    const whole = Math.max(
      1,
      own.reduce((sum, { share }) => sum + share, 0),
    );
    let gone = 0;
    for (const swap of own) {
      if (!rest) break;
      const part = swap.share / whole;
      const share = Math.min(1, part / (1 - gone));
      gone += part;
      const parts: readonly Recipe['lines'][number][] = swapIngredients(
        { lines: [rest] },
        [{ ...swap, share }],
        ingredients,
      ).lines;
      const instead = parts.at(-1);
      if (instead) put.push(instead);
      rest = share < 1 - 1e-9 ? parts[0] : undefined;
    }
    return rest ? [rest, ...put] : put;
  });
  return { ...recipe, lines };
}

/** The books that come of a book by what went in otherwise; null where nothing did. */
const madeFrom = oncePer((book: Book): Map<string, Book> | null =>
  book.batches.some(({ log }) => log !== null && log.swaps.length > 0) ? new Map<string, Book>() : null,
);

/**
 * The book as its batches were really made: where something else went in than a recipe says, the recipe has both, by their shares, so
 * that labels and exclusions see everything that is in what is handed over.
 * @param until the hand-over
 * @param more recipes of which more is still to be made
 * @returns the same book when nothing else went in
 */
export function bookAsMade(book: Book, until: Day, more: ReadonlySet<string> = new Set()): Book {
  const known = madeFrom(book);
  if (!known) return book;
  const swaps = swapsSince(book, until, more);
  if (swaps.size === 0) return book;
  // Hand-overs of many days have the same in them.
  const key = JSON.stringify([...swaps]);
  const made = known.get(key) ?? workOut(book, swaps);
  known.set(key, made);
  return made;
}

function workOut(book: Book, swaps: ReadonlyMap<string, readonly Swap[]>): Book {
  const recipes = [...book.recipes.values()].map(({ recipe }) => ({
    ...asSwapped(recipe, swaps.get(recipe.id) ?? [], book.ingredients),
    variantOf: null,
  }));
  const made = openBook({
    kitchen: book.kitchen,
    ingredients: [...book.ingredients.values()],
    recipes,
    pieces: [...book.pieces.values()].map(({ piece }) => piece),
    boxes: [...book.boxes.values()].map(({ box }) => box),
  });
  return { ...made, batches: book.batches };
}
