import type { Book } from '../box/index.js';
import { finding, gravestFirst, openWayOut, type Finding, type Subject } from '../finding/index.js';
import {
  boxFor,
  doubleFindings,
  dueOf,
  findingsOfOrder,
  isOpen,
  packedAs,
  type OrderFiled,
  type PackedAs,
} from '../order/index.js';
import { addDays, daysBetween, sayDay, sayGrams, sayList, sayMinutes, type Day } from '../quantity/index.js';
import { boxDemand, pieceDemand, type BoxDemand, type PieceDemand } from './demand.js';
import { pieceKey, type Guide } from './guide.js';
import type { Making } from './making.js';
import { planMakings, type Finishing } from './makings.js';
import { canBeMade } from './needs.js';
import { nutClass } from './nuts.js';
import { bookPacking, type Pack, type Packing } from './packing.js';
import { shoppingList, type ShoppingLine } from './shopping.js';
import { helperHours, isHumid, makerHours } from './windows.js';

/** One order to hand over. */
export interface HandOver {
  readonly orderId: string;
  readonly customer: string;
  readonly way: OrderFiled['handOver']['way'];
  readonly place: string;
  readonly state: OrderFiled['state'];
  readonly boxes: number;
  readonly contents: readonly BoxOfOrder[];
  /** What is still to be paid, minor units: the price of the boxes less the deposit; nothing once it is paid. */
  readonly dueMinor: number;
}

/** A box of an order, as it is packed for it. */
export interface BoxOfOrder extends PackedAs {
  readonly boxName: string;
  readonly count: number;
}

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
  /** The part of it that goes into getting ready for each recipe, and into cleaning before nuts and before peanut. */
  readonly readyMinutes: number;
  readonly humid: boolean;
  /** Names of the recipes made on it. */
  readonly makings: readonly string[];
  readonly packs: readonly Pack[];
  readonly handOvers: readonly HandOver[];
}

/** One lot of equal labels: a box for one hand-over day, with the same stand-ins. */
export interface LabelRun extends PackedAs {
  readonly boxId: string;
  readonly boxName: string;
  readonly handOver: Day;
  readonly count: number;
  /** The day on which its oldest piece is made. */
  readonly madeOn: Day;
  readonly bestBefore: Day;
}

/** The season worked out from the orders. */
export interface Plan {
  readonly orders: number;
  readonly boxes: number;
  readonly pieces: number;
  readonly batches: number;
  readonly makings: readonly Making[];
  readonly finishings: readonly Finishing[];
  readonly shopping: readonly ShoppingLine[];
  readonly shoppingCostMinor: number;
  readonly days: readonly SeasonDay[];
  readonly labels: readonly LabelRun[];
  readonly leftOverGrams: number;
  readonly findings: readonly Finding[];
}

/** Equal labels for each box and hand-over day: made on its oldest piece's day, best before its first piece ends. */
export function labelRuns(boxes: readonly BoxDemand[], madeOn: ReadonlyMap<string, Day>, book: Book): LabelRun[] {
  return boxes.flatMap(({ day, boxId, edition, without, leaveOut, facts, count }) => {
    if (!facts) return [];
    let oldest: Day | undefined;
    let first: Day | undefined;
    for (const { pieceId } of facts.pieces) {
      const piece = book.pieces.get(pieceId);
      const made = madeOn.get(pieceKey(pieceId, day));
      if (!piece || made === undefined) continue;
      const ends = addDays(made, piece.piece.keepsDays);
      if (oldest === undefined || made < oldest) oldest = made;
      if (first === undefined || ends < first) first = ends;
    }
    if (oldest === undefined || first === undefined) return [];
    const packed: PackedAs = { edition, without, leaveOut };
    return [{ boxId, boxName: facts.box.name, ...packed, handOver: day, count, madeOn: oldest, bestBefore: first }];
  });
}

/** Minutes of getting ready for each recipe of a day, and of cleaning between what has no nuts, tree nuts and peanut. */
function readyMinutesOf(makings: readonly Making[], finishings: readonly Finishing[], book: Book): number {
  const { setUpMinutes, cleanMinutes } = book.kitchen;
  const classes = new Set([
    ...makings.map(({ recipeId }) => nutClass(book.recipes.get(recipeId)?.contains ?? [])),
    ...finishings.map(({ pieceId }) => nutClass(book.pieces.get(pieceId)?.contains ?? [])),
  ]);
  return makings.length * setUpMinutes + Math.max(0, classes.size - 1) * cleanMinutes;
}

/** At most this many days are drawn, however far away the last hand-over is. */
const MOST_DAYS = 400;

/** One entry a day from today to the last hand-over. */
function seasonDays(
  orders: readonly OrderFiled[],
  makings: readonly Making[],
  finishings: readonly Finishing[],
  packing: Packing,
  book: Book,
  today: Day,
): SeasonDay[] {
  const last = [
    ...orders.map((order) => order.handOver.on),
    ...makings.map((each) => each.day),
    ...finishings.map((each) => each.day),
  ].reduce((latest, day) => (day > latest ? day : latest), today);
  const length = Math.min(daysBetween(today, last) + 1, MOST_DAYS);
  const onDay = <T>(list: readonly T[], dayOf: (each: T) => Day) => {
    const groups = new Map<Day, T[]>();
    for (const each of list) {
      const group = groups.get(dayOf(each));
      if (group) group.push(each);
      else groups.set(dayOf(each), [each]);
    }
    return groups;
  };
  const made = onDay(makings, (making) => making.day);
  const finished = onDay(finishings, (each) => each.day);
  const handed = onDay(orders, (order) => order.handOver.on);
  return Array.from({ length }, (_, index): SeasonDay => {
    const day = addDays(today, index);
    const makingsHere = made.get(day) ?? [];
    const finishingsHere = finished.get(day) ?? [];
    const readyMinutes = readyMinutesOf(makingsHere, finishingsHere, book);
    const shareable =
      (packing.minutes.get(day) ?? 0) + finishingsHere.reduce((sum, { handsMinutes }) => sum + handsMinutes, 0);
    const makerMinutes = makerHours(day, book.kitchen) * 60;
    const sharedMinutes = Math.min(helperHours(day, book.kitchen) * 60, shareable);
    return {
      day,
      benchMinutes: makerMinutes + sharedMinutes,
      makerMinutes,
      sharedMinutes,
      bookedMinutes: shareable + readyMinutes + makingsHere.reduce((sum, making) => sum + making.handsMinutes, 0),
      readyMinutes,
      humid: isHumid(day, book.kitchen),
      makings: makingsHere.map((making) => making.recipeName),
      packs: packing.packs.get(day) ?? [],
      handOvers: (handed.get(day) ?? []).map((order) => ({
        orderId: order.id,
        customer: order.customer.name,
        way: order.handOver.way,
        place: order.handOver.place,
        state: order.state,
        boxes: order.lines.reduce((sum, line) => sum + line.count, 0),
        contents: order.lines.map(({ boxId, count }) => ({
          boxName: boxFor(order, boxId, book)?.facts.box.name ?? boxId,
          count,
          ...packedAs(order, boxId, book),
        })),
        dueMinor: dueOf(order, book),
      })),
    };
  });
}

function dayFindings(days: readonly SeasonDay[]): Finding[] {
  return days.flatMap((entry) => {
    const over = entry.bookedMinutes - entry.benchMinutes;
    if (entry.bookedMinutes === 0 || over < 1) return [];
    const about: Subject = { noun: 'day', id: entry.day, name: sayDay(entry.day) };
    return [
      finding(
        'decide',
        'day-over',
        about,
        entry.benchMinutes === 0
          ? `${sayDay(entry.day)} is no bench day, but ${sayMinutes(entry.bookedMinutes)} of work fall on it.`
          : `${sayDay(entry.day)} is ${sayMinutes(over)} over its ${sayMinutes(entry.benchMinutes)}.`,
      ),
    ];
  });
}

/** How far ahead a later day for an order is looked for. */
const SEARCH_DAYS = 42;

/** Orders of which something cannot be made any more, each with the pieces, and the first day for which all of it can be. */
function lateFindings(
  orders: readonly OrderFiled[],
  outside: readonly PieceDemand[],
  book: Book,
  today: Day,
): Finding[] {
  const late = new Set(outside.map(({ pieceId, day }) => pieceKey(pieceId, day)));
  if (late.size === 0) return [];
  return orders.flatMap((order) => {
    const { on } = order.handOver;
    const wanted = order.lines.flatMap(({ boxId }) => boxFor(order, boxId, book)?.facts.pieces ?? []);
    const pieces = [...new Set(wanted.map(({ pieceId }) => pieceId))].flatMap((id) => book.pieces.get(id) ?? []);
    const missing = pieces.filter(({ piece }) => late.has(pieceKey(piece.id, on)));
    if (missing.length === 0) return [];
    const later = Array.from({ length: SEARCH_DAYS }, (_, index) => addDays(on > today ? on : today, index + 1)).find(
      (day) => pieces.every((facts) => canBeMade(facts, day, book, today)),
    );
    const about: Subject = { noun: 'order', id: order.id, name: order.customer.name };
    const names = missing.map(({ piece }) => piece.name);
    const what = names.length > 3 ? `${String(names.length)} of its kinds of piece` : sayList(names);
    return [
      finding(
        'decide',
        'too-late',
        about,
        `${about.name} cannot be made in time for ${sayDay(on)}: no bench day is left for ${what}.${later ? ` ${sayDay(later)} is the first day that could be.` : ''} It is left out of the plan.`,
        [
          ...(later
            ? [
                {
                  label: `Move it to ${sayDay(later)}`,
                  action: { kind: 'move-order' as const, orderId: order.id, to: later },
                },
              ]
            : []),
          openWayOut(about, 'Open the order'),
        ],
      ),
    ];
  });
}

/** What draws damp and is made on a humid day. */
const humidFindings = (makings: readonly Making[], book: Book): Finding[] =>
  makings.flatMap(({ recipeId, recipeName, day }) =>
    isHumid(day, book.kitchen) && book.recipes.get(recipeId)?.recipe.hygroscopic
      ? [
          finding(
            'decide',
            'humid-day',
            { noun: 'recipe', id: recipeId, name: recipeName },
            `${recipeName} draws damp, and ${sayDay(day)} is humid.`,
          ),
        ]
      : [],
  );

/** Coatings that do not stand high enough on a day: what is made and fresh, less what is used, must hold the pool. */
function poolFindings(makings: readonly Making[], book: Book): Finding[] {
  const byRecipe = new Map<string, Making[]>();
  for (const each of makings) byRecipe.set(each.recipeId, [...(byRecipe.get(each.recipeId) ?? []), each]);
  return [...byRecipe].flatMap(([id, made]) => {
    const recipe = book.recipes.get(id)?.recipe;
    const uses = made.flatMap((each) => each.uses.map((use) => ({ ...use, madeOn: each.day })));
    const days = [...new Set(uses.filter(({ poolGrams }) => poolGrams > 0).map(({ on }) => on))].sort();
    const short = days.find((day) => {
      const fresh = made.filter((each) => recipe && each.day <= day && addDays(each.day, recipe.keepsDays) >= day);
      const stands = fresh.reduce((sum, { yieldGrams }) => sum + yieldGrams, 0);
      const used = uses
        .filter(({ on, madeOn }) => on <= day && fresh.some((each) => each.day === madeOn))
        .reduce((sum, { grams }) => sum + grams, 0);
      const pool = uses.filter(({ on }) => on === day).reduce((sum, { poolGrams }) => sum + poolGrams, 0);
      return stands - used + 1e-6 < pool;
    });
    if (short === undefined || !recipe) return [];
    return [
      finding(
        'decide',
        'pool-short',
        { noun: 'recipe', id, name: recipe.name },
        `${recipe.name} does not stand high enough to dip and fill on ${sayDay(short)}: make one more batch of it.`,
      ),
    ];
  });
}

function shoppingFindings(shopping: readonly ShoppingLine[], today: Day): Finding[] {
  return shopping.flatMap((line) => {
    const about: Subject = { noun: 'ingredient', id: line.ingredientId, name: line.name };
    const found: Finding[] = [];
    if (line.missingGrams > 1e-6 && line.packs.length === 0)
      found.push(finding('decide', 'cannot-buy', about, `${line.name} is missing and has no pack to buy.`));
    if (line.packs.length > 0 && line.buyBy < today)
      found.push(
        finding(
          'decide',
          'buy-late',
          about,
          `${line.name} should have been ordered by ${sayDay(line.buyBy)}: it is not there in time for its first use.`,
        ),
      );
    if (line.spoiltGrams >= 1)
      found.push(
        finding(
          'know',
          'stock-spoils',
          about,
          `${sayGrams(line.spoiltGrams)} of ${line.name} in the pantry pass their use-by before anything takes them.`,
        ),
      );
    return found;
  });
}

/**
 * The whole path: orders -> pieces -> component masses -> whole batches -> left-overs -> shopping, days and label dates.
 *
 * @param orders all of them; cancelled ones and those handed over are passed over
 * @param today the first day on which anything can be made
 * @param guide what was decided before, kept as far as it still serves the orders
 * @returns masses in g, money in minor units; findings beside the result, the gravest first
 */
export function planSeason(book: Book, orders: readonly OrderFiled[], today: Day, guide?: Guide): Plan {
  const open = orders.filter(isOpen);
  const boxes = boxDemand(open, book);
  const pieces = pieceDemand(boxes, book);
  const packing = bookPacking(boxes, book, today);
  const { makings, finishings, madeOn, outside, findings } = planMakings(pieces, book, today, packing.minutes, guide);
  const shopping = shoppingList(makings, book);
  const days = seasonDays(open, makings, finishings, packing, book, today);
  return {
    orders: open.length,
    boxes: boxes.reduce((sum, each) => sum + each.count, 0),
    pieces: pieces.reduce((sum, each) => sum + each.count, 0),
    batches: makings.reduce((sum, each) => sum + each.batchCount, 0),
    makings,
    finishings,
    shopping,
    shoppingCostMinor: shopping.reduce((sum, line) => sum + line.costMinor, 0),
    days,
    labels: labelRuns(boxes, madeOn, book),
    leftOverGrams: makings.reduce((sum, each) => sum + each.leftOverGrams, 0),
    findings: gravestFirst([
      ...book.findings,
      ...open.flatMap((order) => findingsOfOrder(order, book, today)),
      ...doubleFindings(open),
      ...findings,
      ...lateFindings(open, outside, book, today),
      ...dayFindings(days),
      ...humidFindings(makings, book),
      ...poolFindings(makings, book),
      ...shoppingFindings(shopping, today),
    ]),
  };
}
