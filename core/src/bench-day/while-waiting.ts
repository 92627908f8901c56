import { sayCount, sayList, sayShortDay, type Day } from '../quantity/index.js';
import type { BenchDay } from './bench-day.js';
import type { Plan } from '../plan/index.js';

/** So many recipes are named; more would not be weighed out in one wait. */
const MOST_NAMED = 3;
/** In a shorter wait nothing is worth starting, minutes. */
const WORTH_FILLING = 10;

/** The waits of a day that are worth filling. */
export interface Waiting {
  readonly minutes: number;
  /** What can be done in them that is no work of the day itself, as in "print 12 labels". */
  readonly ideas: readonly string[];
}

/** How long the maker waits on a day, and what can be done meanwhile; null when no wait is worth filling. */
export function whileWaiting(
  plan: Pick<Plan, 'days' | 'labels'>,
  day: Day,
  { waits }: Pick<BenchDay, 'waits'>,
): Waiting | null {
  const minutes = waits.reduce((sum, wait) => sum + (wait.minutes >= WORTH_FILLING ? wait.minutes : 0), 0);
  if (minutes === 0) return null;
  const next = plan.days.find((entry) => entry.day > day && entry.runs.length > 0);
  const handOver = plan.labels
    .map((run) => run.handOver)
    .filter((on) => on > day)
    .sort()[0];
  const labels = plan.labels.reduce((sum, run) => (run.handOver === handOver ? sum + run.count : sum), 0);
  return {
    minutes,
    ideas: [
      ...(next ? [`weigh out ${sayList(next.runs.slice(0, MOST_NAMED))} for ${sayShortDay(next.day)}`] : []),
      ...(handOver !== undefined && labels > 0
        ? [`print ${sayCount(labels, 'label')} for ${sayShortDay(handOver)}`]
        : []),
    ],
  };
}
