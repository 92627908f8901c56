import type { Decision, StoredDecision } from '@usual-pantry/core/plan';
import type { EntityManager } from 'typeorm';
import { versionFloor } from '../storage/versions.js';
import { SeasonPlanRow } from './season-plan.entity.js';

const PLAN = 'plan';

/** What was decided; null when nothing was. */
export async function loadPlan(manager: EntityManager): Promise<StoredDecision | null> {
  const row = await manager.findOneBy(SeasonPlanRow, { id: PLAN });
  return row && { version: row.version, guide: row.guide, solved: row.solved };
}

/** Writes what was decided over whatever is there. */
export async function storePlan(manager: EntityManager, { guide, solved }: Decision): Promise<StoredDecision> {
  const version = Math.max(await versionFloor(manager), (await loadPlan(manager))?.version ?? 0) + 1;
  await manager.save(SeasonPlanRow, { id: PLAN, version, guide, solved });
  return { version, guide, solved };
}

/** Forgets what was decided: the season is planned day by day again. */
export const forgetPlan = (manager: EntityManager): Promise<unknown> => manager.delete(SeasonPlanRow, { id: PLAN });
