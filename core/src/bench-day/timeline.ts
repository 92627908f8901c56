import type { Book } from '../book/index.js';
import { boxFor, type OrderFiled } from '../order/index.js';
import type { PlanWork, ProductionRun } from '../plan/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { benchDay, type BenchDay, type BenchTask } from './bench-day.js';

/** One thing that must be done for an order, and when it is planned. */
export interface TimelineStep {
  readonly day: Day;
  readonly kind: 'make' | 'goes on' | 'finish' | 'pack' | 'hand over';
  /** What is done. */
  readonly text: string;
  /** Minutes from the beginning of the day's work to where its hands begin and end; null where that is not known. */
  readonly from: number | null;
  readonly until: number | null;
  /** When the day's work begins, in minutes after midnight; null where nobody has said. */
  readonly begins: number | null;
  /** What then rests, and until which day, in words; '' when nothing does. */
  readonly rest: string;
  readonly isDone: boolean;
}

/** The days' work of a plan, each put in order once. */
export class BenchDays {
  private readonly days = new Map<Day, BenchDay>();

  constructor(
    private readonly plan: PlanWork,
    private readonly book: Book,
  ) {}

  on(day: Day): BenchDay {
    const found = this.days.get(day) ?? benchDay(this.plan, day, this.book);
    this.days.set(day, found);
    return found;
  }
}

/** From the first to the last strip of some work on a day. */
function spanOf(day: BenchDay, isOurs: (task: BenchTask) => boolean) {
  const tasks = day.tasks.filter(isOurs);
  return {
    from: tasks.length > 0 ? Math.min(...tasks.map(({ from }) => from)) : null,
    until: tasks.length > 0 ? Math.max(...tasks.map(({ from, minutes }) => from + minutes)) : null,
    begins: day.begins,
    rest: tasks.at(-1)?.hold?.text ?? '',
  };
}

/** What is wanted of the plan: the making days of recipes. */
type Made = Map<string, ProductionRun & { readonly isDone: boolean }>;

/**
 * Everything that leads to the hand-over of an order, as it is planned: components, bodies, finishing stage by stage, packing; the last first.
 * Where a batch serves several orders it is told for each of them.
 * @param benchDays the days' work in order, shared between questions
 */
export function timelineOf(
  order: OrderFiled,
  plan: PlanWork,
  book: Book,
  benchDays = new BenchDays(plan, book),
): TimelineStep[] {
  const { on } = order.handOver;
  const inside = new Set(
    order.lines.flatMap((line) => boxFor(order, line, book)?.facts.pieces.map(({ pieceId }) => pieceId) ?? []),
  );
  const boxes = new Set(order.lines.map(({ boxId }) => boxId));
  const all = [
    ...plan.made.map((run) => ({ ...run, isDone: true })),
    ...plan.runs.map((run) => ({ ...run, isDone: false })),
  ];
  const made: Made = new Map();
  const add = (run: (typeof all)[number]) => {
    const key = `${run.recipeId} ${run.day}`;
    if (made.has(key)) return;
    made.set(key, run);
    // What it is made of was made for the day on which it is made.
    for (const other of all)
      if (other.pegs.some((peg) => peg.kind === 'recipe' && peg.id === run.recipeId && peg.on === run.day)) add(other);
  };
  for (const run of all)
    if (run.pegs.some((peg) => peg.kind === 'piece' && inside.has(peg.id) && (peg.handOver ?? peg.on) === on)) add(run);

  const steps: TimelineStep[] = [
    { day: on, kind: 'hand over', text: `Hand over to ${order.customer.name}`, from: null, until: null, begins: null, rest: '', isDone: order.state === 'handed over' }, // prettier-ignore
  ];
  for (const run of made.values()) {
    const rest = book.recipes.get(run.recipeId)?.recipe.restDays ?? 0;
    const span = run.isDone
      ? { from: null, until: null, begins: null, rest: '' }
      : spanOf(benchDays.on(run.day), (task) => task.recipeId === run.recipeId);
    steps.push({ day: run.day, kind: 'make', text: run.recipeName, ...span, isDone: run.isDone });
    for (let later = 1; later <= rest + 1 && !run.isDone; later++) {
      const day = addDays(run.day, later);
      const goes = spanOf(benchDays.on(day), (task) => task.recipeId === run.recipeId && !plan.runs.some((each) => each.recipeId === run.recipeId && each.day === day)); // prettier-ignore
      if (goes.from !== null) steps.push({ day, kind: 'goes on', text: run.recipeName, ...goes, isDone: false });
    }
  }
  for (const { pieceId, pieceName, handOver, work } of plan.finishings)
    for (const { day, stage } of handOver === on && inside.has(pieceId) ? work : []) {
      const here = benchDays.on(day);
      const isOurs = (task: BenchTask) => task.pieceId === pieceId && task.stage === stage;
      const name = here.tasks.find(isOurs)?.name ?? pieceName;
      if (!steps.some((step) => step.day === day && step.kind === 'finish' && step.text === name))
        steps.push({ day, kind: 'finish', text: name, ...spanOf(here, isOurs), isDone: false });
    }
  for (const { day, packs } of plan.days)
    for (const pack of packs)
      if (pack.handOver === on && boxes.has(pack.boxId)) {
        const isOurs = (task: BenchTask) => task.pack?.boxId === pack.boxId && task.pack.handOver === on;
        const text = `Pack ${pack.boxName}`;
        if (!steps.some((step) => step.day === day && step.text === text))
          steps.push({ day, kind: 'pack', text, ...spanOf(benchDays.on(day), isOurs), isDone: false });
      }
  return steps.sort((a, b) => (a.day === b.day ? (b.from ?? Infinity) - (a.from ?? Infinity) : a.day < b.day ? 1 : -1));
}
