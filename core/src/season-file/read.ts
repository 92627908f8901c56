import { wrongInBatch } from '../batch/index.js';
import { wrongInBox } from '../box/index.js';
import { wrongInIngredient } from '../ingredient/index.js';
import { wrongInOrder } from '../order/index.js';
import { wrongInPiece } from '../piece/index.js';
import { moveGuide } from '../plan/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import { wrongCycle, wrongInRecipe } from '../recipe/index.js';
import { under, type Known, type WrongValue } from '../record/index.js';
import { seasonFileSchema, type SeasonFile } from './schema.js';

/** A file that can be taken as it is, or every reason why not. */
export type Reading =
  | { readonly file: SeasonFile; readonly wrong: readonly [] }
  | { readonly file: null; readonly wrong: readonly WrongValue[] };

const nouns = ['ingredients', 'recipes', 'pieces', 'boxes', 'orders', 'batches', 'messages'] as const;

/** Every record named twice. */
const doubles = (file: SeasonFile): WrongValue[] =>
  nouns.flatMap((noun) => {
    const seen = new Set<string>();
    return file[noun].flatMap(({ id }, index) => {
      if (!seen.has(id)) {
        seen.add(id);
        return [];
      }
      return [{ path: [noun, index, 'id'], message: `"${id}" is there twice` }];
    });
  });

/** Versions of recipes that are not in the file, and versions that are there twice. */
function wrongInVersions({ recipeVersions }: SeasonFile, recipes: ReadonlySet<string>): WrongValue[] {
  const seen = new Set<string>();
  return recipeVersions.flatMap(({ recipeId, version }, index): WrongValue[] => {
    const key = `${recipeId} ${String(version)}`;
    const path = ['recipeVersions', index];
    if (!recipes.has(recipeId)) return [{ path: [...path, 'recipeId'], message: `there is no recipe "${recipeId}"` }];
    if (seen.has(key)) return [{ path: [...path, 'version'], message: `"${key}" is there twice` }];
    seen.add(key);
    return [];
  });
}

/** Every name of a record that is not in the file, every record named twice, and the first cycle of recipes. */
export function crossCheck(file: SeasonFile): WrongValue[] {
  const idsOf = (records: readonly { readonly id: string }[]) => new Set(records.map((each) => each.id));
  const ids = {
    ingredient: idsOf(file.ingredients),
    recipe: idsOf(file.recipes),
    piece: idsOf(file.pieces),
    box: idsOf(file.boxes),
  };
  const known: Known = (noun, id) => ids[noun].has(id);
  const cycle = wrongCycle(file.recipes);
  return [
    ...doubles(file),
    ...file.ingredients.flatMap((each, at) => under(['ingredients', at], wrongInIngredient(each, known))),
    ...file.recipes.flatMap((each, at) => under(['recipes', at], wrongInRecipe(each, known))),
    ...file.pieces.flatMap((each, at) => under(['pieces', at], wrongInPiece(each, known))),
    ...file.boxes.flatMap((each, at) => under(['boxes', at], wrongInBox(each, known))),
    ...file.orders.flatMap((each, at) => under(['orders', at], wrongInOrder(each, known))),
    ...file.batches.flatMap((each, at) => under(['batches', at], wrongInBatch(each, known))),
    ...wrongInVersions(file, ids.recipe),
    ...(cycle ? under(['recipes', file.recipes.findIndex((each) => each.id === cycle.recipeId)], [cycle.wrong]) : []),
  ];
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A kitchen that says of its fridge only how much fits in. */
function placesOfToday(kitchen: Record<string, unknown>): Record<string, unknown> {
  const { fridgeLitres, ...rest } = kitchen;
  if (typeof fridgeLitres !== 'number' || 'coldPlaces' in rest) return kitchen;
  return { ...rest, coldPlaces: fridgeLitres > 0 ? [{ name: 'Fridge', kind: 'fridge', litres: fridgeLitres }] : [] };
}

/** An order of which its state says that it was paid. */
function paidOfToday(order: unknown): unknown {
  if (!isObject(order) || 'payments' in order) return order;
  const { state, history, handOver } = order;
  const past = Array.isArray(history) ? history.filter(isObject) : [];
  const noted = past.findLast((each) => each.state === 'paid');
  const wasPaid = state === 'paid' || state === 'handed over' || (noted !== undefined && state !== 'cancelled');
  const on = typeof noted?.at === 'string' ? noted.at.slice(0, 10) : isObject(handOver) ? handOver.on : undefined;
  return {
    ...order,
    ...(state === 'paid' && { state: 'confirmed' }),
    ...(wasPaid && { payments: [{ on, minor: null }] }),
  };
}

/** What a file of an earlier version calls by another word, in the words of today. */
function inWordsOfToday(value: unknown): unknown {
  if (!isObject(value)) return value;
  const { messages, kitchen, orders } = value;
  return {
    ...value,
    ...(isObject(kitchen) && { kitchen: placesOfToday(kitchen) }),
    ...(Array.isArray(orders) && { orders: orders.map(paidOfToday) }),
    ...(Array.isArray(messages) && {
      messages: messages.map((each: unknown) =>
        isObject(each) && each.fate === 'to settle' ? { ...each, fate: 'to decide' } : each,
      ),
    }),
  };
}

/**
 * Reads a season file.
 * @param value parsed JSON of any kind
 * @returns the file, or every wrong value with its path; nothing throws
 */
export function readSeasonFile(value: unknown): Reading {
  const parsed = seasonFileSchema.safeParse(inWordsOfToday(value));
  if (!parsed.success)
    return {
      file: null,
      wrong: parsed.error.issues.map(({ path, message }) => ({ path, message })),
    };
  const wrong = crossCheck(parsed.data);
  return wrong.length > 0 ? { file: null, wrong } : { file: parsed.data, wrong: [] };
}

/** The file with every date moved by whole weeks, so that `writtenFor` is `today` or one of the six days after it. Weekdays stay. */
export function moveSeason(file: SeasonFile, today: Day): SeasonFile {
  const weeks = Math.ceil(daysBetween(file.writtenFor, today) / 7);
  const shift = weeks * 7;
  const move = (day: Day): Day => addDays(day, shift);
  return {
    ...file,
    writtenFor: move(file.writtenFor),
    kitchen: {
      ...file.kitchen,
      dayChanges: file.kitchen.dayChanges.map((each) => ({ ...each, day: move(each.day) })),
      closures: file.kitchen.closures.map((each) => ({ ...each, from: move(each.from), to: move(each.to) })),
    },
    plan: file.plan && moveGuide(file.plan, move),
    ingredients: file.ingredients.map((each) => ({
      ...each,
      prices: each.prices.map((price) => ({ ...price, on: move(price.on) })),
      lots: each.lots.map((lot) => ({ ...lot, useBy: move(lot.useBy) })),
    })),
    recipes: file.recipes.map((each) => ({
      ...each,
      weighedYields: each.weighedYields.map((weighed) => ({ ...weighed, on: move(weighed.on) })),
    })),
    batches: file.batches.map((batch) => ({
      ...batch,
      on: move(batch.on),
      finishedOn: batch.finishedOn && move(batch.finishedOn),
      stageDays: batch.stageDays.map(move),
      taken: batch.taken.map((part) => ({ ...part, useBy: part.useBy && move(part.useBy) })),
    })),
    orders: file.orders.map((order) => ({
      ...order,
      handOver: { ...order.handOver, on: move(order.handOver.on) },
      payments: order.payments.map((each) => ({ ...each, on: move(each.on) })),
    })),
    recipeVersions: file.recipeVersions.map((each) => ({ ...each, replacedOn: move(each.replacedOn) })),
    messages: file.messages.map((each) => {
      const { order } = each.message;
      const moved = { ...order, handOver: { ...order.handOver, on: move(order.handOver.on) } };
      return { ...each, message: { ...each.message, order: moved } };
    }),
  };
}
