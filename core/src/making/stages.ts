import { coldWaterAt, temperingCurves, type TemperingCurve, type Thermometry } from '../cooking/index.js';
import type { ChocolateKind } from '../ingredient/index.js';
import {
  boilsIn,
  estimateOf,
  nightsOf,
  stepCautions,
  stepMinutes,
  stepTarget,
  type RecipeBook,
  type RecipeFacts,
  type RecipeStep,
  type StepTarget,
} from '../recipe/index.js';
import { endStage } from './state.js';

/** A rest of a step. */
interface StageRest {
  readonly typicalMinutes: number;
  readonly safeMinutes: number;
  /** Nights that it goes on for; 0 for one that ends on the same day. */
  readonly nights: number;
}

/** What stands on the screen at a stage. */
export interface Stage {
  readonly stage: number;
  readonly kind: 'weigh' | 'step' | 'end';
  /** The step of the recipe; null for weighing out and for the end. */
  readonly step: RecipeStep | null;
  readonly target: StepTarget | null;
  /** What a drop does in cold water when it is right; null for what does not boil, or between the stages of sugar. */
  readonly coldWater: string | null;
  readonly cautions: readonly string[];
  readonly rest: StageRest | null;
  /** Whether something is cooked to a temperature, so that its end can be foretold. */
  readonly cooks: boolean;
  /** The curve by which its chocolate is tempered; null where nothing is. */
  readonly tempers: { readonly chocolate: ChocolateKind; readonly curve: TemperingCurve } | null;
  /** Lines that go in, by their places. */
  readonly lines: readonly number[];
}

const TEMPERS = /\btemper|\bworking temperature\b/i;
/** Chocolate is worked no hotter than this, C. Common practice, no source. */
const WORKS_BELOW = 36;

/** Which chocolate a step tempers; null where it tempers none. */
function temperedIn(step: RecipeStep, facts: RecipeFacts, book: Pick<RecipeBook, 'ingredients'>): Stage['tempers'] {
  const worked = step.target !== null && !step.target.boils && step.target.celsius < WORKS_BELOW;
  if (!TEMPERS.test(step.text) || (step.target !== null && !worked)) return null;
  const chocolate =
    estimateOf(facts, book.ingredients)?.tempers ??
    [...facts.ingredientsPerGram.keys()].map((id) => book.ingredients.get(id)?.chocolate).find(Boolean) ??
    null;
  return chocolate && { chocolate, curve: temperingCurves[chocolate] };
}

/**
 * The stages of a batch: weighing out, the recipe's steps, the end.
 * @param enters the stage in which each line goes in
 */
export function stagesOf(
  facts: RecipeFacts,
  size: number,
  book: Pick<RecipeBook, 'ingredients' | 'recipes'>,
  kitchen: Thermometry,
  enters: readonly { readonly line: number; readonly stage: number }[],
): Stage[] {
  const { recipe } = facts;
  const linesAt = (stage: number) => enters.filter((each) => each.stage === stage).map(({ line }) => line);
  const plain = { step: null, target: null, coldWater: null, cautions: [], rest: null, cooks: false, tempers: null };
  return [
    { ...plain, stage: 0, kind: 'weigh', lines: enters.map(({ line }) => line) },
    ...recipe.steps.map((step, index): Stage => {
      const target = stepTarget(step, kitchen);
      const minutes = stepMinutes(step, size);
      return {
        stage: index + 1,
        kind: 'step',
        step,
        target,
        coldWater: step.target?.boils ? coldWaterAt(step.target.celsius) : null,
        cautions: stepCautions(recipe, index, book),
        rest: step.rest && {
          typicalMinutes: minutes.typicalRest,
          safeMinutes: minutes.safeRest,
          nights: nightsOf(step),
        },
        cooks: step.target?.boils === true && boilsIn(step),
        tempers: temperedIn(step, facts, book),
        lines: linesAt(index + 1),
      };
    }),
    { ...plain, stage: endStage(recipe), kind: 'end', lines: [] },
  ];
}
