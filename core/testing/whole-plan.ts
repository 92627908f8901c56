import type { FindingPage, PlanRuns, PlanSummary } from '@usual-pantry/core/api';
import type { Finding } from '@usual-pantry/core/finding';
import type { Plan } from '@usual-pantry/core/plan';

/** A plan put together from all that the API tells of it, and what stands beside it. */
export type WholePlan = Plan & Pick<PlanSummary, 'today' | 'currency' | 'decided' | 'follows' | 'solved'>;

const PAGE = 200;

/** Asks for every part of the plan. @param get answers an address under /api */
export async function wholePlan(get: <T>(path: string) => Promise<T>): Promise<WholePlan> {
  const { findings: _counts, leftOut: _leftOut, ...summary } = await get<PlanSummary>('/plan');
  const runs = await get<PlanRuns>('/plan/runs');
  const findings: Finding[] = [];
  for (let page = 1; ; page++) {
    const { items, total } = await get<FindingPage>(`/plan/findings?size=${String(PAGE)}&page=${String(page)}`);
    findings.push(...items);
    if (findings.length >= total) break;
  }
  return {
    ...summary,
    ...runs,
    handOvers: await get<Plan['handOvers']>('/plan/hand-overs'),
    shopping: await get<Plan['shopping']>('/plan/shopping'),
    labels: await get<Plan['labels']>('/labels'),
    findings,
    leftOut: findings.filter(({ code }) => code === 'too-late').map(({ about }) => about.id),
  };
}
