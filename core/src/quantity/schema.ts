import { z } from 'zod';
import { unitCodes } from './units.js';

/** A unit of a recipe line or of a pack. */
export const unitSchema = z.enum(unitCodes).meta({ id: 'Unit' });

/** An amount that a person types: above zero and below a million. */
export const amountSchema = z
  .number('must be a number')
  .positive('must be more than zero')
  .max(1_000_000, 'is absurdly large');

/** A weight in grams that may be zero. */
export const gramsSchema = z
  .number('must be a number')
  .min(0, 'must not be negative')
  .max(10_000_000, 'is absurdly large');

/** A share in percent, 0 to `most`. */
export const percentSchema = (most = 100) =>
  z.number('must be a number').min(0, 'must not be negative').max(most, `must be ${most} % or less`);

/** Density in one state, g/mL: from puffed grain (0.02) to beyond any food (5). */
export const densitySchema = z.strictObject({
  state: z.string().trim().min(1, 'must be named').max(30),
  gramsPerMl: z.number('must be a number').min(0.02, 'must be 0.02 g/mL or more').max(5, 'must be 5 g/mL or less'),
});
