import { Injectable } from '@nestjs/common';
import { nextEdition, wrongInBox, wrongInBoxEdit, type BoxDraft } from '@usual-pantry/core/box';
import type { WrongValue } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';
import { BookService } from '../book/book.service.js';
import type { User } from '../refusal/refused.js';
import { knownIn } from '../storage/known.js';
import { Records, type Stored } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import type { BoxRow } from './box.entity.js';
import { boxMapping } from './box.mapping.js';

@Injectable()
export class BoxRecords extends Records<BoxDraft, BoxRow> {
  readonly mapping = boxMapping;
  override readonly derived = ['edition', 'editions'];

  constructor(
    work: UnitOfWork,
    private readonly book: BookService,
  ) {
    super(work);
  }

  nameOf(draft: BoxDraft): string {
    return draft.name;
  }

  /** A box that has been sold keeps what was sold. */
  protected override async prepare(
    draft: BoxDraft,
    before: Stored<BoxDraft> | null,
    id: string,
    manager: EntityManager,
  ): Promise<BoxDraft> {
    if (!before) return { ...draft, edition: 1, editions: [] };
    const sold = await manager.query<{ edition: number }[]>(
      'SELECT DISTINCT edition FROM order_line WHERE boxId = ? AND edition IS NOT NULL',
      [id],
    );
    return nextEdition(before, draft, new Set(sold.map(({ edition }) => edition)));
  }

  protected override prepareAgain(...put: Parameters<BoxRecords['prepare']>): Promise<BoxDraft> {
    return this.prepare(...put);
  }

  async wrongIn(
    draft: BoxDraft,
    _id: string,
    before: Stored<BoxDraft> | null,
    manager: EntityManager,
  ): Promise<WrongValue[]> {
    const wrong = wrongInBox(draft, await knownIn(manager, ['piece']));
    if (wrong.length > 0) return wrong;
    return wrongInBoxEdit(draft, before, (await this.book.stored()).pieces);
  }

  usersOf(id: string, manager: EntityManager): Promise<User[]> {
    return manager.query(
      `SELECT 'order' AS noun, id, customerName AS name FROM customer_order WHERE id IN (
         SELECT orderId FROM order_line WHERE boxId = ? UNION SELECT orderId FROM order_agreed WHERE boxId = ?)
       ORDER BY customerName`,
      [id, id],
    );
  }
}
