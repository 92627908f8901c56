import { bodyForm, piecesPerBatch } from '../piece/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import type { Term } from '../solver/index.js';
import {
  coldSpaces,
  latestBegin,
  leftGramsOf,
  litresPerGram,
  partUses,
  sharedGrams,
  usableWindow,
} from '../plan/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import { componentsOf, merged, weights, type BatchColumn, type ProgrammeBuilder, type Serve } from './builder.js';

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
  /** Recipes that keep all season long and stand on a shelf, so that no day of making belongs to a day of use. */
  readonly stocks: ReadonlySet<string>;
}

/** Pieces that are made for each one that is served. */
const withSpare = ({ demand: { count, spare } }: Serve): number => 1 + spare / count;

/** What is used of each recipe on each day, from what is made, what is served, and what is made already. */
class Usage {
  readonly byRecipe = new Map<string, Map<Day, DayUse>>();

  of(id: string, day: Day): DayUse {
    let onDays = this.byRecipe.get(id);
    if (!onDays) this.byRecipe.set(id, (onDays = new Map<Day, DayUse>()));
    let found = onDays.get(day);
    if (!found) onDays.set(day, (found = { drawn: [], pool: [], drawnGrams: 0, poolGrams: 0 }));
    return found;
  }
}

/** What uses a recipe as a component or as a part, day by day, as terms over batches and pieces. */
function usageOf({ input: { book, netted }, batches, serves }: ProgrammeBuilder): Usage {
  const usage = new Usage();
  for (const [id, onDays] of batches) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    for (const [component, grams] of componentsOf(facts))
      for (const [day, sizes] of onDays)
        usage.of(component, day).drawn.push(...sizes.map(({ drawn, column }): Term => [column, grams * drawn]));
  }
  for (const { facts, finish, column } of serves)
    for (const { part, day, drawnGrams, readyGrams } of partUses(facts, finish)) {
      const found = usage.of(part.recipeId, day);
      found.drawn.push([column, drawnGrams]);
      if (readyGrams > drawnGrams) found.pool.push([column, readyGrams - drawnGrams]);
    }
  for (const [id, { peg: taken }] of netted.parts) {
    const found = usage.of(id, taken.on);
    found.drawnGrams += taken.grams;
    found.poolGrams += taken.poolGrams;
  }
  return usage;
}

/** Grams of a supply that are left on the day on which they were made. */
interface Left {
  readonly day: Day;
  readonly grams: number;
}

/** One recipe of the programme: its batches, what is used of it, and what is there of it already. */
interface RecipeMass {
  readonly id: string;
  readonly facts: RecipeFacts;
  readonly onDays: ReadonlyMap<Day, readonly BatchColumn[]>;
  readonly uses: ReadonlyMap<Day, DayUse>;
  readonly supplies: readonly Left[];
}

const yieldOf = (sizes: readonly BatchColumn[], grams: number): Term[] =>
  sizes.flatMap(({ size, column }): Term[] => (size > 0 ? [[column, size * grams]] : []));
const negative = (terms: readonly Term[]): Term[] => terms.map(([column, grams]): Term => [column, -grams]);
const before = (supplies: readonly Left[], isThere: (day: Day) => boolean): number =>
  supplies.reduce((sum, { day, grams }) => (isThere(day) ? sum + grams : sum), 0);

/** What is made already wants its coating on its day, although it may be too late to make it. */
function missing({ model }: ProgrammeBuilder, id: string, day: Day, uses: ReadonlyMap<Day, DayUse>): Term[] {
  const { drawnGrams = 0, poolGrams = 0 } = uses.get(day) ?? {};
  const isFixed = drawnGrams + poolGrams > 0;
  return isFixed ? [[model.column(`${id} missing ${day}`, weights.missing), 1]] : [];
}

/** Rows of what keeps all season long: what is made up to a day covers what is used up to it, and the pool on it. */
function addStock(builder: ProgrammeBuilder, { id, facts, onDays, uses, supplies }: RecipeMass): void {
  const { model, input } = builder;
  const drawn: Term[] = [];
  let drawnGrams = 0;
  for (const to of [...uses.keys()].sort()) {
    const use = uses.get(to);
    drawn.push(...negative(use?.drawn ?? []));
    drawnGrams += use?.drawnGrams ?? 0;
    const ready = latestBegin(facts, to, input.book.kitchen);
    const given = before(supplies, (day) => day <= ready);
    const made = [...onDays].filter(([from]) => from <= ready).flatMap(([, sizes]) => yieldOf(sizes, facts.yieldGrams));
    model.atLeast(
      `${id} stock ${to}`,
      merged([...made, ...drawn, ...negative(use?.pool ?? []), ...missing(builder, id, to, uses)]),
      drawnGrams + (use?.poolGrams ?? 0) - given,
    );
  }
}

/** Rows of what is used on each day: it flows there from days on which it is, or was, made. @returns the flows */
function addFlows(builder: ProgrammeBuilder, { id, facts, onDays, uses, supplies }: RecipeMass): Flow[] {
  const { model, input } = builder;
  const flows: Flow[] = [];
  for (const [to, { drawn, drawnGrams }] of uses) {
    const window = usableWindow(to, facts, input.book);
    const sources = [
      ...supplies.map(({ day }) => ({ from: day, made: true })),
      ...[...onDays.keys()].map((from) => ({ from, made: false })),
    ];
    const into = sources
      .filter(({ from }) => from >= window.from && from <= window.to)
      .map(({ from, made }): Flow => ({ from, to, made, column: model.column(`${id} ${from} to ${to}`, 0) }));
    flows.push(...into);
    model.atLeast(
      `${id} used on ${to}`,
      [...into.map(({ column }): Term => [column, 1]), ...negative(drawn), ...missing(builder, id, to, uses)],
      drawnGrams,
    );
  }
  return flows;
}

/** A row for each supply: no more flows from it than is left of it. */
function addSupplies({ model }: ProgrammeBuilder, { id, supplies }: RecipeMass, flows: readonly Flow[]): void {
  for (const { day, grams } of supplies) {
    const out = flows.filter(({ from, made }) => made && from === day);
    model.atMost(`${id} left of ${day}`, out.map(({ column }): Term => [column, 1]), grams); // prettier-ignore
  }
}

/** Terms that charge a piece for each joint, where several kinds of piece are cut from one slab. */
function jointsOf({ model }: ProgrammeBuilder, facts: RecipeFacts, day: Day, here: readonly Serve[]): Term[] {
  return [...groupBy(here, (each) => each.facts.piece.id).values()].flatMap((same): Term[] => {
    const [first] = same;
    if (!first) return [];
    const total = same.reduce((sum, each) => sum + each.demand.count, 0);
    const cut = model.choice(`cut ${first.facts.piece.id} ${day}`, 0);
    model.atMost('only when it is cut', [...same.map(({ column }): Term => [column, 1]), [cut, -total]], 0);
    return [[cut, -sharedGrams(first.facts, facts)]];
  });
}

/** A row for each day on which it is made: what is cut, rolled and flows away is no more than comes out. */
function addMaking(
  builder: ProgrammeBuilder,
  { id, facts, onDays }: RecipeMass,
  flows: readonly Flow[],
  servesOn: (day: Day) => readonly Serve[],
): void {
  const { model, serves } = builder;
  const bodies = new Set(serves.filter(({ bodyId }) => bodyId === id).map(({ facts: { piece } }) => piece.id));
  for (const [day, sizes] of onDays) {
    const here = servesOn(day);
    const out = flows.filter(({ from, made }) => !made && from === day);
    const [only] = here;
    if (bodies.size === 1 && flows.length === 0 && only) {
      const form = bodyForm(only.facts.piece.form);
      model.atLeast(
        `${id} pieces ${day}`,
        [
          ...sizes.flatMap(({ size, batches, most, column }): Term[] => {
            if (size === 0) return [];
            // Of any size: no more than what the largest gives, in whole pieces.
            const ofMost = () => piecesPerBatch(form, most, facts.yieldGrams) / most;
            return [[column, batches > 0 ? piecesPerBatch(form, size, facts.yieldGrams) : ofMost()]];
          }),
          ...here.map((each): Term => [each.column, -withSpare(each)]),
        ],
        0,
      );
      continue;
    }
    // Several ways to use one slab: in grams.
    const joints = jointsOf(builder, facts, day, here);
    model.atLeast(
      `${id} mass ${day}`,
      [
        ...yieldOf(sizes, facts.yieldGrams),
        ...here.map((each): Term => [each.column, -sharedGrams(each.facts, facts) * withSpare(each)]),
        ...joints,
        ...out.map(({ column }): Term => [column, -1]),
      ],
      0,
    );
  }
}

/** A row for each pool that must stand on a day: all that is fresh then, less what was used of it up to then. */
function addPools(builder: ProgrammeBuilder, recipe: RecipeMass, flows: readonly Flow[]): void {
  const { id, facts, onDays, uses, supplies } = recipe;
  for (const [day, { pool, poolGrams }] of uses) {
    if (pool.length === 0 && poolGrams === 0) continue;
    const window = usableWindow(day, facts, builder.input.book);
    const isFresh = (from: Day) => from >= window.from && from <= window.to;
    builder.model.atLeast(
      `${id} pool ${day}`,
      [
        ...[...onDays].filter(([from]) => isFresh(from)).flatMap(([, sizes]) => yieldOf(sizes, facts.yieldGrams)),
        ...flows.filter(({ from, to }) => isFresh(from) && to <= day).map(({ column }): Term => [column, -1]),
        ...negative(pool),
        ...missing(builder, id, day, uses),
      ],
      poolGrams - before(supplies, isFresh),
    );
  }
}

/** Mass in and mass out: what is made on a day is cut, rolled, or flows to the days on which it is used. */
export function addMass(builder: ProgrammeBuilder): MassRows {
  const { input, days, batches, serves } = builder;
  const { book, today, netted } = input;
  const servesByBody = groupBy(serves, ({ bodyId, day }) => `${bodyId} ${day}`);
  const usage = usageOf(builder).byRecipe;
  const flows = new Map<string, Flow[]>();
  const stocks = new Set<string>();
  const lastDay = days.at(-1) ?? today;
  const length = daysBetween(days[0] ?? today, lastDay);
  for (const [id, onDays] of batches) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    const supplies = (netted.supplies.get(id) ?? []).map((each) => ({ day: each.day, grams: leftGramsOf(each) }));
    const recipe: RecipeMass = { id, facts, onDays, supplies, uses: usage.get(id) ?? new Map<Day, DayUse>() };
    const { keepsDays } = facts.recipe;
    const keepsAll = keepsDays >= length && supplies.every(({ day }) => addDays(day, keepsDays) >= lastDay);
    // Where it takes room in the cold, it counts from which day to which it stands there.
    const isCold = coldSpaces(book).some(({ kind }) => litresPerGram(id, kind, book) > 0);
    if (keepsAll && !isCold && !serves.some(({ bodyId }) => bodyId === id)) {
      stocks.add(id);
      addStock(builder, recipe);
      continue;
    }
    const list = addFlows(builder, recipe);
    flows.set(id, list);
    addSupplies(builder, recipe, list);
    addMaking(builder, recipe, list, (day) => servesByBody.get(`${id} ${day}`) ?? []);
    addPools(builder, recipe, list);
  }
  return { usage, flows, stocks };
}
