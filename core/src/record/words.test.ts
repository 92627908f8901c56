import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { z } from 'zod';
import { batchDraftSchema } from '../batch/index.js';
import { boxDraftSchema } from '../box/index.js';
import { ingredientDraftSchema } from '../ingredient/index.js';
import { kitchenDraftSchema } from '../kitchen/index.js';
import { orderDraftSchema } from '../order/index.js';
import { pieceDraftSchema } from '../piece/index.js';
import { decisionSchema } from '../plan/index.js';
import { whatIfSchema } from '../programme/index.js';
import { recipeDraftSchema } from '../recipe/index.js';
import { seasonFileSchema } from '../season-file/index.js';
import { speakPlainly } from './words.js';

const schemas: Readonly<Record<string, z.ZodType>> = {
  ingredient: ingredientDraftSchema,
  recipe: recipeDraftSchema,
  piece: pieceDraftSchema,
  box: boxDraftSchema,
  order: orderDraftSchema,
  batch: batchDraftSchema,
  kitchen: kitchenDraftSchema,
  decision: decisionSchema,
  'what-if': whatIfSchema,
  'season file': seasonFileSchema,
};

/** All keys that some schema has anywhere: junk is put under names that are known. */
const keysOf = (schema: z.ZodType): string[] => {
  const text = JSON.stringify(z.toJSONSchema(schema, { unrepresentable: 'any', io: 'input' }));
  return [...new Set([...text.matchAll(/"([A-Za-z]+)":/g)].map(([, key]) => key ?? ''))];
};

describe('what is wrong with a value', () => {
  beforeAll(speakPlainly);
  afterAll(() => {
    z.config({ customError: undefined });
  });

  const junk = fc.letrec((tie) => ({
    leaf: fc.oneof(
      fc.constantFrom(null, true, '', 'x', '2026-13-45', NaN, -1, 0.5, 1e12, Infinity),
      fc.string({ maxLength: 5 }),
      fc.double(),
    ),
    any: fc.oneof(
      { depthSize: 'small' },
      tie('leaf'),
      fc.array(tie('any'), { maxLength: 3 }),
      fc.dictionary(fc.constantFrom('kind', 'name', 'lines', 'cells', 'packs', 'id', 'other'), tie('any'), {
        maxKeys: 3,
      }),
    ),
  })).any;

  it.each(Object.entries(schemas))('of a %s is never said in the validator’s own English', (_name, schema) => {
    const keys = keysOf(schema);
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...keys), junk, { maxKeys: 12 }), (value) => {
        for (const { message } of schema.safeParse(value).error?.issues ?? [])
          expect(message).not.toMatch(/\b(?:invalid|expected|received|unrecognized|too (?:small|big)|nan)\b/i);
      }),
      { numRuns: 150 },
    );
  });

  it('is said in words', () => {
    const said = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues[0]?.message;
    expect(said(z.number(), undefined)).toBe('is missing');
    expect(said(z.number(), 'two')).toBe('must be a number');
    expect(said(z.int(), 1.5)).toBe('must be a whole number');
    expect(said(z.number().min(3), 2)).toBe('must be 3 or more');
    expect(said(z.number().positive(), 0)).toBe('must be more than 0');
    expect(said(z.string().min(1), '')).toBe('must not be empty');
    expect(said(z.array(z.string()).max(2), ['a', 'b', 'c'])).toBe('must have 2 entries or fewer');
    expect(said(z.enum(['a', 'b']), 'c')).toBe('must be one of a, b');
    expect(said(z.strictObject({}), { lost: 1 })).toBe('has what is not known here: lost');
  });
});
