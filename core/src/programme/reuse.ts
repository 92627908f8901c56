import type { Book } from '../book/index.js';
import { costBasis, costOfBox } from '../money/index.js';
import { KEEPS_AS_STOCK_DAYS } from '../plan/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import { oncePer } from '../record/index.js';

/** The part of a left-over's ingredients that is not lost: it goes back to stock, is a component of others, or neither. Guesses. */
export const reuse = { stock: 0.9, component: 0.6, nothing: 0.1 } as const;

/** The recipes that others take as a component. */
const componentsIn = oncePer(
  ({ recipes }: Book): ReadonlySet<string> =>
    new Set([...recipes.values()].flatMap(({ recipe }) => recipe.lines.map(({ uses }) => uses.id))),
);

/**
 * The recipes that are the body of a piece which can still be sold when it is left over: it keeps longer than a hand-over wants, and in some box
 * it brings more than what it is made of and packed in.
 */
const soldLater = oncePer((book: Book): ReadonlySet<string> => {
  const basis = costBasis(book);
  const paying = [...book.boxes.values()].filter((facts) => costOfBox(facts, book, basis).contributionMinor > 0);
  return new Set(
    paying.flatMap(({ pieces }) =>
      pieces.flatMap(({ pieceId }) => {
        const facts = book.pieces.get(pieceId);
        const keeps = facts !== undefined && facts.keepsDays > book.kitchen.promisedDays;
        return keeps ? facts.parts.flatMap(({ role, recipeId }) => (role === 'body' ? [recipeId] : [])) : [];
      }),
    ),
  );
});

/**
 * How much of a left-over recipe's ingredients is not lost: by what it can still become, and by what the maker says is sold of left-over pieces.
 * It never counts more than its ingredients, nor more than stock: to make what nobody has ordered pays in no plan.
 * @returns 0 to 0.9
 */
export function reuseOf(id: string, { recipe }: RecipeFacts, book: Book): number {
  if (recipe.keepsDays >= KEEPS_AS_STOCK_DAYS) return reuse.stock;
  const becomes = componentsIn(book).has(id) ? reuse.component : reuse.nothing;
  const sold = soldLater(book).has(id) ? book.kitchen.leftOverSoldPercent / 100 : 0;
  return Math.min(reuse.stock, Math.max(becomes, sold));
}
