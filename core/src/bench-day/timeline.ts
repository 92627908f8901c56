import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { boxFor, type OrderFiled } from '../order/index.js';
import { thawsFrom, workDays, type PlanWork, type ProductionRun } from '../plan/index.js';
import type { Day } from '../quantity/index.js';
import { benchDay, type BenchDay, type BenchTask } from './bench-day.js';

/** One thing that must be done for an order, and when it is planned. */
export interface TimelineStep {
  readonly day: Day;
  readonly kind: 'make' | 'goes on' | 'finish' | 'take out' | 'pack' | 'hand over';
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

/** What of a step is not known of what is done, or of a day without it. */
const NO_TIME = { from: null, until: null, begins: null, rest: '' } as const;

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

/** What is handed over, and when. */
interface Towards {
  readonly on: Day;
  /** To whom, or what, in words. */
  readonly handOver: string;
  readonly isDone: boolean;
  readonly pieces: ReadonlySet<string>;
  readonly boxes: ReadonlySet<string>;
}

/** When pieces for a hand-over are finished, or were; null where the plan has none. */
function finishedFor(pieceId: string, on: Day, { finishings, made }: PlanWork): Day | null {
  const planned = finishings.find((each) => each.pieceId === pieceId && each.handOver === on);
  const isTheirs = ({ pegs }: Pick<ProductionRun, 'pegs'>) =>
    pegs.some(({ role, id, handOver }) => role === 'body' && id === pieceId && handOver === on);
  return planned?.day ?? made.find((each) => each.finishedOn !== null && isTheirs(each))?.finishedOn ?? null;
}

/** Everything that leads to a hand-over, as it is planned: components, bodies, finishing stage by stage, packing; the last first. */
function backwards(
  { on, handOver: handedTo, isDone: handedOver, pieces: inside, boxes }: Towards,
  plan: PlanWork,
  book: Book,
  benchDays: BenchDays,
): TimelineStep[] {
  type Run = ProductionRun & { readonly isDone: boolean };
  const all: readonly Run[] = [
    ...plan.made.map((run) => ({ ...run, isDone: true })),
    ...plan.runs.map((run) => ({ ...run, isDone: false })),
  ];
  const ours = new Set<Run>();
  const add = (run: Run) => {
    if (ours.has(run)) return;
    ours.add(run);
    // What it is made of was made for the day on which it is made.
    for (const other of all)
      if (other.pegs.some((peg) => peg.kind === 'recipe' && peg.id === run.recipeId && peg.on === run.day)) add(other);
  };
  for (const run of all)
    if (run.pegs.some((peg) => peg.kind === 'piece' && inside.has(peg.id) && (peg.handOver ?? peg.on) === on)) add(run);

  const steps: TimelineStep[] = [{ day: on, kind: 'hand over', text: handedTo, ...NO_TIME, isDone: handedOver }];
  for (const { recipeId, recipeName: text, day: begun, isDone } of ours) {
    const facts = book.recipes.get(recipeId);
    const isOurs = (task: BenchTask) => task.recipeId === recipeId && task.begun === begun;
    const span = isDone ? NO_TIME : spanOf(benchDays.on(begun), isOurs);
    steps.push({ day: begun, kind: 'make', text, ...span, isDone });
    for (const { day } of facts ? workDays(facts, begun, book.kitchen).slice(1) : []) {
      const goes = spanOf(benchDays.on(day), isOurs);
      if (goes.from !== null) steps.push({ day, kind: 'goes on', text, ...goes, isDone: false });
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
  for (const pieceId of inside) {
    const facts = book.pieces.get(pieceId);
    const finished = finishedFor(pieceId, on, plan);
    const day = facts && finished !== null ? thawsFrom(facts, finished, on) : null;
    if (facts && day !== null)
      steps.push({
        ...NO_TIME,
        day,
        kind: 'take out',
        text: facts.piece.name,
        rest: 'thaws in the fridge',
        isDone: false,
      });
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

/**
 * Everything that leads to the hand-over of an order, the last first. Where a batch serves several orders it is told for each of them.
 * @param benchDays the days' work in order, shared between questions
 */
export const timelineOf = (
  order: OrderFiled,
  plan: PlanWork,
  book: Book,
  benchDays = new BenchDays(plan, book),
): TimelineStep[] =>
  backwards(
    {
      on: order.handOver.on,
      handOver: `Hand over to ${order.customer.name}`,
      isDone: order.state === 'handed over',
      pieces: new Set(
        order.lines.flatMap((line) => boxFor(order, line, book)?.facts.pieces.map(({ pieceId }) => pieceId) ?? []),
      ),
      boxes: new Set(order.lines.map(({ boxId }) => boxId)),
    },
    plan,
    book,
    benchDays,
  );

/** The hand-overs for which a plan packs a box, the first one first. */
export const handOversOf = (boxId: string, { days }: PlanWork): Day[] =>
  [
    ...new Set(days.flatMap(({ packs }) => packs.flatMap((pack) => (pack.boxId === boxId ? [pack.handOver] : [])))),
  ].sort();

/** Everything that leads to a hand-over of a box as it is composed, whoever has ordered it; the last first. */
export const timelineOfBox = (
  { box, pieces }: BoxFacts,
  on: Day,
  plan: PlanWork,
  book: Book,
  benchDays = new BenchDays(plan, book),
): TimelineStep[] =>
  backwards(
    {
      on,
      handOver: `Hand over ${box.name}`,
      isDone: false,
      pieces: new Set(pieces.map(({ pieceId }) => pieceId)),
      boxes: new Set([box.id]),
    },
    plan,
    book,
    benchDays,
  );
