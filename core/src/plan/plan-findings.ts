import type { Book } from '../book/index.js';
import { finding, openWayOut, type Finding, type Subject } from '../finding/index.js';
import type { OrderFiled } from '../order/index.js';
import type { PieceFacts } from '../piece/index.js';
import { addDays, sayDay, type Day } from '../quantity/index.js';
import { sayBatches } from '../recipe/index.js';
import { groupBy, oncePer, oncePerPair } from '../record/index.js';
import { piecesWanted } from './demand.js';
import { pieceKey, type Guide } from './guide.js';
import { poolShort } from './pool.js';
import type { ProductionRun } from './run.js';
import { moveAway, PLAN_AGAIN } from './move-away.js';
import { canBeMade } from './needs.js';
import type { LateOrder, Plan } from './shape.js';
import { airFindings, coldFindings, keepingFindings, thawFindings } from './room-findings.js';
import type { ShoppingLine } from '../shopping/index.js';
import { mouldsHeld, mouldsOf, panKinds, pansTaken } from './vessels.js';

const KITCHEN: Subject<'kitchen'> = { noun: 'kitchen', id: 'kitchen', name: 'the kitchen' };
const SETTINGS = openWayOut(KITCHEN, 'Open the settings');

/** Days whose work is more than their hours, with what could be made on another day. */
function dayFindings(plan: Plan, book: Book, today: Day): Finding[] {
  return plan.days.flatMap((entry) => {
    const { bookedMinutes, benchMinutes } = entry;
    if (bookedMinutes === 0 || bookedMinutes - benchMinutes < 1) return [];
    const about: Subject<'day'> = { noun: 'day', id: entry.day, name: sayDay(entry.day) };
    const moves = plan.runs
      .filter(({ day }) => day === entry.day)
      .flatMap((run) => moveAway(plan, run, book, today))
      .slice(0, 2);
    return [
      finding(
        'day-over',
        about,
        { bookedMinutes, benchMinutes },
        { waysOut: [...moves, PLAN_AGAIN, openWayOut(about)] },
      ),
    ];
  });
}

/** Orders that are packed though pieces of them are noted nowhere as made. */
export const unmadeFindings = (orders: readonly OrderFiled[], unmade: ReadonlySet<string>, book: Book): Finding[] =>
  unmade.size === 0
    ? []
    : orders.flatMap((order) => {
        if (order.state !== 'packed') return [];
        const missing = [...piecesWanted(book, order).keys()].filter(({ piece }) =>
          unmade.has(pieceKey(piece.id, order.handOver.on)),
        );
        if (missing.length === 0) return [];
        const about: Subject<'order'> = { noun: 'order', id: order.id, name: order.customer.name };
        const pieces = missing.map(({ piece }) => piece.name);
        return [finding('packed-not-made', about, { pieces }, { waysOut: [openWayOut(about, 'Open the order')] })];
      });

/** How far ahead a later day for an order is looked for. */
const SEARCH_DAYS = 42;

const makeable = oncePerPair((_pieces: Book['pieces'], _kitchen: Book['kitchen']) => new Map<string, boolean>());

/** Whether a piece can be made for a day, as long as neither the pieces nor the kitchen change. */
function isMakeable(facts: PieceFacts, day: Day, book: Book, today: Day): boolean {
  const known = makeable(book.pieces, book.kitchen);
  const key = [facts.piece.id, day, today, book.packingStarts?.get(day) ?? ''].join(' ');
  const can = known.get(key) ?? canBeMade(facts, day, book, today);
  known.set(key, can);
  return can;
}

/** Orders of which something cannot be made any more, each with the pieces, and the first day for which all of it can be. */
function lateFindings(late: readonly LateOrder[], book: Book, today: Day): Finding[] {
  return late.map(({ order, missing }) => {
    const { on } = order.handOver;
    const pieces = [...piecesWanted(book, order).keys()];
    const later = Array.from({ length: SEARCH_DAYS }, (_, index) => addDays(on > today ? on : today, index + 1)).find(
      (day) => pieces.every((facts) => isMakeable(facts, day, book, today)),
    );
    const about: Subject<'order'> = { noun: 'order', id: order.id, name: order.customer.name };
    return finding(
      'too-late',
      about,
      { day: on, missing: missing.map(({ piece }) => piece.name), first: later },
      {
        waysOut: [
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
      },
    );
  });
}

/** Moulds and pans of which a day or a night wants more than there are: what the programme forbids, and a plan made day by day may not see. */
function vesselFindings(plan: Plan, book: Book): Finding[] {
  const moulds = mouldsOf(book).flatMap((mould) =>
    [...new Set(plan.finishings.flatMap(({ begun, day }) => [begun, day]))].sort().flatMap((day) => {
      const filled = mouldsHeld(plan.finishings, day, mould, book);
      if (filled <= mould.count + 1e-6) return [];
      const about: Subject<'day'> = { noun: 'day', id: day, name: sayDay(day) };
      return [
        finding(
          'moulds-short',
          about,
          { pieces: mould.pieces, wanted: Math.ceil(filled - 1e-6), there: mould.count },
          { part: mould.key, amount: filled, waysOut: [PLAN_AGAIN, openWayOut(about)] },
        ),
      ];
    }),
  );
  const runs = [...plan.made, ...plan.runs];
  const pans = panKinds(book.kitchen).flatMap((pan) =>
    plan.days.flatMap(({ day }) => {
      const taken = pansTaken(runs, day, pan, book);
      // What is made already stands where it stands.
      if (taken <= pan.count || pansTaken(plan.runs, day, pan, book) === 0) return [];
      const about: Subject<'day'> = { noun: 'day', id: day, name: sayDay(day) };
      return [
        finding(
          'pans-short',
          about,
          { pan: pan.name, wanted: taken, there: pan.count },
          { part: pan.key, amount: taken, waysOut: [PLAN_AGAIN, openWayOut(about)] },
        ),
      ];
    }),
  );
  return [...moulds, ...pans];
}

/** Coatings that do not stand high enough on a day. */
function poolFindings(
  runs: readonly Pick<ProductionRun, 'recipeId' | 'day' | 'pegs' | 'yieldGrams'>[],
  book: Book,
): Finding[] {
  return [...groupBy(runs, ({ recipeId }) => recipeId)].flatMap(([id, made]) => {
    const recipe = book.recipes.get(id)?.recipe;
    const short = recipe && poolShort(made, recipe.keepsDays);
    if (!short) return [];
    return [
      finding(
        'pool-short',
        { noun: 'recipe', id, name: recipe.name },
        { day: short.day },
        { amount: short.grams, waysOut: [PLAN_AGAIN, openWayOut({ noun: 'recipe', id, name: recipe.name })] },
      ),
    ];
  });
}

/** What would have to be used before it has rested, since it was wanted too late. */
const freshFindings = (plan: Plan, book: Book): Finding[] =>
  plan.runs.flatMap(({ recipeId, recipeName, day, pegs }) => {
    const restDays = book.recipes.get(recipeId)?.recipe.restDays ?? 0;
    const early = pegs.find(({ role, on }) => role !== 'body' && on < addDays(day, restDays));
    if (!early) return [];
    const about: Subject<'recipe'> = { noun: 'recipe', id: recipeId, name: recipeName };
    return [
      finding(
        'not-rested',
        about,
        { until: addDays(day, restDays), wantedOn: early.on, user: early.name },
        { part: early.on, amount: early.grams, waysOut: [PLAN_AGAIN, openWayOut(about)] },
      ),
    ];
  });

function shoppingFindings(shopping: readonly ShoppingLine[], today: Day): Finding[] {
  return shopping.flatMap((line) => {
    const about: Subject<'ingredient'> = { noun: 'ingredient', id: line.ingredientId, name: line.name };
    const found: Finding[] = [];
    if (line.missingGrams > 1e-6 && line.packs.length === 0)
      found.push(finding('cannot-buy', about, {}, { part: line.firstUse }));
    if (line.packs.length > 0 && line.buyBy < today)
      found.push(finding('buy-late', about, { buyBy: line.buyBy }, { part: line.firstUse, amount: line.missingGrams }));
    if (line.spoiltGrams >= 1) found.push(finding('stock-spoils', about, { grams: line.spoiltGrams }));
    return found;
  });
}

/** What is wrong with the bench days as a whole: none are set, none are left, or they are too few for the work. */
function kitchenFindings(plan: Plan, orders: readonly OrderFiled[], book: Book): Finding[] {
  const { kitchen } = book;
  if (kitchen.benchWeek.length === 0) return [finding('no-bench-days', KITCHEN, {}, { waysOut: [SETTINGS] })];
  const there = plan.days.reduce((sum, { benchMinutes }) => sum + benchMinutes, 0);
  const booked = plan.days.reduce((sum, { bookedMinutes }) => sum + bookedMinutes, 0);
  if (there === 0 && orders.length === 0) return [];
  if (there === 0) return [finding('no-day-left', KITCHEN, {}, { waysOut: [SETTINGS] })];
  if (booked <= there + 1) return [];
  return [
    finding(
      'beyond-capacity',
      KITCHEN,
      { bookedMinutes: booked, benchMinutes: there },
      { waysOut: [PLAN_AGAIN, SETTINGS] },
    ),
  ];
}

/** What can never be used, since it rests longer than it keeps. */
const lifeFindings = (book: Book): Finding[] =>
  [...book.recipes.values()].flatMap(({ recipe }) =>
    recipe.restDays > recipe.keepsDays
      ? [
          finding(
            'rests-too-long',
            { noun: 'recipe', id: recipe.id, name: recipe.name },
            { restDays: recipe.restDays, keepsDays: recipe.keepsDays },
          ),
        ]
      : [],
  );

/** What was to be made on days that are over, and nobody said whether it was. */
const passedFindings = (decided: Guide | null, book: Book, today: Day): Finding[] =>
  [
    ...groupBy(
      (decided?.batches ?? []).filter(({ day }) => day < today),
      ({ recipeId, day }) => `${recipeId} ${day}`,
    ),
  ].flatMap(([, batches]) => {
    const { recipeId, day } = batches[0] ?? { recipeId: '', day: today };
    const recipe = book.recipes.get(recipeId)?.recipe;
    if (!recipe) return [];
    return [
      finding(
        'not-said',
        { noun: 'recipe', id: recipe.id, name: recipe.name },
        { batches: sayBatches(batches), isOne: batches.length === 1 && batches[0]?.count === 1, day },
        {
          part: day,
          waysOut: [
            {
              label: 'It was made',
              action: {
                kind: 'say-made',
                recipeId,
                recipeName: recipe.name,
                on: day,
                batches: batches.map(({ size, count }) => ({ size, count })),
              },
            },
            { ...PLAN_AGAIN, label: 'It was not: plan again' },
          ],
        },
      ),
    ];
  });

/** The last day on which the state of an order was changed. */
const lastWritten = oncePer(({ history }: OrderFiled): Day =>
  history.reduce<Day>((last, { at }) => (at.slice(0, 10) > last ? at.slice(0, 10) : last), ''),
);

/** A clock that was set back: something was written down on a day that is still to come. */
function clockFindings(orders: readonly OrderFiled[], batches: Book['batches'], today: Day): Finding[] {
  const latest = [...orders.map(lastWritten), ...batches.map(({ on }) => on)].reduce<Day>(
    (last, day) => (day > last ? day : last),
    '',
  );
  // A day ahead may be another time zone.
  if (latest <= addDays(today, 1)) return [];
  return [finding('clock-set-back', KITCHEN, { today, latest }, { waysOut: [] })];
}

/**
 * What stands in the way of a plan, each with its ways out.
 * @param plan the plan as it is, its findings not yet filled in
 * @param orders all open ones
 * @param late those that are left out of it
 * @param decided what was decided, without what is made already
 */
export const planFindings = (
  plan: Plan,
  orders: readonly OrderFiled[],
  late: readonly LateOrder[],
  decided: Guide | null,
  book: Book,
  today: Day,
): Finding[] => [
  ...clockFindings(orders, book.batches, today),
  ...passedFindings(decided, book, today),
  ...kitchenFindings(plan, orders, book),
  ...lifeFindings(book),
  ...lateFindings(late, book, today),
  ...vesselFindings(plan, book),
  ...dayFindings(plan, book, today),
  ...airFindings(plan, book, today),
  ...keepingFindings(plan, book, today),
  ...thawFindings(plan, book, today),
  ...coldFindings(plan, book),
  ...freshFindings(plan, book),
  ...poolFindings([...plan.made, ...plan.runs], book),
  ...shoppingFindings(plan.shopping, today),
];
