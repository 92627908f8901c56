import { z } from 'zod';
import { amountSchema, percentSchema } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import { byWeight, cubicMm, type BodyKind } from './kind.js';
import { finishPart, finishSchema } from './schema.js';

/** A slab broken by hand into servings of a nominal weight. */
export const brokenSchema = z
  .strictObject({
    kind: z.literal('broken'),
    recipeId: idSchema,
    crumbsPercent: percentSchema(60),
    servingGrams: amountSchema,
    finish: finishSchema,
  })
  .meta({ id: 'BrokenForm' });
type BrokenForm = z.infer<typeof brokenSchema>;

/** A slab that is broken by hand is about this thick, mm. Common practice, no source. */
const THICKNESS_MM = 8;

/** What a serving takes of its slab, crumbs among it, g. */
const drawnGrams = ({ servingGrams, crumbsPercent }: BrokenForm): number => servingGrams / (1 - crumbsPercent / 100);

export const broken: BodyKind<BrokenForm> = {
  fresh: (recipeId) => ({ kind: 'broken', recipeId, crumbsPercent: 8, servingGrams: 14, finish: null }),
  recipeId: ({ recipeId }) => recipeId,
  piecesIn: byWeight(drawnGrams),
  weight: (form) => ({ grams: form.servingGrams, drawnGrams: drawnGrams(form) }),
  moreParts: ({ finish }) => finishPart(finish),
  // A square shard of a usual thickness.
  sides: (_form, grams) => {
    const side = Math.sqrt(cubicMm(grams) / THICKNESS_MM);
    return { lengthMm: side, widthMm: side, heightMm: THICKNESS_MM };
  },
  findings: () => [],
};
