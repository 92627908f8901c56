import type { Book } from '../book/index.js';
import { costBasis } from '../money/index.js';
import type { PieceFacts } from '../piece/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import { ModelBuilder, type Term } from '../solver/index.js';
import { reuseOf } from './reuse.js';
import {
  type FinishDay,
  type PieceDemand,
  type Guide,
  type Kinds,
  type Netted,
  type Packing,
  type Plan,
  isBenchDay,
  makerHours,
} from '../plan/index.js';

/** What the model weighs against each other, in minor units of money. */
export const weights = {
  /** Overtime costs this many times the rate of hands. */
  overtime: 1.5,
  /** A minute that a day ends after its hours and its overtime costs this many times the rate of hands. */
  late: 5,
  /** Cleaning fills the hours like any other work; beyond that it weighs so much of its hands. */
  cleaning: 0.1,
  /** Of a piece's ingredients, for each day that it is made before its hand-over. */
  earlyPerDay: 0.002,
  /** A gram that is wanted for what is made already, and that no day can give any more, costs so much. */
  missing: 100,
  /** Minutes of hands that it is worth to leave a recipe on the days that it had. */
  stabilityMinutes: 6,
} as const;

export interface ProgrammeInput {
  readonly demand: readonly PieceDemand[];
  /** What is made already. */
  readonly netted: Netted;
  readonly book: Book;
  readonly today: Day;
  readonly packing: Packing;
  /** By which the bench is cleaned. */
  readonly kinds: Kinds;
  /** What was decided before: pins hold, and days that need not move are kept. */
  readonly before: Guide | null;
  /** Whether pieces are counted whole; without it the model is a little easier, and what it says is nearly the same. */
  readonly wholePieces?: boolean;
  /** Only the rules themselves, nothing that follows from them: to find out which of them clash. */
  readonly bare?: boolean;
  /** A plan that stays as it is beside what is planned: what it takes of the days, the moulds and the pans is not there any more. */
  readonly beside?: Plan;
  /** Without the rows by which a day's work, its rests among it, ends in time: when nothing else is possible. */
  readonly loose?: boolean;
}

/** One way to serve one hand-over of a piece: its body made on one day. */
export interface Serve {
  readonly demand: PieceDemand;
  readonly facts: PieceFacts;
  readonly bodyId: string;
  readonly day: Day;
  /** The days on which it is finished, stage by stage. */
  readonly finish: readonly FinishDay[];
  readonly finishedOn: Day;
  readonly column: number;
}

/** What one unit of a column makes of a recipe on one day: batches of a listed size; or, of any size, batches and how much they are. */
export interface BatchColumn {
  readonly column: number;
  /** Base batches. */
  readonly size: number;
  /** Batches, each with its hands, its burner and its pans; 0 for a column that says how much they are. */
  readonly batches: number;
  /** Base batches for which components are taken: no less than are made, once sizes are rounded up. */
  readonly drawn: number;
  /** The largest size that one of its batches may have. */
  readonly most: number;
}

/** How many batches the columns of one day make, each times a factor. */
export const countedIn = (columns: readonly BatchColumn[], factor = 1): Term[] =>
  columns.flatMap(({ column, batches }): Term[] => (batches > 0 ? [[column, batches * factor]] : []));

/** A row that may clash with others, and what it says. */
export interface Claim {
  readonly row: number;
  readonly kind: 'day' | 'hand-over';
  readonly day: Day;
  readonly text: string;
}

/** The model of a season while it is being built. */
export interface ProgrammeBuilder {
  readonly input: ProgrammeInput;
  readonly model: ModelBuilder;
  /** Bench days from today to the last hand-over. */
  readonly days: readonly Day[];
  /** Minutes of the maker's hands on a day, without what is done already or beside; below zero where that runs into the overtime. */
  readonly minutesOn: (day: Day) => number;
  /** What a minute of hands costs. */
  readonly rate: number;
  /** What the ingredients of a gram of a recipe cost. */
  readonly costOf: (recipeId: string) => number;
  /** What a gram of a recipe is worth that is left over and lost. */
  readonly lost: (recipeId: string) => number;
  readonly batches: Map<string, ReadonlyMap<Day, readonly BatchColumn[]>>;
  /** Whether a recipe is made on a day at all. */
  readonly makes: Map<string, ReadonlyMap<Day, number>>;
  readonly serves: Serve[];
  readonly outside: PieceDemand[];
  readonly claims: Claim[];
}

/** The bench days from today to the last hand-over. */
function benchDays({ demand, netted, today, book }: ProgrammeInput): Day[] {
  const last = [...demand.map(({ day }) => day), ...netted.finishings.map(({ day }) => day)].reduce(
    (latest, day) => (day > latest ? day : latest),
    today,
  );
  return Array.from({ length: daysBetween(today, last) + 1 }, (_, index) => addDays(today, index)).filter((day) =>
    isBenchDay(day, book.kitchen),
  );
}

/** Grams of each component in one base batch of a recipe. */
export function componentsOf(facts: RecipeFacts): Map<string, number> {
  const grams = new Map<string, number>();
  facts.recipe.lines.forEach(({ uses }, index) => {
    if (uses.kind === 'recipe') grams.set(uses.id, (grams.get(uses.id) ?? 0) + (facts.lineGrams[index] ?? 0));
  });
  return grams;
}

/** The same sum with one term a column. */
export function merged(terms: readonly Term[]): Term[] {
  const sums = new Map<number, number>();
  for (const [column, factor] of terms) sums.set(column, (sums.get(column) ?? 0) + factor);
  return [...sums];
}

export function draftSeason(input: ProgrammeInput): ProgrammeBuilder {
  const { book, netted, today, beside } = input;
  // Of a day on which something else is done already, all that is left is what is not booked, and the overtime.
  const taken = new Map(
    beside?.days.map(({ day, bookedMinutes, sharedMinutes }) => [day, Math.max(0, bookedMinutes - sharedMinutes)]),
  );
  const { costs } = costBasis(book);
  const costOf = (id: string) => costs.recipes.get(id)?.toNumber() ?? 0;
  return {
    input,
    model: new ModelBuilder(),
    days: benchDays(input),
    minutesOn: (day) => {
      const whole = makerHours(day, book.kitchen) * 60;
      return beside ? whole - (taken.get(day) ?? 0) : Math.max(0, whole - (day === today ? netted.doneMinutes : 0));
    },
    rate: book.kitchen.handsRateMinorPerHour / 60,
    costOf,
    lost: (id) => {
      const facts = book.recipes.get(id);
      return facts ? costOf(id) * (1 - reuseOf(id, facts, book)) : 0;
    },
    batches: new Map(),
    makes: new Map(),
    serves: [],
    outside: [],
    claims: [],
  };
}
