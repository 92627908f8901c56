import { z } from 'zod';
import { guideSchema } from './guide.js';

/** What the solver said of a plan when it was found; money in minor units. */
export const solvedSchema = z.strictObject({
  objective: z.number(),
  bound: z.number(),
  gap: z.number().min(0),
  seconds: z.number().min(0),
  at: z.string(),
});

/** What was decided about the days of the season, and what the solver said of it; null for what came with a file. */
export const decisionSchema = z.strictObject({ guide: guideSchema, solved: solvedSchema.nullable() });

export type Decision = z.infer<typeof decisionSchema>;

/** A decision as it is stored. */
export type StoredDecision = Decision & { readonly version: number };
