import { withYieldsOf, type BatchFiled } from '../batch/index.js';
import type { Finding } from '../finding/index.js';
import type { IngredientFiled } from '../ingredient/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { checkPans, withLargestSizes, workOutPiece, type PieceFacts, type PieceFiled } from '../piece/index.js';
import { checkPots, openRecipeBook, type RecipeBook, type RecipeFiled, type Sized } from '../recipe/index.js';
import { asSold, workOutBox, type BoxFacts, type BoxFiled } from '../box/index.js';

/** All that is kept but the orders. */
export interface BookData {
  readonly kitchen: KitchenDraft;
  readonly ingredients: readonly IngredientFiled[];
  readonly recipes: readonly RecipeFiled[];
  readonly pieces: readonly PieceFiled[];
  readonly boxes: readonly BoxFiled[];
  /** Batches that were made; none when nothing is said. */
  readonly batches?: readonly BatchFiled[];
}

/** The maker's whole book, worked out: what every sum starts from. */
export interface Book extends RecipeBook {
  /** The sizes of recipes as they are written, where the kitchen's vessels take less: at the bench a pot that is watched may take more. */
  readonly writtenSizes: ReadonlyMap<string, Sized>;
  readonly kitchen: KitchenDraft;
  readonly pieces: ReadonlyMap<string, PieceFacts>;
  readonly boxes: ReadonlyMap<string, BoxFacts>;
  /** What was sold under earlier numbers, by {@link editionKey}. */
  readonly editions: ReadonlyMap<string, BoxFacts>;
  /** Batches that were made. */
  readonly batches: readonly BatchFiled[];
  /** Where a season is planned: hand-overs whose boxes take several days to pack, and the first of these. */
  readonly packingStarts?: ReadonlyMap<string, string>;
  /** Where a season is planned: the days on which the maker wants stages of finishing, by their keys. */
  readonly stagePins?: ReadonlyMap<string, string>;
}

const editionKey = (boxId: string, edition: number): string => `${boxId} ${edition}`;

/** A box as it was sold under a number; as it is now when the number is null, or the box's own. */
export const boxAsSold = (book: Pick<Book, 'boxes' | 'editions'>, boxId: string, edition: number | null) =>
  (edition === null ? undefined : book.editions.get(editionKey(boxId, edition))) ?? book.boxes.get(boxId);

/**
 * Works out every recipe, piece and box once. Pure: the same data gives the same book.
 * What is wrong stands in `findings`; nothing throws.
 */
export function openBook(data: BookData): Book {
  const { batches = [] } = data;
  const recipeBook = openRecipeBook(data.ingredients, withYieldsOf(data.recipes, batches));
  const pieces = new Map(data.pieces.map((piece) => [piece.id, workOutPiece(piece, recipeBook)] as const));
  const boxes = new Map(data.boxes.map((box) => [box.id, workOutBox(box, pieces)] as const));
  const editions = new Map(
    data.boxes.flatMap((box) =>
      box.editions.map(
        ({ edition }) => [editionKey(box.id, edition), workOutBox(asSold(box, edition), pieces)] as const,
      ),
    ),
  );
  const { findings: bounded, ...madeHere } = withLargestSizes(recipeBook, pieces.values(), data.kitchen);
  const { recipes } = madeHere;
  const findings: Finding[] = [
    ...recipeBook.findings,
    ...bounded,
    ...checkPots({ ...recipeBook, recipes }, data.kitchen.pots),
    ...checkPans(pieces.values(), recipeBook, data.kitchen.pans),
    ...[...pieces.values()].flatMap((facts) => facts.findings),
    ...[...boxes.values()].flatMap((facts) => facts.findings),
  ];
  return { ...recipeBook, ...madeHere, kitchen: data.kitchen, pieces, boxes, editions, batches, findings };
}
