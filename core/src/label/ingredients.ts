import type { Book } from '../book/index.js';
import type { PieceCount } from '../box/index.js';
import type { IngredientFiled } from '../ingredient/index.js';

/** One ingredient of the list with its weight in the box. */
export interface ListEntry {
  readonly labelName: string;
  /** As a label counts it, g: see `listedPerGram` of its recipe. */
  readonly grams: number;
  /** Share of all that is listed, percent. */
  readonly percent: number;
  /** Its own ingredients, in the supplier's order. */
  readonly parts: readonly string[];
}

/** Grams of every ingredient in the pieces as a label counts them, by ingredient id. */
export function ingredientGrams(pieces: readonly PieceCount[], book: Book): Map<string, number> {
  const grams = new Map<string, number>();
  for (const { pieceId, count } of pieces)
    for (const part of book.pieces.get(pieceId)?.parts ?? [])
      for (const [id, share] of book.recipes.get(part.recipeId)?.listedPerGram ?? [])
        grams.set(id, (grams.get(id) ?? 0) + share * part.grams * count);
  return grams;
}

const sayPart = ({ name, percent }: IngredientFiled['declaration']['parts'][number]): string =>
  percent === null ? name : `${name} ${percent}%`;

/**
 * The ingredients of the pieces in descending order of weight. Ingredients with the same label name and the same parts
 * are one entry; equal weights stand by name.
 * Source: 21 CFR 101.4(a)(1) and (b)(2) (as restated in the design; from memory).
 */
export function ingredientList(pieces: readonly PieceCount[], book: Book): ListEntry[] {
  const entries = new Map<string, { labelName: string; grams: number; parts: string[] }>();
  let total = 0;
  for (const [id, grams] of ingredientGrams(pieces, book)) {
    const ingredient = book.ingredients.get(id);
    if (!ingredient || grams <= 0) continue;
    const { labelName } = ingredient.declaration;
    const parts = ingredient.declaration.parts.map(sayPart);
    const key = [labelName.toLowerCase(), ...parts].join('|');
    const entry = entries.get(key) ?? { labelName, grams: 0, parts };
    entry.grams += grams;
    total += grams;
    entries.set(key, entry);
  }
  return [...entries.values()]
    .map((entry) => ({ ...entry, percent: (entry.grams / total) * 100 }))
    .sort((a, b) => b.grams - a.grams || a.labelName.localeCompare(b.labelName));
}

/** An entry as the label writes it: `semisweet chocolate (sugar, chocolate liquor, soy lecithin)`. */
export const sayEntry = ({ labelName, parts }: ListEntry): string =>
  parts.length === 0 ? labelName : `${labelName} (${parts.join(', ')})`;
