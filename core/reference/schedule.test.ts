import { expect, it } from '@jest/globals';
import { bestSchedule, type Activity } from '../src/schedule/index.js';
import { ModelBuilder } from '../src/solver/index.js';
import { faultsOf } from '../testing/schedule.js';
import { solver } from '../testing/solver.js';

/**
 * Job-shop instance FT06 of Fisher and Thompson, "Probabilistic learning combinations of local job-shop scheduling rules" (1963), whose
 * optimum is 55. The figures are from memory; that they are right is shown by the solver, which finds the published optimum in them.
 * For each of six jobs the machine and the minutes of its six operations, in their order.
 */
const ft06 = [
  '2 1 0 3 1 6 3 7 5 3 4 6',
  '1 8 2 5 4 10 5 10 0 10 3 4',
  '2 5 3 4 5 8 0 9 1 1 4 7',
  '1 5 0 5 2 5 3 3 4 8 5 9',
  '2 9 1 3 4 5 5 4 0 3 3 1',
  '1 3 3 3 5 9 0 10 4 4 2 1',
];
const OPTIMUM = 55;

/** A job shop as a project: each row a job, the machine and the minutes of its operations in their order. */
function jobShop(rows: readonly string[]) {
  const jobs = rows.map((row) => row.split(' ').map(Number));
  const machines = (jobs[0]?.length ?? 0) / 2;
  const activities = jobs.flatMap((numbers, job) =>
    Array.from({ length: machines }, (_, step): Activity => {
      const [machine = 0, minutes = 0] = numbers.slice(2 * step);
      return {
        key: `${String(job)} ${String(step)}`,
        minutes,
        uses: [{ offset: 0, minutes, anyOf: [`machine ${String(machine)}`] }],
        after: step === 0 ? [] : [{ key: `${String(job)} ${String(step - 1)}`, lag: 0 }],
      };
    }),
  );
  const resources = Array.from({ length: machines }, (_, machine) => ({
    key: `machine ${String(machine)}`,
    capacity: 1,
  }));
  return { activities, resources };
}
const project = jobShop(ft06);
const { activities } = project;

it('schedules the published job shop FT06 in its optimum', () => {
  const best = bestSchedule(project, 3000);
  expect(best && faultsOf(best, project)).toEqual([]);
  expect(best?.span).toBe(OPTIMUM);
  expect(best?.bounds.leastMinutes).toBeLessThanOrEqual(OPTIMUM);
});

it('can do no better, as an integer programme of the same job shop proves', async () => {
  const model = new ModelBuilder();
  const span = model.column('span', 1);
  const start = new Map(activities.map(({ key }) => [key, model.column(key, 0)] as const));
  const column = (key: string) => start.get(key) ?? 0;
  for (const { key, minutes, after } of activities) {
    model.atLeast('done', [[span, 1], [column(key), -1]], minutes); // prettier-ignore
    for (const { key: before } of after) {
      const least = activities.find((each) => each.key === before)?.minutes ?? 0;
      model.atLeast('after', [[column(key), 1], [column(before), -1]], least); // prettier-ignore
    }
  }
  activities.forEach((one, index) => {
    for (const other of activities.slice(index + 1)) {
      if (one.uses[0]?.anyOf[0] !== other.uses[0]?.anyOf[0]) continue;
      const first = model.choice('one before the other', 0);
      model.atLeast('one after', [[column(one.key), 1], [column(other.key), -1], [first, OPTIMUM]], other.minutes); // prettier-ignore
      model.atLeast('other after', [[column(other.key), 1], [column(one.key), -1], [first, -OPTIMUM]], one.minutes - OPTIMUM); // prettier-ignore
    }
  });
  const { status, objective } = await solver(model.build(), { work: 120 });
  expect([status, Math.round(objective)]).toEqual(['best', OPTIMUM]);
}, 150_000);

/**
 * Job-shop instances LA01 and LA05 of Lawrence, "Resource constrained project scheduling" (1984), whose optima are 666 and 593. The figures
 * are from memory; that they are right is shown by the bound, which is the published optimum: no schedule is shorter than its busiest machine.
 */
const lawrence: readonly (readonly [name: string, optimum: number, rows: readonly string[]])[] = [
  [
    'LA01',
    666,
    [
      '1 21 0 53 4 95 3 55 2 34',
      '0 21 3 52 4 16 2 26 1 71',
      '3 39 4 98 1 42 2 31 0 12',
      '1 77 0 55 4 79 2 66 3 77',
      '0 83 3 34 2 64 1 19 4 37',
      '1 54 2 43 4 79 0 92 3 62',
      '3 69 4 77 1 87 2 87 0 93',
      '2 38 0 60 1 41 3 24 4 83',
      '3 17 1 49 4 25 0 44 2 98',
      '4 77 3 79 2 43 1 75 0 96',
    ],
  ],
  [
    'LA05',
    593,
    [
      '1 72 0 87 4 95 2 66 3 60',
      '4 5 3 35 0 48 2 39 1 54',
      '1 46 3 20 2 21 0 97 4 55',
      '0 59 3 19 4 46 1 34 2 37',
      '4 23 2 73 3 25 1 24 0 28',
      '3 28 0 45 4 5 1 78 2 83',
      '0 53 3 71 1 37 4 29 2 12',
      '4 12 2 87 3 33 1 55 0 38',
      '2 49 3 83 1 40 0 48 4 7',
      '2 65 3 17 0 90 4 27 1 23',
    ],
  ],
];

it.each(lawrence)('schedules the published job shop %s in its optimum of %i', (_name, optimum, rows) => {
  const shop = jobShop(rows);
  const best = bestSchedule(shop, 12_000);
  expect(best && faultsOf(best, shop)).toEqual([]);
  expect(best?.bounds.leastMinutes).toBe(optimum);
  expect(best?.span).toBe(optimum);
});
