import { z } from 'zod';
import { batchSchema } from '../batch/index.js';
import { boxSchema } from '../box/index.js';
import { ingredientSchema } from '../ingredient/index.js';
import { kitchenDraftSchema } from '../kitchen/index.js';
import { pieceSchema } from '../piece/index.js';
import { recipeSchema } from '../recipe/index.js';
import { seasonFileSchema } from '../season-file/index.js';

/** The settings as they are stored; a kitchen that has never been set has version 0. */
export const storedKitchenSchema = kitchenDraftSchema
  .safeExtend({ version: z.int().min(0) })
  .meta({ id: 'StoredKitchen' });
export type StoredKitchen = z.output<typeof storedKitchenSchema>;

/** Settings, pantry, recipes, pieces, boxes and batches together: what a page needs to work out a draft at once. */
export const bookSchema = z
  .strictObject({
    kitchen: storedKitchenSchema,
    ingredients: z.array(ingredientSchema),
    recipes: z.array(recipeSchema),
    pieces: z.array(pieceSchema),
    boxes: z.array(boxSchema),
    batches: z.array(batchSchema),
    today: z.string(),
  })
  .meta({ id: 'Book' });
export type BookAnswer = z.output<typeof bookSchema>;

/** Everything that is kept, as one file. */
export const seasonFileAnswerSchema = seasonFileSchema.meta({ id: 'SeasonFile' });
