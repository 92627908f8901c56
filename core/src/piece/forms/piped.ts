import { z } from 'zod';
import { amountSchema } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import { ball, byWeight, type BodyKind } from './kind.js';
import { finishPart, finishSchema } from './schema.js';

/** Deposited by a bag or a spoon, dusted or not. */
export const pipedSchema = z
  .strictObject({ kind: z.literal('piped'), recipeId: idSchema, depositGrams: amountSchema, finish: finishSchema })
  .meta({ id: 'PipedForm' });

export const piped: BodyKind<z.infer<typeof pipedSchema>> = {
  fresh: (recipeId) => ({ kind: 'piped', recipeId, depositGrams: 8, finish: null }),
  recipeId: ({ recipeId }) => recipeId,
  piecesIn: byWeight(({ depositGrams }) => depositGrams),
  weight: ({ depositGrams }) => ({ grams: depositGrams, drawnGrams: depositGrams }),
  moreParts: ({ finish }) => finishPart(finish),
  sides: (_form, grams) => ball(grams),
  findings: () => [],
};
