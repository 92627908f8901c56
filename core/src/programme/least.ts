import type { Book } from '../book/index.js';
import { bodyForm, piecesPerBase, piecesPerBatch, type PieceFacts } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { leastSize, mostSize, SIZE_STEP, type RecipeFacts } from '../recipe/index.js';
import { sharedGrams, byLowLevelCode } from '../plan/index.js';

/** What must at least be made of a recipe within a span of days, whatever is decided. */
export interface Least {
  readonly from: Day;
  readonly to: Day;
  /** Multiples of the base batch. */
  readonly multiple: number;
  /** Whole batches. */
  readonly batches: number;
}

/** Pieces whose body must be made, and be finished, within spans of days. */
export interface SpannedDemand {
  readonly facts: PieceFacts;
  readonly count: number;
  readonly from: Day;
  readonly to: Day;
  readonly finishFrom: Day;
  readonly finishTo: Day;
}

/** A need that lies within a span. Of the needs of one `user` only the greatest within a span counts: they may lie inside each other. */
interface Item {
  readonly user: string;
  readonly from: Day;
  readonly to: Day;
  readonly grams: number;
}

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

/** The step by which the multiple of whole batches can grow. */
const stepOf = (sizes: readonly number[]): number =>
  sizes.map((size) => Math.round(size * SIZE_STEP)).reduce(greatestDivisor, 0) / SIZE_STEP;

/** So many spans are looked at for one recipe; more would slow the solver down more than they help. */
const MOST_SPANS = 160;

/** All spans that begin with one need and end with another, the shortest first. */
function spansOf(items: readonly { readonly from: Day; readonly to: Day }[]): { from: Day; to: Day }[] {
  const froms = [...new Set(items.map(({ from }) => from))].sort();
  const tos = [...new Set(items.map(({ to }) => to))].sort();
  return froms
    .flatMap((from, at) => tos.map((to, until) => ({ from, to, size: Math.abs(until - at) })))
    .filter(({ from, to }) => from <= to)
    .sort((a, b) => a.size - b.size)
    .slice(0, MOST_SPANS);
}

function leastOf(facts: RecipeFacts, spans: readonly { from: Day; to: Day; multiple: number }[]): Least[] {
  const { batchSizes, anySize } = facts.recipe;
  const step = stepOf(batchSizes);
  const largest = mostSize(facts.recipe);
  const smallest = leastSize(facts.recipe);
  const all = spans.flatMap(({ from, to, multiple }) => {
    if (multiple <= 1e-9) return [];
    const rounded = Math.max(smallest, anySize ? multiple : Math.ceil(multiple / step - 1e-6) * step);
    return [{ from, to, multiple: rounded, batches: Math.ceil(rounded / largest - 1e-6) }];
  });
  // A span says nothing new when a shorter one within it asks for as much.
  return all.filter((each, index) =>
    all.every(
      (other, at) =>
        at === index ||
        other.from < each.from ||
        other.to > each.to ||
        other.multiple < each.multiple ||
        (other.from === each.from && other.to === each.to && at > index),
    ),
  );
}

/**
 * What must at least be made of each recipe within spans of days: whole batches for the pieces whose days lie within a span, and
 * level by level for the components. True of every plan, so that a solver may know it from the start.
 * @param left what is left of batches made already, g, by recipe
 */
export function leastMade(
  demand: readonly SpannedDemand[],
  book: Book,
  left: ReadonlyMap<string, number> = new Map(),
): Map<string, Least[]> {
  const found = new Map<string, Least[]>();
  const items = new Map<string, Item[]>();
  const add = (id: string, item: Item) => {
    const list = items.get(id);
    if (list) list.push(item);
    else items.set(id, [item]);
  };
  const bodies = new Map<string, SpannedDemand[]>();
  for (const each of demand) {
    for (const part of each.facts.parts) {
      const recipe = book.recipes.get(part.recipeId);
      if (!recipe) continue;
      if (part.role === 'body') bodies.set(part.recipeId, [...(bodies.get(part.recipeId) ?? []), each]);
      else
        add(part.recipeId, {
          user: `${each.facts.piece.id} ${part.role} ${each.from} ${each.to}`,
          from: addDays(each.finishFrom, -recipe.recipe.keepsDays),
          to: addDays(each.finishTo, -recipe.recipe.restDays),
          grams: part.drawnGrams * each.count,
        });
    }
  }
  for (const id of byLowLevelCode(book)) {
    const facts = book.recipes.get(id);
    if (!facts || facts.yieldGrams <= 0) continue;
    const own = bodies.get(id) ?? [];
    const others = items.get(id) ?? [];
    const [first] = own;
    if (!first && others.length === 0) continue;
    const alone = first && others.length === 0 && own.every((each) => each.facts === first.facts);
    const perPiece = (each: PieceFacts): number => {
      if (!alone) return sharedGrams(each, facts) / facts.yieldGrams;
      const form = bodyForm(each.piece.form);
      const best = facts.recipe.anySize
        ? piecesPerBase(form, facts.yieldGrams)
        : Math.max(...facts.recipe.batchSizes.map((size) => piecesPerBatch(form, size, facts.yieldGrams) / size));
      return best > 0 ? 1 / best : 0;
    };
    const spans = spansOf([...own, ...others]).map(({ from, to }) => {
      const within = (each: { from: Day; to: Day }) => each.from >= from && each.to <= to;
      const pieces = own.filter(within).reduce((sum, each) => sum + each.count * perPiece(each.facts), 0);
      const byUser = new Map<string, number>();
      for (const item of others.filter(within)) byUser.set(item.user, Math.max(byUser.get(item.user) ?? 0, item.grams));
      const grams = [...byUser.values()].reduce((sum, each) => sum + each, 0);
      return { from, to, multiple: pieces + Math.max(0, grams - (left.get(id) ?? 0)) / facts.yieldGrams };
    });
    const least = leastOf(facts, spans);
    found.set(id, least);
    facts.recipe.lines.forEach(({ uses }, index) => {
      const component = uses.kind === 'recipe' ? book.recipes.get(uses.id) : undefined;
      if (!component) return;
      for (const { from, to, multiple } of least)
        add(uses.id, {
          user: `${id} ${String(index)}`,
          from: addDays(from, -component.recipe.keepsDays),
          to: addDays(to, -component.recipe.restDays),
          grams: multiple * (facts.lineGrams[index] ?? 0),
        });
    });
  }
  return found;
}
