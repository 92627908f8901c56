import { Injectable } from '@nestjs/common';
import type { Fields } from '@usual-pantry/core/history';
import { decisionSchema, type Decision, type StoredDecision } from '@usual-pantry/core/plan';
import type { EntityManager } from 'typeorm';
import type { Keeper } from '../storage/keeper.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
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

const fieldsOf = (decision: StoredDecision | null): Fields | null => {
  if (decision === null) return null;
  const { version: _version, ...fields } = decision;
  return fields;
};

/** What was decided about the days: stored and forgotten so that it can be taken back. */
@Injectable()
export class SeasonPlans implements Keeper {
  readonly noun = 'plan';
  readonly derived: readonly string[] = [];

  constructor(private readonly work: UnitOfWork) {}

  store(decision: Decision): Promise<StoredDecision> {
    return this.work.write(
      async (manager) => {
        const before = await loadPlan(manager);
        const after = await storePlan(manager, decision);
        this.note(before, after);
        return after;
      },
      { part: 'orders' },
    );
  }

  async standing(_id: string, manager: EntityManager): Promise<Fields | null> {
    return fieldsOf(await loadPlan(manager));
  }

  async bring(_id: string, to: Fields | null, manager: EntityManager): Promise<Fields | null> {
    if (to) return fieldsOf(await this.store(decisionSchema.parse(to)));
    this.note(await loadPlan(manager), null);
    await forgetPlan(manager);
    return null;
  }

  private note(before: StoredDecision | null, after: StoredDecision | null): void {
    const change = { before: fieldsOf(before), after: fieldsOf(after) };
    this.work.note({ noun: this.noun, id: PLAN, name: 'The plan', ...change });
  }
}
