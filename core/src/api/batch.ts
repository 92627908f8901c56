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
/** Batches as they are stored now. */
export const batchesSchema = z.array(batchSchema).meta({ id: 'Batches' });

const versioned = { id: idSchema, version: versionSchema };
const someBatches = z.array(z.strictObject(versioned)).min(1).max(MOST_AT_ONCE);

/** When the pieces of batches were cut, rolled, dipped or filled; null takes that back. */
export const finishBatchesSchema = z
  .strictObject({
    batches: someBatches,
    on: daySchema.nullable(),
    /** Which stage of several, from 0; null for the last one, after which they are finished. */
    stage: z.int().min(0).max(3).nullable().default(null),
  })
  .meta({ id: 'FinishBatches' });
export type FinishBatches = z.output<typeof finishBatchesSchema>;

/** What batches weighed; null where nobody weighed one. */
export const weighBatchesSchema = z
  .strictObject({
    batches: z
      .array(z.strictObject({ ...versioned, grams: batchDraftSchema.shape.grams }))
      .min(1)
      .max(MOST_AT_ONCE),
  })
  .meta({ id: 'WeighBatches' });
export type WeighBatches = z.output<typeof weighBatchesSchema>;

/** Batches that were not made after all. */
export const takeBackBatchesSchema = z.strictObject({ batches: someBatches }).meta({ id: 'TakeBackBatches' });
export type TakeBackBatches = z.output<typeof takeBackBatchesSchema>;
