import { bodyForm, piecesPerBatch } from '../piece/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import type { Term } from '../solver/index.js';
import { leftGramsOf, sharedGrams, usableWindow, latestBegin } from '../plan/index.js';
import { componentsOf, merged, weights, type ProgrammeBuilder, type Serve } from './builder.js';

/** What is used of a recipe on one day: what it draws, and what must stand ready beside it. */
interface DayUse {
  readonly drawn: Term[];
  readonly pool: Term[];
  /** What pieces take whose body is made already, g. */
  drawnGrams: number;
  poolGrams: number;
}

/** Grams that go from the day on which they are made to the day on which they are used. */
interface Flow {
  readonly from: Day;
  readonly to: Day;
  readonly column: number;
  /** Whether it is made already. */
  readonly made: boolean;
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
export function addMass({ input, model, days, batches, serves }: ProgrammeBuilder): MassRows {
  const { book, today, netted } = input;
  const servesByBody = groupBy(serves, ({ bodyId, day }) => `${bodyId} ${day}`);
  // What uses a recipe as a component or as a part, day by day, as terms over batches and pieces.
  const usage = new Map<string, Map<Day, DayUse>>();
  const use = (id: string, day: Day): DayUse => {
    let onDays = usage.get(id);
    if (!onDays) usage.set(id, (onDays = new Map<Day, DayUse>()));
    let found = onDays.get(day);
    if (!found) onDays.set(day, (found = { drawn: [], pool: [], drawnGrams: 0, poolGrams: 0 }));
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
  for (const [id, { peg: taken }] of netted.parts) {
    const found = use(id, taken.on);
    found.drawnGrams += taken.grams;
    found.poolGrams += taken.poolGrams;
  }

  // What is made already wants its coating on its day, although it may be too late to make it.
  const missing = (id: string, day: Day, uses: ReadonlyMap<Day, DayUse>): Term[] => {
    const { drawnGrams = 0, poolGrams = 0 } = uses.get(day) ?? {};
    const isFixed = drawnGrams + poolGrams > 0;
    return isFixed ? [[model.column(`${id} missing ${day}`, weights.missing), 1]] : [];
  };

  const flows = new Map<string, Flow[]>();
  const stocks = new Set<string>();
  const length = daysBetween(days[0] ?? today, days.at(-1) ?? today);
  for (const [id, onDays] of batches) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    const uses = usage.get(id) ?? new Map<Day, DayUse>();
    const list: Flow[] = [];
    const supplies = (netted.supplies.get(id) ?? []).map((supply) => ({
      day: supply.day,
      grams: leftGramsOf(supply),
    }));
    const keepsAll = supplies.every(({ day }) => addDays(day, facts.recipe.keepsDays) >= (days.at(-1) ?? today));
    const isBody = serves.some(({ bodyId }) => bodyId === id);
    // What keeps all season long is a stock: what is made up to a day covers what is used up to it, and the pool on it.
    if (!isBody && facts.recipe.keepsDays >= length && keepsAll) {
      stocks.add(id);
      const drawn: Term[] = [];
      let drawnGrams = 0;
      for (const to of [...uses.keys()].sort()) {
        const use = uses.get(to);
        drawn.push(...(use?.drawn ?? []).map(([column, grams]): Term => [column, -grams]));
        drawnGrams += use?.drawnGrams ?? 0;
        const ready = latestBegin(facts, to, book.kitchen);
        const given = supplies.reduce((sum, { day, grams }) => (day <= ready ? sum + grams : sum), 0);
        const made = [...onDays]
          .filter(([from]) => from <= ready)
          .flatMap(([, sizes]) => sizes.map(({ size, column }): Term => [column, size * facts.yieldGrams]));
        const pool = (use?.pool ?? []).map(([column, grams]): Term => [column, -grams]);
        model.atLeast(
          `${id} stock ${to}`,
          merged([...made, ...drawn, ...pool, ...missing(id, to, uses)]),
          drawnGrams + (use?.poolGrams ?? 0) - given,
        );
      }
      continue;
    }
    for (const [to, { drawn, drawnGrams }] of uses) {
      const window = usableWindow(to, facts, book);
      const sources = [
        ...supplies.map(({ day }) => ({ from: day, made: true })),
        ...[...onDays.keys()].map((from) => ({ from, made: false })),
      ];
      const into = sources
        .filter(({ from }) => from >= window.from && from <= window.to)
        .map(({ from, made }): Flow => ({ from, to, made, column: model.column(`${id} ${from} to ${to}`, 0) }));
      list.push(...into);
      model.atLeast(
        `${id} used on ${to}`,
        [
          ...into.map(({ column }): Term => [column, 1]),
          ...drawn.map(([column, grams]): Term => [column, -grams]),
          ...missing(id, to, uses),
        ],
        drawnGrams,
      );
    }
    flows.set(id, list);
    for (const { day, grams } of supplies) {
      const out = list.filter(({ from, made }) => made && from === day);
      model.atMost(`${id} left of ${day}`, out.map(({ column }): Term => [column, 1]), grams); // prettier-ignore
    }
    const bodies = new Set(serves.filter(({ bodyId }) => bodyId === id).map(({ facts: { piece } }) => piece.id));
    for (const [day, sizes] of onDays) {
      const here = servesByBody.get(`${id} ${day}`) ?? [];
      const out = list.filter(({ from, made }) => !made && from === day);
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
    for (const [day, { pool, poolGrams }] of uses) {
      if (pool.length === 0 && poolGrams === 0) continue;
      const window = usableWindow(day, facts, book);
      const isFresh = (from: Day) => from >= window.from && from <= window.to;
      const fresh = [...onDays].filter(([from]) => isFresh(from));
      const there = supplies.reduce((sum, { day: from, grams }) => (isFresh(from) ? sum + grams : sum), 0);
      model.atLeast(
        `${id} pool ${day}`,
        [
          ...fresh.flatMap(([, sizes]) => sizes.map(({ size, column }): Term => [column, size * facts.yieldGrams])),
          ...list.filter(({ from, to }) => isFresh(from) && to <= day).map(({ column }): Term => [column, -1]),
          ...pool.map(([column, grams]): Term => [column, -grams]),
          ...missing(id, day, uses),
        ],
        poolGrams - there,
      );
    }
  }
  return { usage, flows, stocks };
}
