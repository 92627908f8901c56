import { readingHere, stageAt, targetHere, type Thermometry } from '../cooking/index.js';
import type { IngredientFiled, IngredientTrait } from '../ingredient/index.js';
import type { RecipeFacts } from './book.js';
import { bakesIn } from './heat.js';
import { entersAt } from './pot.js';
import type { RecipeFiled, RecipeStep } from './schema.js';

/** A step's temperature as the recipe gives it and as this kitchen's thermometer must show it, C. */
export interface StepTarget {
  readonly recipe: readonly [from: number, to: number | null];
  readonly here: readonly [from: number, to: number | null];
  /** The stage of cooked sugar; null for what does not boil. */
  readonly stage: string | null;
}

/** The target of a step in this kitchen; null when it has none. */
export function stepTarget({ target }: RecipeStep, kitchen: Thermometry): StepTarget | null {
  if (!target) return null;
  const here = target.boils ? targetHere : readingHere;
  const { celsius, upToCelsius } = target;
  return {
    recipe: [celsius, upToCelsius],
    here: [here(celsius, kitchen), upToCelsius === null ? null : here(upToCelsius, kitchen)],
    stage: target.boils ? stageAt(celsius) : null,
  };
}

/** Hotter than this sugar burns worse than boiling water, C at sea level. */
const HOT_SUGAR = 110;
/** Wet lines into syrup hotter than this spit, C at sea level. */
const SPITS = 130;
const WET_PERCENT = 15;

const HOT =
  'Hot sugar burns worse than boiling water and sticks: no children or pets, long sleeves, cold water at hand, never leave it.';
const SPIT = 'Cream or butter into hot syrup spits: face away, lower the heat.';
const FOAM = 'Bicarbonate multiplies the volume: the pot must have the room.';
const FLAME = 'Spirits near a flame catch fire: off the heat, away from burners.';
const EGG = 'Raw egg: not for pregnant, very young, old or ill people. Use pasteurised egg or another recipe.';
const BURN = 'Nuts burn in the oven within a minute.';

/**
 * The cautions that a step calls for, beside the maker's own: made from its target and from what goes in.
 * Common practice, no source.
 */
export function stepCautions(
  recipe: RecipeFiled,
  at: number,
  facts: RecipeFacts,
  ingredients: ReadonlyMap<string, IngredientFiled>,
): string[] {
  const step = recipe.steps[at];
  if (!step) return [];
  const has = (trait: IngredientTrait) =>
    [...facts.ingredientsPerGram.keys()].some((id) => ingredients.get(id)?.traits.includes(trait));
  const cooks = step.effect.kind === 'cook' || step.effect.kind === 'reduce';
  const celsius = step.target?.boils ? (step.target.upToCelsius ?? step.target.celsius) : 0;
  const wetAfter = recipe.lines.some(
    (line) =>
      entersAt(line, recipe.steps) === at + 1 &&
      line.uses.kind === 'ingredient' &&
      (ingredients.get(line.uses.id)?.composition?.water ?? 0) >= WET_PERCENT,
  );
  return [
    ...(celsius > HOT_SUGAR ? [HOT] : []),
    ...(celsius > SPITS && wetAfter ? [SPIT] : []),
    ...(cooks && has('bicarbonate') ? [FOAM] : []),
    ...(cooks && has('spirit') ? [FLAME] : []),
    ...(at === 0 && has('raw egg') ? [EGG] : []),
    ...(bakesIn(step) && has('nut') ? [BURN] : []),
    ...(step.caution ? [step.caution] : []),
  ];
}
