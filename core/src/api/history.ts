import { z } from 'zod';
import type { Answer } from './answer.js';

/** So many records of a change are named; the rest are counted. */
export const MOST_NAMED = 5;

/** One change of what is kept: what it did, whose it was, and whether it can be taken back. */
export const changeSchema = z
  .strictObject({
    id: z.int(),
    at: z.string(),
    /** Name of the device that it came from. */
    from: z.string(),
    /** Whether whoever asks made it. */
    isMine: z.boolean(),
    label: z.string(),
    isUndone: z.boolean(),
    records: z.array(z.strictObject({ noun: z.string(), id: z.string(), name: z.string() })).max(MOST_NAMED),
    recordCount: z.int(),
    /** The first later change of the same things, which would have to be undone before; null when there is none. */
    inTheWay: z.strictObject({ id: z.int(), label: z.string() }).nullable(),
  })
  .meta({ id: 'Change' });
export type Change = Answer<typeof changeSchema>;

/** A page of changes, the newest first. */
export const changePageSchema = z
  .strictObject({ items: z.array(changeSchema), total: z.int(), page: z.int(), size: z.int() })
  .meta({ id: 'ChangePage' });
export type ChangePage = Answer<typeof changePageSchema>;

/** Which change is meant; without an id the last one of whoever asks. */
export const whichChangeSchema = z.strictObject({ id: z.int().min(1).optional() }).meta({ id: 'WhichChange' });
export type WhichChange = z.output<typeof whichChangeSchema>;
