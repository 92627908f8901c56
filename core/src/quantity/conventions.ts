import { z } from 'zod';

/** Where figures and dates are written as the maker writes them. */
export const locales = ['en-US', 'en-GB', 'en-AU', 'en-CA', 'fr-CA'] as const;
export type Locale = (typeof locales)[number];

/** How figures, dates, clock times and lengths are written: one choice for the whole kitchen. */
export const writingSchema = z
  .strictObject({
    locale: z.enum(locales).default('en-GB'),
    lengths: z.enum(['mm', 'in']).default('mm'),
    heights: z.enum(['m', 'ft']).default('m'),
    hours: z.enum(['24', '12']).default('24'),
    weekStart: z.enum(['Monday', 'Sunday', 'Saturday']).default('Monday'),
    /** What stands first in a recipe: what the scale shows, or cups and spoons. */
    amountsFirst: z.enum(['grams', 'measures']).default('grams'),
  })
  .meta({ id: 'Writing' });

export type Writing = z.infer<typeof writingSchema>;

export const conventionsSchema = writingSchema
  .safeExtend({
    /** The scale that the maker reads first. */
    temperature: z.enum(['C', 'F']),
  })
  .meta({ id: 'Conventions' });

/** Everything that the sentences of core need to know of how they are written. */
export type Conventions = z.infer<typeof conventionsSchema>;

const usual: Conventions = { ...writingSchema.parse({}), temperature: 'C' };

let current = usual;
let since = 0;

/**
 * Sets how everything is written from now on, as a program sets its language: the only thing that core keeps between two calls.
 * Whoever reads the kitchen calls it: the server, its threads, and the page. What was written before stays as it was.
 */
export function writeAs(conventions: Conventions): void {
  if (JSON.stringify(conventions) === JSON.stringify(current)) return;
  current = conventions;
  since += 1;
}

/** How it is written now. */
export const written = (): Conventions => current;

/** Gives what is made once for each way of writing: formatters, and sentences that are asked for again and again. */
export function perWriting<T>(make: (conventions: Conventions) => T): () => T {
  let made: { readonly at: number; readonly value: T } | null = null;
  return () => {
    if (made?.at !== since) made = { at: since, value: make(current) };
    return made.value;
  };
}

/** What a place usually writes. */
export const usualWriting: Readonly<Record<Locale, Conventions>> = {
  'en-US': {
    ...usual,
    ...{ locale: 'en-US', temperature: 'F', lengths: 'in', heights: 'ft', hours: '12' },
    ...{ weekStart: 'Sunday', amountsFirst: 'measures' },
  },
  'en-GB': usual,
  'en-AU': { ...usual, locale: 'en-AU', hours: '12' },
  'en-CA': { ...usual, locale: 'en-CA', hours: '12', weekStart: 'Sunday' },
  'fr-CA': { ...usual, locale: 'fr-CA', weekStart: 'Sunday' },
};
