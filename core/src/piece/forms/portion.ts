import { z } from 'zod';
import { amountSchema } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import { byWeight, type BodyKind } from './kind.js';
import { finishPart, finishSchema, layerParts, layersSchema } from './schema.js';

/** A jar or a bag of one fill, or a tart: a case with a fill and layers. */
export const portionSchema = z
  .strictObject({
    kind: z.literal('portion'),
    recipeId: idSchema,
    fillGrams: amountSchema,
    layers: layersSchema,
    finish: finishSchema,
  })
  .meta({ id: 'PortionForm' });

export const portion: BodyKind<z.infer<typeof portionSchema>> = {
  fresh: (recipeId) => ({ kind: 'portion', recipeId, fillGrams: 150, layers: [], finish: null }),
  recipeId: ({ recipeId }) => recipeId,
  piecesIn: byWeight(({ fillGrams }) => fillGrams),
  weight: ({ fillGrams }) => ({ grams: fillGrams, drawnGrams: fillGrams }),
  moreParts: ({ layers, finish }) => [...layerParts(layers), ...finishPart(finish)],
  // No form tells how big a jar or a bag is.
  sides: () => null,
  findings: () => [],
};
