import { readingHere, stageAt, targetHere, type Thermometry } from '../cooking/index.js';
import type { IngredientFiled, IngredientTrait } from '../ingredient/index.js';
import type { RecipeBook } from './book.js';
import { bakesIn, boilsIn } from './heat.js';
import { entersAt } from './pot.js';
import type { RecipeFiled, RecipeLine, RecipeStep } from './schema.js';

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

const cautions = {
  hot: 'Hot sugar burns worse than boiling water and sticks: no children or pets, long sleeves, cold water at hand, never leave it.',
  spit: 'Cream or butter into hot syrup spits: face away, lower the heat.',
  foam: 'Bicarbonate multiplies the volume: the pot must have the room.',
  flame: 'Spirits near a flame catch fire: off the heat, away from burners.',
  torch: 'Torch with care: nothing that burns within reach, never towards you.',
  egg: 'Raw egg: not for pregnant, very young, old or ill people. Use pasteurised egg or another recipe.',
  burn: 'Nuts burn in the oven within a minute.',
  fridge: 'Never put a very hot pan into the fridge: let it cool on the bench first.',
} as const;

const DRY_CARAMEL = /\bcaramel|\bdry\b[^.]*\bsugar|\bsugar\b[^.]*\bdry\b/i;
const MELTS_SUGAR = /\b(?:melt|cook|boil|heat)\w*\b[^.]*\bsugar|\bcaramel(?:is|iz)/i;
const WET_INTO = /\b(?:cream|butter|milk|water|puree|juice)\b/i;
const TORCH = /\b(?:blow ?)?torch(?:es|ed)?\b/i;
const FLAMES = /\bflam(?:e|ed|es|b[eé])\b|\bset (?:it )?alight\b|\bignite/i;
const INTO_COLD = /\b(?:fridge|refrigerat\w*|freezer|chill(?:ed)?|ice box)\b/i;
const NOT_COLD = /\b(?:not|never|no)\b[^.;]{0,20}\b(?:fridge|refrigerat|freezer|chill)/i;
/** A pan is very hot until it has cooled as long as this, minutes. Common practice, no source. */
const COOLS_MINUTES = 20;
/** And no longer below this, C. */
const WARM = 60;

/** How hot what is in the pot may be when a step begins, C at sea level; nothing that has cooled. */
function hottestBefore({ steps }: RecipeFiled, at: number): number {
  let hottest = 0;
  for (const step of steps.slice(0, at)) {
    if (step.target) hottest = step.target.upToCelsius ?? step.target.celsius;
    else if (DRY_CARAMEL.test(step.text) && MELTS_SUGAR.test(step.text)) hottest = 170;
    else if (boilsIn(step)) hottest = Math.max(hottest, 100);
    if ((step.rest?.typicalMinutes ?? 0) >= COOLS_MINUTES && !bakesIn(step)) hottest = 0;
  }
  return hottest;
}

type Inside = Pick<RecipeBook, 'ingredients' | 'recipes'>;

/** The ingredients that a line brings, through its component where it is one. */
function broughtBy({ uses }: RecipeLine, { ingredients, recipes }: Inside): IngredientFiled[] {
  const ids = uses.kind === 'ingredient' ? [uses.id] : [...(recipes.get(uses.id)?.ingredientsPerGram.keys() ?? [])];
  return ids.flatMap((id) => ingredients.get(id) ?? []);
}

/** What goes in at a step, at the last one also what goes in after it, and whatever is in by then. */
function goesIn(recipe: RecipeFiled, at: number, inside: Inside) {
  const last = recipe.steps.length - 1;
  const entered = recipe.lines.map((line) => ({
    line,
    at: Math.min(entersAt(line, recipe.steps), last),
    brings: broughtBy(line, inside),
  }));
  const now = entered.filter((each) => each.at === at);
  const has = (some: typeof entered, trait: IngredientTrait) =>
    some.some(({ line, brings }) =>
      brings.some(({ traits }) => {
        if (!traits.includes(trait)) return false;
        // What a component foamed it has foamed.
        return trait !== 'bicarbonate' || line.uses.kind === 'ingredient';
      }),
    );
  return {
    enters: (trait: IngredientTrait) => has(now, trait),
    isIn: (trait: IngredientTrait) => has(entered.filter((each) => each.at <= at), trait), // prettier-ignore
    isWet: now.some(
      ({ line, brings }) =>
        line.uses.kind === 'ingredient' && brings.some(({ composition }) => (composition?.water ?? 0) >= WET_PERCENT),
    ),
  };
}

/**
 * The cautions that a step calls for, the maker's own last: each comes from what happens in the step itself, from its words, its target
 * and what goes in. Common practice, no source.
 * @returns nothing for a step that is not there
 */
export function stepCautions(recipe: RecipeFiled, at: number, inside: Inside): string[] {
  const step = recipe.steps[at];
  if (!step) return [];
  const { text } = step;
  const { enters, isIn, isWet } = goesIn(recipe, at, inside);
  const before = hottestBefore(recipe, at);
  const target = step.target?.boils ? (step.target.upToCelsius ?? step.target.celsius) : 0;
  const isCaramel = DRY_CARAMEL.test(text) && MELTS_SUGAR.test(text);
  const hottest = Math.max(target, before, isCaramel ? 170 : 0);
  const boils = boilsIn(step);
  return [
    ...(target > HOT_SUGAR || isCaramel || before > SPITS ? [cautions.hot] : []),
    ...(hottest > SPITS && (at > 0 || isCaramel) && (isWet || (before > SPITS && WET_INTO.test(text)))
      ? [cautions.spit]
      : []),
    ...(enters('bicarbonate') || (boils && isIn('bicarbonate')) ? [cautions.foam] : []),
    ...((enters('spirit') && (hottest > 0 || boils)) || (boils && isIn('spirit')) || FLAMES.test(text)
      ? [cautions.flame]
      : []),
    ...(TORCH.test(text) ? [cautions.torch] : []),
    ...(enters('raw egg') ? [cautions.egg] : []),
    ...(bakesIn(step) && isIn('nut') ? [cautions.burn] : []),
    ...(INTO_COLD.test(text) && !NOT_COLD.test(text) && (before > WARM || bakesIn(step)) ? [cautions.fridge] : []),
    ...(step.caution ? [step.caution] : []),
  ];
}
