import { z } from 'zod';
import { amountSchema, densitySchema, gramsSchema, percentSchema, unitSchema } from '../quantity/index.js';
import { daySchema, filedShape, idSchema, minorSchema, nameSchema, noteSchema, storedShape } from '../record/index.js';
import { allergenCodes } from './allergen.js';
import { partNames } from './parts.js';

export const allergenSchema = z.enum(allergenCodes).meta({ id: 'Allergen' });

/** Each code once; a list that names one twice is refused. */
export const distinct = <T>(item: z.ZodType<T>) =>
  z.array(item).refine((list) => new Set(list).size === list.length, 'names one twice');

const daysSchema = (most: number) =>
  z.int('must be whole days').min(0, 'must not be negative').max(most, 'is absurdly long');

/** One way in which it is sold. */
export const packSchema = z
  .strictObject({
    name: nameSchema(60),
    amount: amountSchema,
    unit: unitSchema,
    priceMinor: minorSchema,
    supplier: z.string().trim().max(60).default(''),
    /** Days from ordering it until it is there. */
    leadDays: daysSchema(120).default(0),
  })
  .meta({ id: 'Pack' });

/** A part of what is on hand that must be used by a day. */
const lotSchema = z.strictObject({ grams: amountSchema, useBy: daySchema }).meta({ id: 'StockLot' });

const SUM_TOLERANCE = 1;

/** Parts of 100 g; together 100 within 1 g. */
const compositionSchema = z
  .strictObject({
    water: percentSchema(),
    sucrose: percentSchema(),
    glucose: percentSchema(),
    fructose: percentSchema(),
    lactose: percentSchema(),
    maltose: percentSchema(),
    /** The longer chains of a glucose syrup: dissolved like sugars, and no sugar. */
    dextrin: percentSchema().default(0),
    otherCarbohydrate: percentSchema(),
    fat: percentSchema(),
    protein: percentSchema(),
    ethanol: percentSchema(),
    ash: percentSchema(),
    /** How much of the fat is cocoa butter, and how much milk fat. */
    cocoaButter: percentSchema().default(0),
    milkFat: percentSchema().default(0),
    /** The table, label or memory that the figures come from. */
    source: z.string().trim().max(200).default(''),
  })
  .refine(
    (parts) => Math.abs(partNames.reduce((sum, name) => sum + parts[name], 0) - 100) <= SUM_TOLERANCE,
    'the parts must add up to 100 g within 1 g',
  )
  .refine(({ fat, cocoaButter, milkFat }) => cocoaButter + milkFat <= fat + SUM_TOLERANCE, {
    message: 'cocoa butter and milk fat must not be more than the fat',
    path: ['cocoaButter'],
  })
  .meta({ id: 'Composition' });

/** A name in French; '' where nobody has said it. */
const frenchSchema = z.string().trim().max(200).default('');

/** What the label calls it, and its own ingredients in descending order. */
const declarationSchema = z
  .strictObject({
    labelName: nameSchema(120),
    /** The same in French, for Canada; '' where nobody has said it. */
    french: frenchSchema,
    parts: z
      .array(
        z.strictObject({
          name: nameSchema(200),
          percent: percentSchema().nullable().default(null),
          french: frenchSchema,
        }),
      )
      .max(60)
      .default([]),
  })
  .meta({ id: 'Declaration' });

/** Another ingredient that may stand in for this one. */
const substituteSchema = z
  .strictObject({
    ingredientId: idSchema,
    /** Grams of the other for one gram of this. */
    ratio: z.number('must be a number').positive('must be more than zero').max(20, 'is absurdly large'),
    note: z.string().trim().max(300).default(''),
  })
  .meta({ id: 'Substitute' });

/** What was paid for a pack, and since when. */
const priceSchema = z
  .strictObject({ on: daySchema, pack: nameSchema(60), priceMinor: minorSchema })
  .meta({ id: 'PricePoint' });

export const chocolateKinds = ['dark', 'milk', 'white'] as const;

/** Properties that ask for a caution where the ingredient is used. */
export const ingredientTraits = ['raw egg', 'honey', 'spirit', 'bicarbonate', 'gelatine', 'nut'] as const;

/** What the maker writes of an ingredient. */
export const ingredientDraftSchema = z
  .strictObject({
    name: nameSchema(),
    packs: z.array(packSchema).max(20).default([]),
    densities: z
      .array(densitySchema)
      .max(12)
      .refine((list) => new Set(list.map((each) => each.state)).size === list.length, 'names one state twice')
      .default([]),
    pieceGrams: amountSchema.nullable().default(null),
    composition: compositionSchema.nullable().default(null),
    declaration: declarationSchema,
    contains: distinct(allergenSchema).default([]),
    mayContain: distinct(allergenSchema).default([]),
    /** All of it; what no lot names keeps. */
    onHandGrams: gramsSchema.default(0),
    lots: z.array(lotSchema).max(50).default([]),
    /** How long it keeps once it is bought; null for what keeps all season. */
    keepsDays: daysSchema(730).nullable().default(null),
    /** Which chocolate it is, for tempering and for the balance of a ganache. */
    chocolate: z.enum(chocolateKinds).nullable().default(null),
    /** What asks for a caution where it is used. */
    traits: distinct(z.enum(ingredientTraits)).default([]),
    substitutes: z.array(substituteSchema).max(20).default([]),
    prices: z.array(priceSchema).max(500).default([]),
    notes: noteSchema,
  })
  .refine(
    ({ lots, onHandGrams }) => lots.reduce((left, { grams }) => left - grams, Math.max(0, onHandGrams)) >= -1e-6,
    {
      message: 'holds more than is on hand',
      path: ['lots'],
    },
  )
  .meta({ id: 'IngredientDraft' });

export const ingredientFiledSchema = ingredientDraftSchema.safeExtend(filedShape).meta({ id: 'IngredientFiled' });
export const ingredientSchema = ingredientDraftSchema.safeExtend(storedShape).meta({ id: 'Ingredient' });

export type Pack = z.infer<typeof packSchema>;
export type Composition = z.infer<typeof compositionSchema>;
export type ChocolateKind = (typeof chocolateKinds)[number];
export type IngredientTrait = (typeof ingredientTraits)[number];
export type IngredientDraft = z.infer<typeof ingredientDraftSchema>;
export type IngredientFiled = z.infer<typeof ingredientFiledSchema>;
export type Ingredient = z.infer<typeof ingredientSchema>;
