import {
  abvOf,
  ganacheBalance,
  potCheck,
  RESTRICTED_ABV,
  waterActivity,
  type GanacheBalance,
  type PotSize,
  type WaterActivity,
} from '../cooking/index.js';
import { finding, type Finding } from '../finding/index.js';
import { energyOf, partsOf, sugarsOf, sweetnessOf, type IngredientFiled } from '../ingredient/index.js';
import { sayNumber } from '../quantity/index.js';
import type { RecipeBook, RecipeFacts } from './book.js';
import { isCooked } from './mass.js';

/** What the composition of a finished recipe says of it; everything is an estimate. */
export interface RecipeEstimate {
  readonly waterActivity: WaterActivity;
  /** Alcohol by volume, %; and whether that is restricted in many places. */
  readonly abv: number;
  readonly restricted: boolean;
  /** Per 100 g: kcal, g of sugars, and g of sucrose that would be as sweet. */
  readonly energyKcal: number;
  readonly sugars: number;
  readonly sweetness: number;
  /** Of the fat in 100 g, g. */
  readonly cocoaButter: number;
  readonly milkFat: number;
  /** Null for what is no ganache. */
  readonly ganache: GanacheBalance | null;
}

/** Everything that went in, ingredient by ingredient, in g for one gram of the finished recipe. */
const goesIn = (facts: RecipeFacts, ingredients: ReadonlyMap<string, IngredientFiled>) =>
  [...facts.ingredientsPerGram].flatMap(([id, grams]) => {
    const ingredient = ingredients.get(id);
    return ingredient?.composition ? [{ ingredient, composition: ingredient.composition, grams }] : [];
  });

/** @returns the estimate, or null as long as a composition is not known */
export function estimateOf(
  facts: RecipeFacts,
  ingredients: ReadonlyMap<string, IngredientFiled>,
): RecipeEstimate | null {
  const { parts, recipe } = facts;
  if (!parts) return null;
  const inputs = goesIn(facts, ingredients);
  const sum = (of: (each: (typeof inputs)[number]) => number) =>
    inputs.reduce((total, each) => total + each.grams * of(each), 0);
  const fatIn = sum(({ composition }) => composition.fat);
  const ofFat = (part: 'cocoaButter' | 'milkFat') =>
    fatIn > 0 ? (parts.fat * sum(({ composition }) => composition[part])) / fatIn : 0;
  const cooked = isCooked(recipe);
  const abv = abvOf(parts.ethanol);
  return {
    waterActivity: waterActivity(parts, cooked && !recipe.grains),
    abv,
    restricted: abv > RESTRICTED_ABV,
    energyKcal: energyOf(parts),
    sugars: sugarsOf(parts),
    sweetness: sweetnessOf(parts),
    cocoaButter: ofFat('cocoaButter'),
    milkFat: ofFat('milkFat'),
    ganache: cooked
      ? null
      : ganacheBalance(
          inputs.map(({ ingredient, composition, grams }) => ({
            grams,
            parts: partsOf(composition),
            chocolate: ingredient.chocolate,
          })),
        ),
  };
}

/** A finding for every recipe whose allowed batches do not fit any pot that the maker owns. */
export function checkPots(book: RecipeBook, pots: readonly PotSize[]): Finding[] {
  if (pots.length === 0) return [];
  return [...book.recipes.values()].flatMap(({ recipe, rawGrams }) => {
    if (recipe.foaming === 'does not boil') return [];
    const tooLarge = recipe.batchSizes.filter((size) => !potCheck(rawGrams * size, recipe.foaming, pots).fits);
    const [size] = tooLarge;
    if (size === undefined) return [];
    const { needsLitres, largest, share } = potCheck(rawGrams * size, recipe.foaming, pots);
    return [
      finding(
        tooLarge.length === recipe.batchSizes.length ? 'stop' : 'decide',
        'pot-too-small',
        { noun: 'recipe', id: recipe.id, name: recipe.name },
        `${recipe.name}: a batch of ${sayNumber(size, size % 1 ? 1 : 0)} times rises to ${sayNumber(needsLitres, 1)} L and does not fit ${largest?.name ?? ''} of ${sayNumber(largest?.litres ?? 0, 1)} L. Make at most ${sayNumber(size * (share ?? 0), 2)} times in it, or use a larger pot.`,
      ),
    ];
  });
}
