import { z } from 'zod';
import { alcoholRules, alcoholUses, foamings } from '../cooking/index.js';
import { amountSchema, percentSchema, unitSchema } from '../quantity/index.js';
import { daySchema, filedShape, idSchema, nameSchema, noteSchema, storedShape } from '../record/index.js';
import { airLimitSchema, ANY_AIR, standsColdSchema } from '../room/index.js';

/** One line: an amount of an ingredient, or of another recipe (a component). */
export const lineSchema = z
  .strictObject({
    uses: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('ingredient'), id: idSchema }),
      z.strictObject({ kind: z.literal('recipe'), id: idSchema }),
    ]),
    amount: amountSchema,
    unit: unitSchema,
    /** Which density of the ingredient applies; null takes its first. */
    state: z.string().trim().max(30).nullable().default(null),
    note: z.string().trim().max(200).default(''),
    /** Goes in after the last cooking or reducing, so that nothing of it boils off. */
    afterCook: z.boolean().default(false),
    /** The step before which it goes in, counted from 0; null for the first, or behind the last cooking. */
    atStep: z.int().min(0).max(40).nullable().default(null),
    /** What is done with the alcohol in it; null as the recipe says. */
    alcohol: z.enum(alcoholUses).nullable().default(null),
  })
  .meta({ id: 'RecipeLine' });

/** The finished mass of the base batch: weighed, the raw mass less a loss, or what the steps leave of it. */
const yieldSchema = z
  .discriminatedUnion('by', [
    z.strictObject({ by: z.literal('loss'), lossPercent: percentSchema(95) }),
    z.strictObject({ by: z.literal('weighed'), grams: amountSchema }),
    z.strictObject({ by: z.literal('steps') }),
  ])
  .meta({ id: 'Yield' });

/** What a number means to the maker: a plan may bend a habit and must never bend a limit. */
export const numberKinds = ['limit', 'target', 'window', 'minimum', 'habit', 'guess'] as const;
const numberKindSchema = z.enum(numberKinds).meta({ id: 'NumberKind' });

const celsiusSchema = z
  .number('must be a number')
  .min(-40, 'is colder than any freezer here')
  .max(260, 'is hotter than any sugar');
const minutesSchema = (most: number) =>
  z.number('must be a number').min(0, 'must not be negative').max(most, 'is absurdly long');
/** Some fruit steeps, and some cakes ripen, for months. */
const LONGEST_REST = 200_000;
const lossSchema = percentSchema(95);

/** What a step does to the mass. */
const effectSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('none') }),
    /** Boils water off until the syrup reaches the target of the step. */
    z.strictObject({ kind: z.literal('cook') }),
    z.strictObject({ kind: z.literal('reduce'), toGrams: amountSchema }),
    z.strictObject({ kind: z.literal('strain'), lossPercent: lossSchema }),
    z.strictObject({ kind: z.literal('trim'), lossPercent: lossSchema }),
    z.strictObject({ kind: z.literal('stick'), lossPercent: lossSchema }),
  ])
  .meta({ id: 'StepEffect' });

/** So long may the text of a step be. */
export const mostStepCharacters = 1000;

/** One step of the method. Temperatures are those at sea level with a true thermometer. */
export const stepSchema = z
  .strictObject({
    text: z.string().trim().min(1, 'must not be empty').max(mostStepCharacters),
    /** Minutes of the maker's hands. */
    handsMinutes: minutesSchema(600).default(0),
    /** A wait for the clock alone: as it usually goes, and as long as is safe to plan for. */
    rest: z
      .strictObject({
        typicalMinutes: minutesSchema(LONGEST_REST),
        safeMinutes: minutesSchema(LONGEST_REST),
        kind: numberKindSchema,
      })
      .refine(({ typicalMinutes, safeMinutes }) => safeMinutes >= typicalMinutes, {
        message: 'must not be shorter than the usual time',
        path: ['safeMinutes'],
      })
      .nullable()
      .default(null),
    /** Whether its times grow with the batch. */
    growsWithBatch: z.boolean().default(false),
    target: z
      .strictObject({
        celsius: celsiusSchema,
        /** The other end of a window. */
        upToCelsius: celsiusSchema.nullable().default(null),
        kind: numberKindSchema,
        /** A boiling syrup's target falls with the altitude; that of melted chocolate does not. */
        boils: z.boolean(),
      })
      .refine(({ celsius, upToCelsius }) => upToCelsius === null || upToCelsius > celsius, {
        message: 'must be above the lower end',
        path: ['upToCelsius'],
      })
      .nullable()
      .default(null),
    equipment: z.array(nameSchema(60)).max(10).default([]),
    doneWhen: z.string().trim().max(300).default(''),
    caution: z.string().trim().max(300).default(''),
    ifWrong: z.string().trim().max(500).default(''),
    effect: effectSchema.default({ kind: 'none' }),
  })
  .refine(({ effect, target }) => effect.kind !== 'cook' || target?.boils === true, {
    message: 'a step that cooks needs a target of a boiling syrup',
    path: ['target'],
  })
  .meta({ id: 'RecipeStep' });

/** A recipe that is another one with some ingredients swapped: everything else is the other's. */
const variantSchema = z
  .strictObject({
    recipeId: idSchema,
    swaps: z
      .array(
        z.strictObject({
          ingredientId: idSchema,
          withId: idSchema,
          ratio: z.number('must be a number').positive('must be more than zero').max(20, 'is absurdly large'),
          /** How much of each line is swapped, 1 for all of it. */
          share: z.number('must be a number').positive('must be more than zero').max(1, 'is more than all').default(1),
        }),
      )
      .min(1, 'must swap something')
      .max(20),
  })
  .meta({ id: 'Variant' });

/** Multiple of the base batch that is made at once. */
export const batchSizeSchema = z
  .number('must be a number')
  .min(0.05, 'must be 0.05 or more')
  .max(100, 'must be 100 or less');

/** What one batch really gave. */
const weighedYieldSchema = z
  .strictObject({
    on: daySchema,
    /** Multiple of the base batch that was made. */
    size: batchSizeSchema.default(1),
    grams: amountSchema,
  })
  .meta({ id: 'WeighedYield' });

const days = (most: number) => z.int('must be whole days').min(0, 'must not be negative').max(most);

/** What the maker writes of a recipe. */
export const recipeDraftSchema = z
  .strictObject({
    name: nameSchema(),
    lines: z.array(lineSchema).max(80).default([]),
    yield: yieldSchema,
    /** Multiples of the base batch that may be made at once. */
    batchSizes: z
      .array(batchSizeSchema)
      .min(1, 'must allow at least one size')
      .max(12)
      .refine((list) => new Set(list).size === list.length, 'names one size twice'),
    /** Whether a batch may have any size between the least and the largest of these, as what is weighed and does not boil may. */
    anySize: z.boolean().default(false),
    /** Minutes of the maker's hands for one batch of any allowed size. */
    handsMinutes: z.number('must be a number').min(0, 'must not be negative').max(1440),
    /** How long it keeps as a component. */
    keepsDays: days(730),
    /** How long it must rest before it can be used: 0 on the same day, 1 overnight. */
    restDays: days(60),
    method: noteSchema,
    steps: z.array(stepSchema).max(40).default([]),
    /** How it behaves in the pot. */
    foaming: z.enum(foamings).default('does not boil'),
    /** Sugar crystallises in it, as in fudge. */
    grains: z.boolean().default(false),
    /** Draws damp from the air: wants a dry room and a tight pack. */
    hygroscopic: z.boolean().default(false),
    /** How warm and how damp the room may be in which it is made. */
    air: airLimitSchema.default(ANY_AIR),
    /** Where it stands from its making until it is used; null for the bench or a shelf. */
    stands: standsColdSchema.nullable().default(null),
    /** What is done with the alcohol in it, where a line does not say. */
    alcohol: z.enum(alcoholRules).default('by the steps'),
    variantOf: variantSchema.nullable().default(null),
    /** Batches that were weighed when they were done: from their spread comes what is made to spare. */
    weighedYields: z.array(weighedYieldSchema).max(200).default([]),
  })
  .meta({ id: 'RecipeDraft' });

export const recipeFiledSchema = recipeDraftSchema.safeExtend(filedShape).meta({ id: 'RecipeFiled' });
export const recipeSchema = recipeDraftSchema.safeExtend(storedShape).meta({ id: 'Recipe' });

export type NumberKind = (typeof numberKinds)[number];
export type RecipeStep = z.infer<typeof stepSchema>;
export type Variant = z.infer<typeof variantSchema>;
export type Swap = Variant['swaps'][number];
export type RecipeLine = z.infer<typeof lineSchema>;

/** A line that goes in at the start, its alcohol as the recipe says. */
export const fromStart = { afterCook: false, atStep: null, alcohol: null } as const;
export type RecipeDraft = z.infer<typeof recipeDraftSchema>;
export type RecipeFiled = z.infer<typeof recipeFiledSchema>;
export type Recipe = z.infer<typeof recipeSchema>;
