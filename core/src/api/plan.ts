import { z } from 'zod';
import type { Finding } from '../finding/index.js';
import { allergenCodes } from '../ingredient/index.js';
import { orderDraftSchema, orderStates } from '../order/index.js';
import { mouldStages, pieceDraftSchema } from '../piece/index.js';
import {
  decisionSchema,
  nutClasses,
  type HandOverDay,
  type LabelRun,
  type Plan,
  type PlanWork,
} from '../plan/index.js';
import type { PlanJob, WhatIfAnswer } from '../programme/index.js';
import { conventionsSchema } from '../quantity/index.js';
import { schoolCodeSchema } from '../kitchen/index.js';
import { daySchema, idSchema } from '../record/index.js';
import type { ShoppingLine } from '../shopping/index.js';
import type { Answer } from './answer.js';
import { batchCountSchema, countFindings, findingCountsSchema, waysOutSchema } from './finding.js';

const packedShape = {
  edition: z.number().nullable(),
  without: z.array(z.string()),
  leaveOut: z.boolean(),
  school: schoolCodeSchema.nullable(),
  standIns: z.array(z.strictObject({ pieceId: z.string(), withId: z.string() })),
};

const pegSchema = z
  .strictObject({
    kind: z.enum(['recipe', 'piece']),
    id: z.string(),
    name: z.string(),
    role: z.enum(['layer', 'body', 'finish', 'coating', 'shell', 'component']),
    pieces: z.number(),
    grams: z.number(),
    poolGrams: z.number(),
    on: z.string(),
    handOver: z.string().nullable(),
    window: z.strictObject({ from: z.string(), to: z.string() }),
  })
  .meta({ id: 'Peg' });

const runShape = {
  recipeId: z.string(),
  recipeName: z.string(),
  day: z.string(),
  batches: z.array(batchCountSchema),
  batchCount: z.number(),
  yieldGrams: z.number(),
  usedGrams: z.number(),
  poolGrams: z.number(),
  leftOverGrams: z.number(),
  sparePieces: z.number(),
  leftOverPieces: z.number().nullable(),
  pegs: z.array(pegSchema),
  handsMinutes: z.number(),
  pinned: z.boolean(),
};
const productionRunSchema = z.strictObject(runShape).meta({ id: 'ProductionRun' });
const madeRunSchema = z
  .strictObject({
    ...runShape,
    batchIds: z.array(z.string()),
    tried: z.array(batchCountSchema),
    finishedOn: z.string().nullable(),
  })
  .meta({ id: 'MadeRun' });

const finishingSchema = z
  .strictObject({
    pieceId: z.string(),
    pieceName: z.string(),
    day: z.string(),
    count: z.number(),
    madeOn: z.string(),
    handOver: z.string(),
    begun: z.string(),
    work: z.array(
      z.strictObject({
        day: z.string(),
        stage: z.number(),
        stages: z.array(z.enum(mouldStages)),
        pinned: z.boolean(),
        handsMinutes: z.number(),
      }),
    ),
  })
  .meta({ id: 'Finishing' });

const seasonDaySchema = z
  .strictObject({
    day: z.string(),
    benchMinutes: z.number(),
    makerMinutes: z.number(),
    sharedMinutes: z.number(),
    bookedMinutes: z.number(),
    readyMinutes: z.number(),
    doneMinutes: z.number(),
    humid: z.boolean(),
    runs: z.array(z.string()),
    packs: z.array(
      z.strictObject({
        boxId: z.string(),
        boxName: z.string(),
        handOver: z.string(),
        count: z.number(),
        minutes: z.number(),
        nuts: z.enum(nutClasses),
        ruledOut: z.array(z.string()),
        ...packedShape,
      }),
    ),
    handOvers: z.number(),
  })
  .meta({ id: 'SeasonDay' });

const mindedSchema = z
  .strictObject({ noun: z.enum(['recipe', 'piece', 'box']), id: z.string(), minds: z.array(z.enum(allergenCodes)) })
  .meta({ id: 'Minded' });

/** The part of a plan that the bench needs: what is made and finished on which day, and what is packed. */
export const planRunsSchema = z
  .strictObject({
    runs: z.array(productionRunSchema),
    made: z.array(madeRunSchema),
    finishings: z.array(finishingSchema),
    days: z.array(seasonDaySchema),
    minded: z.array(mindedSchema),
  })
  .meta({ id: 'PlanRuns' }) satisfies z.ZodType<PlanWork>;
export type PlanRuns = Answer<typeof planRunsSchema>;

/** A day of the season in short. */
const dayInShortSchema = z
  .strictObject({
    day: z.string(),
    benchMinutes: z.number(),
    bookedMinutes: z.number(),
    humid: z.boolean(),
    /** Names of the recipes begun on it. */
    runs: z.array(z.string()),
    packedBoxes: z.number(),
    handOvers: z.number(),
  })
  .meta({ id: 'DayInShort' });
export type DayInShort = Answer<typeof dayInShortSchema>;

/** The season in short: how much there is of everything, and its days. */
export const planSummarySchema = z
  .strictObject({
    today: z.string(),
    maker: z.string(),
    currency: z.string(),
    /** How figures and days are written. */
    conventions: conventionsSchema,
    solved: decisionSchema.shape.solved,
    /** Whether anything was decided about the days. */
    decided: z.boolean(),
    /** Whether it makes just what was decided. */
    follows: z.boolean(),
    orders: z.number(),
    leftOut: z.number(),
    boxes: z.number(),
    pieces: z.number(),
    batches: z.number(),
    madeBatches: z.number(),
    leftOverGrams: z.number(),
    /** Ingredients that must be bought. */
    toBuy: z.number(),
    shoppingCostMinor: z.number(),
    labels: z.number(),
    findings: findingCountsSchema,
    days: z.array(dayInShortSchema),
  })
  .meta({ id: 'PlanSummary' });
export type PlanSummary = Answer<typeof planSummarySchema>;

/** What stands beside a plan in its summary. */
type Beside = Pick<PlanSummary, 'today' | 'maker' | 'currency' | 'conventions' | 'solved' | 'decided' | 'follows'>;

/** A plan in short. @param beside what is known of it beside what follows from the orders */
export const planSummary = (plan: Plan, beside: Beside): PlanSummary => ({
  ...beside,
  orders: plan.orders,
  leftOut: plan.leftOut.length,
  boxes: plan.boxes,
  pieces: plan.pieces,
  batches: plan.batches,
  madeBatches: plan.made.reduce((sum, { batchCount }) => sum + batchCount, 0),
  leftOverGrams: plan.leftOverGrams,
  toBuy: new Set(plan.shopping.filter(({ packs }) => packs.length > 0).map(({ ingredientId }) => ingredientId)).size,
  shoppingCostMinor: plan.shoppingCostMinor,
  labels: plan.labels.reduce((sum, { count }) => sum + count, 0),
  findings: countFindings(plan.findings),
  days: plan.days.map(({ day, benchMinutes, bookedMinutes, humid, runs, packs, handOvers }) => ({
    day,
    benchMinutes,
    bookedMinutes,
    humid,
    runs,
    packedBoxes: packs.reduce((sum, { count }) => sum + count, 0),
    handOvers,
  })),
});

export const handOverDaysSchema = z
  .array(
    z
      .strictObject({
        day: z.string(),
        orders: z.array(
          z
            .strictObject({
              orderId: z.string(),
              customer: z.string(),
              way: orderDraftSchema.shape.handOver.shape.way,
              place: z.string(),
              state: z.enum(orderStates),
              boxes: z.number(),
              contents: z.array(
                z.strictObject({
                  boxName: z.string(),
                  count: z.number(),
                  changes: z.array(z.string()),
                  contains: z.array(z.enum(allergenCodes)),
                  travel: pieceDraftSchema.shape.travel,
                  ruledOut: z.array(z.string()),
                  breaches: z.array(
                    z.strictObject({
                      exclusion: z.string(),
                      what: z.array(z.string()),
                      pieceNames: z.array(z.string()),
                      agreed: z.boolean(),
                      /** Whether it is there only because something else went into a batch. */
                      asMade: z.boolean(),
                    }),
                  ),
                  ...packedShape,
                }),
              ),
              dueMinor: z.number(),
              /** Whether something must be decided about it. */
              toDecide: z.boolean(),
            })
            .meta({ id: 'HandOver' }),
        ),
      })
      .meta({ id: 'HandOverDay' }),
  )
  .meta({ id: 'HandOverDays' }) satisfies z.ZodType<readonly HandOverDay[]>;
export type HandOverDays = Answer<typeof handOverDaysSchema>;

/** Hand-overs with the word whether something must be decided about an order. */
export function withToDecide(days: readonly HandOverDay[], findings: readonly Finding[]): HandOverDays {
  const toDecide = new Set(
    findings.flatMap(({ about, severity }) => (about.noun === 'order' && severity !== 'know' ? [about.id] : [])),
  );
  return days.map(({ day, orders }) => ({
    day,
    orders: orders.map((order) => ({ ...order, toDecide: toDecide.has(order.orderId) })),
  }));
}

export const labelRunSchema = z
  .strictObject({
    boxId: z.string(),
    boxName: z.string(),
    handOver: z.string(),
    count: z.number(),
    madeOn: z.string(),
    bestBefore: z.string(),
    planned: z.boolean(),
    ...packedShape,
  })
  .meta({ id: 'LabelRun' }) satisfies z.ZodType<LabelRun>;
export const labelRunsSchema = z.array(labelRunSchema).meta({ id: 'LabelRuns' });

export const shoppingListSchema = z
  .array(
    z
      .strictObject({
        key: z.string(),
        ingredientId: z.string(),
        name: z.string(),
        neededGrams: z.number(),
        onHandGrams: z.number(),
        missingGrams: z.number(),
        packs: z.array(
          z
            .strictObject({
              name: z.string(),
              supplier: z.string(),
              grams: z.number(),
              count: z.number(),
              costMinor: z.number(),
              leadDays: z.number(),
            })
            .meta({ id: 'PackCount' }),
        ),
        costMinor: z.number(),
        leftGrams: z.number(),
        spoiltGrams: z.number(),
        buyBy: z.string(),
        notBefore: z.string().nullable(),
        firstUse: z.string(),
        lastUse: z.string(),
        keepsDays: z.number().nullable(),
      })
      .meta({ id: 'ShoppingLine' }),
  )
  .meta({ id: 'ShoppingList' }) satisfies z.ZodType<readonly ShoppingLine[]>;

export const planJobSchema = z
  .strictObject({
    state: z.enum(['idle', 'running', 'done', 'stopped', 'failed']),
    kind: z.enum(['plan', 'what-if']),
    startedAt: z.string().nullable(),
    objective: z.number().nullable(),
    bound: z.number().nullable(),
    message: z.string(),
    clash: z.array(z.string()),
    waysOut: waysOutSchema,
  })
  .meta({ id: 'PlanJob' }) satisfies z.ZodType<PlanJob>;

const planSumSchema = z
  .strictObject({
    batches: z.number(),
    handsMinutes: z.number(),
    overMinutes: z.number(),
    shoppingMinor: z.number(),
    leftOverGrams: z.number(),
    broken: z.array(z.string()),
    runs: z.array(z.strictObject({ recipeName: z.string(), day: z.string() })),
  })
  .meta({ id: 'PlanSum' });
export const whatIfAnswerSchema = z
  .strictObject({
    before: planSumSchema,
    after: planSumSchema.nullable(),
    clash: z.array(z.string()),
    waysOut: waysOutSchema,
  })
  .meta({ id: 'WhatIfAnswer' }) satisfies z.ZodType<WhatIfAnswer>;

/** A run that is to be made on another day. */
export const moveRunSchema = z
  .strictObject({ recipeId: idSchema, from: daySchema, to: daySchema })
  .meta({ id: 'MoveRun' });
export type MoveRun = z.output<typeof moveRunSchema>;

/** A stage of finishing pieces, from 0, that is to be done on another day: of one hand-over, or of all that are finished then. */
export const moveStageSchema = z
  .strictObject({
    pieceId: idSchema,
    stage: z.int().min(0).max(10),
    from: daySchema,
    to: daySchema,
    handOver: daySchema.nullable().default(null),
  })
  .meta({ id: 'MoveStage' });

/** A run that is to stay on its day, or not any more. */
export const pinRunSchema = z
  .strictObject({ recipeId: idSchema, day: daySchema, pinned: z.boolean() })
  .meta({ id: 'PinRun' });
export type PinRun = z.output<typeof pinRunSchema>;
