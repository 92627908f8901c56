export { gramsOf, sharesOfWeight, takenFor, withYieldsOf, wrongInBatch, wrongInBatchEdit } from './batch.js';
export {
  type Batch,
  type BatchDraft,
  batchDraftSchema,
  type BatchFiled,
  batchFiledSchema,
  batchSchema,
} from './schema.js';
