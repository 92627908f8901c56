import type { Book } from '../book/index.js';
import type { PieceCount } from '../box/index.js';
import { containedIn, inLabelOrder, type Allergen, type IngredientFiled } from '../ingredient/index.js';

/** One of the supplier's own ingredients. */
export interface EntryPart {
  readonly name: string;
  readonly french: string;
  /** As the supplier says it; null where nobody does. */
  readonly percent: number | null;
}

/** One ingredient of the list with its weight in the box. */
export interface ListEntry {
  readonly labelName: string;
  /** Its name in French; '' where nobody has said it. */
  readonly french: string;
  /** As a label counts it, g: see `listedPerGram` of its recipe. */
  readonly grams: number;
  /** Share of all that is listed, percent. */
  readonly percent: number;
  /** Grams of it in 100 g of the finished food: more than 100 where much has been boiled off. */
  readonly per100: number;
  /** Its own ingredients, in the supplier's order. */
  readonly parts: readonly EntryPart[];
  readonly contains: readonly Allergen[];
  /** The ingredients of the pantry that are written in this way. */
  readonly ids: readonly string[];
  /** Whether it is nothing but water. */
  readonly isWater: boolean;
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

/** From this share of water on an ingredient is plain water, percent. */
const PLAIN_WATER = 99.5;

const sayPart = ({ name, percent }: EntryPart): string => `${name} ${percent ?? ''}`;

/** What two ingredients must share to be one entry of a list. */
const keyOf = ({ declaration }: IngredientFiled): string =>
  [declaration.labelName.toLowerCase(), ...declaration.parts.map(sayPart)].join('|');

/**
 * The ingredients of the pieces in descending order of weight. Ingredients with the same label name and the same parts
 * are one entry; equal weights stand by name.
 * Sources: 21 CFR 101.4(a)(1) and (b)(2); Reg. (EU) 1169/2011 art. 18(1) (as restated in the design; from memory).
 */
export function ingredientList(pieces: readonly PieceCount[], book: Book): ListEntry[] {
  const entries = new Map<string, { grams: number; all: IngredientFiled[] }>();
  let total = 0;
  for (const [id, grams] of ingredientGrams(pieces, book)) {
    const ingredient = book.ingredients.get(id);
    if (!ingredient || grams <= 0) continue;
    const key = keyOf(ingredient);
    const entry = entries.get(key) ?? { grams: 0, all: [] };
    entry.grams += grams;
    entry.all.push(ingredient);
    total += grams;
    entries.set(key, entry);
  }
  const finished = pieces.reduce(
    (sum, { pieceId, count }) => sum + (book.pieces.get(pieceId)?.weightGrams ?? 0) * count,
    0,
  );
  return [...entries.values()]
    .flatMap(({ grams, all }): ListEntry[] => {
      const [first] = all;
      if (!first) return [];
      const { labelName, french, parts } = first.declaration;
      return [
        {
          labelName,
          french,
          grams,
          percent: (grams / total) * 100,
          per100: finished > 0 ? (grams / finished) * 100 : 0,
          parts,
          contains: inLabelOrder(all.flatMap(containedIn)),
          ids: all.map(({ id }) => id),
          isWater: all.every(({ composition }) => (composition?.water ?? 0) >= PLAIN_WATER),
        },
      ];
    })
    .sort((a, b) => b.grams - a.grams || a.labelName.localeCompare(b.labelName));
}
