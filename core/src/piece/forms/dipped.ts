import { z } from 'zod';
import { idSchema } from '../../record/index.js';
import type { PiecePart } from '../part.js';
import { brokenSchema } from './broken.js';
import { cutSchema } from './cut.js';
import { pipedSchema } from './piped.js';
import { rolled, rolledSchema } from './rolled.js';
import { finishSchema } from './schema.js';

/** A centre under a coating. The pot must hold `poolFactor` times the coating that stays on. */
export const dippedSchema = z
  .strictObject({
    kind: z.literal('dipped'),
    centre: z.discriminatedUnion('kind', [cutSchema, brokenSchema, rolledSchema, pipedSchema]),
    coatingRecipeId: idSchema,
    /** Share of the finished weight. */
    coatingPercent: z.number('must be a number').min(1, 'must be 1 % or more').max(80),
    poolFactor: z.number('must be a number').min(1, 'must be 1 or more').max(10).default(1.5),
    /** What is dusted over the coating. */
    finish: finishSchema,
  })
  .meta({ id: 'DippedForm' });
export type DippedForm = z.infer<typeof dippedSchema>;

/** A centre that is to be dipped, as it starts. */
export const freshDipped = (recipeId: string): DippedForm => ({
  kind: 'dipped',
  centre: rolled.fresh(recipeId),
  coatingRecipeId: '',
  coatingPercent: 30,
  poolFactor: 1.5,
  finish: null,
});

/**
 * The coating of a centre: a share of the finished weight, so centre x p / (1 - p). Working pool: common practice, no source.
 * @param centreGrams what the centre weighs
 */
export function coatingOf({ coatingPercent, coatingRecipeId, poolFactor }: DippedForm, centreGrams: number): PiecePart {
  const share = coatingPercent / 100;
  const grams = (centreGrams * share) / (1 - share);
  return { recipeId: coatingRecipeId, role: 'coating', grams, drawnGrams: grams, readyGrams: grams * poolFactor };
}
