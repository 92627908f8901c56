import type { BookData } from '@usual-pantry/core/book';
import { type BoxFiled, boxFiledSchema } from '@usual-pantry/core/box';
import { ingredientFiledSchema } from '@usual-pantry/core/ingredient';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import { orderFiledSchema, type OrderFiled } from '@usual-pantry/core/order';
import { pieceFiledSchema, type PieceFiled } from '@usual-pantry/core/piece';
import { addDays } from '@usual-pantry/core/quantity';
import { recipeFiledSchema, type RecipeFiled } from '@usual-pantry/core/recipe';

const FIRST_DAY = '2026-11-25';

/** A number generator that gives the same numbers each time (a linear congruential one, constants of Numerical Recipes). */
function seeded(seed: number) {
  let state = seed;
  return (below: number) => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return Math.floor((state / 4294967296) * below);
  };
}

/** A season made up from a seed: recipes in `levels` levels, the lower ones components of the higher. */
export function madeUpSeason(
  orders: number,
  recipes: number,
  levels: number,
  seed = 7,
): { data: BookData; orders: OrderFiled[]; today: string } {
  const random = seeded(seed);
  const kitchen = kitchenDraftSchema.parse({
    makerName: 'Bench',
    handsRateMinorPerHour: 1800,
    benchWeek: [2, 4, 6].map((weekday) => ({ weekday, hours: 8, begins: null })),
  });
  const ingredients = Array.from({ length: 60 }, (_, index) =>
    ingredientFiledSchema.parse({
      id: `i${index}`,
      name: `Ingredient ${index}`,
      declaration: { labelName: `ingredient ${index}` },
      packs: [
        { name: 'small', amount: 1, unit: 'lb', priceMinor: 300 + random(900) },
        { name: 'large', amount: 5, unit: 'lb', priceMinor: 1200 + random(3000) },
      ],
      onHandGrams: random(2000),
    }),
  );
  const made: RecipeFiled[] = Array.from({ length: recipes }, (_, index) => {
    const level = Math.floor((index * levels) / recipes);
    const below = Math.floor((level * recipes) / levels);
    const lines: object[] = Array.from({ length: 5 }, () => ({
      uses: { kind: 'ingredient', id: `i${random(60)}` },
      amount: 50 + random(500),
      unit: 'g',
    }));
    if (below > 0)
      lines.push({ uses: { kind: 'recipe', id: `r${random(below)}` }, amount: 100 + random(300), unit: 'g' });
    return recipeFiledSchema.parse({
      id: `r${index}`,
      name: `Recipe ${index}`,
      lines,
      yield: { by: 'loss', lossPercent: random(20) },
      batchSizes: [0.5, 1, 2],
      handsMinutes: 20 + random(40),
      keepsDays: 5 + random(40),
      restDays: random(2),
    });
  });
  const pieces: PieceFiled[] = made.map((recipe, index) =>
    pieceFiledSchema.parse({
      id: `p${index}`,
      name: `Piece ${index}`,
      form: { kind: 'rolled', recipeId: recipe.id, centreGrams: 10 + random(8) },
      keepsDays: 10 + random(30),
      handSeconds: 10,
      travel: 'travels',
      colour: '#8a5630',
    }),
  );
  const boxes: BoxFiled[] = Array.from({ length: 12 }, (_, index) =>
    boxFiledSchema.parse({
      id: `b${index}`,
      name: `Box ${index}`,
      foodName: 'Assorted confections',
      rows: 4,
      columns: 4,
      cells: Array.from({ length: 16 }, () => ({ pieceId: `p${random(pieces.length)}`, count: 1 })),
      packMinutes: 5,
      priceMinor: 2500,
    }),
  );
  const taken = Array.from({ length: orders }, (_, index) =>
    orderFiledSchema.parse({
      id: `o${index}`,
      customer: { name: `Customer ${index}` },
      lines: [{ boxId: `b${random(12)}`, count: 1 + random(4) }],
      handOver: { on: addDays(FIRST_DAY, 10 + random(26)), way: 'pick-up' },
      exclusions: random(10) === 0 ? ['peanut'] : [],
    }),
  );
  return { data: { kitchen, ingredients, recipes: made, pieces, boxes }, orders: taken, today: FIRST_DAY };
}
