import { z } from 'zod';
import { findingCodes, severities, type Finding, type WayOut } from '../finding/index.js';
import type { Answer } from './answer.js';

const subjectSchema = z
  .strictObject({
    noun: z.enum(['ingredient', 'recipe', 'piece', 'box', 'order', 'kitchen', 'day']),
    id: z.string(),
    name: z.string(),
  })
  .meta({ id: 'Subject' });

export const batchCountSchema = z.strictObject({ size: z.number(), count: z.number() }).meta({ id: 'BatchCount' });

const ofOrder = { orderId: z.string() };
const ofBox = { ...ofOrder, boxId: z.string() };
export const wayOutSchema = z
  .strictObject({
    label: z.string(),
    action: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('open'), subject: subjectSchema }),
      z.strictObject({
        kind: z.literal('swap-box'),
        ...ofOrder,
        fromBoxId: z.string(),
        without: z.array(z.string()),
        toBoxId: z.string(),
      }),
      z.strictObject({
        kind: z.literal('stand-in'),
        ...ofBox,
        standIns: z.array(z.strictObject({ pieceId: z.string(), withId: z.string() })),
      }),
      z.strictObject({ kind: z.literal('copy'), text: z.string() }),
      z.strictObject({ kind: z.literal('agree'), ...ofBox, exclusion: z.string() }),
      z.strictObject({
        kind: z.literal('leave-out'),
        ...ofBox,
        without: z.array(z.string()),
        lessMinor: z.number(),
      }),
      z.strictObject({ kind: z.literal('move-order'), ...ofOrder, to: z.string() }),
      z.strictObject({ kind: z.literal('give-prices') }),
      z.strictObject({ kind: z.literal('plan-again') }),
      z.strictObject({ kind: z.literal('move-run'), recipeId: z.string(), from: z.string(), to: z.string() }),
      z.strictObject({ kind: z.literal('overtime'), minutes: z.number() }),
      z.strictObject({
        kind: z.literal('say-made'),
        recipeId: z.string(),
        recipeName: z.string(),
        on: z.string(),
        batches: z.array(batchCountSchema),
      }),
      z.strictObject({ kind: z.literal('renew-box'), ...ofBox }),
    ]),
  })
  .meta({ id: 'WayOut' }) satisfies z.ZodType<WayOut>;

export const waysOutSchema = z.array(wayOutSchema);

export const findingSchema = z
  .strictObject({
    code: z.enum(findingCodes),
    key: z.string(),
    severity: z.enum(severities),
    about: subjectSchema,
    message: z.string(),
    waysOut: waysOutSchema,
    amount: z.number(),
  })
  .meta({ id: 'Finding' }) satisfies z.ZodType<Finding>;

/** How many findings there are, by severity and by code. */
export const findingCountsSchema = z
  .strictObject({
    stop: z.int(),
    decide: z.int(),
    know: z.int(),
    codes: z.partialRecord(z.enum(findingCodes), z.int()),
  })
  .meta({ id: 'FindingCounts' });
export type FindingCounts = Answer<typeof findingCountsSchema>;

/** A part of the findings, the gravest first. */
export const findingPageSchema = z
  .strictObject({ items: z.array(findingSchema), total: z.int(), page: z.int(), size: z.int() })
  .meta({ id: 'FindingPage' });
export type FindingPage = Answer<typeof findingPageSchema>;

/** Counts findings by severity and by code. */
export function countFindings(findings: readonly Finding[]): FindingCounts {
  const counts = { stop: 0, decide: 0, know: 0 };
  const codes: Partial<Record<Finding['code'], number>> = {};
  for (const { severity, code } of findings) {
    counts[severity] += 1;
    codes[code] = (codes[code] ?? 0) + 1;
  }
  return { ...counts, codes };
}
