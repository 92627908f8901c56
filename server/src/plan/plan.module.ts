import { Module } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { Parts } from '../book/parts.js';
import { KitchenModule } from '../kitchen/kitchen.module.js';
import { OrderModule } from '../order/order.module.js';
import { PieceModule } from '../piece/piece.module.js';
import { PromiseModule } from '../promise/promise.module.js';
import { Keepers } from '../storage/keeper.js';
import { PlanAheadInterceptor } from './plan-ahead.interceptor.js';
import { PlanController } from './plan.controller.js';
import { SeasonPlanRow } from './season-plan.entity.js';
import { forgetPlan, loadPlan, SeasonPlans, storePlan } from './season-plan.js';
import { Planning } from './planning.js';
import { SeasonPlanner } from './season-planner.js';

/** The season as it is planned, and what was decided about its days. */
@Module({
  imports: [KitchenModule, OrderModule, PieceModule, PromiseModule],
  controllers: [PlanController],
  providers: [Planning, SeasonPlanner, SeasonPlans, { provide: APP_INTERCEPTOR, useClass: PlanAheadInterceptor }],
})
export class PlanModule {
  static readonly entities = [SeasonPlanRow];

  constructor(parts: Parts, keepers: Keepers, plans: SeasonPlans) {
    parts.add('plan', loadPlan);
    parts.addToFile('plan', {
      write: (_manager, { plan }) => plan?.guide ?? null,
      clear: forgetPlan,
      store: async ({ manager }, guide) => {
        if (guide) await storePlan(manager, { guide, solved: null });
      },
    });
    keepers.add(plans);
  }
}
