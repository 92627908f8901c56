import { alcoholKept, keptAfterHeat, waterLeft, type AlcoholUse, type Foaming } from '../cooking/index.js';
import { addParts, dissolvedOf, massOf, noParts, scaleParts, type Parts } from '../ingredient/index.js';
import { bakesIn, boilsIn } from './heat.js';
import type { RecipeFiled, RecipeLine, RecipeStep } from './schema.js';

/** What one line brings into the pot. */
export interface InPot {
  /** The step before which it goes in; the number of steps for what goes in after the last one. */
  readonly at: number;
  /** All of it, g of each part, its alcohol as it is bought. */
  readonly parts: Parts;
  /** What is done with its alcohol; null where that follows from the steps. */
  readonly alcohol: AlcoholUse | null;
}

/** One step's effect on what is in the pot, g. */
export interface StepMass {
  readonly grams: number;
  /** Water that boils off in this step, g. */
  readonly boiledOff: number;
  /** What is strained, trimmed or stuck in this step, g. */
  readonly lost: number;
}

/** What is left of a batch when all is done. */
export interface PotRun {
  readonly left: Parts;
  readonly masses: readonly StepMass[];
  /** Of each line, the share that is not strained off, trimmed or stuck. */
  readonly shares: readonly number[];
  /** Of each line, the share of its alcohol that is kept. */
  readonly alcoholKept: readonly number[];
  /** What goes in, less what is strained off, trimmed and stuck, with all of its water. */
  readonly unboiled: Parts;
  /** Of that, the water that can boil off: what is in the pot at the last cooking or baking, g. */
  readonly boilable: number;
}

const takesWater = ({ effect }: RecipeStep): boolean => effect.kind === 'cook' || effect.kind === 'reduce';

/** Whether any step drives water off: by cooking, by reducing, or in the oven. */
export const driesOut = ({ steps }: Pick<RecipeFiled, 'steps'>): boolean =>
  steps.some((step) => takesWater(step) || bakesIn(step));

/** The step before which a line goes in: the one that it names, behind the last cooking, or the first. */
export function entersAt(
  { atStep, afterCook }: Pick<RecipeLine, 'atStep' | 'afterCook'>,
  steps: readonly RecipeStep[],
): number {
  if (atStep !== null) return Math.min(atStep, steps.length);
  return afterCook ? steps.findLastIndex(takesWater) + 1 : 0;
}

const withoutWater = (parts: Parts, grams: number): Parts => ({
  ...parts,
  water: parts.water - Math.min(parts.water, Math.max(0, grams)),
});

function afterStep(parts: Parts, { effect, target }: RecipeStep): Parts {
  switch (effect.kind) {
    case 'none':
      return parts;
    case 'cook':
      return withoutWater(parts, parts.water - waterLeft(dissolvedOf(parts), target?.celsius ?? 100));
    case 'reduce':
      return withoutWater(parts, massOf(parts) - effect.toGrams);
    case 'strain':
    case 'trim':
    case 'stick':
      return scaleParts(parts, 1 - effect.lossPercent / 100);
  }
}

/** Below this a pot takes no alcohol off what is stirred in, C: the boiling point of ethanol at 1 atm (handbooks, from memory). */
const ETHANOL_BOILS = 78;
/** After a wait as long as this it is no longer hot, minutes. Common practice, no source. */
const COOLS_IN = 20;

const minutesOn = (step: RecipeStep): number =>
  step.handsMinutes + (takesWater(step) || bakesIn(step) ? (step.rest?.typicalMinutes ?? 0) : 0);

/** Whether the pot is still hot from an earlier step when something goes in before step `at`. */
function isHot(steps: readonly RecipeStep[], at: number): boolean {
  const last = steps.slice(0, at).findLastIndex((step) => boilsIn(step) || bakesIn(step));
  if (last < 0) return false;
  const cools = (step: RecipeStep, isEntry: boolean): boolean =>
    (step.target !== null && !step.target.boils && step.target.celsius < ETHANOL_BOILS) ||
    (!isEntry && (step.rest?.typicalMinutes ?? 0) >= COOLS_IN);
  return !steps.slice(last, at + 1).some((step, index) => cools(step, last + index === at));
}

/**
 * The share of its alcohol that a line keeps: by the minutes that it is heated, and never more of it than of the water, since it is the
 * more volatile of the two; 0.85 of what is stirred into something hot; all of it where nothing is hot.
 * @param waterKept of each step, the share of the water that it leaves
 */
function keptBySteps(steps: readonly RecipeStep[], at: number, waterKept: readonly number[]): number {
  const heated = steps
    .map((step, index) => ({ step, index }))
    .filter(({ step, index }) => index >= at && (boilsIn(step) || bakesIn(step)));
  if (heated.length === 0) return isHot(steps, at) ? alcoholKept['into boiling liquid, off the heat'] : 1;
  const minutes = heated.reduce((sum, { step }) => sum + minutesOn(step), 0);
  const water = heated.reduce((share, { index }) => share * (waterKept[index] ?? 1), 1);
  return Math.min(keptAfterHeat(minutes), water);
}

interface Pass {
  readonly left: Parts;
  readonly masses: readonly StepMass[];
  readonly waterKept: readonly number[];
}

/** Runs the steps over lines whose alcohol is what is kept of it. */
function pass(steps: readonly RecipeStep[], lines: readonly { readonly at: number; readonly parts: Parts }[]): Pass {
  const entering = (at: number): Parts =>
    lines.reduce((sum, line) => (line.at === at ? addParts(sum, line.parts) : sum), noParts);
  let parts = noParts;
  const waterKept: number[] = [];
  const masses = steps.map((step, index) => {
    parts = addParts(parts, entering(index));
    const before = massOf(parts);
    const { water } = parts;
    parts = afterStep(parts, step);
    waterKept.push(takesWater(step) && water > 0 ? parts.water / water : 1);
    const change = before - massOf(parts);
    const isDried = takesWater(step);
    return { grams: massOf(parts), boiledOff: isDried ? change : 0, lost: isDried ? 0 : change };
  });
  return { left: addParts(parts, entering(steps.length)), masses, waterKept };
}

/**
 * Runs the steps of a base batch over what is in the pot, each line from the step on at which it goes in.
 *
 * Cooking leaves the water of a syrup that boils at the target (see {@link waterLeft}); reducing takes water off down to a mass;
 * straining, trimming and sticking take a share of everything that is in by then.
 */
export function runSteps({ steps }: Pick<RecipeFiled, 'steps'>, lines: readonly InPot[]): PotRun {
  const dry = lines.map(({ at, parts }) => ({ at, parts: { ...parts, ethanol: 0 } }));
  const { waterKept } = pass(steps, dry);
  const kept = lines.map(({ at, alcohol, parts }) =>
    parts.ethanol === 0 ? 1 : alcohol === null ? keptBySteps(steps, at, waterKept) : alcoholKept[alcohol],
  );
  const left = lines.map(({ at, parts }, index) => ({
    at,
    parts: { ...parts, ethanol: parts.ethanol * (kept[index] ?? 1) },
  }));
  const run = pass(steps, left);
  const shares = lines.map(({ at }) =>
    steps.reduce(
      (share, { effect }, index) =>
        index >= at && 'lossPercent' in effect ? share * (1 - effect.lossPercent / 100) : share,
      1,
    ),
  );
  const lastHeat = steps.findLastIndex((step) => takesWater(step) || bakesIn(step));
  const sum = (of: readonly { readonly at: number; readonly parts: Parts }[], most: number) =>
    of.reduce(
      (total, { at, parts }, index) => (at <= most ? addParts(total, parts, shares[index] ?? 1) : total),
      noParts,
    );
  return {
    left: run.left,
    masses: run.masses,
    shares,
    alcoholKept: kept,
    unboiled: sum(left, Infinity),
    boilable: sum(left, lastHeat).water,
  };
}

/**
 * What is left of a batch whose finished mass was weighed or is known by its loss. Where it is cooked or baked, the water that can boil
 * off goes first; what is lost beyond it, and every loss of what is not, takes a share of everything.
 */
export function finishAt({ unboiled, boilable }: PotRun, yieldGrams: number, dries: boolean): Parts {
  const dried = dries ? withoutWater(unboiled, Math.min(boilable, massOf(unboiled) - yieldGrams)) : unboiled;
  const mass = massOf(dried);
  return mass > 0 ? scaleParts(dried, yieldGrams / mass) : noParts;
}

/** Something that boils or foams up in a step. */
export interface Boiling {
  /** Its place; null for a recipe without steps that boils all the same. */
  readonly step: number | null;
  /** Everything that is in the pot then, g, base batch. */
  readonly grams: number;
  readonly foaming: Foaming;
}

/** What of a line makes it foam. */
export interface Foams {
  readonly at: number;
  readonly grams: number;
  readonly milk: boolean;
  readonly bicarbonate: boolean;
}

const rank: Readonly<Record<Foaming, number>> = {
  'does not boil': 0,
  'boils clear': 1,
  'boils with dairy': 2,
  'foams with bicarbonate': 3,
};

/**
 * Every boiling of a base batch with what is in the pot by then and how it rises: bicarbonate where it goes in, milk where there is
 * any. What the maker says of the recipe as a whole is the most that it does.
 * @param masses after each step; empty as long as they are not known, then nothing is taken to have boiled off
 */
export function boilingsOf(
  { steps, foaming }: Pick<RecipeFiled, 'steps' | 'foaming'>,
  lines: readonly Foams[],
  masses: readonly StepMass[],
): Boiling[] {
  const inPot = (step: number): number => {
    const entered = lines.reduce((sum, { at, grams }) => (at <= step ? sum + grams : sum), 0);
    const gone = masses.slice(0, step).reduce((sum, { boiledOff, lost }) => sum + boiledOff + lost, 0);
    return entered - gone;
  };
  const hasSoda = lines.some(({ bicarbonate }) => bicarbonate);
  const foamAt = (step: number, boils: boolean): Foaming => {
    const present = lines.filter(({ at }) => at <= step);
    const soda = present.some(({ bicarbonate }) => bicarbonate);
    const own: Foaming = soda
      ? 'foams with bicarbonate'
      : present.some(({ milk }) => milk)
        ? 'boils with dairy'
        : 'boils clear';
    // Soda that nobody marked is known to the maker alone.
    const said = foaming === 'foams with bicarbonate' && !hasSoda && boils ? foaming : own;
    return foaming !== 'does not boil' && rank[foaming] < rank[said] ? foaming : said;
  };
  const boilings = steps.flatMap((step, index): Boiling[] => {
    const boils = boilsIn(step);
    const foams =
      lines.some(({ at, bicarbonate }) => bicarbonate && at === index) && steps.slice(0, index).some(boilsIn);
    return boils || foams ? [{ step: index, grams: inPot(index), foaming: foamAt(index, boils) }] : [];
  });
  if (boilings.length > 0 || foaming === 'does not boil') return boilings;
  return [{ step: null, grams: lines.reduce((sum, { at, grams }) => (at === 0 ? sum + grams : sum), 0), foaming }];
}
