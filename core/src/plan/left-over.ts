import type { Book } from '../book/index.js';
import type { ProductionRun } from './run.js';

/** What keeps at least so many days goes back to stock. */
export const KEEPS_AS_STOCK_DAYS = 60;

/** What can become of what is left over of a run. */
export type LeftOverUse =
  | { readonly kind: 'nothing left' }
  /** It keeps for these recipes, which take it as a component. */
  | { readonly kind: 'component'; readonly keepsDays: number; readonly users: readonly string[] }
  /** It keeps so long that it goes back to stock. */
  | { readonly kind: 'stock' }
  /** Whole pieces that can be sold or given away. */
  | { readonly kind: 'pieces'; readonly count: number }
  | { readonly kind: 'lost' };

/** What can become of the left-over of a run; less than a gram is nothing. */
export function leftOverUse(
  { recipeId, leftOverGrams, leftOverPieces }: Pick<ProductionRun, 'recipeId' | 'leftOverGrams' | 'leftOverPieces'>,
  book: Book,
): LeftOverUse {
  if (leftOverGrams < 1) return { kind: 'nothing left' };
  const keepsDays = book.recipes.get(recipeId)?.recipe.keepsDays ?? 0;
  const users = [...book.recipes.values()]
    .filter(({ recipe }) => recipe.lines.some(({ uses }) => uses.id === recipeId))
    .map(({ recipe }) => recipe.name);
  if (users.length > 0) return { kind: 'component', keepsDays, users };
  if (keepsDays >= KEEPS_AS_STOCK_DAYS) return { kind: 'stock' };
  return leftOverPieces ? { kind: 'pieces', count: leftOverPieces } : { kind: 'lost' };
}
