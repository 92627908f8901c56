import { expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import fc from 'fast-check';
import { batch, box, order, TODAY, different } from '../../testing/kitchen.js';
import { bench, trufflePantry } from '../../testing/truffles.js';
import { openBook, type Book, type BookData } from '../book/index.js';
import { orderStates, type OrderFiled } from '../order/index.js';
import { addDays, type Day } from '../quantity/index.js';
import type { Guide } from './guide.js';
import { guideOf } from './move.js';
import { planSeason } from './plan.js';

/** All that a plan is worked out from; what an edit does not touch stays the same objects. */
interface Season {
  readonly data: BookData;
  readonly book: Book;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  readonly guide: Guide | undefined;
}

/** One edit of a season; numbers choose what it touches. */
type Edit = (season: Season) => Season;

const EDITS_A_RUN = 100;
const RUNS = runs(5, 20);

const pick = <T>(list: readonly T[], at: number): T | undefined => list[at % Math.max(1, list.length)];
const withBook = (season: Season, more: Partial<BookData>): Season => {
  const data = { ...season.data, ...more };
  return { ...season, data, book: openBook(data) };
};
const changeOrder =
  (at: number, change: (order: OrderFiled) => OrderFiled): Edit =>
  (season) => {
    const chosen = pick(season.orders, at);
    return { ...season, orders: season.orders.map((each) => (each === chosen ? change(each) : each)) };
  };

const boxes = [...trufflePantry.boxes, box('gap', ['truffle', null, 'shard'])];
const at = fc.nat(50);
const day = fc.integer({ min: -2, max: 25 }).map((ahead) => addDays(TODAY, ahead));
const lines = fc.dictionary(fc.constantFrom(...boxes.map(({ id }) => id)), fc.integer({ min: 1, max: 9 }), {
  minKeys: 1,
  maxKeys: 3,
});
const exclusions = fc.subarray(['milk', 'alcohol', 'pecan', 'soy']);

const edits: fc.Arbitrary<Edit> = fc.oneof(
  fc
    .tuple(fc.uuid(), lines, day, exclusions, fc.constantFrom('Ada Quill', 'Bo Lark', 'A. Quill'))
    .map(([id, wanted, on, ruledOut, name]): Edit => (season) => ({
      ...season,
      orders: [...season.orders, order(id, wanted, on, { exclusions: ruledOut, customer: { name } })].sort((a, b) => (a.id < b.id ? -1 : 1)), // prettier-ignore
    })),
  at.map((index): Edit => (season) => {
    const gone = pick(season.orders, index);
    return { ...season, orders: season.orders.filter((each) => each !== gone) };
  }),
  fc.tuple(at, lines).map(([index, wanted]) => changeOrder(index, (each) => ({ ...each, lines: order('x', wanted, TODAY).lines }))), // prettier-ignore
  fc.tuple(at, day).map(([index, on]) => changeOrder(index, (each) => ({ ...each, handOver: { ...each.handOver, on } }))), // prettier-ignore
  fc.tuple(at, fc.constantFrom(...orderStates)).map(([index, state]) => changeOrder(index, (each) => ({ ...each, state }))), // prettier-ignore
  fc.tuple(at, exclusions).map(([index, ruledOut]) => changeOrder(index, (each) => ({ ...each, exclusions: ruledOut }))), // prettier-ignore
  fc.tuple(at, fc.string({ maxLength: 5 })).map(([index, notes]) => changeOrder(index, (each) => ({ ...each, notes }))),
  fc
    .tuple(fc.uuid(), at, fc.integer({ min: -5, max: 0 }), fc.boolean())
    .map(([id, index, ago, isFinished]): Edit => (season) => {
      const recipe = pick(season.data.recipes, index);
      const on = addDays(season.today, ago);
      const made = batch(id, recipe?.id ?? '', on, isFinished ? { finishedOn: on } : {});
      return withBook(season, { batches: [...(season.data.batches ?? []), made] });
    }),
  at.map((index): Edit => (season) => {
    const { batches = [] } = season.data;
    return withBook(season, { batches: batches.filter((each) => each !== pick(batches, index)) });
  }),
  fc.tuple(at, fc.integer({ min: 0, max: 3000 })).map(([index, onHandGrams]): Edit => (season) => {
    const chosen = pick(season.data.ingredients, index);
    return withBook(season, { ingredients: season.data.ingredients.map((each) => (each === chosen ? { ...each, onHandGrams } : each)) }); // prettier-ignore
  }),
  fc.tuple(day, fc.integer({ min: 0, max: 9 }), fc.boolean()).map(
    ([on, hours, humid]): Edit =>
      (season) => withBook(season, { kitchen: { ...season.data.kitchen, dayChanges: [different(on, { hours, humid })] } }), // prettier-ignore
  ),
  fc.constant<Edit>((season) => ({ ...season, today: season.today < addDays(TODAY, 5) ? addDays(season.today, 1) : TODAY })), // prettier-ignore
  fc.constant<Edit>((season) => {
    const { book, orders, today, guide } = season;
    return { ...season, guide: guideOf(planSeason(book, orders, today, guide), []) };
  }),
);

it(`after each of ${String(EDITS_A_RUN * RUNS)} edits the plan is what it would be from nothing`, () => {
  const data: BookData = { ...trufflePantry, boxes, kitchen: bench, batches: [] };
  fc.assert(
    fc.property(fc.array(edits, { minLength: EDITS_A_RUN, maxLength: EDITS_A_RUN }), (list) => {
      let season: Season = { data, book: openBook(data), orders: [], today: TODAY, guide: undefined };
      for (const edit of list) {
        season = edit(season);
        const { book, orders, today, guide } = season;
        const fresh = structuredClone({ data: season.data, orders, guide });
        const plan = planSeason(book, orders, today, guide);
        expect(plan).toEqual(planSeason(openBook(fresh.data), fresh.orders, today, fresh.guide));
      }
    }),
    { numRuns: RUNS },
  );
});
