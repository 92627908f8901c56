export {
  afterStage,
  gramsOf,
  sharesOfWeight,
  takenFor,
  usableGrams,
  wentInto,
  withYieldsOf,
  wrongInBatch,
  wrongInBatchEdit,
} from './batch.js';
export {
  type Batch,
  type BatchDraft,
  batchDraftSchema,
  type BatchFiled,
  batchFiledSchema,
  type BatchLog,
  batchSchema,
  gradeSchema,
  rejectReasons,
  rejectsSchema,
} from './schema.js';
