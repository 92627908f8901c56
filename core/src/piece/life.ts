import { finding, type Finding } from '../finding/index.js';
import { sayCount } from '../quantity/index.js';
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
  const said = `${piece.name} is to keep ${sayCount(keepsDays, 'day')}`;
  const found: Finding[] = [];
  const [shortest] = recipes.map(({ recipe }) => recipe).sort((a, b) => a.keepsDays - b.keepsDays);
  if (shortest && shortest.keepsDays < keepsDays)
    found.push(
      finding(
        'decide',
        'life-beyond-layers',
        about,
        `${said}, but ${shortest.name} keeps ${sayCount(shortest.keepsDays, 'day')}.`,
      ),
    );
  const most = piece.travel === 'travels' ? WET_DAYS : WET_COOL_DAYS;
  const wet = recipes.find((facts) => estimateOf(facts, book.ingredients)?.waterActivity.reading === 'may be above');
  if (wet && keepsDays > most)
    found.push(
      finding(
        'decide',
        'life-beyond-estimate',
        about,
        `${said}${piece.travel === 'travels' ? ' and is not kept cool' : ''}, but the water activity of ${wet.recipe.name} may be above 0.88: an estimate. Keep it cool, give it ${sayCount(most, 'day')} at most, or have it tested.`,
      ),
    );
  if (recipes.some((facts) => hasRawEgg(facts, book)) && keepsDays > RAW_EGG_DAYS)
    found.push(
      finding(
        'decide',
        'life-beyond-raw-egg',
        about,
        `${said}, but it has raw egg in it: ${sayCount(RAW_EGG_DAYS, 'day')} at most, kept cold, and ask your local authority.`,
      ),
    );
  return found;
}
