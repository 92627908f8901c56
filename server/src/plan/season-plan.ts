import type { Guide } from '@usual-pantry/core/plan';
import type { EntityManager } from 'typeorm';
import { SeasonPlanRow, type SolvedFigures } from './season-plan.entity.js';

const PLAN = 'plan';

/** What was decided, and what the solver said of it; null when nothing was. */
export interface StoredPlan {
  readonly version: number;
  readonly guide: Guide;
  readonly solved: SolvedFigures | null;
}

/** What can be put back as it was. */
export type Decision = Omit<StoredPlan, 'version'>;

export const loadPlan = (manager: EntityManager): Promise<StoredPlan | null> =>
  manager.findOneBy(SeasonPlanRow, { id: PLAN });

/** Writes what was decided over whatever is there. */
export async function storePlan(
  manager: EntityManager,
  guide: Guide,
  solved: SolvedFigures | null,
): Promise<StoredPlan> {
  const version = ((await loadPlan(manager))?.version ?? 0) + 1;
  await manager.save(SeasonPlanRow, { id: PLAN, version, guide, solved });
  return { version, guide, solved };
}

/** Forgets what was decided: the season is planned day by day again. */
export const forgetPlan = (manager: EntityManager): Promise<unknown> => manager.delete(SeasonPlanRow, { id: PLAN });
