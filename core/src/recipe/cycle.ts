import type { RecipeFiled } from './schema.js';

/** The ids of the components that a recipe's lines name, each once. */
export const componentIds = (recipe: Pick<RecipeFiled, 'lines'>): string[] => [
  ...new Set(recipe.lines.flatMap((line) => (line.uses.kind === 'recipe' ? [line.uses.id] : []))),
];

/** Recipes in an order in which every component stands before what uses it, and the first cycle if there is one. */
export interface Ordering<T> {
  readonly ordered: readonly T[];
  /** The recipes of the cycle, the first one named again at the end; empty when there is none. */
  readonly cycle: readonly T[];
}

/**
 * Orders recipes so that components come first. Recipes on or above a cycle are left out of `ordered`.
 * Lines that name an unknown recipe are passed over.
 */
export function orderRecipes<T extends Pick<RecipeFiled, 'id' | 'lines'>>(recipes: readonly T[]): Ordering<T> {
  const byId = new Map(recipes.map((recipe) => [recipe.id, recipe]));
  const state = new Map<string, 'open' | 'done' | 'broken'>();
  const ordered: T[] = [];
  let cycle: T[] = [];

  const visit = (recipe: T, path: readonly T[]): boolean => {
    const seen = state.get(recipe.id);
    if (seen === 'done') return true;
    if (seen === 'broken') return false;
    if (seen === 'open') {
      if (cycle.length === 0) cycle = [...path.slice(path.indexOf(recipe)), recipe];
      return false;
    }
    state.set(recipe.id, 'open');
    const here = [...path, recipe];
    let sound = true;
    for (const id of componentIds(recipe)) {
      const component = byId.get(id);
      if (component && !visit(component, here)) sound = false;
    }
    state.set(recipe.id, sound ? 'done' : 'broken');
    if (sound) ordered.push(recipe);
    return sound;
  };

  for (const recipe of recipes) visit(recipe, []);
  return { ordered, cycle };
}

/** A cycle in words: `praline paste > ganache > praline paste`. */
export const sayCycle = (cycle: readonly { readonly name: string }[]): string =>
  cycle.map((recipe) => recipe.name).join(' > ');
