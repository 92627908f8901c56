import { partition } from 'es-toolkit';
import type { Book } from '../book/index.js';
import { closureOn, type KitchenDraft } from '../kitchen/index.js';
import { sayDay, sayList, sayShortDay, type Day } from '../quantity/index.js';
import { batchesOf, componentKey, pieceKey, withoutMade, type DayShare, type Guide, type Pin } from './guide.js';
import { triedOf } from './made-runs.js';
import type { Plan, PlanWork } from './shape.js';
import { suitsMaking, whyNotMadeOn } from './suits.js';
import { isBenchDay } from './windows.js';

/** The stages of finishing that stand on a day since the maker wants it. */
function stagePinsIn({ finishings }: Pick<Plan, 'finishings'>): Pick<Guide, 'stagePins'> {
  const stagePins = finishings.flatMap(({ pieceId, madeOn, handOver, work }) =>
    work.flatMap(({ pinned, stage, day }) => (pinned ? [{ pieceId, madeOn, handOver, stage, day }] : [])),
  );
  return stagePins.length > 0 ? { stagePins } : {};
}

/** The plan as it stands, with what is made already, written down as decisions, so that one of them can be changed. */
export function guideOf(plan: Plan, pins: readonly Pin[]): Guide {
  const pieces: Record<string, DayShare[]> = {};
  const components: Record<string, DayShare[]> = {};
  const add = (list: DayShare[], day: Day, amount: number) => {
    const at = list.findIndex((each) => each.day === day);
    const before = list[at];
    if (before) list[at] = { day, amount: before.amount + amount };
    else list.push({ day, amount });
  };
  for (const { recipeId, day, pegs } of [...plan.made, ...plan.runs])
    for (const peg of pegs) {
      if (peg.role === 'body') add((pieces[pieceKey(peg.id, peg.handOver ?? peg.on)] ??= []), day, peg.pieces);
      else if (peg.grams > 0) add((components[componentKey(recipeId, peg.on)] ??= []), day, peg.grams);
    }
  return {
    pieces,
    components,
    batches: batchesOf([...triedOf(plan.made), ...plan.runs]),
    pins: pins.filter((pin) => plan.runs.some(({ recipeId, day }) => recipeId === pin.recipeId && day === pin.day)),
    ...stagePinsIn(plan),
  };
}

/** Batches as they are compared: of a recipe of any size, how many there are on a day. */
const sorted = (batches: Guide['batches'], { recipes }: Pick<Book, 'recipes'>): string =>
  JSON.stringify(
    batches
      .map(({ recipeId, day, size, count }) =>
        [recipeId, day, recipes.get(recipeId)?.recipe.anySize ? '' : size, count].join(' '),
      )
      .sort(),
  );

/** Whether a plan makes just the batches that were decided: otherwise orders or recipes have changed since, or a batch failed. */
export const followsGuide = (plan: Plan, guide: Guide, book: Book): boolean =>
  sorted(batchesOf(plan.runs), book) === sorted(withoutMade(guide, triedOf(plan.made), book).batches, book);

/** Why nobody works on a day, as a sentence; none when somebody does. */
export function whyNoBenchDay(day: Day, kitchen: KitchenDraft): string[] {
  const closure = closureOn(day, kitchen);
  if (closure) return [`The kitchen is closed on ${sayDay(day)}${closure.reason ? `: ${closure.reason}` : ''}.`];
  return isBenchDay(day, kitchen) ? [] : [`${sayDay(day)} is no bench day.`];
}

/** Why a run cannot be moved to a day; each a sentence. Empty when it can. */
export function whyNotTo(plan: PlanWork, recipeId: string, from: Day, to: Day, book: Book, today: Day): string[] {
  const run = plan.runs.find((each) => each.recipeId === recipeId && each.day === from);
  const facts = book.recipes.get(recipeId);
  if (!run || !facts) return ['That making is not in the plan any more.'];
  const name = run.recipeName;
  const why: string[] = [];
  if (to < today) why.push(`${sayDay(to)} has passed.`);
  why.push(...whyNoBenchDay(to, book.kitchen));
  const air = whyNotMadeOn(facts, to, book.kitchen);
  if (air !== null) why.push(air);
  const late = run.pegs.filter(({ window }) => to > window.to);
  const early = run.pegs.filter(({ window }) => to < window.from);
  const names = (uses: typeof late) =>
    sayList([...new Set(uses.map(({ name: of, handOver, on }) => `${of} for ${sayDay(handOver ?? on)}`))].slice(0, 4));
  if (late.length > 0)
    why.push(
      `That is too late for ${names(late)}: ${name} must be made by ${sayDay(late.map(({ window }) => window.to).sort()[0] ?? to)}.`,
    );
  if (early.length > 0)
    why.push(
      `That is too early for ${names(early)}: what is made before ${sayDay(
        early
          .map(({ window }) => window.from)
          .sort()
          .at(-1) ?? to,
      )} does not keep.`,
    );
  return why;
}

/** The decisions with one run on another day, and pinned there. */
export function moveRun(guide: Guide, recipeId: string, from: Day, to: Day, plan: Plan): Guide {
  const run = plan.runs.find((each) => each.recipeId === recipeId && each.day === from);
  const keys = new Set(
    run?.pegs.map((peg) =>
      peg.role === 'body' ? pieceKey(peg.id, peg.handOver ?? peg.on) : componentKey(recipeId, peg.on),
    ),
  );
  const merge = (list: readonly DayShare[]): DayShare[] => {
    const sums = new Map<Day, number>();
    for (const { day, amount } of list) {
      const there = day === from ? to : day;
      sums.set(there, (sums.get(there) ?? 0) + amount);
    }
    return [...sums].map(([day, amount]) => ({ day, amount }));
  };
  const moved = (all: Guide['pieces']) =>
    Object.fromEntries(Object.entries(all).map(([key, list]) => [key, keys.has(key) ? merge(list) : list]));
  const counts = new Map<string, Guide['batches'][number]>();
  for (const each of guide.batches) {
    const there = each.recipeId === recipeId && each.day === from ? { ...each, day: to } : each;
    const key = `${there.recipeId} ${there.day} ${String(there.size)}`;
    const before = counts.get(key);
    counts.set(key, before ? { ...before, count: before.count + there.count } : there);
  }
  return {
    pieces: moved(guide.pieces),
    components: moved(guide.components),
    batches: [...counts.values()],
    // What was wanted for its pieces was wanted of the day on which they were made.
    ...(guide.stagePins && {
      stagePins: guide.stagePins.filter(
        (pin) => pin.madeOn !== from || !run?.pegs.some(({ id }) => id === pin.pieceId),
      ),
    }),
    pins: [
      ...guide.pins.filter((pin) => pin.recipeId !== recipeId || (pin.day !== from && pin.day !== to)),
      { recipeId, day: to },
    ],
  };
}

/** Why a run is on its day and not on another; a sentence or two. */
export function whyThen(plan: PlanWork, recipeId: string, day: Day, book: Book, today: Day): string {
  const run = plan.runs.find((each) => each.recipeId === recipeId && each.day === day);
  if (!run || run.pegs.length === 0) return run?.pinned ? 'You pinned it here.' : '';
  const pinned = run.pinned ? 'You pinned it here. ' : '';
  const from =
    run.pegs
      .map(({ window }) => window.from)
      .sort()
      .at(-1) ?? day;
  const to = run.pegs.map(({ window }) => window.to).sort()[0] ?? day;
  const last = run.pegs.find(({ window }) => window.to === to);
  const first = run.pegs.find(({ window }) => window.from === from);
  const days = plan.days.filter(
    (each) => each.day >= today && each.day >= from && each.day <= to && each.benchMinutes > 0,
  );
  const bounds = [
    last && `it is needed for ${last.name} by ${sayShortDay(to)}`,
    first && from > today && `what is made before ${sayShortDay(from)} does not keep for ${first.name}`,
  ].filter(Boolean);
  const others = days.filter((each) => each.day !== day);
  const facts = book.recipes.get(recipeId);
  const unfit = others.filter((each) => facts && !suitsMaking(facts, each.day, book.kitchen));
  const [damp, warm] = partition(unfit, (each) => each.humid);
  const full = others.filter(
    (each) => !unfit.includes(each) && each.bookedMinutes + run.handsMinutes > each.benchMinutes,
  );
  const left = others.filter((each) => !unfit.includes(each) && !full.includes(each));
  const sayDays = (list: typeof others, one: string, many: string) =>
    list.length > 2
      ? `${String(list.length)} other days in between ${many}`
      : `${sayList(list.map((each) => sayShortDay(each.day)))} ${list.length > 1 ? many : one}`;
  const rest = [
    damp.length > 0 ? sayDays(damp, 'is humid', 'are humid') : '',
    warm.length > 0 ? sayDays(warm, 'does not suit it by its air', 'do not suit it by their air') : '',
    full.length > 0 ? sayDays(full, 'has no room left', 'have no room left') : '',
    left.length > 0 ? sayDays(left, 'would also work', 'would also work') : '',
  ].filter(Boolean);
  const sentence = [...bounds, ...(others.length === 0 ? ['no other bench day lies between'] : rest)].join('; ');
  return `${pinned}${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`;
}
