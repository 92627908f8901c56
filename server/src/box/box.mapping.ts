import { boxDraftSchema, type BoxDraft } from '@usual-pantry/core/box';
import type { Mapping } from '../storage/records.js';
import { BoxCellRow, BoxRow } from './box.entity.js';

export const boxMapping: Mapping<BoxDraft, BoxRow> = {
  noun: 'box',
  schema: boxDraftSchema,
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
    const cells: BoxDraft['cells'] = new Array<null>(draft.rows * draft.columns * draft.layers).fill(null);
    for (const { position, pieceId, count, standIns } of filled) cells[position] = { pieceId, count, standIns };
    return { ...draft, cells };
  },
};
