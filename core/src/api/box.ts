import { z } from 'zod';
import { boxDraftSchema } from '../box/index.js';
import { aims, type Composition } from '../compose/index.js';
import { allergenCodes } from '../ingredient/index.js';
import type { BoxCost } from '../money/index.js';
import { exclusionSchema } from '../order/index.js';
import type { Answer } from './answer.js';
import { findingSchema } from './finding.js';

/** What follows from a box and its pieces; masses in g. */
export const boxFiguresSchema = z
  .strictObject({
    pieces: z.array(z.strictObject({ pieceId: z.string(), count: z.number() })),
    pieceCount: z.number(),
    weightGrams: z.number(),
    grossGrams: z.number(),
    contains: z.array(z.enum(allergenCodes)),
    mayContain: z.array(z.enum(allergenCodes)),
    ingredientIds: z.array(z.string()),
    keeps: z.strictObject({ days: z.number(), pieceName: z.string() }).nullable(),
    travel: z.enum(['travels', 'keep cool', 'local only']),
    complete: z.boolean(),
    findings: z.array(findingSchema),
  })
  .meta({ id: 'BoxFigures' });
export type BoxFigures = Answer<typeof boxFiguresSchema>;

/** What each box costs and brings, minor units. */
export const boxCostsSchema = z
  .array(
    z
      .strictObject({
        boxId: z.string(),
        name: z.string(),
        ingredientsMinor: z.number(),
        packagingMinor: z.number(),
        handsMinor: z.number(),
        costMinor: z.number(),
        priceMinor: z.number(),
        profitMinor: z.number(),
        contributionMinor: z.number(),
        marginPercent: z.number().nullable(),
        markupPercent: z.number().nullable(),
        handsMinutes: z.number(),
        perBenchHourMinor: z.number().nullable(),
        pieces: z.array(
          z.strictObject({
            pieceId: z.string(),
            name: z.string(),
            count: z.number(),
            ingredientsMinor: z.number(),
          }),
        ),
        unpriced: z.array(z.string()),
      })
      .meta({ id: 'BoxCost' }),
  )
  .meta({ id: 'BoxCosts' }) satisfies z.ZodType<readonly BoxCost[]>;

const count = z.int('must be a whole number').min(1, 'must be one or more');

/** What a composed box is to be. */
export const composeWishSchema = z
  .strictObject({
    box: boxDraftSchema,
    without: z.array(exclusionSchema).max(40).default([]),
    /** Whether pieces may be used whose suppliers speak of traces of that. */
    traces: z.boolean().default(false),
    leastKinds: count.max(60),
    mostOfOne: count.max(288),
    leastMarginPercent: z.number('must be a number').min(0, 'must not be negative').max(99, 'must be less than 100'),
    boxes: count.max(5000),
    /** Whether they must be made in the bench time that the season has to spare. */
    withinSpareTime: z.boolean().default(false),
  })
  .meta({ id: 'ComposeWish' });
export type ComposeRequest = z.output<typeof composeWishSchema>;

/** Proposals for a box, or the fewest wishes that cannot all be kept. */
export const compositionsSchema = z
  .strictObject({
    proposals: z.array(
      z
        .strictObject({
          aim: z.enum(aims),
          cells: boxDraftSchema.shape.cells,
          pieces: z.array(z.strictObject({ pieceId: z.string(), count: z.number() })),
          kinds: z.number(),
          costMinor: z.number(),
          marginPercent: z.number(),
          handsMinutes: z.number(),
          why: z.array(z.string()),
        })
        .meta({ id: 'Proposal' }),
    ),
    clash: z.array(z.string()),
    traces: z.array(z.string()),
  })
  .meta({ id: 'Compositions' }) satisfies z.ZodType<Composition>;
