import { batchFiledSchema, type BatchFiled } from '../src/batch/index.js';
import { type BookData, openBook, type Book } from '../src/book/index.js';
import { type BoxFiled, boxFiledSchema } from '../src/box/index.js';
import { ingredientFiledSchema, type IngredientFiled } from '../src/ingredient/index.js';
import { type DayChange, kitchenDraftSchema, usualDay, type KitchenDraft } from '../src/kitchen/index.js';
import { orderFiledSchema, type OrderFiled } from '../src/order/index.js';
import { pieceFiledSchema, type PieceFiled } from '../src/piece/index.js';
import { recipeFiledSchema, type RecipeFiled } from '../src/recipe/index.js';
import type { z } from 'zod';

/** The day on which the tests' clock stands. */
export const TODAY = '2026-11-25';

/** A kitchen without bench days, so that every day will do, that packs a day ahead and promises five days. */
export const kitchen: KitchenDraft = kitchenDraftSchema.parse({
  makerName: 'Test kitchen',
  address: '1 Test Lane',
  homeKitchenStatement: 'Made in a home kitchen.',
  handsRateMinorPerHour: 1800,
});

/** A day that is not as its weekday is. */
export const different = (day: string, more: Partial<DayChange>): DayChange => ({ ...usualDay(day), ...more });

export const ingredient = (id: string, more: Partial<z.input<typeof ingredientFiledSchema>> = {}): IngredientFiled =>
  ingredientFiledSchema.parse({ id, name: id, declaration: { labelName: id }, ...more });

type LineInput = z.input<typeof recipeFiledSchema>['lines'] extends (infer Line)[] | undefined ? Line : never;

/** A line of an ingredient, or of a component when the id starts with `:`. */
export const line = (
  id: string,
  amount: number,
  unit: LineInput['unit'] = 'g',
  state: string | null = null,
): LineInput => ({
  uses: id.startsWith(':') ? { kind: 'recipe', id: id.slice(1) } : { kind: 'ingredient', id },
  amount,
  unit,
  state,
});

export const recipe = (
  id: string,
  lines: LineInput[],
  more: Partial<z.input<typeof recipeFiledSchema>> = {},
): RecipeFiled =>
  recipeFiledSchema.parse({
    id,
    name: id,
    lines,
    yield: { by: 'loss', lossPercent: 0 },
    batchSizes: [1],
    handsMinutes: 0,
    keepsDays: 30,
    restDays: 0,
    ...more,
  });

export const piece = (
  id: string,
  form: z.input<typeof pieceFiledSchema>['form'],
  more: Partial<z.input<typeof pieceFiledSchema>> = {},
): PieceFiled =>
  pieceFiledSchema.parse({
    id,
    name: id,
    form,
    keepsDays: 30,
    handSeconds: 0,
    travel: 'travels',
    colour: '#8a5630',
    ...more,
  });

/** A box in one row of these pieces, one each. */
export const box = (
  id: string,
  pieces: (string | null)[],
  more: Partial<z.input<typeof boxFiledSchema>> = {},
): BoxFiled =>
  boxFiledSchema.parse({
    id,
    name: id,
    foodName: 'Assorted confections',
    rows: 1,
    columns: pieces.length,
    cells: pieces.map((pieceId) => (pieceId === null ? null : { pieceId, count: 1 })),
    packMinutes: 0,
    priceMinor: 2000,
    ...more,
  });

export const order = (
  id: string,
  lines: Record<string, number>,
  on: string,
  more: Partial<z.input<typeof orderFiledSchema>> = {},
): OrderFiled =>
  orderFiledSchema.parse({
    id,
    customer: { name: id },
    lines: Object.entries(lines).map(([boxId, count]) => ({ boxId, count })),
    handOver: { on, way: 'pick-up' },
    ...more,
  });

/** The first line of an order. */
export function firstLine({ lines }: Pick<OrderFiled, 'lines'>): OrderFiled['lines'][number] {
  const [first] = lines;
  if (!first) throw new Error('an order without lines');
  return first;
}

/** A batch of a recipe that was made on a day. */
export const batch = (
  id: string,
  recipeId: string,
  on: string,
  more: Partial<z.input<typeof batchFiledSchema>> = {},
): BatchFiled => batchFiledSchema.parse({ id, recipeId, on, size: 1, ...more });

/** What was kept at the bench of a batch in which something else went in: `[what the recipe says, what went in, of how much of it]`. */
export const batchLog = (
  ...swaps: readonly (readonly [ingredientId: string, withId: string, share?: number])[]
): NonNullable<BatchFiled['log']> => ({
  makingId: 'making',
  startedAt: '2026-12-01T10:00:00.000Z',
  endedAt: '2026-12-01T12:00:00.000Z',
  weights: [],
  swaps: swaps.map(([ingredientId, withId, share = 1]) => ({ ingredientId, withId, ratio: 1, share })),
  pieces: null,
  rejects: [],
  grade: null,
  finalCelsius: null,
  cookSeconds: null,
  roomCelsius: null,
  humidity: null,
});

export const bookOf = (data: Partial<BookData>): Book =>
  openBook({ kitchen, ingredients: [], recipes: [], pieces: [], boxes: [], ...data });
