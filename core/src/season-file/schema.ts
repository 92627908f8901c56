import { z } from 'zod';
import { batchFiledSchema } from '../batch/index.js';
import { boxFiledSchema } from '../box/index.js';
import { ingredientFiledSchema } from '../ingredient/index.js';
import { messageFates, shopMessageSchema } from '../intake/index.js';
import { kitchenDraftSchema } from '../kitchen/index.js';
import { labelPrintSchema, weighingSchema } from '../label/index.js';
import { makingFiledSchema } from '../making/index.js';
import { practiceSchema } from '../practice/index.js';
import { guideSchema } from '../plan/index.js';
import { orderFiledSchema } from '../order/index.js';
import { pieceFiledSchema } from '../piece/index.js';
import { recipeDraftSchema, recipeFiledSchema } from '../recipe/index.js';
import { daySchema, idSchema, versionSchema } from '../record/index.js';

/** A recipe as it was before an edit. */
const recipeVersionFiledSchema = z.strictObject({
  recipeId: idSchema,
  version: versionSchema,
  replacedOn: daySchema,
  draft: recipeDraftSchema,
});

/** A message of the shop, and what became of it. */
const messageFiledSchema = z.strictObject({
  id: idSchema,
  receivedAt: z.iso.datetime(),
  reference: shopMessageSchema.shape.reference,
  revision: shopMessageSchema.shape.revision,
  message: shopMessageSchema,
  fate: z.enum(messageFates),
  why: z.string().max(4000),
  orderId: idSchema,
  /** Whether the order is still as this message left it: then a later message is taken without a question. */
  orderStands: z.boolean(),
});

/** Everything that is kept, in one file. */
export const seasonFileSchema = z
  .strictObject({
    format: z.literal('usual-pantry-season', 'must be "usual-pantry-season"'),
    formatVersion: z.literal(1, 'must be 1: this program reads no other'),
    /** The day that the file was written for; dates can be moved from it by whole weeks. */
    writtenFor: daySchema,
    kitchen: kitchenDraftSchema,
    ingredients: z.array(ingredientFiledSchema).max(5000),
    recipes: z.array(recipeFiledSchema).max(2000),
    pieces: z.array(pieceFiledSchema).max(2000),
    boxes: z.array(boxFiledSchema).max(1000),
    orders: z.array(orderFiledSchema).max(20000),
    /** Batches that were made. */
    batches: z.array(batchFiledSchema).max(20000).default([]),
    recipeVersions: z.array(recipeVersionFiledSchema).max(50000).default([]),
    /** What the shop has sent. */
    messages: z.array(messageFiledSchema).max(50000).default([]),
    labelPrints: z.array(labelPrintSchema).max(50000).default([]),
    weighings: z.array(weighingSchema).max(50000).default([]),
    /** Batches at the bench with all that happened to them. */
    makings: z.array(makingFiledSchema).max(20000).default([]),
    /** Practice runs. */
    practices: z.array(practiceSchema).max(50000).default([]),
    /** What was decided about the days; null when nothing was. */
    plan: guideSchema.nullable().default(null),
  })
  .meta({ title: 'Usual Pantry season file' });

export type SeasonFile = z.infer<typeof seasonFileSchema>;

/** The JSON Schema of the file, made from the same schema that reads it. */
export const seasonFileJsonSchema = (): z.core.JSONSchema.JSONSchema =>
  z.toJSONSchema(seasonFileSchema, { io: 'input', target: 'draft-2020-12' });
