import { finding, type Finding, type Subject } from '../finding/index.js';
import { inLabelOrder, type Allergen, type IngredientFiled } from '../ingredient/index.js';
import { sayGrams, weigh, type Weighing } from '../quantity/index.js';
import { orderRecipes, sayCycle } from './cycle.js';
import type { RecipeFiled, RecipeLine } from './schema.js';

/** What follows from one recipe and everything below it. */
export interface RecipeFacts {
  readonly recipe: RecipeFiled;
  /** Grams of each line of the base batch, in the order of the lines; 0 where the weight is not known. */
  readonly lineGrams: readonly number[];
  /** Everything that goes in, g, base batch. */
  readonly rawGrams: number;
  /** What comes out, g, base batch. */
  readonly yieldGrams: number;
  /** Grams of each ingredient that went into one gram of the finished recipe, through all its components. */
  readonly ingredientsPerGram: ReadonlyMap<string, number>;
  readonly contains: readonly Allergen[];
  readonly mayContain: readonly Allergen[];
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

const subjectOf = (noun: 'ingredient' | 'recipe', record: { id: string; name: string }): Subject => ({
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

/**
 * Works out one recipe from facts that are already known of its components.
 * @returns its facts, and findings for lines that cannot be weighed, unknown things and yields above the raw mass
 */
function workOut(
  recipe: RecipeFiled,
  ingredients: ReadonlyMap<string, IngredientFiled>,
  done: ReadonlyMap<string, RecipeFacts>,
): { facts: RecipeFacts; findings: Finding[] } {
  const about = subjectOf('recipe', recipe);
  const findings: Finding[] = [];
  const lineGrams: number[] = [];
  const goesIn = new Map<string, number>();
  const contains = new Set<Allergen>();
  const mayContain = new Set<Allergen>();
  let complete = recipe.lines.length > 0;
  const add = (id: string, grams: number) => goesIn.set(id, (goesIn.get(id) ?? 0) + grams);
  const incomplete = (code: string, message: string) => {
    complete = false;
    findings.push(finding('stop', code, about, message));
  };

  if (!complete) findings.push(finding('know', 'recipe-empty', about, `${recipe.name} has no ingredients yet.`));

  recipe.lines.forEach((line, index) => {
    const weight = weighLine(line, ingredients);
    const component = line.uses.kind === 'recipe' ? done.get(line.uses.id) : undefined;
    const ingredient = line.uses.kind === 'ingredient' ? ingredients.get(line.uses.id) : undefined;
    const used = component?.recipe ?? ingredient;
    const grams = 'grams' in weight ? weight.grams : 0;
    lineGrams.push(grams);
    if (!used) {
      incomplete(
        'line-unknown',
        `Line ${index + 1} of ${recipe.name} names something that is not there any more or cannot be worked out.`,
      );
      return;
    }
    if ('problem' in weight)
      incomplete(
        'line-unweighed',
        `Line ${index + 1} of ${recipe.name}: ${used.name} ${problemWords[weight.problem]}.`,
      );
    if (component) {
      if (!component.complete) complete = false;
      for (const [id, share] of component.ingredientsPerGram) add(id, grams * share);
    } else add(used.id, grams);
    const source = component ?? ingredient;
    source?.contains.forEach((code) => contains.add(code));
    source?.mayContain.forEach((code) => mayContain.add(code));
  });

  const rawGrams = lineGrams.reduce((sum, grams) => sum + grams, 0);
  const yieldGrams =
    recipe.yield.by === 'weighed' ? recipe.yield.grams : rawGrams * (1 - recipe.yield.lossPercent / 100);
  if (complete && yieldGrams > rawGrams * (1 + 1e-9))
    incomplete(
      'yield-above-raw',
      `${recipe.name} is said to give ${sayGrams(yieldGrams)}, more than the ${sayGrams(rawGrams)} that go in.`,
    );

  const ingredientsPerGram = new Map<string, number>();
  if (yieldGrams > 0) for (const [id, grams] of goesIn) ingredientsPerGram.set(id, grams / yieldGrams);

  return {
    facts: {
      recipe,
      lineGrams,
      rawGrams,
      yieldGrams,
      ingredientsPerGram,
      contains: inLabelOrder(contains),
      mayContain: inLabelOrder([...mayContain].filter((code) => !contains.has(code))),
      complete,
    },
    findings,
  };
}

/** Packs that cannot be weighed, and ingredients in use that have no price. */
function checkPantry(ingredients: readonly IngredientFiled[], recipes: readonly RecipeFiled[]): Finding[] {
  const used = new Set(
    recipes.flatMap((recipe) =>
      recipe.lines.flatMap((line) => (line.uses.kind === 'ingredient' ? [line.uses.id] : [])),
    ),
  );
  return ingredients.flatMap((ingredient) => {
    const about = subjectOf('ingredient', ingredient);
    const unweighed = ingredient.packs.find((pack) => 'problem' in weigh(pack.amount, pack.unit, ingredient, null));
    if (unweighed)
      return [
        finding(
          'stop',
          'pack-unweighed',
          about,
          `The pack "${unweighed.name}" of ${ingredient.name} cannot be weighed: give ${ingredient.name} a density or a weight for one.`,
        ),
      ];
    if (used.has(ingredient.id) && ingredient.packs.length === 0)
      return [
        finding(
          'decide',
          'ingredient-unpriced',
          about,
          `${ingredient.name} has no pack and no price: it is missing from every cost and cannot be bought from the list.`,
        ),
      ];
    return [];
  });
}

/**
 * Works out every recipe once, components first. Masses are in grams.
 *
 * Nothing throws: a recipe on a cycle, or above one, is left out of `recipes` and the cycle is named in a finding.
 */
export function openRecipeBook(ingredients: readonly IngredientFiled[], recipes: readonly RecipeFiled[]): RecipeBook {
  const ingredientsById = new Map(ingredients.map((each) => [each.id, each]));
  const { ordered, cycle } = orderRecipes(recipes);
  const facts = new Map<string, RecipeFacts>();
  const findings: Finding[] = [];
  const [first] = cycle;
  if (first)
    findings.push(
      finding(
        'stop',
        'recipe-cycle',
        subjectOf('recipe', first),
        `A recipe cannot be made of itself: ${sayCycle(cycle)}.`,
      ),
    );
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
