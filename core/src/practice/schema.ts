import { z } from 'zod';
import { idSchema } from '../record/index.js';

/** What can be practised. */
export const drillKinds = ['cook', 'cold water', 'pull now', 'split ganache', 'seized chocolate', 'tempering'] as const;

/** One practice run and how it went. It touches no stock, no plan and no log. */
export const practiceSchema = z
  .strictObject({
    id: idSchema,
    at: z.iso.datetime({ offset: true }),
    drill: z.enum(drillKinds),
    /** What it was about: the recipe, or the question. */
    about: z.string().trim().max(120),
    /** 0 to 100. */
    score: z.int().min(0).max(100),
    verdict: z.string().trim().max(300),
  })
  .meta({ id: 'Practice' });

export type Practice = z.infer<typeof practiceSchema>;
export type DrillKind = Practice['drill'];
