import { Injectable } from '@nestjs/common';
import { ruledOut } from '@usual-pantry/core/ingredient';
import {
  pieceDraftSchema,
  bodyForm,
  bodyRecipeId,
  formRecipeIds,
  wrongInPiece,
  type PieceDraft,
} from '@usual-pantry/core/piece';
import type { WrongValue } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';
import type { User } from '../refusal/refused.js';
import { knownIn } from '../storage/known.js';
import { Records, type Mapping } from '../storage/records.js';
import { PieceLayerRow, PieceRow } from './piece.entity.js';

const coatingOf = (form: PieceDraft['form']): string | null =>
  form.kind === 'dipped' ? form.coatingRecipeId : form.kind === 'moulded' ? form.shell.recipeId : null;

/** What comes on at the end: of a dipped piece over its coating, else what its centre is rolled in. */
const finishOf = (form: PieceDraft['form']): string | null =>
  (form.kind === 'dipped' ? form.finish?.recipeId : undefined) ?? bodyForm(form).finish?.recipeId ?? null;

export const pieceMapping: Mapping<PieceDraft, PieceRow> = {
  noun: 'piece',
  schema: pieceDraftSchema,
  entity: PieceRow,
  children: [
    {
      entity: PieceLayerRow,
      key: 'pieceId',
      relation: 'layers',
      rowsOf: ({ form }) =>
        formRecipeIds(form)
          .filter((id) => id !== bodyRecipeId(form) && id !== coatingOf(form) && id !== finishOf(form))
          .map((recipeId, position) => ({ recipeId, position })),
    },
  ],
  nameColumn: 'name',
  sortable: ['name', 'keepsDays'],
  toRow: (draft) => ({
    ...draft,
    bodyRecipeId: bodyRecipeId(draft.form),
    finishRecipeId: finishOf(draft.form),
    coatingRecipeId: coatingOf(draft.form),
  }),
  toDraft: ({
    id: _id,
    version: _version,
    searchText: _searchText,
    bodyRecipeId: _body,
    finishRecipeId: _finish,
    coatingRecipeId: _coating,
    layers: _layers,
    ...draft
  }) => draft,
};

@Injectable()
export class PieceRecords extends Records<PieceDraft, PieceRow> {
  readonly mapping = pieceMapping;

  nameOf(draft: PieceDraft): string {
    return draft.name;
  }

  async wrongIn(draft: PieceDraft, _id: string, _before: unknown, manager: EntityManager): Promise<WrongValue[]> {
    return wrongInPiece(draft, await knownIn(manager, ['recipe']));
  }

  usersOf(id: string, manager: EntityManager): Promise<User[]> {
    return manager.query(
      `SELECT DISTINCT 'box' AS noun, box.id, box.name FROM box
       JOIN box_cell ON box_cell.boxId = box.id
       WHERE box_cell.pieceId = ? OR EXISTS (SELECT 1 FROM json_each(box_cell.standIns) WHERE value = ?)
       UNION
       SELECT 'box', box.id, box.name || ', as it was sold' FROM box
       WHERE EXISTS (SELECT 1 FROM json_tree(box.editions) WHERE key = 'pieceId' AND value = ?)
       UNION
       SELECT 'order', placed.id, placed.customerName FROM customer_order AS placed
         WHERE EXISTS (SELECT 1 FROM json_each(placed.exclusions) WHERE value = ?)
            OR EXISTS (SELECT 1 FROM order_line, json_each(order_line.without)
                       WHERE order_line.orderId = placed.id AND json_each.value = ?)
            OR EXISTS (SELECT 1 FROM json_each(placed.standIns) WHERE ? IN (value ->> 'pieceId', value ->> 'withId'))
       ORDER BY 3`,
      [id, id, id, ruledOut('piece', id), ruledOut('piece', id), id],
    );
  }
}
