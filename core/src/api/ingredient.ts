import { z } from 'zod';
import { ingredientSchema, packSchema } from '../ingredient/index.js';
import { idSchema, versionSchema } from '../record/index.js';

/** What was paid for packs of several ingredients. */
export const pricesSchema = z
  .strictObject({
    prices: z
      .array(z.strictObject({ id: idSchema, version: versionSchema, packs: z.array(packSchema).min(1).max(20) }))
      .min(1)
      .max(500),
  })
  .meta({ id: 'Prices' });
export type Prices = z.output<typeof pricesSchema>;

/** Plain ingredients that come into the pantry. */
export const takeStartersSchema = z
  .strictObject({ ids: z.array(idSchema).min(1).max(200) })
  .meta({ id: 'TakeStarters' });
export type TakeStarters = z.output<typeof takeStartersSchema>;

/** Ingredients as they are stored now. */
export const ingredientsSchema = z.array(ingredientSchema).meta({ id: 'Ingredients' });
