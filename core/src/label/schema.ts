import { z } from 'zod';
import { daySchema, idSchema } from '../record/index.js';

/** Equal labels that were printed at once, with what they said. */
export const labelPrintSchema = z
  .strictObject({
    id: idSchema,
    at: z.iso.datetime(),
    boxId: idSchema,
    handOver: daySchema,
    /** How the box is packed: see `packedKey`. */
    packedKey: z.string().max(4000),
    lot: z.string().max(40),
    count: z.int().min(1).max(10_000),
    /** Everything that they said, a paragraph a line. */
    words: z.string().max(20_000),
    /** Why more were printed than there are boxes; '' where no more were. */
    reason: z.string().trim().max(200),
  })
  .meta({ id: 'LabelPrint' });
export type LabelPrint = z.infer<typeof labelPrintSchema>;

/** Boxes that were weighed one after another. */
export const weighingSchema = z
  .strictObject({
    id: idSchema,
    at: z.iso.datetime(),
    boxId: idSchema,
    /** The net quantity of the label, g. */
    declaredGrams: z.int().min(1).max(100_000),
    /** Net weights, g, in the order of weighing. */
    weights: z
      .array(z.number('must be a number').positive('must be more than zero').max(100_000, 'is absurdly heavy'))
      .min(1, 'must be one or more')
      .max(500),
  })
  .meta({ id: 'Weighing' });
export type Weighing = z.infer<typeof weighingSchema>;
