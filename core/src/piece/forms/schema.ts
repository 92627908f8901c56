import { z } from 'zod';
import { amountSchema } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import type { PiecePart } from '../part.js';

export const millimetres = z
  .number('must be a number')
  .positive('must be more than zero')
  .max(2000, 'is absurdly large');
export const smallMillimetres = z
  .number('must be a number')
  .min(0, 'must not be negative')
  .max(100, 'is absurdly large');

/** What a piece is rolled in or dusted with, g on each. */
export const finishSchema = z.strictObject({ recipeId: idSchema, gramsEach: amountSchema }).nullable().default(null);

/** What lies on the first layer of a slab or in a case beside its fill, from the bottom up, g in each. */
export const layersSchema = z
  .array(z.strictObject({ recipeId: idSchema, gramsEach: amountSchema }))
  .max(6)
  .default([]);

/** What comes on at the end. */
export const finishPart = (finish: z.infer<typeof finishSchema>): PiecePart[] => {
  if (!finish) return [];
  const { recipeId, gramsEach: grams } = finish;
  return [{ recipeId, role: 'finish', grams, drawnGrams: grams, readyGrams: grams }];
};

/** Further layers. @param used share of what is poured that stays in pieces; the rest is trimmed off */
export const layerParts = (layers: z.infer<typeof layersSchema>, used = 1): PiecePart[] =>
  layers.map(({ recipeId, gramsEach: grams }) => ({
    recipeId,
    role: 'layer',
    grams,
    drawnGrams: grams / used,
    readyGrams: grams / used,
  }));
