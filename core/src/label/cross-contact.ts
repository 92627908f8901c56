import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { benchDay, type BenchTask } from '../bench-day/index.js';
import { packedKey } from '../order/index.js';
import type { Allergen } from '../ingredient/index.js';
import { inPack, trueAllergens, type LabelRun, type Plan } from '../plan/index.js';
import type { Day } from '../quantity/index.js';
import { oncePerPair } from '../record/index.js';

/** An allergen that can come into a box from the kitchen itself, and by which way. */
export interface CrossContact {
  readonly allergen: Allergen;
  readonly day: Day;
  /** What brings it. */
  readonly from: string;
  /** What it can come into. */
  readonly into: string;
  readonly where: 'bench' | 'packing';
}

/** Something that is made, finished or packed on a day, with all its stretches of hands. */
interface OnTheBench {
  readonly noun: 'recipe' | 'piece' | 'box';
  /** Of a box, with what it is packed without. */
  readonly key: string;
  readonly name: string;
  readonly contains: readonly Allergen[];
  readonly times: readonly { readonly from: number; readonly until: number }[];
}

/** What is on the bench on a day, and when it is cleaned. */
interface BenchOf {
  readonly things: readonly OnTheBench[];
  readonly cleans: readonly { readonly from: number; readonly until: number }[];
}

const ALL_DAY = [{ from: 0, until: Infinity }] as const;

/** Finds all that is on the bench on a day, in the order in which the sheet of the day has it: what is made of it already, too. */
function benchOn(plan: Plan, day: Day, book: Book): BenchOf {
  const isOfDay = (run: Plan['runs'][number]) => run.day === day;
  const whole = {
    ...plan,
    made: plan.made.filter((run) => run.day < day),
    runs: [...plan.made.filter(isOfDay), ...plan.runs.filter(isOfDay)],
  };
  const { tasks } = benchDay(whole, day, book);
  const things: OnTheBench[] = [];
  // What takes nobody's hands stands in no sheet: it may be done at any time.
  const add = (thing: Omit<OnTheBench, 'times'>, isIts: (task: BenchTask) => boolean) => {
    const times = tasks.filter(isIts).map(({ from, minutes }) => ({ from, until: from + minutes }));
    things.push({ ...thing, times: times.length > 0 ? times : ALL_DAY });
  };
  const recipes = new Map(whole.runs.map((run) => [run.recipeId, run.recipeName] as const));
  for (const { recipeId, name } of tasks) if (recipeId !== null) recipes.set(recipeId, name);
  for (const [key, name] of recipes)
    add(
      { noun: 'recipe', key, name, contains: book.recipes.get(key)?.contains ?? [] },
      (task) => task.recipeId === key,
    );
  const pieces = new Map(
    plan.finishings.flatMap(({ work, pieceId, pieceName }) =>
      work.some((each) => each.day === day) ? [[pieceId, pieceName] as const] : [],
    ),
  );
  for (const [key, name] of pieces)
    add({ noun: 'piece', key, name, contains: book.pieces.get(key)?.contains ?? [] }, (task) => task.pieceId === key);
  const packs = plan.days.find((each) => each.day === day)?.packs ?? [];
  for (const [key, pack] of new Map(packs.map((each) => [runKey(each), each])))
    add(
      { noun: 'box', key, name: pack.boxName, contains: inPack(pack, book) },
      (task) => task.pack !== null && runKey(task.pack) === key,
    );
  const cleans = tasks.flatMap(({ kind, from, minutes }) =>
    kind === 'clean' ? [{ from, until: from + minutes }] : [],
  );
  return { things, cleans };
}

/** Boxes that are packed alike for one hand-over. */
const runKey = (run: Pick<LabelRun, 'boxId' | 'handOver'> & Parameters<typeof packedKey>[1]): string =>
  `${packedKey(run.boxId, run)} ${run.handOver}`;

/** Keeps the days of a plan, each laid out when it is first asked for. */
const benchOf = oncePerPair((_plan: Plan, _book: Book) => new Map<Day, BenchOf>());

function onBench(plan: Plan, day: Day, book: Book): BenchOf {
  const days = benchOf(plan, book);
  const bench = days.get(day) ?? benchOn(plan, day, book);
  days.set(day, bench);
  return bench;
}

/** Tells whether something is there before, or while, something else is worked on, with no clean-down between. */
const isCarried = (from: OnTheBench, into: OnTheBench, { cleans }: BenchOf): boolean =>
  from.times.some((one) =>
    into.times.some(
      (other) =>
        one.from < other.until - 1e-6 &&
        !cleans.some((clean) => clean.from >= one.until - 1e-6 && clean.until <= other.from + 1e-6),
    ),
  );

/** Every recipe of the pieces, through all components. */
function recipesOf(facts: BoxFacts, book: Book): Set<string> {
  const all = new Set<string>();
  const add = (id: string) => {
    if (all.has(id)) return;
    all.add(id);
    for (const { uses } of book.recipes.get(id)?.recipe.lines ?? []) if (uses.kind === 'recipe') add(uses.id);
  };
  for (const { pieceId } of facts.pieces) book.pieces.get(pieceId)?.parts.forEach(({ recipeId }) => { add(recipeId); }); // prettier-ignore
  return all;
}

/**
 * Finds what the kitchen itself may bring into a box: what else is worked on before it, or at the same time, on the days on which its parts are
 * made, finished and packed, with no clean-down between in the sheet of that day. A day that could not be put in order is taken as one in which
 * everything may come into everything.
 *
 * An advice, and no declaration: it never takes anything off what the box contains. A kitchen is taken as clean when its day begins. Common
 * practice, no source.
 * @returns each allergen with every way, the earliest first; none that the box contains
 */
export function crossContact(run: LabelRun, facts: BoxFacts, plan: Plan, book: Book): CrossContact[] {
  const recipes = recipesOf(facts, book);
  const own = runKey(run);
  const isOurs = ({ noun, key }: OnTheBench) =>
    noun === 'recipe' ? recipes.has(key) : noun === 'piece' ? facts.pieceIds.has(key) : key === own;
  const found = new Map<string, CrossContact>();
  const days = new Set([
    ...[...plan.made, ...plan.runs].flatMap((each) => (recipes.has(each.recipeId) ? [each.day] : [])),
    ...plan.finishings.flatMap(({ pieceId, work }) => (facts.pieceIds.has(pieceId) ? work.map(({ day }) => day) : [])),
    ...plan.days.flatMap(({ day, packs }) => (packs.some((pack) => runKey(pack) === own) ? [day] : [])),
  ]);
  for (const day of [...days].sort()) {
    const bench = onBench(plan, day, book);
    for (const into of bench.things.filter(isOurs))
      for (const from of bench.things) {
        if (from === into || !isCarried(from, into, bench)) continue;
        for (const allergen of trueAllergens(from.contains)) {
          if (into.contains.includes(allergen) || facts.contains.includes(allergen)) continue;
          const where = into.noun === 'box' ? 'packing' : 'bench';
          const way = { allergen, day, from: from.name, into: into.name, where } as const;
          found.set(Object.values(way).join('|'), way);
        }
      }
  }
  return [...found.values()];
}
