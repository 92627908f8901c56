import { z } from 'zod';
import { gramsSchema } from '../quantity/index.js';
import { daySchema, filedShape, idSchema, noteSchema, storedShape } from '../record/index.js';
import { batchSizeSchema } from '../recipe/index.js';

/** What of an ingredient went into a batch: of a lot to use by a day, or of what keeps. */
const takenSchema = z
  .strictObject({ ingredientId: idSchema, grams: gramsSchema, useBy: daySchema.nullable() })
  .meta({ id: 'TakenStock' });

/** What the maker says of a batch that was made. */
export const batchDraftSchema = z
  .strictObject({
    recipeId: idSchema,
    /** The day on which it was made. */
    on: daySchema,
    /** Multiple of the base batch. */
    size: batchSizeSchema,
    /** A batch that failed gives nothing; its ingredients are gone all the same. */
    state: z.enum(['done', 'failed']).default('done'),
    /** What it gave, g; null when it was not weighed: then what its recipe says. */
    grams: gramsSchema.nullable().default(null),
    /** The day on which its pieces were cut, rolled or dipped; null as long as they are not. */
    finishedOn: daySchema.nullable().default(null),
    /** What the pantry gave for it; filled in when it is stored. */
    taken: z.array(takenSchema).max(400).default([]),
    notes: noteSchema,
  })
  .refine(({ on, finishedOn }) => finishedOn === null || finishedOn >= on, {
    message: 'must not be before it was made',
    path: ['finishedOn'],
  })
  .meta({ id: 'BatchDraft' });

export const batchFiledSchema = batchDraftSchema.safeExtend(filedShape).meta({ id: 'BatchFiled' });
export const batchSchema = batchDraftSchema.safeExtend(storedShape).meta({ id: 'Batch' });

export type BatchDraft = z.infer<typeof batchDraftSchema>;
export type BatchFiled = z.infer<typeof batchFiledSchema>;
export type Batch = z.infer<typeof batchSchema>;
