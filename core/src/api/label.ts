import { z } from 'zod';
import type { Label, LabelLayout } from '../label/index.js';
import type { Answer } from './answer.js';
import { findingSchema } from './finding.js';
import { labelRunSchema } from './plan.js';

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
      }),
    ),
    overflowMm: z.number(),
  })
  .meta({ id: 'LabelLayout' }) satisfies z.ZodType<LabelLayout>;

/** A label with its dates, set in type. */
export const setLabelSchema = z
  .strictObject({
    blocks: z.array(
      z.strictObject({
        kind: z.enum(['name', 'food', 'ingredients', 'contains', 'also', 'dates', 'maker', 'statement', 'net']),
        heading: z.string(),
        text: z.string(),
      }),
    ),
    netLetterMm: z.number(),
    textLetterMm: z.number(),
    findings: z.array(findingSchema),
    run: labelRunSchema.nullable(),
    layout: layoutSchema,
  })
  .meta({ id: 'SetLabel' }) satisfies z.ZodType<Label>;
export type SetLabel = Answer<typeof setLabelSchema>;
