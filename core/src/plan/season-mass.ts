import { bodyForm, piecesPerBatch } from '../piece/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import type { Term } from '../solver/index.js';
import { sharedGrams } from './making.js';
import { usableWindow } from './needs.js';
import { componentsOf, merged, type SeasonDraft, type Serve } from './season-draft.js';

/** What is used of a recipe on one day: what it draws, and what must stand ready beside it. */
interface DayUse {
  readonly drawn: Term[];
  readonly pool: Term[];
}

/** Grams that go from the day on which they are made to the day on which they are used. */
interface Flow {
  readonly from: Day;
  readonly to: Day;
  readonly column: number;
}

/** Where the mass of each recipe goes. */
export interface MassRows {
  readonly usage: ReadonlyMap<string, ReadonlyMap<Day, DayUse>>;
  readonly flows: ReadonlyMap<string, readonly Flow[]>;
  /** Recipes that keep all season long, so that no day of making belongs to a day of use. */
  readonly stocks: ReadonlySet<string>;
}

/** Pieces that are made for each one that is served. */
const withSpare = ({ demand: { count, spare } }: Serve): number => 1 + spare / count;

/** Mass in and mass out: what is made on a day is cut, rolled, or flows to the days on which it is used. */
export function addMass({ input, model, days, batches, serves }: SeasonDraft): MassRows {
  const { book, today } = input;
  const servesByBody = groupBy(serves, ({ bodyId, day }) => `${bodyId} ${day}`);
  // What uses a recipe as a component or as a part, day by day, as terms over batches and pieces.
  const usage = new Map<string, Map<Day, DayUse>>();
  const use = (id: string, day: Day): DayUse => {
    let onDays = usage.get(id);
    if (!onDays) usage.set(id, (onDays = new Map<Day, DayUse>()));
    let found = onDays.get(day);
    if (!found) onDays.set(day, (found = { drawn: [], pool: [] }));
    return found;
  };
  for (const [id, onDays] of batches) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    for (const [component, grams] of componentsOf(facts))
      for (const [day, sizes] of onDays)
        use(component, day).drawn.push(...sizes.map(({ size, column }): Term => [column, grams * size]));
  }
  for (const { facts, finishedOn, column } of serves)
    for (const part of facts.parts) {
      if (part.role === 'body') continue;
      const found = use(part.recipeId, finishedOn);
      found.drawn.push([column, part.drawnGrams]);
      if (part.readyGrams > part.drawnGrams) found.pool.push([column, part.readyGrams - part.drawnGrams]);
    }

  const flows = new Map<string, Flow[]>();
  const stocks = new Set<string>();
  const length = daysBetween(days[0] ?? today, days.at(-1) ?? today);
  for (const [id, onDays] of batches) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    const uses = usage.get(id) ?? new Map<Day, DayUse>();
    const list: Flow[] = [];
    const isBody = serves.some(({ bodyId }) => bodyId === id);
    // What keeps all season long is a stock: what is made up to a day covers what is used up to it, and the pool on it.
    if (!isBody && facts.recipe.keepsDays >= length) {
      stocks.add(id);
      const drawn: Term[] = [];
      for (const to of [...uses.keys()].sort()) {
        const use = uses.get(to);
        drawn.push(...(use?.drawn ?? []).map(([column, grams]): Term => [column, -grams]));
        const ready = addDays(to, -facts.recipe.restDays);
        const made = [...onDays]
          .filter(([from]) => from <= ready)
          .flatMap(([, sizes]) => sizes.map(({ size, column }): Term => [column, size * facts.yieldGrams]));
        const pool = (use?.pool ?? []).map(([column, grams]): Term => [column, -grams]);
        model.atLeast(`${id} stock ${to}`, merged([...made, ...drawn, ...pool]), 0);
      }
      continue;
    }
    for (const [to, { drawn }] of uses) {
      const window = usableWindow(to, facts);
      const into = [...onDays.keys()]
        .filter((from) => from >= window.from && from <= window.to)
        .map((from): Flow => ({ from, to, column: model.column(`${id} ${from} to ${to}`, 0) }));
      list.push(...into);
      model.atLeast(
        `${id} used on ${to}`,
        [...into.map(({ column }): Term => [column, 1]), ...drawn.map(([column, grams]): Term => [column, -grams])],
        0,
      );
    }
    flows.set(id, list);
    const bodies = new Set(serves.filter(({ bodyId }) => bodyId === id).map(({ facts: { piece } }) => piece.id));
    for (const [day, sizes] of onDays) {
      const here = servesByBody.get(`${id} ${day}`) ?? [];
      const out = list.filter(({ from }) => from === day);
      const [only] = here;
      if (bodies.size === 1 && list.length === 0 && only) {
        const form = bodyForm(only.facts.piece.form);
        model.atLeast(
          `${id} pieces ${day}`,
          [
            ...sizes.map(({ size, column }): Term => [column, piecesPerBatch(form, size, facts.yieldGrams)]),
            ...here.map((each): Term => [each.column, -withSpare(each)]),
          ],
          0,
        );
        continue;
      }
      // Several ways to use one slab: in grams, with a piece charged for each joint.
      const joints = [...groupBy(here, ({ facts: { piece } }) => piece.id).values()].flatMap((same): Term[] => {
        const [first] = same;
        if (!first) return [];
        const total = same.reduce((sum, each) => sum + each.demand.count, 0);
        const cut = model.choice(`cut ${first.facts.piece.id} ${day}`, 0);
        model.atMost('only when it is cut', [...same.map(({ column }): Term => [column, 1]), [cut, -total]], 0);
        return [[cut, -sharedGrams(first.facts, facts)]];
      });
      model.atLeast(
        `${id} mass ${day}`,
        [
          ...sizes.map(({ size, column }): Term => [column, size * facts.yieldGrams]),
          ...here.map((each): Term => [each.column, -sharedGrams(each.facts, facts) * withSpare(each)]),
          ...joints,
          ...out.map(({ column }): Term => [column, -1]),
        ],
        0,
      );
    }
    // The pool that must stand on a day: all that is fresh then, less what was used of it up to then.
    for (const [day, { pool }] of uses) {
      if (pool.length === 0) continue;
      const window = usableWindow(day, facts);
      const fresh = [...onDays].filter(([from]) => from >= window.from && from <= window.to);
      const days = new Set(fresh.map(([from]) => from));
      model.atLeast(
        `${id} pool ${day}`,
        [
          ...fresh.flatMap(([, sizes]) => sizes.map(({ size, column }): Term => [column, size * facts.yieldGrams])),
          ...list.filter(({ from, to }) => days.has(from) && to <= day).map(({ column }): Term => [column, -1]),
          ...pool.map(([column, grams]): Term => [column, -grams]),
        ],
        0,
      );
    }
  }
  return { usage, flows, stocks };
}
