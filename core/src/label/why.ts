import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { containedIn, weighedPacks, type Allergen, type IngredientFiled } from '../ingredient/index.js';
import { sayDay, sayGrams } from '../quantity/index.js';
import { ingredientGrams } from './ingredients.js';

/** A step of the way by which something comes into a box. */
export interface WhyStep {
  readonly noun: 'piece' | 'recipe' | 'ingredient';
  readonly id: string;
  readonly name: string;
  /** What of the looked-for is in it here, as it goes in, g. */
  readonly grams: number;
  /** What it comes from in turn; for an ingredient none. */
  readonly from: readonly WhyStep[];
  /** Of an ingredient: the packs that it is bought in, and what of it is on hand. */
  readonly packs: readonly string[];
  readonly lots: readonly string[];
}

function ingredientStep(ingredient: IngredientFiled, grams: number): WhyStep {
  const { id, name, lots } = ingredient;
  return {
    noun: 'ingredient',
    id,
    name,
    grams,
    from: [],
    packs: weighedPacks(ingredient).map((pack) => (pack.supplier ? `${pack.name}, ${pack.supplier}` : pack.name)),
    lots: lots.map((lot) => `${sayGrams(lot.grams)} to use by ${sayDay(lot.useBy)}`),
  };
}

const steps = (step: WhyStep | null): WhyStep[] => (step ? [step] : []);

/** @param grams of the recipe, as it is in what uses it */
function recipeStep(id: string, grams: number, wanted: ReadonlySet<string>, book: Book): WhyStep | null {
  const facts = book.recipes.get(id);
  if (!facts || facts.yieldGrams <= 0) return null;
  const from = facts.recipe.lines.flatMap((line, index): WhyStep[] => {
    const inIt = ((facts.lineGrams[index] ?? 0) / facts.yieldGrams) * grams;
    if (line.uses.kind === 'recipe') return steps(recipeStep(line.uses.id, inIt, wanted, book));
    const ingredient = book.ingredients.get(line.uses.id);
    return ingredient && wanted.has(ingredient.id) ? [ingredientStep(ingredient, inIt)] : [];
  });
  if (from.length === 0) return null;
  const sum = from.reduce((total, step) => total + step.grams, 0);
  return { noun: 'recipe', id, name: facts.recipe.name, grams: sum, from, packs: [], lots: [] };
}

/**
 * The ways by which ingredients come into a box: piece, component after component, ingredient, with the grams of it that go in at each, for all
 * pieces of the box.
 * @param wanted ids of ingredients
 * @returns a step a piece; none where nothing of it is in the box
 */
export function whyInBox(facts: BoxFacts, wanted: ReadonlySet<string>, book: Book): WhyStep[] {
  return facts.pieces.flatMap(({ pieceId, count }): WhyStep[] => {
    const piece = book.pieces.get(pieceId);
    if (!piece) return [];
    const from = piece.parts.flatMap(({ recipeId, grams }) => steps(recipeStep(recipeId, grams * count, wanted, book)));
    const sum = from.reduce((total, step) => total + step.grams, 0);
    if (from.length === 0) return [];
    return [{ noun: 'piece', id: pieceId, name: piece.piece.name, grams: sum, from, packs: [], lots: [] }];
  });
}

/** Every ingredient of a box that contains an allergen, or may have traces of it. */
export function carriersOf(
  code: Allergen,
  facts: BoxFacts,
  book: Book,
): { readonly contain: Set<string>; readonly may: Set<string> } {
  const inBox = [...facts.ingredientIds].flatMap((id) => book.ingredients.get(id) ?? []);
  return {
    contain: new Set(inBox.filter((each) => containedIn(each).includes(code)).map(({ id }) => id)),
    may: new Set(inBox.filter(({ mayContain }) => mayContain.includes(code)).map(({ id }) => id)),
  };
}

const includes = (text: string, word: string): boolean => text.toLowerCase().includes(word);

/**
 * Why a word does not stand on the label of a box, in a sentence.
 * @param word as the maker types it
 * @returns null when it does stand there, or the word is empty
 */
export function whyNotInBox(word: string, text: string, facts: BoxFacts, book: Book): string | null {
  const wanted = word.trim().toLowerCase();
  if (wanted === '' || includes(text, wanted)) return null;
  const named = [...book.ingredients.values()].filter(({ name, declaration }) =>
    [name, declaration.labelName, ...declaration.parts.map((part) => part.name)].some((each) => includes(each, wanted)),
  );
  const [inBox] = named.filter(({ id }) => facts.ingredientIds.has(id));
  if (inBox) {
    const listed = ingredientGrams(facts.pieces, book).get(inBox.id) ?? 0;
    return listed > 0
      ? `${inBox.name} is in it and goes by the name of “${inBox.declaration.labelName}”.`
      : `${inBox.name} goes in, but nothing of it is left in the finished box: it is boiled off, strained off or trimmed.`;
  }
  const [known] = named;
  if (known) {
    const users = [...book.pieces.values()].filter(({ ingredientIds }) => ingredientIds.has(known.id));
    const [first] = users;
    return first
      ? `${known.name} is in ${first.piece.name}, which does not lie in this box.`
      : `${known.name} is in your pantry, but in no piece.`;
  }
  return `No ingredient of your pantry is called “${word.trim()}”.`;
}
