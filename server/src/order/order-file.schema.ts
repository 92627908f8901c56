import { orderFields } from '@usual-pantry/core/format';
import { z } from 'zod';

/** A CSV of orders, and how it is to be read. */
export const orderFileSchema = z.strictObject({
  text: z.string().max(10_000_000, 'is larger than 10 MB'),
  mapping: z.partialRecord(z.enum(orderFields), z.string()).optional(),
  dayOrder: z.enum(['day first', 'month first', 'unknown']).default('unknown'),
});
