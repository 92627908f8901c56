import { z } from 'zod';
import type { Answer } from './answer.js';

/** What uses a record, so that the maker can open it. */
const userSchema = z.strictObject({ noun: z.string(), id: z.string(), name: z.string() });

/** The body of every refusal: problem details (RFC 9457), with what is needed to mend it. */
export const problemSchema = z
  .strictObject({
    type: z.string(),
    title: z.string(),
    status: z.int(),
    /** What happened this time, in words. */
    detail: z.string(),
    code: z.string(),
    safe: z.string(),
    toDo: z.string(),
    /** Each wrong value with its path, such as `lines[0].count`. */
    wrong: z.array(z.strictObject({ path: z.string(), message: z.string() })).optional(),
    /** The record as it is stored now. */
    current: z.unknown().optional(),
    users: z.array(userSchema).optional(),
  })
  .meta({ id: 'Problem' });
export type Problem = Answer<typeof problemSchema>;

/** A kind of refusal. */
export const problemKindSchema = z
  .strictObject({
    type: z.string(),
    code: z.string(),
    status: z.int(),
    title: z.string(),
    safe: z.string(),
    toDo: z.string(),
  })
  .meta({ id: 'ProblemKind' });
export const problemKindsSchema = z.array(problemKindSchema).meta({ id: 'ProblemKinds' });
