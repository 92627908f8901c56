import { finding, openWayOut, type Finding, type Subject, type WayOut } from '../finding/index.js';
import {
  containedIn,
  declarationFindings,
  inLabelOrder,
  isTapWater,
  massOf,
  noParts,
  partsOf,
  scaleParts,
  type Allergen,
  type IngredientFiled,
  type Parts,
} from '../ingredient/index.js';
import { weigh, type Weighing } from '../quantity/index.js';
import { orderRecipes, sayCycle } from './cycle.js';
import { boilingsOf, driesOut, entersAt, finishAt, runSteps, type Boiling, type PotRun, type StepMass } from './pot.js';
import { rested } from './nights.js';
import type { RecipeFiled, RecipeLine } from './schema.js';
import { resolveVariants } from './variant.js';

/** What follows from one recipe and everything below it. */
export interface RecipeFacts {
  /** As it is written, but that it rests no shorter than its steps do, and in a kitchen's book is made no larger than its vessels take. */
  readonly recipe: RecipeFiled;
  /** Grams of each line of the base batch, in the order of the lines; 0 where the weight is not known. */
  readonly lineGrams: readonly number[];
  /** Everything that goes in, g, base batch. */
  readonly rawGrams: number;
  /** What comes out, g, base batch. */
  readonly yieldGrams: number;
  /** Grams of each ingredient that went into one gram of the finished recipe, through all its components. */
  readonly ingredientsPerGram: ReadonlyMap<string, number>;
  /**
   * Grams of each ingredient in one gram of the finished recipe as a label counts them: what is strained off, trimmed or stuck is not in
   * it, and plain water counts by what the other ingredients leave room for.
   */
  readonly listedPerGram: ReadonlyMap<string, number>;
  readonly contains: readonly Allergen[];
  readonly mayContain: readonly Allergen[];
  /** Parts of 100 g of the finished recipe; null as long as the composition of anything in it is not known. */
  readonly parts: Parts | null;
  /** Names of the ingredients without a composition, through all components. */
  readonly unknownParts: readonly string[];
  /** The mass after each step of the base batch; empty as long as a composition is not known. */
  readonly stepMasses: readonly StepMass[];
  /** Whatever boils or foams up, with what is in the pot by then. */
  readonly boilings: readonly Boiling[];
  /** Of each line, the share of its alcohol that is kept; empty as long as a composition is not known. */
  readonly alcoholKept: readonly number[];
  /** False when something is missing, so that its figures are not the whole truth. */
  readonly complete: boolean;
}

/** Ingredients and recipes by id, with what follows from them, and what is wrong with them. */
export interface RecipeBook {
  readonly ingredients: ReadonlyMap<string, IngredientFiled>;
  readonly recipes: ReadonlyMap<string, RecipeFacts>;
  /** Recipe ids, every component before what uses it. */
  readonly componentsFirst: readonly string[];
  readonly findings: readonly Finding[];
}

const subjectOf = <N extends 'ingredient' | 'recipe'>(noun: N, record: { id: string; name: string }): Subject<N> => ({
  noun,
  id: record.id,
  name: record.name,
});

const problemWords = {
  'no-density': 'has no density, so a volume of it cannot be weighed',
  'no-density-in-state': 'has no density in that state',
  'no-piece-weight': 'has no weight for one, so a count of it cannot be weighed',
} as const;

const nothingKnown = { densities: [], pieceGrams: null };

function weighLine(line: RecipeLine, ingredients: ReadonlyMap<string, IngredientFiled>): Weighing {
  const substance = line.uses.kind === 'ingredient' ? ingredients.get(line.uses.id) : undefined;
  return weigh(line.amount, line.unit, substance ?? nothingKnown, line.state);
}

/** What one gram of a line's ingredient or component is made of, or the names of what is not known. */
type Makeup = { readonly parts: Parts } | { readonly unknown: readonly string[] };

const makeupOfIngredient = ({ composition, name }: IngredientFiled): Makeup =>
  composition ? { parts: scaleParts(partsOf(composition), 0.01) } : { unknown: [name] };

const makeupOfRecipe = ({ parts, unknownParts }: RecipeFacts): Makeup =>
  parts ? { parts: scaleParts(parts, 0.01) } : { unknown: unknownParts };

/** What one line brings to its recipe. */
interface LineFacts {
  readonly grams: number;
  readonly problem: string | null;
  readonly makeup: Makeup;
  readonly contains: readonly Allergen[];
  readonly mayContain: readonly Allergen[];
  /** Grams of each ingredient in one gram: as it is bought, and as a label counts it. */
  readonly ingredients: Iterable<readonly [id: string, share: number]>;
  readonly listed: Iterable<readonly [id: string, share: number]>;
  readonly bicarbonate: boolean;
  readonly complete: boolean;
}

function workOutLine(
  line: RecipeLine,
  ingredients: ReadonlyMap<string, IngredientFiled>,
  done: ReadonlyMap<string, RecipeFacts>,
): LineFacts | null {
  const weight = weighLine(line, ingredients);
  const grams = 'grams' in weight ? weight.grams : 0;
  const component = line.uses.kind === 'recipe' ? done.get(line.uses.id) : undefined;
  const ingredient = line.uses.kind === 'ingredient' ? ingredients.get(line.uses.id) : undefined;
  const name = component?.recipe.name ?? ingredient?.name;
  const problem = 'problem' in weight ? `${name ?? ''} ${problemWords[weight.problem]}` : null;
  if (component)
    return {
      ...component,
      grams,
      problem,
      makeup: makeupOfRecipe(component),
      ingredients: component.ingredientsPerGram,
      listed: component.listedPerGram,
      // What it foamed it has foamed.
      bicarbonate: false,
    };
  if (ingredient)
    return {
      grams,
      problem,
      contains: containedIn(ingredient),
      mayContain: ingredient.mayContain,
      makeup: makeupOfIngredient(ingredient),
      ingredients: [[ingredient.id, 1]],
      listed: [[ingredient.id, 1]],
      bicarbonate: ingredient.traits.includes('bicarbonate'),
      complete: true,
    };
  return null;
}

/** What is in the pot, or the names of the ingredients whose composition is not known. */
function runPot(recipe: RecipeFiled, lines: readonly (LineFacts | null)[]): PotRun | { unknown: string[] } {
  const unknown = new Set<string>();
  const inPot = recipe.lines.map((line, index) => {
    const { grams, makeup } = lines[index] ?? { grams: 0, makeup: { parts: noParts } };
    if ('unknown' in makeup) makeup.unknown.forEach((name) => unknown.add(name));
    return {
      at: entersAt(line, recipe.steps),
      parts: 'unknown' in makeup ? noParts : scaleParts(makeup.parts, grams),
      alcohol: line.alcohol ?? (recipe.alcohol === 'by the steps' ? null : recipe.alcohol),
    };
  });
  return unknown.size > 0 ? { unknown: [...unknown] } : runSteps(recipe, inPot);
}

/** The finished mass, and what it is made of. */
function workOutYield(recipe: RecipeFiled, rawGrams: number, lines: readonly (LineFacts | null)[]) {
  const ran = runPot(recipe, lines);
  const run = 'unknown' in ran ? null : ran;
  const { yield: rule } = recipe;
  const yieldGrams = (() => {
    switch (rule.by) {
      case 'weighed':
        return rule.grams;
      case 'loss':
        return rawGrams * (1 - rule.lossPercent / 100);
      case 'steps':
        return run ? massOf(run.left) : rawGrams;
    }
  })();
  const left = rule.by === 'steps' ? run?.left : run && finishAt(run, yieldGrams, driesOut(recipe));
  const stepMasses = run?.masses ?? [];
  return {
    yieldGrams,
    parts: left && yieldGrams > 0 && rawGrams > 0 ? scaleParts(left, 100 / yieldGrams) : null,
    unknownParts: 'unknown' in ran ? ran.unknown : [],
    stepMasses,
    shares: run?.shares ?? [],
    alcoholKept: run?.alcoholKept ?? [],
    boilings: boilingsOf(
      recipe,
      recipe.lines.map((line, index) => ({
        at: entersAt(line, recipe.steps),
        grams: lines[index]?.grams ?? 0,
        milk: lines[index]?.contains.includes('milk') ?? false,
        bicarbonate: lines[index]?.bicarbonate ?? false,
      })),
      stepMasses,
    ),
  };
}

/** From this share of water on an ingredient is plain water, percent. */
const PLAIN_WATER = 99.5;
/** Less water than this has all been cooked out, percent of the finished thing. */
const ALL_COOKED_OUT = 1;

/**
 * What of each ingredient a label counts in one gram of a finished recipe.
 *
 * What is strained off, trimmed or stuck does not count. Ingredients count as they went in; plain water counts by what they leave room
 * for, and is left out when it has all been cooked out; where it has not, but there is no room, it stands last.
 * Sources: 21 CFR 101.4(a)(1) and FDA's Food Labeling Guide (water that is all removed need not be declared); Reg. (EU) 1169/2011
 * annex VII part A, 1 (added water is the finished weight less that of the other ingredients). From memory.
 */
function listOf(
  lines: readonly (LineFacts | null)[],
  shares: readonly number[],
  yieldGrams: number,
  parts: Parts | null,
  ingredients: ReadonlyMap<string, IngredientFiled>,
): Map<string, number> {
  const kept = new Map<string, number>();
  lines.forEach((line, index) => {
    if (!line || yieldGrams <= 0) return;
    for (const [id, share] of line.listed)
      kept.set(id, (kept.get(id) ?? 0) + (line.grams * share * (shares[index] ?? 1)) / yieldGrams);
  });
  const isWater = (id: string) => (ingredients.get(id)?.composition?.water ?? 0) >= PLAIN_WATER;
  const water = [...kept.keys()].filter(isWater);
  const others = [...kept].reduce((sum, [id, share]) => (isWater(id) ? sum : sum + share), 0);
  const wentIn = water.reduce((sum, id) => sum + (kept.get(id) ?? 0), 0);
  const room = Math.min(wentIn, Math.max(0, 1 - others));
  const isGone = parts !== null && parts.water < ALL_COOKED_OUT;
  for (const id of water) {
    if (isGone) kept.delete(id);
    else kept.set(id, room > 0 ? ((kept.get(id) ?? 0) / wentIn) * room : Number.EPSILON);
  }
  return kept;
}

/**
 * Works out one recipe from facts that are already known of its components.
 * @returns its facts, and findings for lines that cannot be weighed, unknown things and yields that cannot be
 */
function workOut(
  written: RecipeFiled,
  ingredients: ReadonlyMap<string, IngredientFiled>,
  done: ReadonlyMap<string, RecipeFacts>,
): { facts: RecipeFacts; findings: Finding[] } {
  const recipe = rested(written);
  const about = subjectOf('recipe', recipe);
  const findings: Finding[] = [];
  const goesIn = new Map<string, number>();
  let complete = recipe.lines.length > 0;
  const incomplete = (found: Finding) => {
    complete = false;
    findings.push(found);
  };

  if (!complete) findings.push(finding('recipe-empty', about, {}));

  const lines = recipe.lines.map((line) => workOutLine(line, ingredients, done));
  lines.forEach((line, index) => {
    const part = `line ${String(index + 1)}`;
    if (!line) {
      incomplete(finding('line-unknown', about, { line: index + 1 }, { part }));
      return;
    }
    if (line.problem !== null)
      incomplete(finding('line-unweighed', about, { line: index + 1, problem: line.problem }, { part }));
    if (!line.complete) complete = false;
    for (const [id, share] of line.ingredients) goesIn.set(id, (goesIn.get(id) ?? 0) + line.grams * share);
  });

  const lineGrams = lines.map((line) => line?.grams ?? 0);
  const rawGrams = lineGrams.reduce((sum, grams) => sum + grams, 0);
  const { yieldGrams, parts, unknownParts, shares, ...more } = workOutYield(recipe, rawGrams, lines);
  if (complete && recipe.yield.by === 'steps' && !parts)
    incomplete(finding('composition-missing', about, { unknown: unknownParts }));
  if (complete && yieldGrams > rawGrams * (1 + 1e-9))
    incomplete(finding('yield-above-raw', about, { yieldGrams, rawGrams }));

  const ingredientsPerGram = new Map<string, number>();
  if (yieldGrams > 0) for (const [id, grams] of goesIn) ingredientsPerGram.set(id, grams / yieldGrams);
  const contains = new Set(lines.flatMap((line) => line?.contains ?? []));
  const mayContain = lines.flatMap((line) => line?.mayContain ?? []).filter((code) => !contains.has(code));

  return {
    facts: {
      recipe,
      lineGrams,
      rawGrams,
      yieldGrams,
      ingredientsPerGram,
      listedPerGram: listOf(lines, shares, yieldGrams, parts, ingredients),
      contains: inLabelOrder(contains),
      mayContain: inLabelOrder(mayContain),
      parts,
      unknownParts,
      ...more,
      complete,
    },
    findings,
  };
}

const givePrices: WayOut = { label: 'Give prices', action: { kind: 'give-prices' } };

/** Packs that cannot be weighed, and ingredients in use that have no price. */
function checkPantry(ingredients: readonly IngredientFiled[], recipes: readonly RecipeFiled[]): Finding[] {
  const used = new Set(
    recipes.flatMap((recipe) =>
      recipe.lines.flatMap((line) => (line.uses.kind === 'ingredient' ? [line.uses.id] : [])),
    ),
  );
  const declared = ingredients.flatMap((ingredient) =>
    used.has(ingredient.id) ? declarationFindings(ingredient) : [],
  );
  const priced = ingredients.flatMap((ingredient) => {
    const about = subjectOf('ingredient', ingredient);
    const unweighed = ingredient.packs.find((pack) => 'problem' in weigh(pack.amount, pack.unit, ingredient, null));
    if (unweighed) return [finding('pack-unweighed', about, { pack: unweighed.name })];
    if (used.has(ingredient.id) && ingredient.packs.length === 0 && !isTapWater(ingredient))
      return [finding('ingredient-unpriced', about, {}, { waysOut: [givePrices, openWayOut(about)] })];
    return [];
  });
  return [...declared, ...priced];
}

/**
 * Works out every recipe once, components first. Masses are in grams.
 *
 * Nothing throws: a recipe on a cycle, or above one, is left out of `recipes` and the cycle is named in a finding.
 */
export function openRecipeBook(ingredients: readonly IngredientFiled[], recipes: readonly RecipeFiled[]): RecipeBook {
  const ingredientsById = new Map(ingredients.map((each) => [each.id, each]));
  const { ordered, cycle } = orderRecipes(resolveVariants(recipes, ingredientsById));
  const facts = new Map<string, RecipeFacts>();
  const findings: Finding[] = [];
  const [first] = cycle;
  if (first) findings.push(finding('recipe-cycle', subjectOf('recipe', first), { cycle: sayCycle(cycle) }));
  for (const recipe of ordered) {
    const worked = workOut(recipe, ingredientsById, facts);
    facts.set(recipe.id, worked.facts);
    findings.push(...worked.findings);
  }
  findings.push(...checkPantry(ingredients, recipes));
  return {
    ingredients: ingredientsById,
    recipes: facts,
    componentsFirst: ordered.map((recipe) => recipe.id),
    findings,
  };
}
