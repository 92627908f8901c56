import { abvOf } from '../cooking/index.js';
import { addParts, energyOf, noParts, type Parts } from '../ingredient/index.js';
import type { RecipeBook } from '../recipe/index.js';
import type { PieceFacts } from './makeup.js';

/** What one piece is made of: an estimate. */
export interface PieceComposition {
  /** g in one piece. */
  readonly parts: Parts;
  readonly energyKcal: number;
  /** Alcohol of the whole piece, % by volume. */
  readonly abv: number;
}

/** The composition of one piece, through body, fillings and coating; null as long as one of them is not known. */
export function pieceComposition({ parts, weightGrams }: PieceFacts, book: RecipeBook): PieceComposition | null {
  let whole = noParts;
  for (const { recipeId, grams } of parts) {
    const of = book.recipes.get(recipeId)?.parts;
    if (!of) return null;
    whole = addParts(whole, of, grams / 100);
  }
  return {
    parts: whole,
    energyKcal: energyOf(whole),
    abv: weightGrams > 0 ? abvOf((whole.ethanol / weightGrams) * 100) : 0,
  };
}
