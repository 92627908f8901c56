import type { Book } from '@usual-pantry/core/book';
import { allergenCodes, allergens } from '@usual-pantry/core/ingredient';
import { packBox, packedKey } from '@usual-pantry/core/order';
import { nutClass, nutClasses, type Plan } from '@usual-pantry/core/plan';
import type { BenchDay } from '@usual-pantry/core/bench-day';

/** Numbers of things in use at once, where each begins. */
const mostAtOnce = (uses: readonly { readonly from: number; readonly minutes: number }[]): number =>
  Math.max(
    0,
    ...uses.map(
      ({ from }) => uses.filter((each) => each.from <= from + 1e-6 && each.from + each.minutes > from + 1e-6).length,
    ),
  );

/**
 * Checks the order of a day's work against the rules of the bench, without asking what put it in order.
 * @returns every rule that is broken, in words
 */
export function verifyBench(sheet: BenchDay, plan: Plan, day: string, book: Book): string[] {
  const wrong: string[] = [];
  const { kitchen } = book;
  const { tasks } = sheet;
  const by = (who: string) => tasks.filter((task) => task.who === who);
  for (const who of ['maker', 'helper'])
    if (mostAtOnce(by(who)) > 1) wrong.push(`${day}: the ${who} does two things at once`);
  for (const { kind, name } of by('helper'))
    if (kind !== 'finish' && kind !== 'pack') wrong.push(`${day}: the helper does ${name}`);
  const helpers = by('helper');
  const stay =
    Math.max(0, ...helpers.map(({ from, minutes }) => from + minutes)) - Math.min(...helpers.map(({ from }) => from));
  const hours = kitchen.dayChanges.find((each) => each.day === day)?.helperHours ?? 0;
  if (helpers.length > 0 && stay > hours * 60 + 1e-6) wrong.push(`${day}: the helper stays ${String(stay)} minutes`);

  // All that is booked is done, and nothing else.
  const { bookedMinutes = 0, doneMinutes = 0 } = plan.days.find((each) => each.day === day) ?? {};
  const booked = bookedMinutes - doneMinutes;
  const done = tasks.reduce((sum, { minutes }) => sum + minutes, 0);
  // The order of the day may want more clean-downs than the fewest that are booked.
  const moreCleaning = done - booked;
  const cleanings = tasks.filter(({ kind }) => kind === 'clean').length;
  const isCleaning =
    moreCleaning > -1e-6 &&
    moreCleaning <= cleanings * kitchen.cleanMinutes + 1e-6 &&
    Math.abs(moreCleaning / (kitchen.cleanMinutes || 1) - Math.round(moreCleaning / (kitchen.cleanMinutes || 1))) <
      1e-6;
  if (!isCleaning) wrong.push(`${day}: ${String(done)} of ${String(booked)} minutes are done`);

  // Burners, oven, pans and tools, unless it is said that there are too few.
  const equipment = new Map<string, { from: number; minutes: number }[]>();
  for (const use of sheet.equipment) equipment.set(use.equipment, [...(equipment.get(use.equipment) ?? []), use]);
  for (const [name, uses] of equipment) {
    const pans = kitchen.pans
      .filter((pan) => pan.name.toLowerCase() === name)
      .reduce((sum, { count }) => sum + count, 0);
    const pots = kitchen.pots.filter((pot) => pot.name.toLowerCase() === name).length;
    const there = name === 'burner' ? Math.max(1, kitchen.burners) : Math.max(1, pans, pots);
    if (!sheet.lacking.includes(name) && mostAtOnce(uses) > there)
      wrong.push(`${day}: ${String(mostAtOnce(uses))} times ${name} at once, ${String(there)} are there`);
  }

  // Without nuts before tree nuts before peanut, and nothing after what has an allergen that it lacks and that is minded, without a clean-down between.
  const inBox = (pack: (typeof tasks)[number]['pack']) =>
    pack ? (packBox(book, pack.boxId, pack)?.facts.contains ?? []) : undefined;
  const containsOf = ({ recipeId, pieceId, pack }: (typeof tasks)[number]) =>
    book.recipes.get(recipeId ?? '')?.contains ?? book.pieces.get(pieceId ?? '')?.contains ?? inBox(pack) ?? [];
  const mindsOf = (task: (typeof tasks)[number]): string[] => {
    const { recipeId, pieceId, pack } = task;
    const ids = [
      `recipe ${recipeId ?? ''}`,
      `piece ${pieceId ?? ''}`,
      pack ? `box ${packedKey(pack.boxId, pack)}` : '',
    ];
    const asked = plan.minded.flatMap(({ noun, id, minds }) => (ids.includes(`${noun} ${id}`) ? minds : []));
    const inIt = containsOf(task);
    const nuts = allergenCodes.filter((code) => allergens[code].family === 'tree nuts');
    const more = {
      everything: allergenCodes.filter((code) => !['alcohol', 'animal'].includes(allergens[code].family)),
      'my list': kitchen.cleanList,
      'what orders rule out': [],
    }[kitchen.cleanFor];
    return [...asked, ...more, 'peanut', ...(inIt.some((code) => nuts.includes(code)) ? [] : nuts)];
  };
  const work = tasks.filter(({ kind }) => kind !== 'clean');
  const cleans = tasks.filter(({ kind }) => kind === 'clean');
  for (const one of work)
    for (const other of work) {
      const [left, lacks] = [containsOf(one), containsOf(other)];
      if (one === other || one.from > other.from + 1e-6) continue;
      const minds = mindsOf(other);
      const carried = left.filter((code) => minds.includes(code) && !lacks.includes(code));
      const isAtOnce = one.from + one.minutes > other.from + 1e-6;
      if (one.from < other.from - 1e-6 && nutClasses.indexOf(nutClass(left)) > nutClasses.indexOf(nutClass(lacks)))
        wrong.push(`${day}: ${other.name} is begun after ${one.name}, which has more nuts`);
      const isClean = cleans.some(
        ({ from, minutes }) => from >= one.from - 1e-6 && from + minutes <= other.from + 1e-6,
      );
      if (carried.length > 0 && kitchen.cleanMinutes > 0 && (isAtOnce || !isClean))
        wrong.push(`${day}: ${other.name} is begun after ${one.name} without cleaning off ${carried.join(', ')}`);
    }

  // What is made on the day is there, and has rested, before what uses it.
  const makes = tasks.filter(({ kind }) => kind === 'make');
  for (const { recipeId, name, from } of makes)
    for (const { uses } of book.recipes.get(recipeId ?? '')?.recipe.lines ?? [])
      for (const part of makes)
        if (
          uses.kind === 'recipe' &&
          part.recipeId === uses.id &&
          part.from + part.minutes + (part.hold?.minutes ?? 0) > from + 1e-6
        ) {
          const first = makes.find((each) => each.recipeId === recipeId);
          if (first?.from === from) wrong.push(`${day}: ${name} is begun before its ${part.name} is there`);
        }
  return wrong;
}
