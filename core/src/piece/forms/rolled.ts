import { z } from 'zod';
import { amountSchema } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import { ball, byWeight, type BodyKind } from './kind.js';
import { finishPart, finishSchema } from './schema.js';

/** Portions by weight, rolled, with or without a finish such as cocoa. */
export const rolledSchema = z
  .strictObject({
    kind: z.literal('rolled'),
    recipeId: idSchema,
    centreGrams: amountSchema,
    finish: finishSchema,
  })
  .meta({ id: 'RolledForm' });

export const rolled: BodyKind<z.infer<typeof rolledSchema>> = {
  fresh: (recipeId) => ({ kind: 'rolled', recipeId, centreGrams: 12, finish: null }),
  recipeId: ({ recipeId }) => recipeId,
  piecesIn: byWeight(({ centreGrams }) => centreGrams),
  weight: ({ centreGrams }) => ({ grams: centreGrams, drawnGrams: centreGrams }),
  moreParts: ({ finish }) => finishPart(finish),
  sides: (_form, grams) => ball(grams),
  findings: () => [],
};
