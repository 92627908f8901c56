import { Injectable } from '@nestjs/common';
import {
  followsGuide,
  guideOf,
  tryMove,
  tryMoveStage,
  type Guide,
  type StageMove,
  type StoredDecision,
} from '@usual-pantry/core/plan';
import {
  kitchenIf,
  ordersIf,
  seasonIf,
  sumOfPlan,
  type PlanJob,
  type ProgrammeSolution,
  type WhatIf,
  type WhatIfAnswer,
  withMoulds,
} from '@usual-pantry/core/programme';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import type { Day } from '@usual-pantry/core/quantity';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { Refused, wrongValues } from '../refusal/refused.js';
import { KitchenRecords } from '../kitchen/kitchen.records.js';
import { OrderRecords } from '../order/order.records.js';
import { PieceRecords } from '../piece/piece.records.js';
import { GivenUp, letOthersIn } from '../thread/thread.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { Planning, type Asked } from './planning.js';
import { loadPlan, SeasonPlans } from './season-plan.js';
import type { Planned } from './plan-worker.js';

const IDLE: PlanJob = {
  state: 'idle',
  kind: 'plan',
  startedAt: null,
  objective: null,
  bound: null,
  message: '',
  clash: [],
  waysOut: [],
};
/** A plan is good enough within this share of the best possible one. */
const PLAN_GAP = 0.01;
/** So often is a season planned again whose decisions were changed while it was planned. */
const MOST_ROUNDS = 4;
/** What a change would do is wanted soon, and need not be known as closely. */
const WHAT_IF = { gap: 0.02, work: 12 };

/** A plan that was found, and in how many seconds on this machine. */
interface TimedPlan extends Planned {
  readonly seconds: number;
}

/** Plans the season with the solver, one job at a time; the last good plan stays as long as it runs. */
@Injectable()
export class SeasonPlanner {
  /** With how much work a season is planned at most. */
  mostWork = 60;
  private running: PlanJob = IDLE;
  /** Gives up what runs. */
  private giveUp = new AbortController();
  /** Whether the plan that is being worked out was given up to be worked out again. */
  private isAgain = false;
  private tried: {
    readonly change: string;
    readonly revision: number;
    readonly guide: Guide;
    readonly planned: TimedPlan;
  } | null = null;

  constructor(
    private readonly books: BookService,
    private readonly planning: Planning,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    private readonly orders: OrderRecords,
    private readonly pieces: PieceRecords,
    private readonly kitchens: KitchenRecords,
    private readonly plans: SeasonPlans,
  ) {}

  get job(): PlanJob {
    return this.running;
  }

  /** Starts to plan a season whose plan does not serve any more as it was decided. */
  async startUnlessFollowed(): Promise<void> {
    const { plan, stored, season } = await this.books.plan();
    if (stored && !followsGuide(plan, stored.guide, season.book)) await this.start();
  }

  /** Starts to plan the season; what is found is stored. @throws Refused 409 when a job runs already */
  async start(): Promise<PlanJob> {
    await this.books.plan();
    this.begin('plan');
    void this.planAndKeep().catch(() => {
      this.running = {
        ...this.running,
        state: 'failed',
        message: 'The plan could not be stored. The last one stays.',
      };
    });
    return this.running;
  }

  /** Plans the season from what stands, and once more when something was pinned, moved or written down in the meantime. */
  private async planAndKeep(): Promise<void> {
    for (let round = 1; round <= MOST_ROUNDS; round++) {
      const { season, today, stored } = await this.books.plan();
      const { data, orders } = season;
      const planned = await this.solve({
        data,
        orders,
        today,
        guide: stored?.guide ?? null,
        gap: PLAN_GAP,
        work: this.mostWork,
      });
      if (!planned && this.isAgain) {
        this.isAgain = false;
        this.giveUp = new AbortController();
        continue;
      }
      if (!planned) return;
      const { guide } = planned.solution;
      const isKept =
        guide === null ||
        (await this.work.write(
          async (manager) => {
            if (((await loadPlan(manager))?.version ?? 0) !== (stored?.version ?? 0)) return false;
            this.work.entitle('The season planned again.');
            await this.keep(guide, planned);
            return true;
          },
          { part: 'orders' },
        ));
      if (isKept) {
        this.say(planned.solution);
        return;
      }
    }
    this.running = { ...this.running, state: 'done', message: 'The plan was changed all the while: yours stays.' };
  }

  /** Stops whatever runs; nothing is stored. */
  async stop(): Promise<PlanJob> {
    this.isAgain = false;
    if (this.running.state === 'running') {
      this.giveUp.abort();
      await letOthersIn();
    }
    return this.running;
  }

  /** @throws Refused 422 with every reason why the run cannot be moved there */
  async move(recipeId: string, from: Day, to: Day): Promise<void> {
    const { season, today, plan, stored } = await this.books.plan();
    const move = { plan, recipeId, from, to, pins: stored?.guide.pins ?? [] };
    const { why, guide } = tryMove(move, season.orders, season.book, today);
    if (!guide)
      throw wrongValues(
        why.map((message) => ({ path: ['to'], message })),
        'It cannot be moved there.',
      );
    return this.decide(stored, guide);
  }

  /** @throws Refused 422 with every reason why the stage cannot be moved there */
  async moveStage(stage: StageMove): Promise<void> {
    const { season, today, plan, stored } = await this.books.plan();
    const { why, guide } = tryMoveStage(
      { plan, ...stage, pins: stored?.guide.pins ?? [] },
      season.orders,
      season.book,
      today,
    );
    if (!guide)
      throw wrongValues(
        why.map((message) => ({ path: ['to'], message })),
        'It cannot be moved there.',
      );
    return this.decide(stored, guide);
  }

  /** Pins a run to its day, or lets it go. */
  async pin(recipeId: string, day: Day, pinned: boolean): Promise<void> {
    const { plan, stored } = await this.books.plan();
    const others = (stored?.guide.pins ?? []).filter((pin) => pin.recipeId !== recipeId || pin.day !== day);
    return this.decide(stored, guideOf(plan, pinned ? [...others, { recipeId, day }] : others));
  }

  private async decide(before: StoredDecision | null, guide: Guide): Promise<void> {
    await this.plans.store({ guide, solved: before?.solved ?? null });
    // What is being planned is planned again around it, at once.
    if (this.running.state === 'running' && this.running.kind === 'plan') {
      this.isAgain = true;
      this.giveUp.abort();
      await letOthersIn();
    }
  }

  /**
   * Says what a change would do; stores nothing.
   * @param gone gives it up
   * @throws Refused 409 when a job runs already, or when this one was given up or found nothing
   */
  async whatIf(change: WhatIf, gone: AbortSignal): Promise<WhatIfAnswer> {
    const { season, today, plan, stored } = await this.books.plan();
    this.begin('what-if');
    const { giveUp } = this;
    gone.addEventListener('abort', () => {
      giveUp.abort();
    });
    const { data, orders } = seasonIf(season.data, season.orders, change);
    // What falls on a lost day has to go somewhere else: pins on it hold no more.
    const pins = (stored?.guide.pins ?? []).filter(({ day }) => !change.loseDays.includes(day));
    const planned = await this.solve({
      data,
      orders,
      today,
      guide: guideOf(plan, pins),
      gap: WHAT_IF.gap,
      work: Math.min(WHAT_IF.work, this.mostWork),
    });
    if (planned) this.say(planned.solution);
    if (!planned || planned.solution.status === 'none') throw new Refused('given-up', this.running.message);
    const { solution, sum } = planned;
    const { guide, clash, waysOut } = solution;
    this.tried = guide ? { change: JSON.stringify(change), revision: season.revision, guide, planned } : null;
    return { before: sumOfPlan(plan), after: sum, clash, waysOut };
  }

  /** Makes a change that was tried, and its plan, real. @throws Refused 409 when it was not the last one tried, or something was changed since */
  async accept(change: WhatIf): Promise<void> {
    const { tried } = this;
    if (tried?.change !== JSON.stringify(change)) throw new Refused('look-first', 'Look at what this would do first.');
    await this.work.write(async () => {
      this.work.entitle('The season planned with the change.');
      const season = await this.books.season();
      if (season.revision !== tried.revision)
        throw new Refused('stale', 'Something was changed since: look at what this would do once more.');
      const { version, ...stored } = season.data.kitchen;
      const { pieces: changed, kitchen } = withMoulds(season.data.pieces, kitchenIf(stored, change), change);
      await this.kitchens.update(version, kitchenDraftSchema.parse(kitchen));
      for (const [index, { id, version: of, ...draft }] of changed.entries())
        if (changed[index] !== season.data.pieces[index]) await this.pieces.update(id, of, draft);
      for (const { id: _id, ...draft } of ordersIf(change)) await this.orders.create(draft);
      await this.keep(tried.guide, tried.planned);
    });
    this.tried = null;
  }

  private async keep(guide: Guide, { solution: { objective, bound, gap }, seconds }: TimedPlan): Promise<void> {
    await this.plans.store({ guide, solved: { objective, bound, gap, seconds, at: this.clock.now() } });
  }

  /** What came of the job, once all of it is done. */
  private say({ status, clash, waysOut, objective, bound }: ProgrammeSolution): void {
    const message = {
      best: '',
      good: 'There may be a better plan. Plan again to look for it.',
      none: 'No plan was found. The last one stays.',
      impossible: 'These cannot hold together.',
    }[status];
    this.running = { ...this.running, state: 'done', objective, bound, message, clash, waysOut };
  }

  private begin(kind: PlanJob['kind']): void {
    if (this.running.state === 'running')
      throw new Refused('busy', 'A plan is being worked out already. Stop it, or wait for it.');
    this.giveUp = new AbortController();
    this.running = { ...IDLE, state: 'running', kind, startedAt: new Date().toISOString() };
  }

  /** Plans in a thread, with progress; null when it was stopped or failed. */
  private async solve(asked: Asked): Promise<TimedPlan | null> {
    const since = performance.now();
    try {
      const planned = await this.planning.plan(asked, this.giveUp.signal, ({ objective, bound }) => {
        this.running = { ...this.running, objective, bound };
      });
      return { ...planned, seconds: (performance.now() - since) / 1000 };
    } catch (error) {
      const stopped = error instanceof GivenUp;
      if (stopped && this.isAgain) return null;
      this.running = {
        ...this.running,
        state: stopped ? 'stopped' : 'failed',
        message: stopped ? 'Stopped. The last plan stays.' : 'The solver failed. The last plan stays.',
      };
      return null;
    }
  }
}
