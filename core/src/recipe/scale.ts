import type { RecipeFiled } from './schema.js';

/** The recipe with every line, and a weighed yield, `multiple` times as large. Losses in percent stay. */
export const scaleRecipe = <T extends Pick<RecipeFiled, 'lines' | 'yield'>>(recipe: T, multiple: number): T => ({
  ...recipe,
  lines: recipe.lines.map((line) => ({ ...line, amount: line.amount * multiple })),
  yield: recipe.yield.by === 'weighed' ? { ...recipe.yield, grams: recipe.yield.grams * multiple } : recipe.yield,
});
