import { z } from 'zod';
import { amountSchema } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import { ball, byWeight, type BodyKind } from './kind.js';

/** Portions by weight, rolled, with or without a finish such as cocoa. */
export const rolledSchema = z
  .strictObject({
    kind: z.literal('rolled'),
    recipeId: idSchema,
    centreGrams: amountSchema,
    finish: z.strictObject({ recipeId: idSchema, gramsEach: amountSchema }).nullable().default(null),
  })
  .meta({ id: 'RolledForm' });

export const rolled: BodyKind<z.infer<typeof rolledSchema>> = {
  fresh: (recipeId) => ({ kind: 'rolled', recipeId, centreGrams: 12, finish: null }),
  recipeId: ({ recipeId }) => recipeId,
  piecesIn: byWeight(({ centreGrams }) => centreGrams),
  weight: ({ centreGrams }) => ({ grams: centreGrams, drawnGrams: centreGrams }),
  moreParts: ({ finish }) => {
    if (!finish) return [];
    const grams = finish.gramsEach;
    return [{ recipeId: finish.recipeId, role: 'finish', grams, drawnGrams: grams, readyGrams: grams }];
  },
  sides: (_form, grams) => ball(grams),
  findings: () => [],
};
