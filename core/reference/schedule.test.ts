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

const activities = ft06.flatMap((row, job) => {
  const numbers = row.split(' ').map(Number);
  return Array.from({ length: 6 }, (_, step): Activity => {
    const [machine = 0, minutes = 0] = numbers.slice(2 * step);
    return {
      key: `${String(job)} ${String(step)}`,
      minutes,
      uses: [{ offset: 0, minutes, anyOf: [`machine ${String(machine)}`] }],
      after: step === 0 ? [] : [{ key: `${String(job)} ${String(step - 1)}`, lag: 0 }],
    };
  });
});
const project = {
  activities,
  resources: Array.from({ length: 6 }, (_, machine) => ({ key: `machine ${String(machine)}`, capacity: 1 })),
};

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
  const { status, objective } = await solver(model.build(), { seconds: 120 });
  expect([status, Math.round(objective)]).toEqual(['best', OPTIMUM]);
}, 150_000);
