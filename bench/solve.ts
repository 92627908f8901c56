import { readFileSync } from 'node:fs';
import { openBook, type Book } from '@usual-pantry/core/book';
import { composeBox } from '@usual-pantry/core/compose';
import type { OrderFiled } from '@usual-pantry/core/order';
import { benchDay } from '@usual-pantry/core/bench-day';
import { planSeason, type Plan } from '@usual-pantry/core/plan';
import { solveProgramme, sumOfPlan } from '@usual-pantry/core/programme';
import { seasonFileSchema } from '@usual-pantry/core/season-file';
import { solveWithHighs, type HighsRuntime, type Solver, type SolverProgress } from '@usual-pantry/core/solver';
import loadHighs from 'highs';
import { madeUpSeason } from './season.js';

/** Prints what the solver needs for a season, beside making to order day by day; asserts nothing. */
const highs = await (loadHighs as unknown as () => Promise<HighsRuntime>)();
const solver: Solver = (model, options) => Promise.resolve(solveWithHighs(highs, model, options));
const say = (text: string) => process.stdout.write(`${text}\n`);
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

const hoursOf = (plan: Plan) => (sumOfPlan(plan).handsMinutes / 60).toFixed(1);
const leftOf = (plan: Plan) => (plan.leftOverGrams / 1000).toFixed(1);

async function season(
  name: string,
  book: Book,
  orders: readonly OrderFiled[],
  today: string,
  work: number,
  gap: number,
) {
  const since = performance.now();
  const firsts: number[] = [];
  const onProgress = ({ work: at, objective }: SolverProgress) => {
    if (objective !== null && firsts.length === 0) firsts.push(at);
  };
  const solution = await solveProgramme({ book, orders, today }, solver, { gap, work, onProgress });
  const took = (performance.now() - since) / 1000;
  const greedy = planSeason(book, orders, today);
  if (!solution.guide) {
    say(
      `${name}: ${solution.status} after ${took.toFixed(1)} s; day by day ${hoursOf(greedy)} h, ${leftOf(greedy)} kg left over`,
    );
    return;
  }
  const plan = planSeason(book, orders, today, solution.guide);
  const free = plan.runs.filter(({ recipeId }) => book.recipes.get(recipeId)?.recipe.anySize);
  if (free.length > 0) {
    const [left, used] = [
      free.reduce((sum, run) => sum + run.leftOverGrams, 0),
      free.reduce((sum, run) => sum + run.usedGrams, 0),
    ];
    say(`${name}: of what may have any size ${percent(left / used)} is left over`);
  }
  say(
    `${name}: ${solution.status}, gap ${percent(solution.gap)} after ${took.toFixed(1)} s, the solver’s first plan after ${firsts[0]?.toFixed(1) ?? '-'} s; ${hoursOf(plan)} h and ${leftOf(plan)} kg left over, day by day ${hoursOf(greedy)} h and ${leftOf(greedy)} kg; memory ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`,
  );
}

const file = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const demo = openBook(file);
await season('demo season from nothing', demo, file.orders, file.writtenFor, 60, 0.01);
/** The demo with whole batches alone where any size will do: what free sizes are worth. */
const listed = file.recipes.map((each) => (each.anySize ? { ...each, batchSizes: [0.5, 1], anySize: false } : each));
await season(
  'demo season with listed sizes alone',
  openBook({ ...file, recipes: listed }),
  file.orders,
  file.writtenFor,
  60,
  0.01,
);
{
  const since = performance.now();
  const { gap } = await solveProgramme(
    { book: demo, orders: file.orders, today: file.writtenFor, before: file.plan },
    solver,
    {
      gap: 0.01,
      work: 60,
    },
  );
  say(
    `demo season planned again from the plan that is there: gap ${percent(gap)} after ${((performance.now() - since) / 1000).toFixed(1)} s`,
  );
}
const plan = planSeason(demo, file.orders, file.writtenFor, file.plan ?? undefined);
const sheets = plan.days.filter(({ bookedMinutes }) => bookedMinutes > 0).map(({ day }) => benchDay(plan, day, demo));
const ratios = sheets.map(({ spanMinutes, leastMinutes }) => spanMinutes / leastMinutes);
say(
  `bench sheet of the demo: span to lower bound ${(ratios.reduce((sum, each) => sum + each, 0) / ratios.length).toFixed(3)} on the mean, ${Math.max(...ratios).toFixed(3)} at worst, of ${String(ratios.length)} days`,
);
{
  const since = performance.now();
  const box = file.boxes.find(({ id }) => id === 'longest-night');
  if (box)
    await composeBox(
      {
        box,
        traces: false,
        without: [],
        leastKinds: 5,
        mostOfOne: 4,
        leastMarginPercent: 30,
        boxes: 10,
        spareMinutes: null,
      },
      demo,
      solver,
    );
  say(`compose for me, 16 cells, three aims: ${(performance.now() - since).toFixed(0)} ms`);
}
const large = madeUpSeason(300, 25, 3);
const kitchen = {
  ...large.data.kitchen,
  overtimeMinutes: 240,
  benchWeek: [0, 1, 2, 3, 4, 5, 6].map((weekday) => ({ weekday, hours: 12, begins: null })),
};
await season(
  '300 orders, 25 recipes, 36 days',
  openBook({ ...large.data, kitchen }),
  large.orders,
  large.today,
  60,
  0.02,
);

// The same season made to order, batches rounded up for each hand-over, beside the solver's: twenty seeds.
const totals = { solved: { hours: 0, kilograms: 0 }, greedy: { hours: 0, kilograms: 0 }, seasons: 0 };
for (let seed = 1; seed <= 20; seed++) {
  const made = madeUpSeason(20, 8, 2, seed);
  const book = openBook({ ...made.data, kitchen: { ...made.data.kitchen, overtimeMinutes: 240 } });
  const { guide } = await solveProgramme({ book, orders: made.orders, today: made.today }, solver, {
    gap: 0.02,
    work: 4,
  });
  if (!guide) continue;
  totals.seasons++;
  for (const [name, of] of [
    ['solved', planSeason(book, made.orders, made.today, guide)],
    ['greedy', planSeason(book, made.orders, made.today)],
  ] as const) {
    totals[name].hours += sumOfPlan(of).handsMinutes / 60;
    totals[name].kilograms += of.leftOverGrams / 1000;
  }
}
const each = ({ hours, kilograms }: { hours: number; kilograms: number }) =>
  `${(hours / totals.seasons).toFixed(1)} h and ${(kilograms / totals.seasons).toFixed(1)} kg left over`;
say(
  `${String(totals.seasons)} of 20 seeded seasons: ${each(totals.solved)} on the mean, day by day ${each(totals.greedy)}`,
);
