import { z } from 'zod';
import { allergenSchema } from '../ingredient/index.js';
import { blockKinds, schoolCodeSchema } from '../kitchen/index.js';
import { fieldStates, type CrossContact, type Label, type LabelLayout } from '../label/index.js';
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
    /** The front, and the back where there is one. */
    layouts: z.array(layoutSchema),
  })
  .meta({ id: 'SetLabel' }) satisfies z.ZodType<Label>;
export type SetLabel = Answer<typeof setLabelSchema>;
