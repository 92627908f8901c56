import { Injectable } from '@nestjs/common';
import { openBook, type Book } from '@usual-pantry/core/book';
import type { BoxDraft } from '@usual-pantry/core/box';
import type { BatchDraft } from '@usual-pantry/core/batch';
import type { IngredientDraft } from '@usual-pantry/core/ingredient';
import { costOfBoxes, type BoxCost } from '@usual-pantry/core/money';
import type { OrderDraft } from '@usual-pantry/core/order';
import type { PieceDraft } from '@usual-pantry/core/piece';
import { planSeason, type Plan, type StoredDecision } from '@usual-pantry/core/plan';
import type { Day } from '@usual-pantry/core/quantity';
import type { RecipeDraft } from '@usual-pantry/core/recipe';
import type { EntityManager } from 'typeorm';
import { batchMapping } from '../batch/batch.mapping.js';
import { boxMapping } from '../box/box.mapping.js';
import { Clock } from '../clock/clock.js';
import { ingredientMapping } from '../ingredient/ingredient.records.js';
import type { StoredKitchen } from '@usual-pantry/core/api';
import { loadKitchen } from '../kitchen/kitchen.records.js';
import { orderMapping } from '../order/order.mapping.js';
import { loadPlan } from '../plan/season-plan.js';
import { pieceMapping } from '../piece/piece.records.js';
import { recipeMapping } from '../recipe/recipe.records.js';
import { loadAll, loadSome, type Stored } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';

/** The maker's book as it is stored. */
export interface StoredBook {
  readonly kitchen: StoredKitchen;
  readonly ingredients: readonly Stored<IngredientDraft>[];
  readonly recipes: readonly Stored<RecipeDraft>[];
  readonly pieces: readonly Stored<PieceDraft>[];
  readonly boxes: readonly Stored<BoxDraft>[];
  readonly batches: readonly Stored<BatchDraft>[];
}

/** Everything that is kept, and the book worked out from it. */
export interface Season {
  readonly revision: number;
  readonly data: StoredBook;
  readonly orders: readonly Stored<OrderDraft>[];
  readonly book: Book;
  /** What was decided about the days; null when nothing was. */
  readonly stored: StoredDecision | null;
}

/** The stored book and what core makes of it. */
interface OpenBook {
  readonly revision: number;
  readonly data: StoredBook;
  readonly book: Book;
}

async function loadBook(manager: EntityManager, revision: number): Promise<OpenBook> {
  const data: StoredBook = {
    kitchen: await loadKitchen(manager),
    ingredients: await loadAll(manager, ingredientMapping),
    recipes: await loadAll(manager, recipeMapping),
    pieces: await loadAll(manager, pieceMapping),
    boxes: await loadAll(manager, boxMapping),
    batches: await loadAll(manager, batchMapping),
  };
  return { revision, data, book: openBook(data) };
}

/** What core makes of the stored records, worked out once for each revision. */
@Injectable()
export class BookService {
  private opened: OpenBook | null = null;
  private latest: Season | null = null;
  private planned: { readonly season: Season; readonly today: Day; readonly plan: Plan } | null = null;
  /** How long the last plan took to work out, ms; null while nobody has asked for one. */
  planMs: number | null = null;
  private costed: { readonly season: Season; readonly costs: readonly BoxCost[] } | null = null;

  constructor(
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
  ) {}

  /** The season as of the last commit; inside a write, as it is at that moment. */
  async season(): Promise<Season> {
    const { work } = this;
    if (this.latest?.revision === work.revision && !work.isWriting) return this.latest;
    return work.read(async (manager) => {
      if (!(await work.isUntouched())) {
        // Not yet committed: true for this write only.
        const { data, book } = await loadBook(manager, work.bookRevision);
        const orders = await loadAll(manager, orderMapping);
        return { revision: work.revision, data, book, orders, stored: await loadPlan(manager) };
      }
      if (this.latest?.revision === work.revision) return this.latest;
      if (this.opened?.revision !== work.bookRevision) this.opened = await loadBook(manager, work.bookRevision);
      const { data, book } = this.opened;
      const orders = await this.ordersNow(manager);
      this.latest = { revision: work.revision, data, book, orders, stored: await loadPlan(manager) };
      return this.latest;
    });
  }

  /** All orders by id. Those that were not written since they were last read stay the same objects. */
  private async ordersNow(manager: EntityManager): Promise<readonly Stored<OrderDraft>[]> {
    const { latest, work } = this;
    const changed = latest && work.changedSince(latest.revision, orderMapping.noun);
    if (!latest || !changed) return loadAll(manager, orderMapping);
    if (changed.size === 0) return latest.orders;
    const fresh = await loadSome(manager, orderMapping, [...changed]);
    return [...latest.orders.filter(({ id }) => !changed.has(id)), ...fresh].sort((a, b) => (a.id < b.id ? -1 : 1));
  }

  /** The book as it was last committed, for a write that does not change it. */
  async stored(): Promise<Book> {
    const { work } = this;
    if (this.opened?.revision === work.bookRevision) return this.opened.book;
    return (await work.read((manager) => loadBook(manager, work.bookRevision))).book;
  }

  async plan(): Promise<{ season: Season; today: Day; plan: Plan; stored: StoredDecision | null }> {
    const season = await this.season();
    const today = this.clock.today();
    if (this.planned?.season !== season || this.planned.today !== today) {
      const since = performance.now();
      this.planned = { season, today, plan: planSeason(season.book, season.orders, today, season.stored?.guide) };
      this.planMs = performance.now() - since;
    }
    return { ...this.planned, stored: season.stored };
  }

  async costs(): Promise<readonly BoxCost[]> {
    const season = await this.season();
    if (this.costed?.season !== season) this.costed = { season, costs: costOfBoxes(season.book) };
    return this.costed.costs;
  }
}
