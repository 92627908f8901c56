import { z } from 'zod';
import { besideUses, orderFields, type OrderFileAnswer } from '../format/index.js';
import { messageFates, shopMessageSchema, type Receipt } from '../intake/index.js';
import { orderSchema, orderStates, payWays } from '../order/index.js';
import { idSchema, minorSchema, versionSchema } from '../record/index.js';
import type { Answer } from './answer.js';

/** A CSV of orders, and how it is to be read. */
export const orderFileSchema = z
  .strictObject({
    text: z.string().max(10_000_000, 'is larger than 10 MB'),
    mapping: z.partialRecord(z.enum(orderFields), z.string()).optional(),
    beside: z.record(z.string().max(1000), z.enum(besideUses)).optional(),
    dayOrder: z.enum(['day first', 'month first', 'unknown']).default('unknown'),
  })
  .meta({ id: 'OrderFile' });

export const orderFileAnswerSchema = z
  .strictObject({
    columns: z.array(z.string()),
    mapping: z.partialRecord(z.enum(orderFields), z.string()),
    unused: z.array(
      z.strictObject({
        column: z.string(),
        filled: z.int(),
        sample: z.string(),
        mayRuleOut: z.boolean(),
        use: z.enum(besideUses).nullable(),
      }),
    ),
    report: z.array(
      z.strictObject({
        row: z.number(),
        fate: z.enum(['new', 'changed', 'same', 'double', 'refused']),
        customer: z.string(),
        what: z.string(),
        why: z.string(),
      }),
    ),
    orders: z.strictObject({ create: z.number(), update: z.number() }),
    refused: z.string(),
  })
  .meta({ id: 'OrderFileAnswer' }) satisfies z.ZodType<OrderFileAnswer>;

/** Orders that are to be brought into one state. */
export const orderStatesSchema = z
  .strictObject({
    orders: z
      .array(z.strictObject({ id: idSchema, version: versionSchema }))
      .min(1)
      .max(500),
    state: z.enum(orderStates),
  })
  .meta({ id: 'OrderStates' });
export type OrderStates = z.output<typeof orderStatesSchema>;

/** Orders that are handed over at once, and whether all that is due of them was paid then. */
export const handedOverSchema = z
  .strictObject({
    orders: z
      .array(z.strictObject({ id: idSchema, version: versionSchema }))
      .min(1)
      .max(500),
    paid: z.boolean(),
    /** What the page said was due of all of them together; refused where that has changed since. */
    dueMinor: minorSchema.optional(),
    way: z.enum(payWays).default('cash'),
  })
  .meta({ id: 'HandedOver' });
export type HandedOver = z.output<typeof handedOverSchema>;

/** Orders of which all that is due was paid. */
export const ordersPaidSchema = handedOverSchema.omit({ paid: true, dueMinor: true }).meta({ id: 'OrdersPaid' });
export type OrdersPaid = z.output<typeof ordersPaidSchema>;

/** Orders as they are stored now. */
export const ordersSchema = z.array(orderSchema).meta({ id: 'Orders' });

export const receiptSchema = z
  .strictObject({
    id: z.string(),
    fate: z.enum(messageFates),
    why: z.string(),
    orderId: z.string(),
    again: z.boolean(),
  })
  .meta({ id: 'Receipt' }) satisfies z.ZodType<Receipt>;

/** The newest messages of the shop, and when the key was made that it signs with. */
export const inboxSchema = z
  .strictObject({
    keyMadeAt: z.string().nullable(),
    messages: z.array(
      z
        .strictObject({
          id: z.string(),
          receivedAt: z.string(),
          reference: z.string(),
          revision: z.number(),
          message: shopMessageSchema,
          fate: z.enum(messageFates),
          why: z.string(),
          orderId: z.string(),
          orderVersion: z.number().nullable(),
        })
        .meta({ id: 'InboxMessage' }),
    ),
  })
  .meta({ id: 'Inbox' });
export type InboxAnswer = Answer<typeof inboxSchema>;
export const inboxKeySchema = z.strictObject({ key: z.string() }).meta({ id: 'InboxKey' });

/** In which ways the test shop sends an order. */
export const shopManners = ['once', 'twice', 'out of order', 'unsigned'] as const;
export const testMessageSchema = z
  .strictObject({ order: shopMessageSchema.shape.order, manner: z.enum(shopManners) })
  .meta({ id: 'TestMessage' });
export type TestMessage = z.output<typeof testMessageSchema>;
export const testReceiptsSchema = z
  .array(z.union([receiptSchema, z.strictObject({ refused: z.string() })]))
  .meta({ id: 'TestReceipts' });

/** Names of customers, each once. */
export const customersSchema = z.strictObject({ names: z.array(z.string()) }).meta({ id: 'Customers' });
export type Customers = Answer<typeof customersSchema>;
