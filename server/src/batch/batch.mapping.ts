import { batchDraftSchema, type BatchDraft } from '@usual-pantry/core/batch';
import type { Mapping } from '../storage/records.js';
import { BatchRow } from './batch.entity.js';

export const batchMapping: Mapping<BatchDraft, BatchRow> = {
  noun: 'batch',
  schema: batchDraftSchema,
  entity: BatchRow,
  children: [],
  nameColumn: 'recipeId',
  sortable: ['recipeId', 'madeOn'],
  toRow: ({ on, ...draft }) => ({ ...draft, madeOn: on }),
  toDraft: ({ id: _id, version: _version, madeOn, ...draft }) => ({ ...draft, on: madeOn }),
};
