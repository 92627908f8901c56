import { isTapWater, partsOfStock, weighedPacks, type IngredientFiled } from '../ingredient/index.js';
import {
  coldSpaces,
  coldTaken,
  coldStays,
  finishedLitres,
  finishingLitres,
  litresPerBody,
  litresPerGram,
  madeRunsOf,
  standsOver,
} from '../plan/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import { thereFrom } from '../shopping/index.js';
import type { Term } from '../solver/index.js';
import { weights, type ProgrammeBuilder } from './builder.js';
import type { MassRows } from './mass.js';

/** The first day on which packs of an ingredient can be there; null where it is never bought. */
function firstThere(ingredient: IngredientFiled, { input: { book, today } }: ProgrammeBuilder): Day | null {
  if (isTapWater(ingredient)) return null;
  const days = weighedPacks(ingredient).map((pack) => thereFrom(pack, today, book.kitchen));
  return days.sort()[0] ?? null;
}

/**
 * Before an ingredient can be bought, no more of it is used than the pantry has. Where the batches of some days need more than that whatever is
 * decided, it is missing at a price: the plan then says that it should have been ordered sooner.
 */
export function addIngredients(builder: ProgrammeBuilder): void {
  const { input, model, days, batches } = builder;
  const { book, today } = input;
  const users = new Map<string, Map<Day, Term[]>>();
  for (const [recipeId, onDays] of batches) {
    const facts = book.recipes.get(recipeId);
    facts?.recipe.lines.forEach(({ uses }, index) => {
      const grams = facts.lineGrams[index] ?? 0;
      if (uses.kind !== 'ingredient' || grams <= 0) return;
      const ofIngredient = users.get(uses.id) ?? new Map<Day, Term[]>();
      users.set(uses.id, ofIngredient);
      for (const [day, sizes] of onDays)
        ofIngredient.set(day, [
          ...(ofIngredient.get(day) ?? []),
          ...sizes.flatMap(({ column, size }): Term[] => (size > 0 ? [[column, size * grams]] : [])),
        ]);
    });
  }
  for (const [id, onDays] of users) {
    const ingredient = book.ingredients.get(id);
    const first = ingredient && firstThere(ingredient, builder);
    if (!first || !days.some((day) => day < first && onDays.has(day))) continue;
    const early = [...onDays].filter(([day]) => day < first).flatMap(([, terms]) => terms);
    const stock = partsOfStock(ingredient)
      .filter(({ useBy }) => useBy === null || useBy >= today)
      .reduce((sum, { grams }) => sum + grams, 0);
    const missing = model.column(`${id} too late`, weights.missing);
    model.atMost(`${id} before ${first}`, [...early, [missing, -1]], stock);
  }
}

/** What stands cold in a night finds room there. */
export function addCold(builder: ProgrammeBuilder, { flows }: MassRows): void {
  const { input, model, serves } = builder;
  const { book, netted, beside, today } = input;
  const spaces = coldSpaces(book);
  if (spaces.length === 0) return;
  const last = serves.reduce((day, { demand }) => (demand.day > day ? demand.day : day), today);
  const nights = Array.from({ length: daysBetween(today, last) }, (_, index) => addDays(today, index));
  for (const { kind, litres } of spaces) {
    const standing = [
      ...serves.flatMap(({ facts, day, finish, finishedOn, demand, column }) => [
        { from: day, until: finish[0]?.day ?? finishedOn, column, litres: litresPerBody(facts, kind, book) },
        ...coldStays(facts, finishedOn, demand.day).flatMap((stay) =>
          stay.kind === kind ? [{ ...stay, column }] : [],
        ),
      ]),
      ...[...flows].flatMap(([id, list]) =>
        list.map(({ from, to, column }) => ({ from, until: to, column, litres: litresPerGram(id, kind, book) })),
      ),
    ].filter((each) => each.litres > 0);
    let before = '';
    for (const night of nights) {
      const here = standing.filter(({ from, until }) => standsOver(from, until, night));
      const taken =
        finishingLitres(netted.finishings, night, kind, book) +
        finishedLitres(madeRunsOf(netted), night, kind, book) +
        (beside ? coldTaken(beside, night, kind, book) : 0);
      // What stands in two nights alike is said once.
      const key = [taken, ...here.map(({ column }) => column)].join(' ');
      if (here.length > 0 && key !== before)
        model.atMost(
          `${kind} ${night}`,
          here.map(({ column, litres: each }): Term => [column, each]),
          Math.max(0, litres - taken),
        );
      before = key;
    }
  }
}
