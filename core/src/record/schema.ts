import { z } from 'zod';

/** The key of a stored record: letters, digits, `-` and `_`, at most 64 characters. */
export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/, 'must be letters, digits, - and _ (64 at most)');

/** A calendar day, `YYYY-MM-DD`, without a time zone. */
export const daySchema = z.iso.date('must be a day such as 2026-12-05');

/** Text that a person types: trimmed, not empty, `most` characters at most. */
export const nameSchema = (most = 80) =>
  z.string().trim().min(1, 'must not be empty').max(most, `must be ${most} characters or fewer`);

/** Free text, which may be empty. */
export const noteSchema = z.string().max(4000, 'must be 4,000 characters or fewer').default('');

/** Money in minor units (cents): a whole number, never negative, under ten million in major units. */
export const minorSchema = z
  .int('must be whole cents')
  .min(0, 'must not be negative')
  .max(1_000_000_000, 'is absurdly large');

/** Counts edits of a record; an edit carries the version that it was made from. */
export const versionSchema = z.int().min(1);

/** What a season file adds to a draft. */
export const filedShape = { id: idSchema };

/** What the server adds to a draft. */
export const storedShape = { id: idSchema, version: versionSchema };
