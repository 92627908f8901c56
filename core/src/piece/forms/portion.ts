import { z } from 'zod';
import { amountSchema } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import { byWeight, type BodyKind } from './kind.js';

/** A jar, a bag or a tart of one fill. */
export const portionSchema = z
  .strictObject({ kind: z.literal('portion'), recipeId: idSchema, fillGrams: amountSchema })
  .meta({ id: 'PortionForm' });

export const portion: BodyKind<z.infer<typeof portionSchema>> = {
  fresh: (recipeId) => ({ kind: 'portion', recipeId, fillGrams: 150 }),
  recipeId: ({ recipeId }) => recipeId,
  piecesIn: byWeight(({ fillGrams }) => fillGrams),
  weight: ({ fillGrams }) => ({ grams: fillGrams, drawnGrams: fillGrams }),
  moreParts: () => [],
  // No form tells how big a jar or a bag is.
  sides: () => null,
  findings: () => [],
};
