import { cheapestPack, type IngredientFiled } from '../ingredient/index.js';
import { sayList, sayNumber } from '../quantity/index.js';
import { openRecipeBook, type RecipeBook, type RecipeFacts } from './book.js';
import { estimateOf } from './estimate.js';
import type { Swap } from './schema.js';
import { swapIngredients } from './variant.js';

/** One thing that a swap changes, in words. */
export interface SideEffect {
  readonly what:
    'allergens' | 'label' | 'water activity' | 'keeping' | 'sweetness' | 'composition' | 'yield' | 'alcohol' | 'cost';
  readonly before: string;
  readonly after: string;
  /** Whether the maker must look at it before taking the swap. */
  readonly grave: boolean;
}

/** Label names in descending order of what goes in. */
const labelOrder = (facts: RecipeFacts, ingredients: ReadonlyMap<string, IngredientFiled>): string =>
  [
    ...new Set(
      [...facts.ingredientsPerGram]
        .sort((a, b) => b[1] - a[1])
        .map(([id]) => ingredients.get(id)?.declaration.labelName ?? id),
    ),
  ].join(', ');

/** Cost of the ingredients of one kg, minor units; null when one has no price. */
function costPerKg(facts: RecipeFacts, ingredients: ReadonlyMap<string, IngredientFiled>): number | null {
  let cost = 0;
  for (const [id, share] of facts.ingredientsPerGram) {
    const ingredient = ingredients.get(id);
    const pack = ingredient && cheapestPack(ingredient);
    if (!pack) return null;
    cost += (share * 1000 * pack.priceMinor) / pack.grams;
  }
  return cost;
}

/**
 * What differs between a recipe before and after a swap, the gravest first.
 * @param sayCost money in the maker's currency, from minor units
 */
export function sideEffects(
  before: RecipeFacts,
  after: RecipeFacts,
  ingredients: ReadonlyMap<string, IngredientFiled>,
  sayCost: (minor: number) => string,
): SideEffect[] {
  const effects: SideEffect[] = [];
  const note = (what: SideEffect['what'], was: string, is: string, grave = false) => {
    if (was !== is) effects.push({ what, before: was, after: is, grave });
  };
  const contains = ({ contains: codes }: RecipeFacts) => (codes.length === 0 ? 'none' : sayList(codes));
  note(
    'allergens',
    contains(before),
    contains(after),
    after.contains.some((code) => !before.contains.includes(code)),
  );
  note('label', labelOrder(before, ingredients), labelOrder(after, ingredients));
  const was = estimateOf(before, ingredients);
  const is = estimateOf(after, ingredients);
  const unknown = 'not known';
  const range = (estimate: typeof was) =>
    estimate ? `${sayNumber(estimate.waterActivity.low, 2)} to ${sayNumber(estimate.waterActivity.high, 2)}` : unknown;
  const mayBeAbove = (estimate: typeof was) => estimate?.waterActivity.reading !== 'below';
  note('water activity', range(was), range(is), mayBeAbove(is) && !mayBeAbove(was));
  const parts = ({ parts: of }: RecipeFacts) =>
    of
      ? `water ${sayNumber(of.water, 1)} %, fat ${sayNumber(of.fat, 1)} %, protein ${sayNumber(of.protein, 1)} %`
      : unknown;
  note('composition', parts(before), parts(after));
  const say = (value: number | undefined, unit: string) =>
    value === undefined ? unknown : `${sayNumber(value, 1)} ${unit}`;
  note('sweetness', say(was?.sweetness, 'g of sugar in 100 g'), say(is?.sweetness, 'g of sugar in 100 g'));
  note(
    'alcohol',
    say(was?.abv, '% by volume'),
    say(is?.abv, '% by volume'),
    is?.restricted === true && !was?.restricted,
  );
  note('yield', say(before.yieldGrams, 'g'), say(after.yieldGrams, 'g'));
  const wetter = was && is ? is.waterActivity.high - was.waterActivity.high : null;
  if (wetter === null || wetter > 0.01)
    note('keeping', `${before.recipe.keepsDays} days`, 'perhaps shorter: not known until it is tried or tested', true);
  const cost = (facts: RecipeFacts) => {
    const minor = costPerKg(facts, ingredients);
    return minor === null ? 'not known: something has no price' : `${sayCost(minor)} a kg`;
  };
  note('cost', cost(before), cost(after));
  return effects.sort((a, b) => Number(b.grave) - Number(a.grave));
}

/**
 * Tries swaps on one recipe without storing anything.
 * @returns the recipe before and after, or null when it cannot be worked out
 */
export function trySwaps(
  book: RecipeBook,
  recipeId: string,
  swaps: readonly Swap[],
): { readonly before: RecipeFacts; readonly after: RecipeFacts } | null {
  const before = book.recipes.get(recipeId);
  if (!before) return null;
  const swapped = { ...swapIngredients(before.recipe, swaps, book.ingredients), variantOf: null };
  const recipes = [...book.recipes.values()].map(({ recipe }) => (recipe.id === recipeId ? swapped : recipe));
  const after = openRecipeBook([...book.ingredients.values()], recipes).recipes.get(recipeId);
  return after ? { before, after } : null;
}
