import { z } from 'zod';
import { amountSchema, percentSchema, unitSchema } from '../quantity/index.js';
import { filedShape, idSchema, nameSchema, noteSchema, storedShape } from '../record/index.js';

/** One line: an amount of an ingredient, or of another recipe (a component). */
const lineSchema = z
  .strictObject({
    uses: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('ingredient'), id: idSchema }),
      z.strictObject({ kind: z.literal('recipe'), id: idSchema }),
    ]),
    amount: amountSchema,
    unit: unitSchema,
    /** Which density of the ingredient applies; null takes its first. */
    state: z.string().trim().max(30).nullable().default(null),
    note: z.string().trim().max(200).default(''),
  })
  .meta({ id: 'RecipeLine' });

/** The finished mass of the base batch: weighed, or the raw mass less a loss. */
const yieldSchema = z
  .discriminatedUnion('by', [
    z.strictObject({ by: z.literal('loss'), lossPercent: percentSchema(95) }),
    z.strictObject({ by: z.literal('weighed'), grams: amountSchema }),
  ])
  .meta({ id: 'Yield' });

const days = (most: number) => z.int('must be whole days').min(0, 'must not be negative').max(most);

/** What the maker writes of a recipe. */
export const recipeDraftSchema = z
  .strictObject({
    name: nameSchema(),
    lines: z.array(lineSchema).max(80).default([]),
    yield: yieldSchema,
    /** Multiples of the base batch that may be made at once. */
    batchSizes: z
      .array(z.number('must be a number').min(0.05, 'must be 0.05 or more').max(100, 'must be 100 or less'))
      .min(1, 'must allow at least one size')
      .max(12)
      .refine((list) => new Set(list).size === list.length, 'names one size twice'),
    /** Minutes of the maker's hands for one batch of any allowed size. */
    handsMinutes: z.number('must be a number').min(0, 'must not be negative').max(1440),
    /** How long it keeps as a component. */
    keepsDays: days(730),
    /** How long it must rest before it can be used: 0 on the same day, 1 overnight. */
    restDays: days(60),
    method: noteSchema,
  })
  .meta({ id: 'RecipeDraft' });

export const recipeFiledSchema = recipeDraftSchema.safeExtend(filedShape).meta({ id: 'RecipeFiled' });
export const recipeSchema = recipeDraftSchema.safeExtend(storedShape).meta({ id: 'Recipe' });

export type RecipeLine = z.infer<typeof lineSchema>;
export type RecipeDraft = z.infer<typeof recipeDraftSchema>;
export type RecipeFiled = z.infer<typeof recipeFiledSchema>;
export type Recipe = z.infer<typeof recipeSchema>;
