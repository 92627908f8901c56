import { Injectable } from '@nestjs/common';
import type { HandedOver, OrdersPaid } from '@usual-pantry/core/api';
import { dueOf, filedOrder, payDue, wrongInOrder, wrongInOrderEdit, type OrderDraft } from '@usual-pantry/core/order';
import type { Known, WrongValue } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { dueChanged, type User } from '../refusal/refused.js';
import { knownIn } from '../storage/known.js';
import { Records, type ListQuery, type Stored } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import type { OrderRow } from './order.entity.js';
import { orderMapping } from './order.mapping.js';

/** Which part of the orders: all, or only those still to be made, handed over or cancelled. */
export interface OrderQuery extends ListQuery {
  readonly show?: 'open' | 'closed' | 'all';
  readonly state?: OrderDraft['state'] | undefined;
  readonly way?: OrderDraft['handOver']['way'] | undefined;
  /** What the orders rule out. */
  readonly exclusion?: string | undefined;
  /** The day of the hand-over. */
  readonly on?: string | undefined;
}

const shown = {
  open: ["row.state NOT IN ('handed over', 'cancelled')"],
  closed: ["row.state IN ('handed over', 'cancelled')"],
  all: [],
};

@Injectable()
export class OrderRecords extends Records<OrderDraft, OrderRow> {
  readonly mapping = orderMapping;
  protected override readonly part = 'orders';
  private readonly known = new WeakMap<EntityManager, Known>();

  constructor(
    work: UnitOfWork,
    private readonly book: BookService,
    private readonly clock: Clock,
  ) {
    super(work);
  }

  /** While many orders are written, nothing that they refer to is: what is stored is looked up once. */
  override createMany(records: readonly { readonly id: string; readonly draft: OrderDraft }[]): Promise<void> {
    return this.work.write(
      async (manager) => {
        this.known.set(manager, await knownIn(manager, ['box', 'piece', 'ingredient']));
        try {
          await super.createMany(records);
        } finally {
          this.known.delete(manager);
        }
      },
      { part: this.part },
    );
  }

  /**
   * Brings orders to be handed over, and notes what was due of them as paid today where it was.
   * @throws Refused 409 when more or less is due than the page said
   */
  async handOver({ orders, paid, dueMinor, way }: HandedOver): Promise<Stored<OrderDraft>[]> {
    const book = await this.book.stored();
    const today = this.clock.today();
    if (dueMinor !== undefined) {
      const before = await Promise.all(orders.map(({ id }) => this.get(id)));
      const due = before.reduce((sum, order) => sum + dueOf(order, book), 0);
      if (due !== dueMinor) throw dueChanged(due);
    }
    return this.updateAll(orders, (order) => ({
      ...(paid ? payDue(order, book, today, way) : order),
      state: 'handed over',
    }));
  }

  /** Notes what is due of orders as paid today. */
  async pay({ orders, way }: OrdersPaid): Promise<Stored<OrderDraft>[]> {
    const book = await this.book.stored();
    const today = this.clock.today();
    return this.updateAll(orders, (order) => payDue(order, book, today, way));
  }

  nameOf(draft: OrderDraft): string {
    return draft.customer.name;
  }

  protected override titleOf(draft: OrderDraft): string {
    return `${this.nameOf(draft)}’s order`;
  }

  protected override whereOf(query: OrderQuery): string[] {
    return [
      ...super.whereOf(query),
      ...shown[query.show ?? 'all'],
      ...(query.state ? ['row.state = :state'] : []),
      ...(query.way ? ['row.handOverWay = :way'] : []),
      ...(query.on ? ['row.handOverOn = :on'] : []),
      ...(query.exclusion
        ? [
            `(EXISTS (SELECT 1 FROM json_each(row.exclusions) WHERE value = :exclusion) OR EXISTS (
              SELECT 1 FROM order_line, json_each(order_line.without)
              WHERE order_line.orderId = row.id AND json_each.value = :exclusion))`,
          ]
        : []),
    ];
  }

  /** What was confirmed stays as it was sold; each new state goes into the history. */
  protected override async prepare(draft: OrderDraft, before: Stored<OrderDraft> | null): Promise<OrderDraft> {
    return filedOrder(draft, before, (await this.book.stored()).boxes, this.clock.now());
  }

  async wrongIn(
    draft: OrderDraft,
    _id: string,
    before: Stored<OrderDraft> | null,
    manager: EntityManager,
  ): Promise<WrongValue[]> {
    const wrong = wrongInOrder(
      draft,
      this.known.get(manager) ?? (await knownIn(manager, ['box', 'piece', 'ingredient'])),
    );
    if (wrong.length > 0) return wrong;
    const book = await this.book.stored();
    return wrongInOrderEdit(draft, before, book, this.clock.today());
  }

  usersOf(): Promise<User[]> {
    return Promise.resolve([]);
  }
}
