import type { Book } from '../book/index.js';
import { addDays, sayClock, sayList, sayTime, type Day } from '../quantity/index.js';
import { sayBatches } from '../recipe/index.js';
import {
  bestSchedule,
  boundsOf,
  type BestSchedule,
  type PlacedUse,
  type Project,
  type Resource,
} from '../schedule/index.js';
import { cleaningOf, cleanWords, equipmentOf, operationsOf } from './operations.js';
import { toolsToClean } from './tools-to-clean.js';
import { HELPER, MAKER, type Operation, type OperationWords } from './operation.js';
import { beginsAt, type Kinds, kindsOf, type PlanWork, helperHours } from '../plan/index.js';

/** One stretch of somebody's hands on a day. */
export interface BenchTask extends OperationWords {
  readonly key: string;
  readonly who: 'maker' | 'helper';
  /** Minutes from the beginning of the day. */
  readonly from: number;
  readonly minutes: number;
}

/** A stretch in which a burner, the oven, a pan or a tool is in use. */
export interface EquipmentUse {
  readonly equipment: string;
  readonly what: string;
  readonly from: number;
  readonly minutes: number;
}

/** A day's work in the order in which it is done. */
export interface BenchDay {
  readonly tasks: readonly BenchTask[];
  readonly equipment: readonly EquipmentUse[];
  /** When the day begins, in minutes after midnight; null where nobody has said. */
  readonly begins: number | null;
  /** From the beginning of the day to the end of the last stretch of work, waits among them. */
  readonly spanMinutes: number;
  /** No order of the work can be shorter: the hands, the busiest piece of equipment, or the longest chain of work and rests. */
  readonly leastMinutes: number;
  /** Why it cannot be shorter, each with its minutes: the hands, the busiest equipment where there is any, and the longest chain of work and rests. */
  readonly bounds: readonly { readonly what: string; readonly minutes: number }[];
  /** Stretches in which the maker can do nothing of this day. */
  readonly waits: readonly { readonly from: number; readonly minutes: number }[];
  /** What came from earlier days and still rests. */
  readonly resting: readonly { readonly recipeName: string; readonly madeOn: Day }[];
  /** What there is too little of for what falls on the day; nothing is placed by it then. */
  readonly lacking: readonly string[];
}

/**
 * A moment of a day's work: on the clock where it is known when the day begins, else counted from its beginning.
 * @param minutes from the beginning of the day
 * @example sayBenchTime({ begins: 1080 }, 32) // '18:32'
 * @example sayBenchTime({ begins: null }, 32) // '+0:32'
 */
export const sayBenchTime = ({ begins }: Pick<BenchDay, 'begins'>, minutes: number): string =>
  begins === null ? `+${sayClock(minutes)}` : sayTime(begins + minutes);

const ROUNDS = 100;
/** Orders that are tried take so many looks of one activity at another in all: a day with more to do is put in order fewer times. */
const MOST_LOOKS = 400_000;
const HELPER_STEP = 30;
/** The helper comes within a day from its beginning, however long its work is. */
const HELPER_BY = 24 * 60;

/** What is told of a day on which nothing can be placed. */
const NOTHING_PLACED = { tasks: [], equipment: [], bounds: [], waits: [] } as const;

/** No day can hold more activities than this: it is not put in order then. */
const MOST_ACTIVITIES = 400;

/** The best time for the helper to come, and the day as it then goes. */
function withHelper(
  jobs: readonly Operation[],
  { resources, changeover }: Omit<Project, 'activities'>,
  minutes: number,
  enough: number,
): BestSchedule | null {
  const activities = jobs.map(({ activity }) => activity);
  const looks = MOST_LOOKS / Math.max(1, jobs.length ** 2);
  const rounds = Math.min(ROUNDS, Math.floor(looks));
  const alone = bestSchedule({ activities, resources, changeover }, minutes > 0 ? 0 : rounds, enough);
  if (minutes <= 0 || !alone) return alone;
  const at = (from: number, changed: number) =>
    bestSchedule(
      { activities, changeover, resources: [...resources, { key: HELPER, capacity: 1, from, until: from + minutes }] },
      changed,
      enough,
    );
  let best = { from: 0, span: Infinity };
  const until = Math.min(alone.span, HELPER_BY);
  const step = Math.max(HELPER_STEP, until / Math.max(4, looks));
  for (let from = 0; from < until; from += step) {
    const span = at(from, 0)?.span ?? Infinity;
    if (span < best.span - 1e-6) best = { from, span };
  }
  return at(best.from, rounds);
}

/** The run to which a strip belongs; none for what is made already, finished, packed or cleaned. */
export const runOf = (
  { runs }: Pick<PlanWork, 'runs'>,
  { recipeId, begun }: Pick<BenchTask, 'recipeId' | 'begun'>,
): PlanWork['runs'][number] | undefined => runs.find((run) => run.recipeId === recipeId && run.day === begun);

/** Whether two strips are of batches of one recipe that were begun on one day. */
const isSameRun = (one: BenchTask, other: BenchTask): boolean =>
  one.recipeId !== null && one.recipeId === other.recipeId && one.begun === other.begun;

/** Strips of one run that follow one another without a break are one strip. */
function joined(tasks: readonly BenchTask[], plan: PlanWork, day: Day): BenchTask[] {
  const list: BenchTask[] = [];
  for (const task of tasks) {
    const before = list.findLast(({ who }) => who === task.who);
    const follows = before && Math.abs(before.from + before.minutes - task.from) < 1e-6;
    if (!before || !follows || !isSameRun(before, task)) list.push(task);
    else
      list[list.indexOf(before)] = {
        ...task,
        key: before.key,
        from: before.from,
        minutes: before.minutes + task.minutes,
        code: before.code,
      };
  }
  const whole = new Map(plan.runs.filter((each) => each.day === day).map((each) => [each.recipeId, each.batches]));
  return list.map((task) => {
    const batches = task.begun === day ? whole.get(task.recipeId ?? '') : undefined;
    const alone = list.filter((each) => isSameRun(each, task)).length === 1;
    return batches && alone ? { ...task, code: sayBatches(batches) } : task;
  });
}

/** The same, each clean-down with the pots, pans and tools that it is for. */
const withTools = (tasks: readonly BenchTask[], kinds: Kinds, book: Book): BenchTask[] =>
  tasks.map((task) => {
    const tools = task.kind === 'clean' ? toolsToClean(task, tasks, kinds, book) : [];
    return tools.length > 0 ? { ...task, code: `${task.code}: ${sayList(['the bench', ...tools])}` } : task;
  });

/** Uses of the same resource by one activity that follow one another are one. */
function tasksOf(jobs: readonly Operation[], schedule: BestSchedule): BenchTask[] {
  const words = new Map(jobs.map((job) => [job.activity.key, job.words] as const));
  const cleans = schedule.changeovers.map((each, index): BenchTask => ({
    ...cleanWords(each),
    key: `clean ${String(index)}`,
    who: 'maker',
    from: each.from,
    minutes: each.until - each.from,
  }));
  const work = schedule.placed.flatMap(({ activity: { key }, uses }): BenchTask[] => {
    const said = words.get(key);
    if (!said) return [];
    const hands = uses.filter(({ resource }) => resource === MAKER || resource === HELPER);
    const strips: PlacedUse[] = [];
    for (const use of hands) {
      const before = strips.at(-1);
      if (before && Math.abs(before.until - use.from) < 1e-6)
        strips[strips.length - 1] = { ...before, until: use.until };
      else strips.push(use);
    }
    return strips.map(({ resource, from, until }, index) => ({
      ...said,
      key: index === 0 ? key : `${key} ${String(index)}`,
      who: resource === HELPER ? 'helper' : 'maker',
      from,
      minutes: until - from,
      hold: index === strips.length - 1 ? said.hold : null,
    }));
  });
  return [...work, ...cleans].sort((a, b) => a.from - b.from);
}

function waitsIn(tasks: readonly BenchTask[]): BenchDay['waits'] {
  const waits: { from: number; minutes: number }[] = [];
  let now = 0;
  for (const { who, from, minutes } of tasks) {
    if (who !== 'maker') continue;
    if (from > now + 1) waits.push({ from: now, minutes: from - now });
    now = Math.max(now, from + minutes);
  }
  return waits;
}

/** When which piece of equipment is in use. @param names what is done, by the key of its activity */
const usesOf = (schedule: BestSchedule, names: ReadonlyMap<string, string>): EquipmentUse[] =>
  schedule.placed.flatMap(({ activity: { key }, uses }) =>
    uses
      .filter(({ resource }) => resource !== MAKER && resource !== HELPER)
      .map(({ resource, from, until }) => ({
        equipment: resource,
        what: names.get(key) ?? '',
        from,
        minutes: until - from,
      })),
  );

/** What was made on earlier days and still rests. */
const restingOn = (plan: PlanWork, day: Day, book: Book): BenchDay['resting'] =>
  [...plan.made, ...plan.runs].flatMap(({ recipeId, recipeName, day: madeOn }) => {
    const rest = book.recipes.get(recipeId)?.recipe.restDays ?? 0;
    return madeOn < day && day <= addDays(madeOn, rest) ? [{ recipeName, madeOn }] : [];
  });

/**
 * Puts a day's work in order on the hands, burners, oven, pans and tools that there are: without nuts before tree nuts before peanut,
 * with a clean-down before whatever lacks an allergen of what was there and that the plan minds; components before what uses them; what rests gives the hands free for other work; packing when everything
 * is finished. Only the maker cooks, so that no two pots want hands in the same minute; a helper finishes and packs.
 * @param enough minutes within which it may end: no shorter order is looked for
 * @returns no tasks, and what is lacking, where nothing can be placed; more than a day can hold is not put in order
 */
export function benchDay(plan: PlanWork, day: Day, book: Book, enough = 0): BenchDay {
  const jobs = operationsOf(plan, day, book);
  const maker: Resource = { key: MAKER, capacity: 1 };
  const helpMinutes = helperHours(day, book.kitchen) * 60;
  const equipment = equipmentOf(jobs, book);
  const activities = jobs.map(({ activity }) => activity);
  const lacking: string[] = [];
  const changeover = cleaningOf(book);
  const isTooMuch = jobs.length > MOST_ACTIVITIES;
  let schedule = isTooMuch
    ? null
    : withHelper(jobs, { resources: [maker, ...equipment], changeover }, helpMinutes, enough);
  if (isTooMuch) lacking.push('hours in a day');
  else if (!schedule) {
    // Something is wanted more often in one night than there is of it: then it is said, and the day goes on without.
    const fits = (kept: readonly Resource[]) => bestSchedule({ activities, resources: [maker, ...kept] }, 0) !== null;
    const without = ({ key }: Resource) =>
      equipment.map((each) => (each.key === key ? { ...each, capacity: jobs.length + 1 } : each));
    const short = equipment.filter((each) => fits(without(each)));
    lacking.push(...(short.length > 0 ? short : equipment).map(({ key }) => key));
    schedule = withHelper(
      jobs,
      {
        resources: [
          maker,
          ...equipment.map((each) => (lacking.includes(each.key) ? { ...each, capacity: jobs.length + 1 } : each)),
        ],
        changeover,
      },
      helpMinutes,
      enough,
    );
  }
  const resting = restingOn(plan, day, book);
  const begins = beginsAt(day, book.kitchen);
  if (!schedule) {
    const minutes = isTooMuch ? (plan.days.find((entry) => entry.day === day)?.bookedMinutes ?? 0) : 0;
    return { ...NOTHING_PLACED, begins, spanMinutes: minutes, leastMinutes: minutes, resting, lacking };
  }
  const names = new Map(jobs.map((job) => [job.activity.key, job.words.name] as const));
  // The helper may come at any time: the bound does not know when.
  const bounds = boundsOf({
    activities,
    resources: [
      maker,
      ...equipment,
      ...(helpMinutes > 0 ? [{ key: HELPER, capacity: 1, from: 0, until: helpMinutes }] : []),
    ],
  });
  // What is done of the day already lies before all that is still to be done.
  const done = plan.days.find((entry) => entry.day === day)?.doneMinutes ?? 0;
  const later = <T extends { readonly from: number }>(each: T): T => ({ ...each, from: each.from + done });
  const tasks = withTools(joined(tasksOf(jobs, schedule), plan, day), kindsOf(plan.minded, book), book);
  const hands = bounds.resources.filter(({ key }) => key === MAKER || key === HELPER);
  const [busiest] = bounds.resources
    .filter(({ key, minutes }) => key !== MAKER && key !== HELPER && minutes > 0)
    .sort((a, b) => b.minutes - a.minutes);
  return {
    begins,
    tasks: tasks.map(later),
    equipment: usesOf(schedule, names).map(later),
    spanMinutes: schedule.span + (tasks.length > 0 ? done : 0),
    leastMinutes: bounds.leastMinutes + (tasks.length > 0 ? done : 0),
    bounds: [
      { what: 'hands', minutes: Math.max(0, ...hands.map(({ minutes }) => minutes)) },
      ...(busiest ? [{ what: busiest.key, minutes: busiest.minutes }] : []),
      { what: 'rests', minutes: bounds.chainMinutes },
    ],
    waits: waitsIn(tasks).map(later),
    resting,
    lacking,
  };
}
