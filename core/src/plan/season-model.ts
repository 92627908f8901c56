import type { Book } from '../box/index.js';
import { costBasis, type CostBasis } from '../money/index.js';
import { bodyForm, piecesPerBatch, type PieceFacts } from '../piece/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import { ModelBuilder, type LinearModel, type Term } from '../solver/index.js';
import type { PieceDemand } from './demand.js';
import { componentKey, pieceKey, type DayShare, type Guide } from './guide.js';
import { leastMade, type SpannedDemand } from './least.js';
import { bodyWindow, sharedGrams, usableWindow } from './makings.js';
import { nutClass, nutClasses } from './nuts.js';
import { benchHours, finishingDay, isBenchDay, isHumid, type Bookings } from './windows.js';

/** What the model weighs against each other, in minor units of money. */
export const weights = {
  /** Overtime costs this many times the rate of hands. */
  overtime: 1.5,
  /** Cleaning fills the hours like any other work; beyond that it weighs so much of its hands. */
  cleaning: 0.1,
  /** Of a piece's ingredients, for each day that it is made before its hand-over. */
  earlyPerDay: 0.002,
  /** Minutes of hands that it is worth to leave a recipe on the days that it had. */
  stabilityMinutes: 6,
  /** The part of a left-over's ingredients that is not lost: it goes back to stock, is a component of others, or neither. */
  reuse: { stock: 0.9, component: 0.6, nothing: 0.1 },
  /** What keeps at least so many days goes back to stock. */
  stockDays: 60,
} as const;

/** Pieces that no bench day can serve any more: they are made as well as can be, and reported. */
export interface SeasonModel {
  readonly model: LinearModel;
  readonly decode: (values: readonly number[]) => Guide;
  /** Whole columns of what was decided before, to start from. */
  readonly start: readonly (readonly [column: number, value: number])[];
  /** What cannot be planned within its days. */
  readonly outside: readonly PieceDemand[];
  /** Rows that may clash, with what they say. */
  readonly claims: readonly {
    readonly row: number;
    readonly kind: 'day' | 'hand-over';
    readonly day: Day;
    readonly text: string;
  }[];
}

interface SeasonInput {
  readonly demand: readonly PieceDemand[];
  readonly book: Book;
  readonly today: Day;
  /** Minutes of packing by day. */
  readonly packing: Bookings;
  /** What was decided before: pins hold, and days that need not move are kept. */
  readonly before: Guide | null;
  /** Whether pieces are counted whole; without it the model is a little easier, and what it says is nearly the same. */
  readonly wholePieces?: boolean;
  /** Only the rules themselves, nothing that follows from them: to find out which of them clash. */
  readonly bare?: boolean;
}

/** One way to serve one hand-over of a piece: its body made on one day. */
interface Serve {
  readonly demand: PieceDemand;
  readonly facts: PieceFacts;
  readonly bodyId: string;
  readonly day: Day;
  readonly finishedOn: Day;
  readonly column: number;
}

/** The bench days from today to the last hand-over. */
function benchDays(demand: readonly PieceDemand[], today: Day, book: Book): Day[] {
  const last = demand.reduce((latest, { day }) => (day > latest ? day : latest), today);
  return Array.from({ length: daysBetween(today, last) + 1 }, (_, index) => addDays(today, index)).filter((day) =>
    isBenchDay(day, book.kitchen),
  );
}

/** How much of a left-over recipe's ingredients is not lost. */
function reuseOf(id: string, facts: RecipeFacts, book: Book): number {
  if (facts.recipe.keepsDays >= weights.stockDays) return weights.reuse.stock;
  const isComponent = [...book.recipes.values()].some(({ recipe }) => recipe.lines.some(({ uses }) => uses.id === id));
  return isComponent ? weights.reuse.component : weights.reuse.nothing;
}

/** Grams of each component in one base batch of a recipe. */
function componentsOf(facts: RecipeFacts): Map<string, number> {
  const grams = new Map<string, number>();
  facts.recipe.lines.forEach(({ uses }, index) => {
    if (uses.kind === 'recipe') grams.set(uses.id, (grams.get(uses.id) ?? 0) + (facts.lineGrams[index] ?? 0));
  });
  return grams;
}

/** Every recipe that the pieces need, through all components. */
function recipesFor(pieces: Iterable<PieceFacts>, book: Book): Set<string> {
  const found = new Set<string>();
  const visit = (id: string) => {
    const facts = book.recipes.get(id);
    if (!facts || found.has(id)) return;
    found.add(id);
    for (const component of componentsOf(facts).keys()) visit(component);
  };
  for (const { parts } of pieces) for (const { recipeId } of parts) visit(recipeId);
  return found;
}

/** The most base batches of a recipe that any plan could want on one day: all that is needed, rounded up to whole batches. */
function mostNeeded(demand: readonly PieceDemand[], book: Book): Map<string, number> {
  const most = new Map<string, number>();
  const add = (id: string, batches: number) => most.set(id, (most.get(id) ?? 0) + batches);
  for (const { pieceId, count } of demand) {
    const facts = book.pieces.get(pieceId);
    for (const part of facts?.parts ?? []) {
      const recipe = book.recipes.get(part.recipeId);
      if (!facts || !recipe || recipe.yieldGrams <= 0) continue;
      const grams = part.role === 'body' ? sharedGrams(facts, recipe) : part.readyGrams;
      add(part.recipeId, (grams * count) / recipe.yieldGrams);
    }
  }
  for (const id of [...book.componentsFirst].reverse()) {
    const facts = book.recipes.get(id);
    const own = most.get(id);
    if (!facts || own === undefined) continue;
    const largest = Math.max(...facts.recipe.batchSizes);
    // Each making may have to be rounded up, and a joint be charged.
    const rounded = Math.ceil(own / largest + 2) * largest;
    most.set(id, rounded);
    for (const [component, grams] of componentsOf(facts)) {
      const of = book.recipes.get(component);
      if (of && of.yieldGrams > 0) add(component, (grams * rounded) / of.yieldGrams);
    }
  }
  return most;
}

/** The same sum with one term a column. */
function merged(terms: readonly Term[]): Term[] {
  const sums = new Map<number, number>();
  for (const [column, factor] of terms) sums.set(column, (sums.get(column) ?? 0) + factor);
  return [...sums];
}

/**
 * The season as one integer programme: whole batches of allowed sizes on bench days, each piece made within its window and finished
 * on a bench day, components rested and fresh when they are used, coatings deep enough, hands within the hours and the overtime
 * allowed, moulds and pans no more than there are, humid days closed to what draws damp, and pinned makings as they are.
 *
 * It minimises, in money: hands (batches, getting ready, cleaning between nut classes), overtime, what is left over by what can still
 * use it, making early, and moving what need not move.
 */
export function buildSeason({
  demand,
  book,
  today,
  packing,
  before,
  wholePieces = false,
  bare = false,
}: SeasonInput): SeasonModel {
  const { kitchen } = book;
  const model = new ModelBuilder();
  const rate = kitchen.handsRateMinorPerHour / 60;
  const basis: CostBasis = costBasis(book);
  const costOf = (id: string) => basis.costs.recipes.get(id)?.toNumber() ?? 0;
  /** What a gram of a recipe is worth that is left over and lost. */
  const lost = (id: string): number => {
    const facts = book.recipes.get(id);
    return facts ? costOf(id) * (1 - reuseOf(id, facts, book)) : 0;
  };
  const days = benchDays(demand, today, book);
  const place = new Map(days.map((day, index) => [day, index] as const));
  const claims: { row: number; kind: 'day' | 'hand-over'; day: Day; text: string }[] = [];
  let rows = 0;
  const atLeast = (name: string, terms: readonly Term[], lower: number) => {
    rows++;
    model.atLeast(name, terms, lower);
  };
  const atMost = (name: string, terms: readonly Term[], upper: number) => {
    rows++;
    model.atMost(name, terms, upper);
  };

  const used = demand.flatMap(({ pieceId }) => book.pieces.get(pieceId) ?? []);
  const recipes = recipesFor(used, book);
  const most = mostNeeded(demand, book);
  const pinned = (id: string, day: Day) => before?.pins.some((pin) => pin.recipeId === id && pin.day === day) ?? false;
  const pinnedCount = (id: string, day: Day, size: number) =>
    before?.batches.find((each) => each.recipeId === id && each.day === day && each.size === size)?.count ?? 0;
  const madeBefore = new Set(before?.batches.map(({ recipeId, day }) => `${recipeId} ${day}`));

  // Batches: how many of each size of each recipe on each day, and whether the recipe is made on it at all.
  interface Batch {
    readonly size: number;
    readonly column: number;
  }
  const batches = new Map<string, Map<Day, readonly Batch[]>>();
  const makes = new Map<string, Map<Day, number>>();
  for (const id of recipes) {
    const facts = book.recipes.get(id);
    if (!facts || facts.yieldGrams <= 0) continue;
    const { recipe } = facts;
    // What is left over is what is made less what is used: pieces use the same whatever is decided, batches use their components.
    const value =
      facts.yieldGrams * lost(id) -
      [...componentsOf(facts)].reduce((sum, [component, grams]) => sum + grams * lost(component), 0);
    const onDays = new Map<Day, readonly Batch[]>();
    const made = new Map<Day, number>();
    for (const day of days) {
      if (recipe.hygroscopic && isHumid(day, kitchen) && !pinned(id, day)) continue;
      const moved = before && !madeBefore.has(`${id} ${day}`) ? weights.stabilityMinutes : 0;
      const make = model.choice(`make ${id} ${day}`, (kitchen.setUpMinutes + moved) * rate);
      made.set(day, make);
      // No more than is needed, and no more than the day has hands for.
      const hands =
        !bare && kitchen.benchWeek.length > 0 && recipe.handsMinutes > 0
          ? Math.floor((benchHours(day, kitchen) * 60 + kitchen.overtimeMinutes) / recipe.handsMinutes)
          : Infinity;
      const sizes = recipe.batchSizes.map((size): Batch => {
        const upper = Math.min(hands, Math.ceil((most.get(id) ?? 0) / size));
        const fixed = pinned(id, day)
          ? { lower: pinnedCount(id, day, size), upper: pinnedCount(id, day, size) }
          : { upper };
        const column = model.column(`${id} ${day} x${String(size)}`, recipe.handsMinutes * rate + value * size, {
          whole: true,
          ...fixed,
        });
        atMost('only when it is made', [[column, 1], [make, -Math.max(1, fixed.upper)]], 0); // prettier-ignore
        return { size, column };
      });
      onDays.set(day, sizes);
    }
    batches.set(id, onDays);
    makes.set(id, made);
  }

  // Pieces: which day's body serves which hand-over.
  const serves: Serve[] = [];
  const outside: PieceDemand[] = [];
  for (const each of demand) {
    const facts = book.pieces.get(each.pieceId);
    const bodyId = facts?.parts.find(({ role }) => role === 'body')?.recipeId;
    const body = bodyId === undefined ? undefined : book.recipes.get(bodyId);
    if (!facts || bodyId === undefined || !body) continue;
    const { window, finishBy } = bodyWindow(facts, each.day, body, book);
    const ways = days.flatMap((day): Serve[] => {
      if (day < window.from || day > window.to || !batches.get(bodyId)?.has(day)) return [];
      const finishedOn = finishingDay(day, body.recipe.restDays, finishBy, kitchen);
      if (!place.has(finishedOn) || finishedOn > finishBy) return [];
      const ingredients = facts.parts.reduce((sum, part) => sum + part.drawnGrams * costOf(part.recipeId), 0);
      const column = model.column(
        `${each.pieceId} ${each.day} from ${day}`,
        ingredients * weights.earlyPerDay * daysBetween(day, each.day),
        { upper: each.count, whole: wholePieces },
      );
      return [{ demand: each, facts, bodyId, day, finishedOn, column }];
    });
    if (ways.length === 0) {
      outside.push(each);
      continue;
    }
    model.always(
      each.count *
        ((rate * facts.piece.handSeconds) / 60 -
          facts.parts.reduce((sum, part) => sum + part.drawnGrams * lost(part.recipeId), 0)),
    );
    claims.push({ row: rows, kind: 'hand-over', day: each.day, text: `${String(each.count)} × ${facts.piece.name}` });
    atLeast(`${each.pieceId} for ${each.day}`, ways.map(({ column }): Term => [column, 1]), each.count); // prettier-ignore
    serves.push(...ways);
  }
  const group = <T>(list: readonly T[], key: (each: T) => string) => {
    const groups = new Map<string, T[]>();
    for (const each of list) {
      const found = groups.get(key(each));
      if (found) found.push(each);
      else groups.set(key(each), [each]);
    }
    return groups;
  };
  // What is true of every plan, said from the start: whole batches within each span of days.
  const spanned = [...group(serves, ({ demand: of }) => pieceKey(of.pieceId, of.day)).values()].flatMap(
    (ways): SpannedDemand[] => {
      const [first, last] = [ways[0], ways.at(-1)];
      if (!first || !last) return [];
      const finish = ways.map(({ finishedOn }) => finishedOn).sort();
      return [
        {
          facts: first.facts,
          count: first.demand.count,
          from: first.day,
          to: last.day,
          finishFrom: finish[0] ?? first.day,
          finishTo: finish.at(-1) ?? last.day,
        },
      ];
    },
  );
  for (const [id, leasts] of bare ? [] : leastMade(spanned, book)) {
    const facts = book.recipes.get(id);
    for (const { from, to, multiple, batches: count } of leasts) {
      const span = [...(batches.get(id) ?? [])].filter(([day]) => day >= from && day <= to);
      if (span.length === 0) continue;
      const sizes = span.flatMap(([, list]) => list);
      const made = span.flatMap(([day]): Term[] => [[makes.get(id)?.get(day) ?? 0, 1]]);
      atLeast(`${id} at least`, sizes.map(({ size, column }): Term => [column, size]), multiple); // prettier-ignore
      if ((facts?.recipe.batchSizes.length ?? 0) > 1)
        atLeast(`${id} batches at least`, sizes.map(({ column }): Term => [column, 1]), count); // prettier-ignore
      atLeast(`${id} some day`, made, 1);
    }
  }
  const servesByBody = group(serves, ({ bodyId, day }) => `${bodyId} ${day}`);

  // What uses a recipe as a component or as a part, day by day, as terms over batches and pieces.
  const usage = new Map<string, Map<Day, { drawn: Term[]; pool: Term[] }>>();
  const use = (id: string, day: Day): { drawn: Term[]; pool: Term[] } => {
    let onDays = usage.get(id);
    if (!onDays) usage.set(id, (onDays = new Map<Day, { drawn: Term[]; pool: Term[] }>()));
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

  // Mass: what is made on a day is cut, rolled, or flows to the days on which it is used.
  interface Flow {
    readonly from: Day;
    readonly to: Day;
    readonly column: number;
  }
  const flows = new Map<string, Flow[]>();
  const stocks = new Set<string>();
  const length = days.length > 0 ? daysBetween(days[0] ?? today, days.at(-1) ?? today) : 0;
  for (const [id, onDays] of batches) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    const uses = usage.get(id) ?? new Map<Day, { drawn: Term[]; pool: Term[] }>();
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
        atLeast(`${id} stock ${to}`, merged([...made, ...drawn, ...pool]), 0);
      }
      continue;
    }
    for (const [to, { drawn }] of uses) {
      const window = usableWindow(to, facts);
      const into = [...onDays.keys()]
        .filter((from) => from >= window.from && from <= window.to)
        .map((from): Flow => ({ from, to, column: model.column(`${id} ${from} to ${to}`, 0) }));
      list.push(...into);
      atLeast(
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
        atLeast(
          `${id} pieces ${day}`,
          [
            ...sizes.map(({ size, column }): Term => [column, piecesPerBatch(form, size, facts.yieldGrams)]),
            ...here.map(({ column }): Term => [column, -1]),
          ],
          0,
        );
        continue;
      }
      // Several ways to use one slab: in grams, with a piece charged for each joint.
      const joints = [...group(here, ({ facts: { piece } }) => piece.id).values()].flatMap((same): Term[] => {
        const [first] = same;
        if (!first) return [];
        const total = same.reduce((sum, each) => sum + each.demand.count, 0);
        const cut = model.choice(`cut ${first.facts.piece.id} ${day}`, 0);
        atMost('only when it is cut', [...same.map(({ column }): Term => [column, 1]), [cut, -total]], 0);
        return [[cut, -sharedGrams(first.facts, facts)]];
      });
      atLeast(
        `${id} mass ${day}`,
        [
          ...sizes.map(({ size, column }): Term => [column, size * facts.yieldGrams]),
          ...here.map((each): Term => [each.column, -sharedGrams(each.facts, facts)]),
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
      atLeast(
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

  // Hands, day by day, with cleaning between nut classes and overtime at its price.
  for (const day of days) {
    const hands: Term[] = [];
    const classes = new Map<string, Term[]>();
    for (const [id, made] of makes) {
      const facts = book.recipes.get(id);
      const make = made.get(day);
      if (!facts || make === undefined) continue;
      if (kitchen.setUpMinutes > 0) hands.push([make, kitchen.setUpMinutes]);
      for (const { column } of batches.get(id)?.get(day) ?? []) hands.push([column, facts.recipe.handsMinutes]);
      const nuts = nutClass(facts.contains);
      classes.set(nuts, [...(classes.get(nuts) ?? []), [make, 1]]);
    }
    const finished = serves.filter(({ finishedOn }) => finishedOn === day);
    for (const { facts, column } of finished) hands.push([column, facts.piece.handSeconds / 60]);
    if (kitchen.cleanMinutes > 0) {
      const clean = model.column(`clean ${day}`, kitchen.cleanMinutes * rate * weights.cleaning);
      hands.push([clean, kitchen.cleanMinutes]);
      const present = nutClasses.map((nuts) => {
        const there = model.choice(`${nuts} ${day}`, 0);
        for (const [make] of classes.get(nuts) ?? []) atMost('there', [[make, 1], [there, -1]], 0); // prettier-ignore
        const same = finished.filter(({ facts }) => nutClass(facts.contains) === nuts);
        const count = same.reduce((sum, { demand: of }) => sum + of.count, 0);
        if (count > 0) atMost('there', [...same.map(({ column }): Term => [column, 1]), [there, -count]], 0); // prettier-ignore
        return there;
      });
      atLeast('clean-downs', [[clean, 1], ...present.map((there): Term => [there, -1])], -1);
    }
    const pack = packing.get(day) ?? 0;
    model.always(pack * rate);
    const minutes = benchHours(day, kitchen) * 60;
    // Without any bench days set, no day has an end.
    if (kitchen.benchWeek.length === 0) continue;
    // Packing alone may take more than the day has: that is overtime whatever is decided.
    const extra = Math.max(0, pack - minutes - kitchen.overtimeMinutes);
    const over = model.column(`overtime ${day}`, rate * weights.overtime, { upper: kitchen.overtimeMinutes + extra });
    claims.push({ row: rows, kind: 'day', day, text: `${String(Math.round(minutes))} minutes of hands` });
    atMost(`hands ${day}`, [...hands, [over, -1]], minutes - pack);
  }

  // Moulds fill so many cavities a day, and pans hold what rests in them overnight.
  for (const [, same] of group(
    serves.filter(({ facts }) => bodyForm(facts.piece.form).kind === 'moulded'),
    ({ facts, finishedOn }) => `${facts.piece.id} ${finishedOn}`,
  )) {
    const form = same[0] && bodyForm(same[0].facts.piece.form);
    if (form?.kind !== 'moulded') continue;
    const cavities = form.cavities * form.moulds * form.turnsPerDay * (1 - form.breakagePercent / 100);
    atMost('moulds', same.map(({ column }): Term => [column, 1]), Math.floor(cavities + 1e-9)); // prettier-ignore
  }
  for (const pan of kitchen.pans) {
    const inPan = [...batches].flatMap(([id, onDays]) => {
      const facts = book.recipes.get(id);
      const form = serves
        .filter(({ bodyId }) => bodyId === id)
        .map(({ facts: { piece } }) => bodyForm(piece.form))
        .find((each) => each.kind === 'cut' && each.panLengthMm === pan.lengthMm && each.panWidthMm === pan.widthMm);
      if (!facts || form?.kind !== 'cut' || facts.recipe.restDays === 0) return [];
      return [{ onDays, rest: facts.recipe.restDays, pans: form.pansPerBatch }];
    });
    if (inPan.length === 0) continue;
    for (const night of days)
      atMost(
        `${pan.name} ${night}`,
        inPan.flatMap(({ onDays, rest, pans }) =>
          [...onDays]
            .filter(([day]) => day <= night && addDays(day, rest) > night)
            .flatMap(([, sizes]) => sizes.map(({ size, column }): Term => [column, Math.ceil(pans * size)])),
        ),
        pan.count,
      );
  }

  const decode = (values: readonly number[]): Guide => {
    const pieces: Record<string, DayShare[]> = {};
    for (const { demand: of, day, column } of serves) {
      const amount = Math.round(values[column] ?? 0);
      if (amount > 0) (pieces[pieceKey(of.pieceId, of.day)] ??= []).push({ day, amount });
    }
    const components: Record<string, DayShare[]> = {};
    for (const [id, list] of flows)
      for (const { from, to, column } of list) {
        const amount = values[column] ?? 0;
        if (amount > 1e-6) (components[componentKey(id, to)] ??= []).push({ day: from, amount });
      }
    for (const id of stocks) {
      const yieldGrams = book.recipes.get(id)?.yieldGrams ?? 0;
      const stock = [...(batches.get(id) ?? [])]
        .map(([day, sizes]) => ({
          day,
          left: sizes.reduce((sum, { size, column }) => sum + Math.round(values[column] ?? 0) * size * yieldGrams, 0),
        }))
        .filter(({ left }) => left > 0);
      for (const [to, { drawn }] of [...(usage.get(id) ?? [])].sort(([a], [b]) => (a < b ? -1 : 1))) {
        let wanted = drawn.reduce((sum, [column, grams]) => sum + (values[column] ?? 0) * grams, 0);
        // The oldest is used up first.
        for (const each of stock) {
          const amount = Math.min(wanted, each.left);
          if (amount <= 1e-6) continue;
          (components[componentKey(id, to)] ??= []).push({ day: each.day, amount });
          each.left -= amount;
          wanted -= amount;
        }
      }
    }
    return {
      pieces,
      components,
      batches: [...batches].flatMap(([recipeId, onDays]) =>
        [...onDays].flatMap(([day, sizes]) =>
          sizes.flatMap(({ size, column }) => {
            const count = Math.round(values[column] ?? 0);
            return count > 0 ? [{ recipeId, day, size, count }] : [];
          }),
        ),
      ),
      pins: before?.pins ?? [],
    };
  };
  const start: [number, number][] = [];
  if (before)
    for (const [id, onDays] of batches)
      for (const [day, sizes] of onDays) {
        const counts = sizes.map(({ size }) => pinnedCount(id, day, size));
        const make = makes.get(id)?.get(day);
        sizes.forEach(({ column }, index) => start.push([column, counts[index] ?? 0]));
        if (make !== undefined) start.push([make, counts.some((count) => count > 0) ? 1 : 0]);
      }
  return { model: model.build(), decode, start, outside, claims };
}
