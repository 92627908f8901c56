import { z } from 'zod';
import type { Day } from '../quantity/index.js';
import { daySchema, idSchema } from '../record/index.js';

const shareSchema = z.strictObject({ day: daySchema, amount: z.number().positive() });
const sharesSchema = z.record(z.string(), z.array(shareSchema));

/** What was decided about a season: which day serves which need, and in which batches. It holds for the orders that it was made for. */
export const guideSchema = z
  .strictObject({
    /** By {@link pieceKey}: which making days serve the pieces of a hand-over. */
    pieces: sharesSchema,
    /** By {@link componentKey}: which making days serve what is used on a day, g. */
    components: sharesSchema,
    batches: z.array(
      z.strictObject({
        recipeId: idSchema,
        day: daySchema,
        size: z.number().positive(),
        count: z.int().min(1),
      }),
    ),
    /** Recipes that the maker wants to be made on a day, just as it is. */
    pins: z.array(z.strictObject({ recipeId: idSchema, day: daySchema })),
  })
  .meta({ id: 'Guide' });

export type Guide = z.infer<typeof guideSchema>;
export type DayShare = z.infer<typeof shareSchema>;
export type Pin = Guide['pins'][number];

export const pieceKey = (pieceId: string, handOver: Day): string => `${pieceId} ${handOver}`;
export const componentKey = (recipeId: string, usedOn: Day): string => `${recipeId} ${usedOn}`;

/** A guide with every day in it moved. @param move where a day goes */
export function moveGuide(guide: Guide, move: (day: Day) => Day): Guide {
  const shares = (all: Guide['pieces']): Guide['pieces'] =>
    Object.fromEntries(
      Object.entries(all).map(([key, list]) => {
        const [id = '', day = ''] = key.split(' ');
        return [`${id} ${move(day)}`, list.map((each) => ({ ...each, day: move(each.day) }))];
      }),
    );
  return {
    pieces: shares(guide.pieces),
    components: shares(guide.components),
    batches: guide.batches.map((each) => ({ ...each, day: move(each.day) })),
    pins: guide.pins.map((each) => ({ ...each, day: move(each.day) })),
  };
}
