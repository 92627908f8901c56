import { z } from 'zod';

/** Where it is colder than on the bench. */
export const coldKinds = ['fridge', 'freezer', 'cool'] as const;
export const coldKindSchema = z.enum(coldKinds).meta({ id: 'ColdKind' });
export type ColdKind = (typeof coldKinds)[number];

/** What they are called. */
export const coldNames = { fridge: 'the fridge', freezer: 'the freezer', cool: 'the cool cupboard' } as const;

/** A place of the house for what must stand cold or cool. */
export const coldPlaceSchema = z
  .strictObject({
    name: z.string().trim().min(1, 'must be named').max(60),
    kind: coldKindSchema,
    /** What of it is free for sweets. */
    litres: z.number('must be a number').min(0, 'must not be negative').max(2000, 'is absurdly large'),
    celsius: z
      .number('must be a number')
      .min(-40, 'is colder than any freezer')
      .max(25, 'is as warm as the room')
      .nullable()
      .default(null),
  })
  .meta({ id: 'ColdPlace' });

export type ColdPlace = z.infer<typeof coldPlaceSchema>;

/** That something stands in a cold place, and how much room it takes there with its tray or tub. */
export const standsColdSchema = z
  .strictObject({
    kind: coldKindSchema,
    /** For one base batch of a recipe, or for a hundred pieces, L. */
    litres: z.number('must be a number').positive('must be more than zero').max(1000, 'is absurdly large'),
  })
  .meta({ id: 'StandsCold' });

export type StandsCold = z.infer<typeof standsColdSchema>;

/** So many pieces take the room that is said of a piece. */
export const PIECES_OF_ROOM = 100;

/** Litres that there are in all places of a kind; null where none is named: then nothing is counted. */
export function litresOf(places: readonly ColdPlace[], kind: ColdKind): number | null {
  const same = places.filter((place) => place.kind === kind);
  return same.length > 0 ? same.reduce((sum, { litres }) => sum + litres, 0) : null;
}
