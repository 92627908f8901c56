import { z } from 'zod';
import { distinct, isExclusion } from '../ingredient/index.js';
import { schoolCodeSchema } from '../kitchen/index.js';
import { daySchema, filedShape, idSchema, minorSchema, nameSchema, noteSchema, storedShape } from '../record/index.js';

/** States of an order, in the order in which they follow each other. */
export const orderStates = ['asked', 'confirmed', 'packed', 'handed over', 'cancelled'] as const;

/** States that a history may tell of: once, that an order was paid was one of them. */
const pastStates = [...orderStates, 'paid'] as const;

/** How money changes hands. */
export const payWays = ['cash', 'card', 'transfer', 'other'] as const;
export type PayWay = (typeof payWays)[number];

const MOST_PAID = 100_000_000;

/** Money that came in for an order, or was given back. */
export const paymentSchema = z
  .strictObject({
    on: daySchema,
    /** Minor units, below zero for what was given back; null for all that was due, where the amount was not noted. */
    minor: z
      .int('must be an amount')
      .min(-MOST_PAID, 'is absurdly much')
      .max(MOST_PAID, 'is absurdly much')
      .refine((value) => value !== 0, 'must not be nothing')
      .nullable(),
    way: z.enum(payWays).default('other'),
    note: z.string().trim().max(120).default(''),
  })
  .meta({ id: 'Payment' });
export type Payment = z.infer<typeof paymentSchema>;

/** A group or a substance, or one ingredient or piece as `ingredient:plum-brandy`. */
export const exclusionSchema = z
  .string()
  .refine(isExclusion, 'is not something that can be ruled out')
  .meta({ id: 'Exclusion', examples: ['nuts', 'vegan', 'ingredient:plum-brandy'] });

const lineSchema = z.strictObject({
  boxId: idSchema,
  count: z.int('must be a whole number').min(1, 'must be one or more').max(500, 'must be 500 or fewer'),
  /** The number of the box as it was sold; null as long as nothing is confirmed. */
  edition: z.int().min(1).nullable().default(null),
  /** What these boxes must not contain, beside what the whole order rules out. */
  without: distinct(exclusionSchema).default([]),
});

/** Lines with the same key are of boxes that are sold and packed alike. */
export const lineKey = ({ boxId, without = [] }: Pick<z.input<typeof lineSchema>, 'boxId' | 'without'>): string =>
  [boxId, ...[...without].sort()].join(' ');

/** What the maker writes of an order. */
export const orderDraftSchema = z
  .strictObject({
    customer: z.strictObject({
      name: nameSchema(),
      contact: z.string().trim().max(120).default(''),
    }),
    lines: z
      .array(lineSchema)
      .min(1, 'must name at least one box')
      .max(50)
      .refine((lines) => new Set(lines.map(lineKey)).size === lines.length, 'names one box twice'),
    handOver: z.strictObject({
      on: daySchema,
      way: z.enum(['pick-up', 'stall', 'courier']),
      place: z.string().trim().max(120).default(''),
    }),
    exclusions: distinct(exclusionSchema).default([]),
    /** Pieces that the maker puts in place of others in a box of this order, where something is ruled out; they go before the box's own. */
    standIns: z
      .array(z.strictObject({ boxId: idSchema, pieceId: idSchema, withId: idSchema }))
      .max(200)
      .default([]),
    /** Broken exclusions that the customer knows of and takes all the same. */
    agreed: z
      .array(z.strictObject({ boxId: idSchema, exclusion: exclusionSchema }))
      .max(200)
      .default([]),
    /** Boxes that go out with less in them, what was ruled out for that, and what each costs less. */
    leftOut: z
      .array(
        z.strictObject({ boxId: idSchema, without: z.array(exclusionSchema).min(1).max(40), lessMinor: minorSchema }),
      )
      .max(50)
      .default([]),
    /** Where its labels must hold; null where that is as for the kitchen. */
    labelSchool: schoolCodeSchema.nullable().default(null),
    state: z.enum(orderStates).default('asked'),
    /** When it came into which state, the first one first. */
    history: z
      .array(z.strictObject({ state: z.enum(pastStates), at: z.iso.datetime() }))
      .max(200)
      .default([]),
    /** What was paid when it was ordered. */
    depositMinor: minorSchema.default(0),
    /** What was paid since, the first one first. */
    payments: z.array(paymentSchema).max(100).default([]),
    notes: noteSchema,
    /** The words in which it was asked for, where it was read from them. */
    words: z.string().max(4000, 'must be 4,000 characters or fewer').default(''),
  })
  .meta({ id: 'OrderDraft' });

export const orderFiledSchema = orderDraftSchema.safeExtend(filedShape).meta({ id: 'OrderFiled' });
export const orderSchema = orderDraftSchema.safeExtend(storedShape).meta({ id: 'Order' });

export type OrderState = (typeof orderStates)[number];
export type OrderLine = z.infer<typeof lineSchema>;
export type OrderDraft = z.infer<typeof orderDraftSchema>;
export type OrderFiled = z.infer<typeof orderFiledSchema>;
export type Order = z.infer<typeof orderSchema>;
