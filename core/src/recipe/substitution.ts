import { Decimal } from 'decimal.js';
import type { WaterActivity } from '../cooking/index.js';
import { allergens, cheapestPack, type Allergen, type IngredientFiled } from '../ingredient/index.js';
import { sayList, sayNumber, toMinor } from '../quantity/index.js';
import { openRecipeBook, type RecipeBook, type RecipeFacts } from './book.js';
import { estimateOf, type RecipeEstimate } from './estimate.js';
import type { Swap } from './schema.js';
import { swapIngredients } from './variant.js';

/** One thing that a swap changes, in words. */
export interface SideEffect {
  readonly what:
    | 'allergens'
    | 'may contain'
    | 'label'
    | 'water activity'
    | 'keeping'
    | 'set'
    | 'tempering'
    | 'graining'
    | 'salt'
    | 'sweetness'
    | 'composition'
    | 'yield'
    | 'alcohol'
    | 'cost';
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

/** Cost of the ingredients of one kg, whole minor units, half to even; null when one has no price. */
function costPerKg(facts: RecipeFacts, ingredients: ReadonlyMap<string, IngredientFiled>): number | null {
  let cost = new Decimal(0);
  for (const [id, share] of facts.ingredientsPerGram) {
    const ingredient = ingredients.get(id);
    const pack = ingredient && cheapestPack(ingredient);
    if (!pack) return null;
    cost = cost.plus(new Decimal(share).times(1000).times(pack.priceMinor).div(pack.grams));
  }
  return toMinor(cost);
}

type Note = (what: SideEffect['what'], was: string, is: string, grave?: boolean) => void;

/** A change of less than this is none: percent of minerals, of cocoa butter, of what keeps from graining. */
const SALT_STEP = 0.2;
const FAT_STEP = 1;
const DOCTOR_STEP = 3;
/** Under this share of other sugars a cooked sugar may grain, percent. Common practice, no source. */
const GRAINS_UNDER = 10;

/** How it sets, tempers, grains and tastes of salt: what is not seen in its figures at once. */
function setEffects(
  note: Note,
  was: RecipeEstimate | null,
  is: RecipeEstimate | null,
  before: RecipeFacts,
  after: RecipeFacts,
): void {
  if (!was || !is || !before.parts || !after.parts) return;
  const fats = ({ cocoaButter, milkFat }: RecipeEstimate) =>
    `${sayNumber(cocoaButter, 1)} % cocoa butter, ${sayNumber(milkFat, 1)} % milk fat`;
  if (was.ganache ?? is.ganache) {
    const reads = ({ ganache }: RecipeEstimate) => ganache?.reads ?? 'no ganache';
    note('set', reads(was), reads(is), reads(was) !== reads(is));
  } else if (Math.abs(was.cocoaButter - is.cocoaButter) >= FAT_STEP || Math.abs(was.milkFat - is.milkFat) >= FAT_STEP)
    note('set', fats(was), fats(is));
  const tempers = ({ tempers: kind }: RecipeEstimate) => (kind ? `as ${kind} chocolate` : 'not');
  note('tempering', tempers(was), tempers(is), true);
  const cooks = after.recipe.steps.some(({ effect }) => effect.kind === 'cook');
  if (cooks && Math.abs(was.doctors - is.doctors) >= DOCTOR_STEP)
    note(
      'graining',
      `${sayNumber(was.doctors)} % of its sugars hinder it`,
      `${sayNumber(is.doctors)} % of its sugars hinder it`,
      is.doctors < GRAINS_UNDER && was.doctors >= GRAINS_UNDER,
    );
  if (Math.abs(before.parts.ash - after.parts.ash) >= SALT_STEP)
    note(
      'salt',
      `${sayNumber(before.parts.ash, 1)} % minerals, salt among them`,
      `${sayNumber(after.parts.ash, 1)} % minerals, salt among them`,
    );
}

/** An estimate of water activity in words. */
export const sayWaterActivity = (estimate: WaterActivity): string =>
  estimate.reading === 'not estimated'
    ? 'not estimated'
    : `${sayNumber(estimate.low, 2)} to ${sayNumber(estimate.high, 2)}`;

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
  const sayCodes = (codes: readonly Allergen[]) =>
    codes.length === 0 ? 'none' : sayList(codes.map((code) => allergens[code].name.toLowerCase()));
  const adds = (was: readonly Allergen[], is: readonly Allergen[]) => is.some((code) => !was.includes(code));
  note('allergens', sayCodes(before.contains), sayCodes(after.contains), adds(before.contains, after.contains));
  note(
    'may contain',
    sayCodes(before.mayContain),
    sayCodes(after.mayContain),
    adds(before.mayContain, after.mayContain),
  );
  note('label', labelOrder(before, ingredients), labelOrder(after, ingredients));
  const was = estimateOf(before, ingredients);
  const is = estimateOf(after, ingredients);
  const unknown = 'not known';
  const range = (estimate: typeof was) => (estimate ? sayWaterActivity(estimate.waterActivity) : unknown);
  const mayBeAbove = (estimate: typeof was) => estimate?.waterActivity.reading !== 'below';
  note('water activity', range(was), range(is), mayBeAbove(is) && !mayBeAbove(was));
  setEffects(note, was, is, before, after);
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
  const high = (estimate: typeof was) =>
    estimate && 'high' in estimate.waterActivity ? estimate.waterActivity.high : null;
  const [wetWas, wetIs] = [high(was), high(is)];
  const water = (facts: RecipeFacts) => facts.parts?.water ?? null;
  const isWetter =
    wetWas !== null && wetIs !== null ? wetIs - wetWas > 0.01 : (water(after) ?? Infinity) > (water(before) ?? 0) + 0.5;
  if (isWetter)
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
