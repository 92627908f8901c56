import type { Book } from '../box/index.js';
import { sayCount, sayMinutes, type Day } from '../quantity/index.js';
import { sayBatches } from '../recipe/index.js';
import { packedKey } from '../order/index.js';
import { usersFirst } from './makings.js';
import { nutClass, nutClasses, type NutClass } from './nuts.js';
import type { Plan } from './plan.js';

/** One stretch of the maker's hands on a day. */
export interface BenchTask {
  readonly key: string;
  readonly kind: 'make' | 'finish' | 'pack' | 'clean';
  readonly name: string;
  /** How much, in few words. */
  readonly code: string;
  /** The recipe that is made; null for everything else. */
  readonly recipeId: string | null;
  readonly pinned: boolean;
  /** Minutes from the beginning of the day. */
  readonly from: number;
  readonly minutes: number;
  /** What then rests by itself, and for how long; null for what rests overnight. */
  readonly hold: { readonly text: string; readonly minutes: number | null } | null;
}

/** A day's work in the order in which it is done. */
export interface BenchDay {
  readonly tasks: readonly BenchTask[];
  /** From the first stretch of work to the end of the last, waits among them. */
  readonly spanMinutes: number;
  /** No order of the work can be shorter: all of the hands, or the longest chain of work and rest. */
  readonly leastMinutes: number;
}

interface Job {
  readonly task: Omit<BenchTask, 'from'>;
  readonly nuts: NutClass;
  /** What must be done and have rested before. */
  readonly after: readonly string[];
}

/** Minutes that a batch rests by itself, as long as is safe to plan for. */
const restOf = (recipeId: string, book: Book): number =>
  book.recipes.get(recipeId)?.recipe.steps.reduce((sum, { rest }) => sum + (rest?.safeMinutes ?? 0), 0) ?? 0;

/** Longer rests run into the night. */
const NIGHT_MINUTES = 300;

function jobsOf(plan: Plan, day: Day, book: Book): Job[] {
  const componentsFirst = usersFirst(book).reverse();
  const makings = plan.makings
    .filter((making) => making.day === day)
    .sort((a, b) => componentsFirst.indexOf(a.recipeId) - componentsFirst.indexOf(b.recipeId));
  const made = new Set(makings.map(({ recipeId }) => recipeId));
  const makes = makings.map((making): Job => {
    const facts = book.recipes.get(making.recipeId);
    const rest = restOf(making.recipeId, book);
    const overnight = (facts?.recipe.restDays ?? 0) > 0 || rest > NIGHT_MINUTES;
    const components = facts?.recipe.lines.flatMap(({ uses }) =>
      uses.kind === 'recipe' && made.has(uses.id) ? [`make ${uses.id}`] : [],
    );
    return {
      task: {
        key: `make ${making.recipeId}`,
        kind: 'make',
        name: making.recipeName,
        code: sayBatches(making.batches),
        recipeId: making.recipeId,
        pinned: making.pinned,
        minutes: making.handsMinutes + book.kitchen.setUpMinutes,
        hold: overnight
          ? { text: 'rests overnight', minutes: null }
          : rest > 0
            ? { text: `rests ${sayMinutes(rest)}`, minutes: rest }
            : null,
      },
      nuts: nutClass(facts?.contains ?? []),
      after: components ?? [],
    };
  });
  const counts = new Map<string, { count: number; minutes: number; sameDay: boolean }>();
  for (const { pieceId, count, handsMinutes, madeOn, day: on } of plan.finishings) {
    if (on !== day) continue;
    const before = counts.get(pieceId);
    counts.set(pieceId, {
      count: (before?.count ?? 0) + count,
      minutes: (before?.minutes ?? 0) + handsMinutes,
      sameDay: (before?.sameDay ?? false) || madeOn === day,
    });
  }
  const finishes = [...counts].map(([pieceId, { count, minutes, sameDay }]): Job => {
    const facts = book.pieces.get(pieceId);
    const parts = facts?.parts ?? [];
    const after = parts
      .filter(({ recipeId, role }) => made.has(recipeId) && (role !== 'body' || sameDay))
      .map(({ recipeId }) => `make ${recipeId}`);
    return {
      task: {
        key: `finish ${pieceId}`,
        kind: 'finish',
        name: `Finish ${facts?.piece.name ?? pieceId}`,
        code: sayCount(count, 'piece'),
        recipeId: null,
        pinned: false,
        minutes,
        hold: null,
      },
      nuts: nutClass(facts?.contains ?? []),
      after,
    };
  });
  const packs = plan.days
    .filter((each) => each.day === day)
    .flatMap(({ packs: list }) => list)
    .map((pack): Job => ({
      task: {
        key: `pack ${packedKey(pack.boxId, pack)} ${pack.handOver}`,
        kind: 'pack',
        name: `Pack ${pack.boxName}`,
        code: sayCount(pack.count, 'box', 'boxes'),
        recipeId: null,
        pinned: false,
        minutes: pack.count * (book.boxes.get(pack.boxId)?.box.packMinutes ?? 0),
        hold: null,
      },
      nuts: 'peanut',
      after: finishes.map(({ task }) => task.key),
    }));
  return [...makes, ...finishes, ...packs];
}

/**
 * Puts a day's work in order on one pair of hands: without nuts before tree nuts before peanut, with a clean-down between; components
 * before what uses them; what rests gives the hands free for other work; packing when everything is finished.
 */
export function benchDay(plan: Plan, day: Day, book: Book): BenchDay {
  const jobs = jobsOf(plan, day, book);
  const ready = new Map<string, number>();
  const tasks: BenchTask[] = [];
  let now = 0;
  const classes = nutClasses.filter((nuts) => jobs.some((job) => job.nuts === nuts && job.task.kind !== 'pack'));
  const run = ({ task }: Job, from: number) => {
    tasks.push({ ...task, from });
    now = from + task.minutes;
    ready.set(task.key, now + (task.hold?.minutes ?? 0));
  };
  const startOf = (job: Job) => Math.max(now, ...job.after.map((key) => ready.get(key) ?? 0));
  for (const [index, nuts] of classes.entries()) {
    if (index > 0 && book.kitchen.cleanMinutes > 0) {
      tasks.push({
        key: `clean ${nuts}`,
        kind: 'clean',
        name: 'Clean',
        code: `before ${nuts}`,
        recipeId: null,
        pinned: false,
        from: now,
        minutes: book.kitchen.cleanMinutes,
        hold: null,
      });
      now += book.kitchen.cleanMinutes;
    }
    const left = jobs.filter((job) => job.nuts === nuts && job.task.kind !== 'pack');
    while (left.length > 0) {
      // Whatever can begin first; among those what rests longest, so that the rest passes beside other work.
      const able = left.filter(({ after }) =>
        after.every((key) => ready.has(key) || !left.some(({ task }) => task.key === key)),
      );
      const next = (able.length > 0 ? able : left).reduce((best, job) => {
        const earlier = startOf(job) - startOf(best);
        return earlier < 0 || (earlier === 0 && (job.task.hold?.minutes ?? 0) > (best.task.hold?.minutes ?? 0))
          ? job
          : best;
      });
      left.splice(left.indexOf(next), 1);
      run(next, startOf(next));
    }
  }
  for (const job of jobs) if (job.task.kind === 'pack') run(job, startOf(job));
  const hands = tasks.reduce((sum, { minutes }) => sum + minutes, 0);
  const longest = new Map<string, number>();
  const chain = (key: string): number => {
    const known = longest.get(key);
    if (known !== undefined) return known;
    longest.set(key, 0);
    const job = jobs.find(({ task }) => task.key === key);
    if (!job) return 0;
    const before = Math.max(
      0,
      ...job.after.map((each) => chain(each) + (jobs.find(({ task }) => task.key === each)?.task.hold?.minutes ?? 0)),
    );
    longest.set(key, before + job.task.minutes);
    return before + job.task.minutes;
  };
  return {
    tasks,
    spanMinutes: now,
    leastMinutes: Math.max(hands, 0, ...jobs.map(({ task }) => chain(task.key))),
  };
}
