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

export const loadPlan = (manager: EntityManager): Promise<StoredPlan | null> =>
  manager.findOneBy(SeasonPlanRow, { id: PLAN });

/** Writes what was decided over whatever is there. */
export async function storePlan(manager: EntityManager, guide: Guide, solved: SolvedFigures | null): Promise<void> {
  const before = await loadPlan(manager);
  await manager.save(SeasonPlanRow, { id: PLAN, version: (before?.version ?? 0) + 1, guide, solved });
}
