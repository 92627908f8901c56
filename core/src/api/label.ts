import { z } from 'zod';
import { allergenSchema } from '../ingredient/index.js';
import { blockKinds, labelSettingsSchema, ownSheetSchema, schoolCodeSchema } from '../kitchen/index.js';
import {
  fieldStates,
  labelPrintSchema,
  ticketKinds,
  weighingSchema,
  type CrossContact,
  type Label,
  type LabelLayout,
} from '../label/index.js';
import { exclusionSchema } from '../order/index.js';
import { daySchema, idSchema } from '../record/index.js';
import type { Answer } from './answer.js';
import { findingSchema, wayOutSchema } from './finding.js';
import { labelRunSchema } from './plan.js';

const areaSchema = z
  .strictObject({ x: z.number(), y: z.number(), widthMm: z.number(), heightMm: z.number() })
  .meta({ id: 'LabelArea' });

const layoutSchema = z
  .strictObject({
    widthMm: z.number(),
    heightMm: z.number(),
    runs: z.array(
      z.strictObject({
        text: z.string(),
        face: z.enum(['text', 'bold', 'heading']),
        sizeMm: z.number(),
        x: z.number(),
        y: z.number(),
        accent: z.boolean(),
      }),
    ),
    code: areaSchema.nullable(),
    logo: areaSchema.nullable(),
    overflowMm: z.number(),
  })
  .meta({ id: 'LabelLayout' }) satisfies z.ZodType<LabelLayout>;

const spanSchema = z
  .strictObject({
    text: z.string(),
    strong: z.boolean(),
    ids: z.array(z.string()),
    allergen: allergenSchema.nullable(),
  })
  .meta({ id: 'LabelSpan' });

const blockSchema = z
  .strictObject({ kind: z.enum(blockKinds), heading: z.string(), text: z.string(), spans: z.array(spanSchema) })
  .meta({ id: 'LabelBlock' });

const requiredSchema = z
  .strictObject({
    key: z.string(),
    what: z.string(),
    state: z.enum(fieldStates),
    text: z.string(),
    source: z.string(),
    wayOut: wayOutSchema.nullable(),
    stops: z.boolean(),
  })
  .meta({ id: 'RequiredField' });

const crossContactSchema = z
  .strictObject({
    allergen: allergenSchema,
    day: z.string(),
    from: z.string(),
    into: z.string(),
    where: z.enum(['bench', 'packing']),
  })
  .meta({ id: 'CrossContact' }) satisfies z.ZodType<CrossContact>;

/** A label with its dates, set in type. */
export const setLabelSchema = z
  .strictObject({
    school: schoolCodeSchema,
    blocks: z.array(blockSchema),
    netLetterMm: z.number(),
    textLetterMm: z.number(),
    required: z.array(requiredSchema),
    findings: z.array(findingSchema),
    run: labelRunSchema.nullable(),
    /** What the kitchen itself may bring, and by which way. */
    crossContact: z.array(crossContactSchema),
    lot: z.string().nullable(),
    /** The code for a reader as SVG; null where none is wanted. */
    codeSvg: z.string().nullable(),
    second: labelSettingsSchema.shape.second.unwrap(),
    accent: z.string(),
    logoPng: z.string().nullable(),
    /** The least height at which everything fits, mm; null when it does. */
    leastHeightMm: z.number().nullable(),
    /** The front, and the back where there is one. */
    layouts: z.array(layoutSchema),
  })
  .meta({ id: 'SetLabel' }) satisfies z.ZodType<Label>;
export type SetLabel = Answer<typeof setLabelSchema>;

/** A run of labels, with what was printed of it already. */
export const labelRunStateSchema = labelRunSchema
  .safeExtend({
    lot: z.string(),
    school: schoolCodeSchema.nullable(),
    printed: z.number(),
    /** Printed ones that said something else than the label says now. */
    changed: z.number(),
    lastPrintedAt: z.string().nullable(),
  })
  .meta({ id: 'LabelRunState' });
export const labelRunStatesSchema = z.array(labelRunStateSchema).meta({ id: 'LabelRunStates' });
export type LabelRunState = Answer<typeof labelRunStateSchema>;

const MOST_LABELS = 2000;

/** Labels to be printed in one go. */
export const printLabelsSchema = z
  .strictObject({
    /** Labels of boxes, in the order of packing; none where tickets are wanted. */
    runs: z
      .array(
        z.strictObject({
          boxId: idSchema,
          handOver: daySchema,
          edition: z.int().min(1).nullable().default(null),
          without: z.array(exclusionSchema).default([]),
          leaveOut: z.boolean().default(false),
          school: schoolCodeSchema.nullable().default(null),
          standIns: z.array(z.strictObject({ pieceId: idSchema, withId: idSchema })).default([]),
          count: z.int('must be a whole number').min(1, 'must be one or more').max(500, 'must be 500 or fewer'),
        }),
      )
      .max(500)
      .default([]),
    tickets: z.enum(ticketKinds).nullable().default(null),
    /** One label a page, a common sheet by its id, or the own one. */
    sheet: z.string().max(40).default('single'),
    ownSheet: ownSheetSchema.nullable().default(null),
    /** The first free cell of the first sheet, from 1. */
    startCell: z.int('must be a whole number').min(1, 'must be one or more').max(800).default(1),
    /** Why more are printed than there are boxes. */
    reason: z.string().trim().max(200).default(''),
  })
  .refine(({ runs }) => runs.reduce((sum, { count }) => sum + count, 0) <= MOST_LABELS, {
    path: ['runs'],
    message: `must be ${String(MOST_LABELS)} labels or fewer in one go`,
  })
  .meta({ id: 'PrintLabels' });
export type PrintLabels = z.input<typeof printLabelsSchema>;

/** How far a print is. */
export const printJobSchema = z
  .strictObject({
    state: z.enum(['idle', 'running', 'done', 'stopped', 'failed']),
    done: z.number(),
    of: z.number(),
    sheets: z.number(),
    /** The cell at which the next print can begin on the last sheet, from 1; null when it is full. */
    nextCell: z.number().nullable(),
    message: z.string(),
    /** The name of the file, once it is done. */
    file: z.string().nullable(),
  })
  .meta({ id: 'PrintJob' });
export type PrintJob = Answer<typeof printJobSchema>;

export const labelPrintsSchema = z.array(labelPrintSchema).meta({ id: 'LabelPrints' });
export const weighingsSchema = z.array(weighingSchema).meta({ id: 'Weighings' });
export const newWeighingSchema = weighingSchema.omit({ id: true, at: true }).meta({ id: 'NewWeighing' });
export type NewWeighing = z.infer<typeof newWeighingSchema>;

/** What is in the boxes of a lot, for whoever reads its code. */
export const lotContentsSchema = z
  .strictObject({
    lot: z.string(),
    boxId: z.string(),
    boxName: z.string(),
    madeOn: z.string(),
    bestBefore: z.string(),
    contains: z.array(z.string()),
    mayContain: z.array(z.string()),
    pieces: z.array(z.strictObject({ name: z.string(), count: z.number(), contains: z.array(z.string()) })),
  })
  .meta({ id: 'LotContents' });
export type LotContents = Answer<typeof lotContentsSchema>;

/** What stands on the scale. */
export const weighedSchema = z.strictObject({ grams: z.number() }).meta({ id: 'Weighed' });
export type Weighed = Answer<typeof weighedSchema>;
