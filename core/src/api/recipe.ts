import { z } from 'zod';
import { foamFactors, type WaterActivity } from '../cooking/index.js';
import { allergenCodes, chocolateKinds } from '../ingredient/index.js';
import { measureHabits } from '../kitchen/index.js';
import { unitSchema } from '../quantity/index.js';
import type { ReadLine } from '../reading/index.js';
import { lineSchema, recipeDraftSchema, type RecipeEstimate } from '../recipe/index.js';
import type { Answer } from './answer.js';

const grams = z.number();
const foamingSchema = z.enum(Object.keys(foamFactors) as [keyof typeof foamFactors, ...(keyof typeof foamFactors)[]]);
const partsSchema = z
  .strictObject({
    water: grams,
    sucrose: grams,
    glucose: grams,
    fructose: grams,
    lactose: grams,
    maltose: grams,
    dextrin: grams,
    otherCarbohydrate: grams,
    fat: grams,
    protein: grams,
    ethanol: grams,
    ash: grams,
  })
  .meta({ id: 'Parts' });

/** What follows from a recipe's lines: masses of its base batch, g. */
export const recipeFiguresSchema = z
  .strictObject({
    lineGrams: z.array(grams),
    rawGrams: grams,
    yieldGrams: grams,
    /** By ingredient id, what goes into one gram. */
    ingredientsPerGram: z.record(z.string(), grams),
    /** By ingredient id, what of it stands on the label for one gram. */
    listedPerGram: z.record(z.string(), grams),
    contains: z.array(z.enum(allergenCodes)),
    mayContain: z.array(z.enum(allergenCodes)),
    complete: z.boolean(),
  })
  .meta({ id: 'RecipeFigures' });
export type RecipeFigures = Answer<typeof recipeFiguresSchema>;

const waterActivitySchema = z.union([
  z.strictObject({
    norrish: z.number(),
    moneyBorn: z.number(),
    low: z.number(),
    high: z.number(),
    reading: z.enum(['below', 'may be above']),
  }),
  z.strictObject({ reading: z.literal('not estimated'), why: z.string() }),
]) satisfies z.ZodType<WaterActivity>;

/** Estimates of a finished recipe, by its composition. */
export const recipeEstimateSchema = z
  .strictObject({
    per100Grams: partsSchema.nullable(),
    /** Names of ingredients whose composition is not known. */
    unknown: z.array(z.string()),
    estimate: z
      .strictObject({
        waterActivity: waterActivitySchema,
        abv: z.number(),
        restricted: z.boolean(),
        energyKcal: z.number(),
        sugars: z.number(),
        sweetness: z.number(),
        cocoaButter: z.number(),
        milkFat: z.number(),
        ganache: z
          .strictObject({
            chocolateGrams: grams,
            darkWorthGrams: grams,
            liquidGrams: grams,
            ratio: z.number(),
            reads: z.string(),
            fat: z.number(),
            water: z.number(),
            sugars: z.number(),
            solids: z.number(),
          })
          .nullable(),
        tempers: z.enum(chocolateKinds).nullable(),
        doctors: z.number(),
      })
      .nullable() satisfies z.ZodType<RecipeEstimate | null>,
  })
  .meta({ id: 'RecipeEstimate' });

const potSchema = z.strictObject({ name: z.string(), litres: z.number() });
const rangeSchema = z.tuple([z.number(), z.number().nullable()]);

/** The steps of a recipe, with targets for this kitchen (C), cautions and masses (g); and the pot that the worst boiling needs. */
export const recipeMethodSchema = z
  .strictObject({
    pot: z
      .strictObject({
        boiling: z.strictObject({ step: z.number().nullable(), grams, foaming: foamingSchema }),
        needsLitres: z.number(),
        fits: potSchema.nullable(),
        largest: potSchema.nullable(),
        share: z.number().nullable(),
      })
      .nullable(),
    steps: z.array(
      z.strictObject({
        text: z.string(),
        target: z.strictObject({ recipe: rangeSchema, here: rangeSchema, stage: z.string().nullable() }).nullable(),
        cautions: z.array(z.string()),
        mass: z.strictObject({ grams, boiledOff: grams, lost: grams }).nullable(),
      }),
    ),
  })
  .meta({ id: 'RecipeMethod' });

/** Earlier versions of a recipe, the newest first. */
export const recipeVersionsSchema = z
  .array(
    z
      .strictObject({ version: z.int(), replacedOn: z.string(), draft: recipeDraftSchema })
      .meta({ id: 'RecipeVersion' }),
  )
  .meta({ id: 'RecipeVersions' });
export type RecipeVersion = z.output<typeof recipeVersionsSchema>[number];

/** Pasted text, and what its cups and spoons are; the kitchen's habit when that is not said. */
export const readLinesSchema = z
  .strictObject({
    text: z.string().max(20_000, 'is longer than any recipe: 20,000 characters can be read at once'),
    habit: z.enum(measureHabits).optional(),
  })
  .meta({ id: 'ReadLines' });
export type ReadLines = z.output<typeof readLinesSchema>;

const usableSchema = z.strictObject({ kind: z.enum(['ingredient', 'recipe']), id: z.string(), name: z.string() });

/** Pasted lines and what was understood of each. */
export const linesReadSchema = z
  .array(
    z
      .strictObject({
        source: z.string(),
        kind: z.enum(['line', 'heading']),
        line: lineSchema.nullable(),
        sure: z.strictObject({
          amount: z.number().nullable(),
          unit: unitSchema.nullable(),
          state: z.string().nullable(),
          note: z.string(),
        }),
        either: z.array(z.strictObject({ amount: z.number(), unit: unitSchema })),
        name: z.string(),
        found: usableSchema.nullable(),
        candidates: z.array(usableSchema),
        remarks: z.array(z.string()),
        questions: z.array(z.string()),
      })
      .meta({ id: 'ReadLine' }),
  )
  .meta({ id: 'LinesRead' }) satisfies z.ZodType<readonly ReadLine[]>;
