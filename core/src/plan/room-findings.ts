import type { Book } from '../book/index.js';
import { finding, openWayOut, type Finding, type Subject } from '../finding/index.js';
import type { PieceFacts } from '../piece/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import { coldNames } from '../room/index.js';
import { coldSpaces, coldTaken, thawsFrom } from './cold.js';
import { moveAway, PLAN_AGAIN } from './move-away.js';
import type { Plan } from './shape.js';
import { againstKeeping, toFridge, tooWarmToKeep, whyNotFinishedOn, whyNotMadeOn } from './suits.js';

const KITCHEN: Subject<'kitchen'> = { noun: 'kitchen', id: 'kitchen', name: 'the kitchen' };
/** Nobody sees that a shelf is so much too full, L. */
const LITRES_OFF = 0.01;

/** Which pieces are worked on to finish them on which days, each once, and how many. */
function finishedOnDays({ finishings }: Plan, { pieces }: Book) {
  const found = new Map<string, { readonly day: Day; readonly facts: PieceFacts; count: number }>();
  for (const { pieceId, work, count } of finishings) {
    const facts = pieces.get(pieceId);
    for (const { day } of facts ? work : []) {
      const key = `${pieceId} ${day}`;
      const there = found.get(key);
      if (there) there.count += count;
      else if (facts) found.set(key, { day, facts, count });
    }
  }
  return [...found.values()];
}

/** What is made or finished on a day whose air does not suit it, and what is then set in the fridge. */
export const airFindings = (plan: Plan, book: Book, today: Day): Finding[] => [
  ...plan.runs.flatMap((run) => {
    const { recipeId, recipeName, day } = run;
    const facts = book.recipes.get(recipeId);
    const why = facts && whyNotMadeOn(facts, day, book.kitchen);
    if (!why) return [];
    const about: Subject<'recipe'> = { noun: 'recipe', id: recipeId, name: recipeName };
    return [
      finding(
        'unfit-air',
        about,
        { why },
        {
          part: day,
          amount: run.batchCount,
          waysOut: [...moveAway(plan, run, book, today), PLAN_AGAIN, openWayOut(about)],
        },
      ),
    ];
  }),
  ...finishedOnDays(plan, book).flatMap(({ day, facts, count }) => {
    const about: Subject<'piece'> = { noun: 'piece', id: facts.piece.id, name: facts.piece.name };
    const why = whyNotFinishedOn(facts, day, book.kitchen);
    if (why !== null)
      return [
        finding(
          'unfit-air-to-finish',
          about,
          { why },
          { part: day, amount: count, waysOut: [PLAN_AGAIN, openWayOut(about)] },
        ),
      ];
    return toFridge(facts, day, book.kitchen) ? [finding('set-in-fridge', about, { day }, { part: day })] : [];
  }),
];

/** Finished pieces that stand until they are handed over. */
interface Standing {
  readonly pieceId: string;
  readonly from: Day;
  readonly to: Day;
  readonly count: number;
}

/** From when until when finished pieces stand: those that are still to be finished, and those that are. */
function standing({ finishings, made }: Plan): Standing[] {
  return [
    ...finishings.map(({ pieceId, day, handOver, count }) => ({ pieceId, from: day, to: handOver, count })),
    ...made.flatMap(({ finishedOn, pegs }) =>
      pegs.flatMap(({ role, id, handOver, pieces }) =>
        role === 'body' && finishedOn !== null && handOver !== null
          ? [{ pieceId: id, from: finishedOn, to: handOver, count: pieces }]
          : [],
      ),
    ),
  ];
}

/** What is to be taken out of the freezer from today on, and for which hand-over. */
export function thawFindings(plan: Plan, book: Book, today: Day): Finding[] {
  const counts = new Map<string, Standing & { readonly facts: PieceFacts; readonly day: Day }>();
  for (const each of standing(plan)) {
    const facts = book.pieces.get(each.pieceId);
    const day = facts ? thawsFrom(facts, each.from, each.to) : null;
    if (!facts || day === null || day < today) continue;
    const key = [each.pieceId, day, each.to].join(' ');
    counts.set(key, { ...each, facts, day, count: each.count + (counts.get(key)?.count ?? 0) });
  }
  return [...counts.values()].map(({ pieceId, facts, day, to, count }) =>
    finding(
      'take-out',
      { noun: 'piece', id: pieceId, name: facts.piece.name },
      { day, count, handOver: to },
      { part: `${day} for ${to}` },
    ),
  );
}

/** Pieces that stand finished over days to come whose air does not suit them, each with these days. */
export function keepingFindings(plan: Plan, book: Book, today: Day): Finding[] {
  const { dayChanges } = book.kitchen;
  return [...groupBy(standing(plan), ({ pieceId }) => pieceId)].flatMap(([pieceId, stays]) => {
    const facts = book.pieces.get(pieceId);
    if (!facts) return [];
    // Only a day of which something is said can be against anything.
    const days = dayChanges.flatMap(({ day }) => {
      const isThere = day >= today && stays.some(({ from, to }) => from <= day && day <= to);
      const against = isThere ? againstKeeping(facts, day, book.kitchen) : null;
      return against === null ? [] : [{ day, against }];
    });
    if (days.length === 0) return [];
    const about: Subject<'piece'> = { noun: 'piece', id: pieceId, name: facts.piece.name };
    const isWarm = days.some(({ day }) => tooWarmToKeep(facts, day, book.kitchen));
    return [finding('unfit-air-to-keep', about, { days, isWarm })];
  });
}

/** Nights in which more would stand cold than there is room for. */
export const coldFindings = (plan: Plan, book: Book): Finding[] =>
  coldSpaces(book).flatMap(({ kind, litres }) =>
    plan.days.flatMap(({ day }) => {
      const taken = coldTaken(plan, day, kind, book);
      // What is made and finished already stands where it stands.
      if (taken <= litres + LITRES_OFF || coldTaken({ ...plan, made: [] }, day, kind, book) <= LITRES_OFF) return [];
      const about: Subject<'day'> = { noun: 'day', id: day, name: sayDay(day) };
      return [
        finding(
          'cold-short',
          about,
          { place: coldNames[kind], takenLitres: taken, litres },
          {
            part: kind,
            amount: taken,
            waysOut: [PLAN_AGAIN, openWayOut(about), openWayOut(KITCHEN, 'Open the settings')],
          },
        ),
      ];
    }),
  );
