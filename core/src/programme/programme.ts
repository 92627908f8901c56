import { multipleOf, type BatchCount } from '../recipe/index.js';
import type { LinearModel } from '../solver/index.js';
import type { Day } from '../quantity/index.js';
import { type PieceDemand, componentKey, pieceKey, type DayShare, type Guide, leftGramsOf } from '../plan/index.js';
import { addBatches, addLeast, addServes } from './columns.js';
import {
  countedIn,
  draftSeason,
  type BatchColumn,
  type Claim,
  type ProgrammeBuilder,
  type ProgrammeInput,
} from './builder.js';
import { addEquipment, addHands, addMouldsAndPans } from './hands.js';
import { addMass, type MassRows } from './mass.js';
import { addCold, addIngredients } from './there.js';

/** A season as a model, and how to read what a solver finds for it. */
export interface Programme {
  readonly model: LinearModel;
  readonly decode: (values: readonly number[]) => Guide;
  /** Whole columns of what was decided before, to start from. */
  readonly start: readonly (readonly [column: number, value: number])[];
  /** The columns of how many batches of each recipe are made on each day. */
  readonly batchColumns: ReadonlyMap<string, ReadonlyMap<Day, readonly number[]>>;
  /** The column for whether a recipe is made on a day at all. */
  readonly makeColumns: ReadonlyMap<string, ReadonlyMap<Day, number>>;
  /** What cannot be planned within its days. */
  readonly outside: readonly PieceDemand[];
  /** Rows that may clash, with what they say. */
  readonly claims: readonly Claim[];
}

/** The batches that the values of one day's columns say. */
function batchesFound(columns: readonly BatchColumn[], values: readonly number[]): BatchCount[] {
  const amount = columns.find(({ batches }) => batches === 0);
  return columns.flatMap(({ column, size, batches, most }) => {
    const count = batches > 0 ? Math.round(values[column] ?? 0) : 0;
    if (count === 0) return [];
    // What is rounded to a step beyond the largest size is that size.
    return [{ count, size: amount ? Math.min(most, (values[amount.column] ?? 0) / count) : size }];
  });
}

/** What the values of the columns say, as decisions. */
function decoded(
  { input, batches, serves }: ProgrammeBuilder,
  { usage, flows, stocks }: MassRows,
  values: readonly number[],
): Guide {
  const { book, before, netted } = input;
  const pieces: Record<string, DayShare[]> = {};
  for (const { demand: of, day, column } of serves) {
    const amount = Math.round(values[column] ?? 0);
    if (amount > 0) (pieces[pieceKey(of.pieceId, of.day)] ??= []).push({ day, amount });
  }
  const components: Record<string, DayShare[]> = {};
  for (const [id, list] of flows)
    for (const { from, to, column } of list) {
      const amount = values[column] ?? 0;
      if (amount > 1e-6) (components[componentKey(id, to)] ??= []).push({ day: from, amount });
    }
  for (const id of stocks) {
    const yieldGrams = book.recipes.get(id)?.yieldGrams ?? 0;
    const stock = [
      ...(netted.supplies.get(id) ?? []).map((supply) => ({ day: supply.day, left: leftGramsOf(supply) })),
      ...[...(batches.get(id) ?? [])].map(([day, sizes]) => ({
        day,
        left: multipleOf(batchesFound(sizes, values)) * yieldGrams,
      })),
    ].filter(({ left }) => left > 0);
    for (const [to, { drawn, drawnGrams }] of [...(usage.get(id) ?? [])].sort(([a], [b]) => (a < b ? -1 : 1))) {
      let wanted = drawn.reduce((sum, [column, grams]) => sum + (values[column] ?? 0) * grams, drawnGrams);
      // The oldest is used up first.
      for (const each of stock) {
        const amount = Math.min(wanted, each.left);
        if (amount <= 1e-6) continue;
        (components[componentKey(id, to)] ??= []).push({ day: each.day, amount });
        each.left -= amount;
        wanted -= amount;
      }
    }
  }
  return {
    pieces,
    components,
    batches: [...batches].flatMap(([recipeId, onDays]) =>
      [...onDays].flatMap(([day, sizes]) =>
        batchesFound(sizes, values).map(({ size, count }) => ({ recipeId, day, size, count })),
      ),
    ),
    pins: before?.pins ?? [],
    ...(before?.stagePins && { stagePins: before.stagePins }),
  };
}

/** What was decided before, as whole columns to start from. */
function startOf({ input: { before }, batches, makes }: ProgrammeBuilder): [number, number][] {
  const start: [number, number][] = [];
  if (before)
    for (const [id, onDays] of batches)
      for (const [day, sizes] of onDays) {
        const decided = before.batches.filter((each) => each.recipeId === id && each.day === day);
        const make = makes.get(id)?.get(day);
        for (const { column, size, batches: counts } of sizes) {
          if (counts === 0) continue;
          const same = size === 0 ? decided : decided.filter((each) => each.size === size);
          start.push([column, same.reduce((sum, { count }) => sum + count, 0)]);
        }
        if (make !== undefined) start.push([make, decided.length > 0 ? 1 : 0]);
      }
  return start;
}

/**
 * The season as one integer programme: whole batches of allowed sizes on bench days, each piece made within its window and finished
 * on a bench day, components rested and fresh when they are used, coatings deep enough, hands within the hours and the overtime
 * allowed, moulds, pans and cold places no more than there are, days closed to what their air does not suit, nothing made of what cannot be
 * there yet, and pinned runs as they are.
 *
 * It minimises, in money: hands (batches, getting ready, cleaning between nut classes), overtime, what is left over by what can still
 * use it, making early, and moving what need not move.
 */
export function buildProgramme(input: ProgrammeInput): Programme {
  const draft = draftSeason(input);
  addBatches(draft);
  addServes(draft);
  if (!input.bare) addLeast(draft);
  const mass = addMass(draft);
  addHands(draft);
  addMouldsAndPans(draft);
  addCold(draft, mass);
  addIngredients(draft);
  if (!input.bare && !input.loose) addEquipment(draft);
  return {
    model: draft.model.build(),
    decode: (values) => decoded(draft, mass, values),
    start: startOf(draft),
    batchColumns: new Map(
      [...draft.batches].map(([id, onDays]) => [
        id,
        new Map([...onDays].map(([day, sizes]) => [day, countedIn(sizes).map(([column]) => column)])),
      ]),
    ),
    makeColumns: draft.makes,
    outside: draft.outside,
    claims: draft.claims,
  };
}
