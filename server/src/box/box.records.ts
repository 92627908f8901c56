import { Injectable } from '@nestjs/common';
import { wrongInBox, type BoxDraft } from '@usual-pantry/core/box';
import type { WrongValue } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';
import type { User } from '../http/errors.js';
import { knownIn } from '../storage/known.js';
import { Records, type Mapping } from '../storage/records.js';
import { BoxCellRow, BoxRow } from './box.entity.js';

export const boxMapping: Mapping<BoxDraft, BoxRow> = {
  noun: 'box',
  entity: BoxRow,
  children: [
    {
      entity: BoxCellRow,
      key: 'boxId',
      relation: 'cells',
      rowsOf: ({ cells }) => cells.flatMap((cell, position) => (cell ? [{ ...cell, position }] : [])),
    },
  ],
  nameColumn: 'name',
  sortable: ['name', 'priceMinor'],
  toRow: ({ cells: _cells, ...row }) => row,
  toDraft: ({ id: _id, version: _version, cells: filled, ...draft }) => {
    const cells: BoxDraft['cells'] = new Array<null>(draft.rows * draft.columns).fill(null);
    for (const { position, pieceId, count, standIns } of filled) cells[position] = { pieceId, count, standIns };
    return { ...draft, cells };
  },
};

@Injectable()
export class BoxRecords extends Records<BoxDraft, BoxRow> {
  readonly mapping = boxMapping;

  nameOf(draft: BoxDraft): string {
    return draft.name;
  }

  async wrongIn(draft: BoxDraft, _id: string, _before: unknown, manager: EntityManager): Promise<WrongValue[]> {
    return wrongInBox(draft, await knownIn(manager));
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
