import { z } from 'zod';
import { orderDraftSchema } from '../order/index.js';
import type { Offer, PromiseCheck, WeekAhead } from '../promise/index.js';
import { idSchema } from '../record/index.js';

export const promiseCheckSchema = z
  .strictObject({
    verdict: z.enum(['feasible', 'tight', 'not feasible', 'probably', 'not known']),
    why: z.array(z.string()),
    toDecide: z.array(z.string()),
    earliest: z.string().nullable(),
    isFinal: z.boolean(),
  })
  .meta({ id: 'PromiseCheck' }) satisfies z.ZodType<PromiseCheck>;

const offerSchema = z
  .strictObject({
    boxes: z.array(z.strictObject({ boxId: z.string(), boxName: z.string(), count: z.int() })),
    on: z.string(),
    priceMinor: z.number(),
    packagingMinor: z.number(),
    boughtMinor: z.number(),
    handsMinutes: z.number(),
    savedGrams: z.number(),
  })
  .meta({ id: 'Offer' }) satisfies z.ZodType<Offer>;

export const offersSchema = z.array(offerSchema).meta({ id: 'Offers' });

/** An order that may be stored already: then it is not counted twice. */
export const askedOrderSchema = orderDraftSchema.safeExtend({ id: idSchema.optional() }).meta({ id: 'AskedOrder' });
export type AskedOrder = z.output<typeof askedOrderSchema>;

/** What a week to come could still take. */
export const weekAheadSchema = z
  .strictObject({
    from: z.string(),
    to: z.string(),
    benchMinutes: z.number(),
    bookedMinutes: z.number(),
    orders: z.number(),
    closures: z.array(z.strictObject({ from: z.string(), to: z.string(), reason: z.string() })),
    handOver: z.string().nullable(),
    boxes: z.array(z.strictObject({ boxId: z.string(), boxName: z.string(), most: z.number(), isTight: z.boolean() })),
    isFinal: z.boolean(),
  })
  .meta({ id: 'WeekAhead' }) satisfies z.ZodType<WeekAhead>;
