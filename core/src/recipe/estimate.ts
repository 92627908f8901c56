import {
  abvOf,
  ganacheBalance,
  potCheck,
  RESTRICTED_ABV,
  waterActivity,
  type GanacheBalance,
  type PotCheck,
  type PotSize,
  type WaterActivity,
} from '../cooking/index.js';
import { finding, type Finding } from '../finding/index.js';
import {
  energyOf,
  partsOf,
  sugarsOf,
  sweetnessOf,
  type ChocolateKind,
  type IngredientFiled,
} from '../ingredient/index.js';
import type { RecipeBook, RecipeFacts } from './book.js';
import { sayBatches } from './batches.js';
import { bakesIn } from './heat.js';
import { entersAt, type Boiling } from './pot.js';

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
  /** The chocolate as which it is tempered; null where nothing is. */
  readonly tempers: ChocolateKind | null;
  /** Of its dissolved sugars, those that keep sucrose from graining: glucose, fructose, maltose and dextrins, percent. */
  readonly doctors: number;
}

/** Everything that went in, ingredient by ingredient, in g for one gram of the finished recipe. */
const goesIn = (facts: RecipeFacts, ingredients: ReadonlyMap<string, IngredientFiled>) =>
  [...facts.ingredientsPerGram].flatMap(([id, grams]) => {
    const ingredient = ingredients.get(id);
    return ingredient?.composition ? [{ ingredient, composition: ingredient.composition, grams }] : [];
  });

/** What is beaten full of air is a mousse. */
const WHIPS = /\bwhip(?:ped|s)?\b|\bfold in the (?:beaten|whisked)/i;

/** Whether a recipe may be a ganache: nothing of its chocolate is cooked or baked, and nothing is whipped or raw egg. */
function mayBeGanache({ recipe }: RecipeFacts, ingredients: ReadonlyMap<string, IngredientFiled>): boolean {
  const { steps, lines } = recipe;
  const lastCook = steps.findLastIndex(({ effect }) => effect.kind === 'cook' || effect.kind === 'reduce');
  const chocolateAt = lines.flatMap((line) =>
    line.uses.kind === 'ingredient' && ingredients.get(line.uses.id)?.chocolate ? [entersAt(line, steps)] : [],
  );
  return !steps.some((step) => bakesIn(step) || WHIPS.test(step.text)) && chocolateAt.every((at) => at > lastCook);
}

/** More water than this is no chocolate that can be tempered, percent. */
const WETTEST_CHOCOLATE = 3;
/** So much of what is finished is chocolate when it is tempered. Common practice, no source. */
const MOSTLY = 0.5;

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
  const cooks = recipe.steps.some(({ effect }) => effect.kind === 'cook' || effect.kind === 'reduce');
  const rawEgg = inputs.some(({ ingredient }) => ingredient.traits.includes('raw egg'));
  const sugars = sugarsOf(parts);
  const chocolate = inputs.filter(({ ingredient }) => ingredient.chocolate !== null).sort((a, b) => b.grams - a.grams);
  const isChocolate =
    parts.water <= WETTEST_CHOCOLATE && chocolate.reduce((total, { grams }) => total + grams, 0) > MOSTLY;
  const abv = abvOf(parts.ethanol);
  return {
    waterActivity: waterActivity(parts, cooks && !recipe.grains),
    abv,
    restricted: abv > RESTRICTED_ABV,
    energyKcal: energyOf(parts),
    sugars,
    sweetness: sweetnessOf(parts),
    cocoaButter: ofFat('cocoaButter'),
    milkFat: ofFat('milkFat'),
    ganache:
      rawEgg || !mayBeGanache(facts, ingredients)
        ? null
        : ganacheBalance(
            inputs.map(({ ingredient, composition, grams }) => ({
              grams,
              parts: partsOf(composition),
              chocolate: ingredient.chocolate,
              cocoaButter: composition.cocoaButter,
            })),
            parts,
          ),
    tempers: isChocolate && !recipe.steps.some(bakesIn) ? (chocolate[0]?.ingredient.chocolate ?? null) : null,
    doctors:
      sugars + parts.dextrin > 0
        ? (100 * (parts.glucose + parts.fructose + parts.maltose + parts.dextrin)) / (sugars + parts.dextrin)
        : 0,
  };
}

/** The boiling of a recipe that needs the most room at a size of batch, with the pots that have it; null where nothing boils. */
export function worstBoiling<P extends PotSize>(
  { boilings }: Pick<RecipeFacts, 'boilings'>,
  size: number,
  pots: readonly P[],
): (PotCheck<P> & { readonly boiling: Boiling }) | null {
  const checks = boilings.map((boiling) => ({ ...potCheck(boiling.grams * size, boiling.foaming, pots), boiling }));
  const [first, ...others] = checks;
  return first ? others.reduce((worst, each) => (each.needsLitres > worst.needsLitres ? each : worst), first) : null;
}

/** A finding for every recipe whose allowed batches do not fit any pot that the maker owns. */
export function checkPots(book: RecipeBook, pots: readonly PotSize[]): Finding[] {
  if (pots.length === 0) return [];
  return [...book.recipes.values()].flatMap((facts) => {
    const { recipe } = facts;
    const checks = recipe.batchSizes.flatMap((size) => {
      const check = worstBoiling(facts, size, pots);
      return check && !check.fits ? [{ size, ...check }] : [];
    });
    const [first] = checks;
    if (!first) return [];
    const { size, needsLitres, largest, share } = first;
    return [
      finding(
        checks.length === recipe.batchSizes.length ? 'no-pot' : 'pot-too-small',
        { noun: 'recipe', id: recipe.id, name: recipe.name },
        {
          batch: sayBatches([{ size, count: 1 }]),
          needsLitres,
          pot: largest?.name ?? '',
          potLitres: largest?.litres ?? 0,
          multiple: size * (share ?? 0),
        },
      ),
    ];
  });
}
