import type { Book } from '../book/index.js';
import { cleanOff, type Kinds } from '../plan/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import type { OperationWords } from './operation.js';

type Timed = Pick<OperationWords, 'kind' | 'recipeId'> & { readonly from: number };

/** What an oven holds lies on something that is named itself. */
const NOT_CLEANED = /\boven\b/i;

const toolsOf = ({ recipe }: RecipeFacts): ReadonlySet<string> =>
  new Set(recipe.steps.flatMap(({ equipment }) => equipment.filter((name) => !NOT_CLEANED.test(name))));

/**
 * The pots, pans and tools that a clean-down is for: what was used since the last one for something with an allergen that something made in it later
 * lacks. Bench, hands, scale and cloths are cleaned at each of them: a kitchen has one of these.
 * @param tasks all of the day
 * @param kinds by which it is cleaned
 * @returns names, in the order of their use
 */
export function toolsToClean(clean: Timed, tasks: readonly Timed[], kinds: Kinds, book: Book): string[] {
  const since = Math.max(
    0,
    ...tasks.flatMap(({ kind, from }) => (kind === 'clean' && from < clean.from ? [from] : [])),
  );
  const made = tasks.flatMap(({ recipeId, from }) => {
    const facts = book.recipes.get(recipeId ?? '');
    return facts ? [{ from, tools: toolsOf(facts), kind: kinds.recipe(recipeId ?? '') }] : [];
  });
  const before = made.filter(({ from }) => from >= since && from < clean.from);
  const later = made.filter(({ from }) => from > clean.from);
  const tools = new Set(before.flatMap(({ tools: used }) => [...used]));
  return [...tools].filter((tool) =>
    before.some(
      (one) =>
        one.tools.has(tool) &&
        later.some((other) => other.tools.has(tool) && cleanOff(one.kind, other.kind).length > 0),
    ),
  );
}
