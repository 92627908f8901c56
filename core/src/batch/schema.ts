import { z } from 'zod';
import { gramsSchema } from '../quantity/index.js';
import { daySchema, filedShape, idSchema, noteSchema, storedShape } from '../record/index.js';
import { batchSizeSchema } from '../recipe/index.js';

/** What of an ingredient went into a batch: of a lot to use by a day, or of what keeps. */
const takenSchema = z
  .strictObject({ ingredientId: idSchema, grams: gramsSchema, useBy: daySchema.nullable() })
  .meta({ id: 'TakenStock' });

const instant = z.iso.datetime({ offset: true });

/** Why a piece was not good enough to be given away. */
export const rejectReasons = ['broken', 'bloomed', 'misshapen', 'burnt', 'grained', 'separated', 'other'] as const;

const countSchema = z.int('must be a whole number').min(0, 'must not be negative').max(10_000, 'is absurdly many');
export const rejectsSchema = z
  .array(z.strictObject({ reason: z.enum(rejectReasons), count: countSchema.min(1, 'must be one or more') }))
  .max(rejectReasons.length)
  .default([]);
/** 1 poor to 5 as good as ever. */
export const gradeSchema = z.int().min(1).max(5).nullable().default(null);

/** What was kept of a batch while it was made at the bench. */
export const batchLogSchema = z
  .strictObject({
    /** The making whose events tell all of it. */
    makingId: idSchema,
    startedAt: instant,
    endedAt: instant,
    /** What went in of each ingredient, g, of the lot to use by a day. */
    weights: z
      .array(z.strictObject({ ingredientId: idSchema, grams: gramsSchema, useBy: daySchema.nullable() }))
      .max(80),
    /** What went in instead of what the recipe says, and of how much of it, 0 to 1. */
    swaps: z
      .array(
        z.strictObject({
          ingredientId: idSchema,
          withId: idSchema,
          ratio: z.number().positive().max(20),
          share: z.number().positive().max(1),
        }),
      )
      .max(80),
    /** Good pieces; null where nobody counted. */
    pieces: countSchema.nullable(),
    rejects: rejectsSchema,
    grade: gradeSchema,
    /** What the thermometer showed last while it cooked, C, and how long that took, s. */
    finalCelsius: z.number().nullable(),
    cookSeconds: z.number().min(0).nullable(),
    roomCelsius: z.number().nullable(),
    /** Relative, percent. */
    humidity: z.number().min(0).max(100).nullable(),
  })
  .meta({ id: 'BatchLog' });
export type BatchLog = z.infer<typeof batchLogSchema>;

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
    /** The days on which the stages of finishing were done that came before the last: shells filled that set over night. */
    stageDays: z.array(daySchema).max(4).default([]),
    /** What the pantry gave for it; filled in when it is stored. */
    taken: z.array(takenSchema).max(400).default([]),
    /** What was kept of it at the bench; null where it was only said to be made. */
    log: batchLogSchema.nullable().default(null),
    notes: noteSchema,
  })
  .refine(({ on, finishedOn }) => finishedOn === null || finishedOn >= on, {
    message: 'must not be before it was made',
    path: ['finishedOn'],
  })
  .refine(({ on, stageDays }) => stageDays.every((day, at) => day >= (stageDays[at - 1] ?? on)), {
    message: 'must come one after another, and not before it was made',
    path: ['stageDays'],
  })
  .meta({ id: 'BatchDraft' });

export const batchFiledSchema = batchDraftSchema.safeExtend(filedShape).meta({ id: 'BatchFiled' });
export const batchSchema = batchDraftSchema.safeExtend(storedShape).meta({ id: 'Batch' });

export type BatchDraft = z.infer<typeof batchDraftSchema>;
export type BatchFiled = z.infer<typeof batchFiledSchema>;
export type Batch = z.infer<typeof batchSchema>;
