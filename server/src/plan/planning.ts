import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { BookData } from '@usual-pantry/core/book';
import type { OrderFiled } from '@usual-pantry/core/order';
import type { Guide } from '@usual-pantry/core/plan';
import type { Day } from '@usual-pantry/core/quantity';
import type { SolverProgress } from '@usual-pantry/core/solver';
import type { Season } from '../book/book.service.js';
import { threadOf, type Thread } from '../thread/thread.js';
import type { Planned, PlanJobSent, SeasonSent } from './plan-worker.js';

/** A season to plan, how close to the best plan, and with how much work. */
export interface Asked {
  readonly data: BookData;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  readonly guide: Guide | null;
  readonly gap: number;
  readonly work: number;
}

/** A calendar may take so long to lay out; then it is given up. */
const CALENDAR_MS = 120_000;

/** Plans seasons and lays their days out in threads of their own, so that the server answers all the while and hears *Stop* at once. */
@Injectable()
export class Planning implements OnModuleDestroy {
  private readonly planner: Thread<PlanJobSent, Planned, SolverProgress> = threadOf('plan-worker');
  private readonly layer: Thread<PlanJobSent, string> = threadOf('plan-worker');
  private laid: { readonly season: Season; readonly today: Day; readonly text: Promise<string> } | null = null;

  /**
   * Plans a season; the same season has the same plan however long it takes.
   * @throws GivenUp when it was aborted
   */
  plan(asked: Asked, signal: AbortSignal, onProgress: (progress: SolverProgress) => void): Promise<Planned> {
    return this.planner.run({ kind: 'plan', ...asked }, { signal, onProgress });
  }

  /** Lays the bench days and hand-overs out as iCalendar; kept until something changes. */
  calendar(season: Season, today: Day): Promise<string> {
    if (this.laid?.season === season && this.laid.today === today) return this.laid.text;
    const { data, orders, stored } = season;
    const sent: SeasonSent = { data, orders, today, guide: stored?.guide ?? null };
    const text = this.layer.run({ kind: 'calendar', ...sent }, { mostMs: CALENDAR_MS });
    this.laid = { season, today, text };
    // What went wrong is tried again by whoever asks next.
    text.catch(() => {
      if (this.laid?.text === text) this.laid = null;
    });
    return text;
  }

  async onModuleDestroy(): Promise<void> {
    await Promise.all([this.planner.onModuleDestroy(), this.layer.onModuleDestroy()]);
  }
}
