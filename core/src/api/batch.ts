import { z } from 'zod';
import { batchDraftSchema, batchSchema } from '../batch/index.js';
import { gramsSchema } from '../quantity/index.js';
import { daySchema, idSchema, versionSchema } from '../record/index.js';

const MOST_AT_ONCE = 100;
const MOST_OPENED = 100;

/** Batches that were made, and where that came from which the pantry does not have. */
export const makeBatchesSchema = z
  .strictObject({
    batches: z.array(batchDraftSchema).min(1).max(MOST_AT_ONCE),
    /** Packs that were bought without a word and opened for them, g: what is left of them is on hand afterwards. */
    opened: z
      .array(z.strictObject({ ingredientId: idSchema, grams: gramsSchema }))
      .max(MOST_OPENED)
      .default([]),
    /** Ingredients that did not come from the pantry. */
    elsewhere: z.array(idSchema).max(MOST_OPENED).default([]),
  })
  .meta({ id: 'MakeBatches' });
export type MakeBatches = z.output<typeof makeBatchesSchema>;
export const madeBatchesSchema = z.array(batchSchema).meta({ id: 'MadeBatches' });

/** When the pieces of batches were cut, rolled or dipped; null takes that back. */
export const finishBatchesSchema = z
  .strictObject({
    batches: z
      .array(z.strictObject({ id: idSchema, version: versionSchema }))
      .min(1)
      .max(MOST_AT_ONCE),
    on: daySchema.nullable(),
  })
  .meta({ id: 'FinishBatches' });
export type FinishBatches = z.output<typeof finishBatchesSchema>;
export const finishedBatchesSchema = z
  .array(z.strictObject({ before: batchSchema, after: batchSchema }))
  .meta({ id: 'FinishedBatches' });
