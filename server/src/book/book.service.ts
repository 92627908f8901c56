import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { openBook, type Book } from '@usual-pantry/core/book';
import { costOfBoxes, type BoxCost } from '@usual-pantry/core/money';
import { planSeason, type Plan, type StoredDecision } from '@usual-pantry/core/plan';
import { conventionsOf } from '@usual-pantry/core/kitchen';
import { writeAs, type Day } from '@usual-pantry/core/quantity';
import { isEqual } from 'es-toolkit';
import type { EntityManager } from 'typeorm';
import { Clock } from '../clock/clock.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import type { Kept, StoredBook } from './kept.js';
import { Parts } from './parts.js';

/** Everything that is kept, and the book worked out from it. */
export interface Season {
  readonly revision: number;
  readonly data: StoredBook;
  readonly orders: Kept['orders'];
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

/** Whatever else is in the book. */
const bookNouns = ['ingredient', 'recipe', 'piece', 'box', 'batch'] as const;

/** The settings without those that only say how labels look; whose rules they follow decides which labels there are. */
const exceptLabels = ({ label, version: _version, ...settings }: StoredBook['kitchen']) => [settings, label.school];

/** The books from which others were made that differ in nothing but how labels look. */
const bases = new WeakMap<Book, Book>();
const baseOf = (book: Book): Book => bases.get(book) ?? book;

/** Whether two seasons have the same plan, since only how labels look has changed between them. */
const isPlannedAlike = (one: Season, other: Season): boolean =>
  baseOf(one.book) === baseOf(other.book) &&
  one.orders === other.orders &&
  one.stored?.version === other.stored?.version;

/** What core makes of the stored records, worked out once for each revision. */
@Injectable()
export class BookService implements OnApplicationBootstrap {
  private opened: OpenBook | null = null;
  private latest: Season | null = null;
  private planned: { readonly season: Season; readonly today: Day; readonly plan: Plan } | null = null;
  /** How long the last plan took to work out, ms; null while nobody has asked for one. */
  planMs: number | null = null;
  private costed: { readonly season: Season; readonly costs: readonly BoxCost[] } | null = null;

  constructor(
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    private readonly parts: Parts,
  ) {}

  /** What is said before anybody has asked for the season is written as its kitchen writes, too. */
  async onApplicationBootstrap(): Promise<void> {
    const kitchen = await this.work.read((manager) => this.parts.load('kitchen', manager));
    writeAs(conventionsOf(kitchen));
  }

  /** The season as of the last commit; inside a write, as it is at that moment. What is said of it is written as its kitchen writes. */
  async season(): Promise<Season> {
    const season = await this.read();
    writeAs(conventionsOf(season.data.kitchen));
    return season;
  }

  private async read(): Promise<Season> {
    const { work } = this;
    if (this.latest?.revision === work.revision && !work.isWriting) return this.latest;
    return work.read(async (manager) => {
      if (!(await work.isUntouched())) {
        // Not yet committed: true for this write only.
        const { data, book } = await this.open(manager);
        const orders = await this.parts.load('orders', manager);
        return { revision: work.revision, data, book, orders, stored: await this.parts.load('plan', manager) };
      }
      if (this.latest?.revision === work.revision) return this.latest;
      if (this.opened?.revision !== work.bookRevision)
        this.opened = (await this.withOtherLabels(manager)) ?? (await this.open(manager));
      const { data, book } = this.opened;
      const orders = await this.ordersNow(manager);
      this.latest = { revision: work.revision, data, book, orders, stored: await this.parts.load('plan', manager) };
      return this.latest;
    });
  }

  private async open(manager: EntityManager): Promise<OpenBook> {
    const { parts } = this;
    const data: StoredBook = {
      kitchen: await parts.load('kitchen', manager),
      ingredients: await parts.load('ingredients', manager),
      recipes: await parts.load('recipes', manager),
      pieces: await parts.load('pieces', manager),
      boxes: await parts.load('boxes', manager),
      batches: await parts.load('batches', manager),
    };
    return { revision: this.work.bookRevision, data, book: openBook(data) };
  }

  /** The open book with other settings of its labels, where nothing else of it was stored: then no figure is another. Null otherwise. */
  private async withOtherLabels(manager: EntityManager): Promise<OpenBook | null> {
    const { opened, work } = this;
    if (!opened || bookNouns.some((noun) => work.changedSince(opened.revision, noun)?.size !== 0)) return null;
    const kitchen = await this.parts.load('kitchen', manager);
    if (!isEqual(exceptLabels(opened.data.kitchen), exceptLabels(kitchen))) return null;
    const book = { ...opened.book, kitchen };
    bases.set(book, baseOf(opened.book));
    return { revision: work.bookRevision, data: { ...opened.data, kitchen }, book };
  }

  /** All orders by id. Those that were not written since they were last read stay the same objects. */
  private async ordersNow(manager: EntityManager): Promise<Kept['orders']> {
    const { latest, work } = this;
    const changed = latest && work.changedSince(latest.revision, 'order');
    if (!latest || !changed) return this.parts.load('orders', manager);
    if (changed.size === 0) return latest.orders;
    const fresh = await this.parts.loadSome('orders', manager, [...changed]);
    return [...latest.orders.filter(({ id }) => !changed.has(id)), ...fresh].sort((a, b) => (a.id < b.id ? -1 : 1));
  }

  /** The book as it was last committed, for a write that does not change it. */
  async stored(): Promise<Book> {
    const { work } = this;
    if (this.opened?.revision === work.bookRevision) return this.opened.book;
    return (await work.read((manager) => this.open(manager))).book;
  }

  async plan(): Promise<{ season: Season; today: Day; plan: Plan; stored: StoredDecision | null }> {
    const season = await this.season();
    const today = this.clock.today();
    const { planned } = this;
    if (planned && planned.season !== season && planned.today === today && isPlannedAlike(planned.season, season))
      this.planned = { season, today, plan: planned.plan };
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
