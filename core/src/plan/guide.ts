import { partition } from 'es-toolkit';
import { z } from 'zod';
import { daysBetween, type Day } from '../quantity/index.js';
import type { BatchCount, RecipeBook } from '../recipe/index.js';
import { daySchema, groupBy, idSchema } from '../record/index.js';

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
    /** Stages of finishing pieces, from 0, that the maker wants on a day. */
    stagePins: z
      .array(
        z.strictObject({
          pieceId: idSchema,
          madeOn: daySchema,
          handOver: daySchema,
          stage: z.int().min(0).max(10),
          day: daySchema,
        }),
      )
      .max(5000)
      .optional(),
  })
  .meta({ id: 'Guide' });

export type Guide = z.infer<typeof guideSchema>;
export type DayShare = z.infer<typeof shareSchema>;
export type Pin = Guide['pins'][number];
export type StagePin = NonNullable<Guide['stagePins']>[number];

export const pieceKey = (pieceId: string, handOver: Day): string => `${pieceId} ${handOver}`;
export const componentKey = (recipeId: string, usedOn: Day): string => `${recipeId} ${usedOn}`;

/** Batches of one recipe that were made on one day, or that shall be. */
interface OnDay {
  readonly recipeId: string;
  readonly day: Day;
  readonly batches: readonly BatchCount[];
}

/** Batches in one list, each recipe, day and size once. */
export function batchesOf(runs: readonly OnDay[]): Guide['batches'] {
  const counts = new Map<string, Guide['batches'][number]>();
  for (const { recipeId, day, batches } of runs)
    for (const { size, count } of batches) {
      const key = [recipeId, day, size].join(' ');
      counts.set(key, { recipeId, day, size, count: count + (counts.get(key)?.count ?? 0) });
    }
  return [...counts.values()];
}

/** Less than this of a base batch is not worth a batch. */
const NOTHING = 0.005;

/**
 * What is left of decided batches of one recipe of any size: what was made counts by how much it is, the same day's first and then the
 * nearest.
 */
function lessMade(decided: Guide['batches'], made: Guide['batches']): Guide['batches'] {
  const left = decided.map((each) => ({ ...each, multiple: each.size * each.count }));
  for (const done of made) {
    let multiple = done.size * done.count;
    const away = (day: Day) => Math.abs(daysBetween(done.day, day));
    for (const each of [...left].sort((a, b) => away(a.day) - away(b.day))) {
      const less = Math.min(multiple, each.multiple);
      each.multiple -= less;
      multiple -= less;
    }
  }
  return left.flatMap(({ multiple, ...each }) => {
    const count = Math.ceil(multiple / each.size - NOTHING);
    return multiple > NOTHING ? [{ ...each, size: multiple / Math.max(1, count), count: Math.max(1, count) }] : [];
  });
}

/**
 * What is still to be made of what was decided. A batch that was made on another day than was decided stands for the one of its size
 * that was the nearest; where any size will do, for as much as it is.
 */
export function withoutMade(guide: Guide, made: readonly OnDay[], { recipes }: Pick<RecipeBook, 'recipes'>): Guide {
  if (made.length === 0) return guide;
  const isFree = ({ recipeId }: { readonly recipeId: string }) => recipes.get(recipeId)?.recipe.anySize ?? false;
  const [free, listed] = partition(guide.batches, isFree);
  const [freeMade, listedMade] = partition(batchesOf(made), isFree);
  const left = listed.map((each) => ({ ...each }));
  const rests = listedMade.map((each) => ({ ...each }));
  const strike = (sameDay: boolean) => {
    for (const done of rests) {
      const decided = left
        .filter(
          ({ recipeId, size, day }) =>
            recipeId === done.recipeId && size === done.size && (!sameDay || day === done.day),
        )
        .sort((a, b) => Math.abs(daysBetween(done.day, a.day)) - Math.abs(daysBetween(done.day, b.day)));
      for (const each of decided) {
        const less = Math.min(done.count, each.count);
        each.count -= less;
        done.count -= less;
      }
    }
  };
  strike(true);
  strike(false);
  const freeLeft = [...groupBy(free, ({ recipeId }) => recipeId)].flatMap(([id, own]) =>
    lessMade(
      own,
      freeMade.filter(({ recipeId }) => recipeId === id),
    ),
  );
  return { ...guide, batches: [...left.filter(({ count }) => count > 0), ...freeLeft] };
}

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
    ...(guide.stagePins && {
      stagePins: guide.stagePins.map((each) => ({
        ...each,
        madeOn: move(each.madeOn),
        handOver: move(each.handOver),
        day: move(each.day),
      })),
    }),
  };
}
