import { z } from 'zod';
import { amountSchema, densitySchema, gramsSchema, percentSchema, unitSchema } from '../quantity/index.js';
import { filedShape, minorSchema, nameSchema, noteSchema, storedShape } from '../record/index.js';
import { allergenCodes } from './allergen.js';

export const allergenSchema = z.enum(allergenCodes).meta({ id: 'Allergen' });

/** Each code once; a list that names one twice is refused. */
export const distinct = <T>(item: z.ZodType<T>) =>
  z.array(item).refine((list) => new Set(list).size === list.length, 'names one twice');

/** One way in which it is sold. */
const packSchema = z
  .strictObject({
    name: nameSchema(60),
    amount: amountSchema,
    unit: unitSchema,
    priceMinor: minorSchema,
    supplier: z.string().trim().max(60).default(''),
  })
  .meta({ id: 'Pack' });

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
    otherCarbohydrate: percentSchema(),
    fat: percentSchema(),
    protein: percentSchema(),
    ethanol: percentSchema(),
    ash: percentSchema(),
  })
  .refine(
    (parts) => Math.abs(Object.values(parts).reduce((sum, part) => sum + part, 0) - 100) <= SUM_TOLERANCE,
    'the parts must add up to 100 g within 1 g',
  )
  .meta({ id: 'Composition' });

/** What the label calls it, and its own ingredients in descending order. */
const declarationSchema = z
  .strictObject({
    labelName: nameSchema(120),
    parts: z
      .array(
        z.strictObject({
          name: nameSchema(200),
          percent: percentSchema().nullable().default(null),
        }),
      )
      .max(60)
      .default([]),
  })
  .meta({ id: 'Declaration' });

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
    onHandGrams: gramsSchema.default(0),
    notes: noteSchema,
  })
  .meta({ id: 'IngredientDraft' });

export const ingredientFiledSchema = ingredientDraftSchema.safeExtend(filedShape).meta({ id: 'IngredientFiled' });
export const ingredientSchema = ingredientDraftSchema.safeExtend(storedShape).meta({ id: 'Ingredient' });

export type Pack = z.infer<typeof packSchema>;
export type Composition = z.infer<typeof compositionSchema>;
export type IngredientDraft = z.infer<typeof ingredientDraftSchema>;
export type IngredientFiled = z.infer<typeof ingredientFiledSchema>;
export type Ingredient = z.infer<typeof ingredientSchema>;
