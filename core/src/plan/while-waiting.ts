import { sayCount, sayList, sayShortDay, type Day } from '../quantity/index.js';
import type { Plan } from './shape.js';

/** So many recipes are named; more would not be weighed out in one wait. */
const MOST_NAMED = 3;

/** What can be done in the waits of a day that is no work of the day itself; each without a verb's subject, as in "print 12 labels". */
export function whileWaiting(plan: Plan, day: Day): string[] {
  const next = plan.days.find((entry) => entry.day > day && entry.makings.length > 0);
  const handOver = plan.labels
    .map((run) => run.handOver)
    .filter((on) => on > day)
    .sort()[0];
  const labels = plan.labels.reduce((sum, run) => (run.handOver === handOver ? sum + run.count : sum), 0);
  return [
    ...(next ? [`weigh out ${sayList(next.makings.slice(0, MOST_NAMED))} for ${sayShortDay(next.day)}`] : []),
    ...(handOver !== undefined && labels > 0
      ? [`print ${sayCount(labels, 'label')} for ${sayShortDay(handOver)}`]
      : []),
  ];
}
