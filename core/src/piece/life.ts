import { finding, type Finding } from '../finding/index.js';
import { bakesIn, boilsIn, entersAt, estimateOf, type RecipeBook, type RecipeFacts } from '../recipe/index.js';
import type { PieceFiled } from './schema.js';

/** Raw egg keeps no longer than this, days. Source: USDA cold storage chart, 3 to 4 days (from memory). */
const RAW_EGG_DAYS = 3;
/** What may be above the Food Code's line of water activity: days at room temperature by its 7-day rule (from memory), and kept cool. */
const WET_DAYS = 7;
/** Cream centres kept cool. Common practice, no source. */
const WET_COOL_DAYS = 21;

/** Whether an egg goes into a recipe raw, and nothing of it is cooked or baked afterwards. */
function hasRawEgg({ recipe }: RecipeFacts, book: RecipeBook): boolean {
  const lastHeat = recipe.steps.findLastIndex((step) => boilsIn(step) || bakesIn(step) || step.effect.kind === 'cook');
  return recipe.lines.some((line) => {
    const { uses } = line;
    if (entersAt(line, recipe.steps) <= lastHeat) return false;
    if (uses.kind === 'ingredient') return book.ingredients.get(uses.id)?.traits.includes('raw egg') ?? false;
    const component = book.recipes.get(uses.id);
    return component !== undefined && hasRawEgg(component, book);
  });
}

/** Why a piece may not keep as long as it is said to: its layers, its estimate of water activity, a raw egg. */
export function lifeFindings(
  piece: PieceFiled,
  keepsDays: number,
  recipes: readonly RecipeFacts[],
  book: RecipeBook,
): Finding[] {
  const about = { noun: 'piece' as const, id: piece.id, name: piece.name };
  const found: Finding[] = [];
  const [shortest] = recipes.map(({ recipe }) => recipe).sort((a, b) => a.keepsDays - b.keepsDays);
  if (shortest && shortest.keepsDays < keepsDays)
    found.push(
      finding('life-beyond-layers', about, { keepsDays, layer: shortest.name, layerDays: shortest.keepsDays }),
    );
  const most = piece.travel === 'travels' ? WET_DAYS : WET_COOL_DAYS;
  const wet = recipes.find((facts) => estimateOf(facts, book.ingredients)?.waterActivity.reading === 'may be above');
  if (wet && keepsDays > most)
    found.push(
      finding('life-beyond-estimate', about, {
        keepsDays,
        isKeptCool: piece.travel !== 'travels',
        wet: wet.recipe.name,
        mostDays: most,
      }),
    );
  if (recipes.some((facts) => hasRawEgg(facts, book)) && keepsDays > RAW_EGG_DAYS)
    found.push(finding('life-beyond-raw-egg', about, { keepsDays, mostDays: RAW_EGG_DAYS }));
  return found;
}
