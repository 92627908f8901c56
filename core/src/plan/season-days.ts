import type { Book } from '../book/index.js';
import {
  boxFor,
  breachesOf,
  changesOf,
  contentsFor,
  dueOf,
  isTooFarAhead,
  packedAs,
  ruledOutOf,
  type OrderFiled,
} from '../order/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import { groupBy, oncePerPair } from '../record/index.js';
import type { DayOrders } from './by-day.js';
import type { HandOver } from './hand-over.js';
import type { MadeRun, ProductionRun } from './run.js';
import type { Finishing, FinishWork } from './needs.js';
import { cleanDownsOf, type Kinds } from './clean-downs.js';
import { inPack, type Pack, type Packing } from './packing.js';
import { helperHours, isHumid, makerHours } from './windows.js';
import { workByDay, type WorkOf } from './work-days.js';

/** One day of the season. */
export interface SeasonDay {
  readonly day: Day;
  /** Minutes of hands that there are: the maker's, and the helper's as far as there is something to finish or to pack. */
  readonly benchMinutes: number;
  /** The maker's part of them: the day ends after so many. */
  readonly makerMinutes: number;
  /** The helper's part of them. */
  readonly sharedMinutes: number;
  /** Minutes of hands that making, finishing, packing, getting ready and cleaning take on it. */
  readonly bookedMinutes: number;
  /** The part of it that goes into getting ready for each recipe, and into cleaning before what lacks an allergen of what was there. */
  readonly readyMinutes: number;
  /** The part of it that is done already. */
  readonly doneMinutes: number;
  readonly humid: boolean;
  /** Names of the recipes begun on it. */
  readonly runs: readonly string[];
  readonly packs: readonly Pack[];
  /** How many orders are handed over on it. */
  readonly handOvers: number;
}

/** An order as it is handed over. */
export const handOverOf = oncePerPair((book: Book, order: OrderFiled): HandOver => ({
  orderId: order.id,
  customer: order.customer.name,
  way: order.handOver.way,
  place: order.handOver.place,
  state: order.state,
  boxes: order.lines.reduce((sum, line) => sum + line.count, 0),
  contents: order.lines.map((line) => {
    const resolved = boxFor(order, line, book);
    const own = breachesOf({ ...order, lines: [line] }, book);
    return {
      boxName: resolved?.facts.box.name ?? line.boxId,
      count: line.count,
      changes: resolved ? changesOf(resolved, book) : [],
      contains: contentsFor(order, line, book)?.contains ?? [],
      travel: resolved?.facts.travel ?? 'travels',
      ruledOut: ruledOutOf(order, line),
      breaches: own.map(({ line: _line, ...breach }) => breach),
      ...packedAs(order, line, book),
    };
  }),
  dueMinor: dueOf(order, book),
}));

/** Minutes of getting ready for each recipe that is begun on a day, and of cleaning before what lacks an allergen of what was there. */
function readyMinutesOf(
  begun: readonly ProductionRun[],
  worked: readonly WorkOf<ProductionRun>[],
  finishings: readonly Pick<Finishing, 'pieceId'>[],
  packs: readonly Pack[],
  of: Kinds,
  book: Book,
): number {
  const { setUpMinutes, cleanMinutes } = book.kitchen;
  const kinds = [
    ...worked.map(({ run }) => of.recipe(run.recipeId)),
    ...finishings.map(({ pieceId }) => of.piece(pieceId)),
    ...packs.map((pack) => of.pack(pack, inPack(pack, book))),
  ];
  return begun.length * setUpMinutes + cleanDownsOf(kinds) * cleanMinutes;
}

/** At most this many days are drawn, however far away the last hand-over is. */
const MOST_DAYS = 400;

/** What is done on the days of a season. */
interface Work {
  readonly made: readonly MadeRun[];
  readonly runs: readonly ProductionRun[];
  readonly finishings: readonly Finishing[];
  readonly packing: Packing;
  /** What today's batches, those made already, have taken. */
  readonly doneMinutes: number;
  /** By which the bench is cleaned. */
  readonly kinds: Kinds;
}

/** What is done of finishings on each day. */
function finishWorkByDay(finishings: readonly Finishing[]): Map<Day, { pieceId: string; work: FinishWork }[]> {
  const all = finishings.flatMap(({ pieceId, work }) => work.map((each) => ({ pieceId, work: each })));
  return groupBy(all, ({ work }) => work.day);
}

/** One entry a day from today to the last hand-over. */
export function seasonDays(
  orders: readonly DayOrders[],
  { made, runs, finishings, packing, doneMinutes, kinds }: Work,
  book: Book,
  today: Day,
): SeasonDay[] {
  const worked = workByDay(runs, book.recipes, book.kitchen);
  const goesOn = workByDay(made, book.recipes, book.kitchen);
  const last = [
    ...orders.map(({ day }) => day).filter((day) => !isTooFarAhead(day, today)),
    ...worked.keys(),
    ...goesOn.keys(),
    ...finishings.map((each) => each.day),
  ].reduce((latest, day) => (day > latest ? day : latest), today);
  const length = Math.min(daysBetween(today, last) + 1, MOST_DAYS);
  const begun = groupBy(runs, (run) => run.day);
  const finished = finishWorkByDay(finishings);
  const handed = new Map(orders.map(({ day, orders: list }) => [day, list.length]));
  return Array.from({ length }, (_, index): SeasonDay => {
    const day = addDays(today, index);
    const begunHere = begun.get(day) ?? [];
    // What is made already is done, but for what goes on after a night.
    const workHere = [...(worked.get(day) ?? []), ...(goesOn.get(day) ?? []).filter(({ run }) => run.day < day)];
    const finishingsHere = finished.get(day) ?? [];
    const readyMinutes = readyMinutesOf(begunHere, workHere, finishingsHere, packing.packs.get(day) ?? [], kinds, book);
    const shareable =
      (packing.minutes.get(day) ?? 0) + finishingsHere.reduce((sum, { work }) => sum + work.handsMinutes, 0);
    const done = day === today ? doneMinutes : 0;
    const makerMinutes = makerHours(day, book.kitchen) * 60;
    const sharedMinutes = Math.min(helperHours(day, book.kitchen) * 60, shareable);
    return {
      day,
      benchMinutes: makerMinutes + sharedMinutes,
      makerMinutes,
      sharedMinutes,
      bookedMinutes:
        done +
        shareable +
        readyMinutes +
        workHere.reduce((sum, { run, work }) => sum + run.batchCount * work.handsMinutes, 0),
      readyMinutes,
      doneMinutes: done,
      humid: isHumid(day, book.kitchen),
      runs: begunHere.map((run) => run.recipeName),
      packs: packing.packs.get(day) ?? [],
      handOvers: handed.get(day) ?? 0,
    };
  });
}
