import type { Book } from '../book/index.js';
import { allergens, type Allergen } from '../ingredient/index.js';
import type { Plan } from '../plan/index.js';
import { addDays, sayCount, sayDay, sayShortDay } from '../quantity/index.js';
import { sayBatches } from '../recipe/index.js';
import type { Label, LabelBlock } from './label.js';
import { plain } from './span.js';

/** What is printed beside the labels of boxes. */
export const ticketKinds = ['tapes', 'shelf', 'allergens', 'tags'] as const;
export type TicketKind = (typeof ticketKinds)[number];

/** A ticket in words: what is needed to set it in type. */
export type Ticket = Pick<Label, 'blocks' | 'netLetterMm' | 'textLetterMm'>;

/** Letters that are read at an arm's length, mm. Common practice, no source. */
const LETTER_MM = 1.8;

const block = (kind: LabelBlock['kind'], heading: string, text: string): LabelBlock => ({
  kind,
  heading,
  text,
  spans: text === '' ? [] : [plain(text)],
});

const ticket = (blocks: readonly LabelBlock[]): Ticket => ({
  blocks: blocks.filter(({ text }) => text !== ''),
  netLetterMm: LETTER_MM,
  textLetterMm: LETTER_MM,
});

const sayAllergens = (codes: readonly Allergen[]): string =>
  codes.map((code) => allergens[code].name.toLowerCase()).join(', ');

/** The tape of each batch of the season: what it is, when it was made, how long it keeps, what is in it. */
function tapes(plan: Plan, book: Book): Ticket[] {
  return [
    ...plan.made.map((run) => ({ ...run, isMade: true })),
    ...plan.runs.map((run) => ({ ...run, isMade: false })),
  ].flatMap(({ recipeId, recipeName, day, batches, batchCount, isMade }) => {
    const facts = book.recipes.get(recipeId);
    if (!facts) return [];
    const one = ticket([
      block('name', '', recipeName),
      block('dates', isMade ? 'Made' : 'Planned', `${sayDay(day)}, ${sayBatches(batches)}`),
      block('storage', 'Use by', sayDay(addDays(day, facts.recipe.keepsDays))),
      block('contains', 'Contains:', sayAllergens(facts.contains) || 'none of the listed allergens'),
      block('may', 'May contain:', sayAllergens(facts.mayContain)),
    ]);
    return Array.from({ length: batchCount }, () => one);
  });
}

/** The ticket of each piece for a shelf or a stall. */
const shelf = (book: Book): Ticket[] =>
  [...book.pieces.values()].map(({ piece, contains, mayContain, keepsDays }) =>
    ticket([
      block('name', '', piece.name),
      block('contains', 'Contains:', sayAllergens(contains) || 'none of the listed allergens'),
      block('may', 'May contain:', sayAllergens(mayContain)),
      block('storage', 'Keeps', sayCount(keepsDays, 'day')),
    ]),
  );

/** A card for each box: what is what, with the allergens of each piece. */
const cards = (book: Book): Ticket[] =>
  [...book.boxes.values()].map(({ box, pieces, contains, mayContain }) =>
    ticket([
      block('name', '', box.name),
      ...pieces.flatMap(({ pieceId, count }) => {
        const facts = book.pieces.get(pieceId);
        return facts
          ? [
              block(
                'piece',
                `${String(count)} × ${facts.piece.name}:`,
                sayAllergens(facts.contains) || 'none of the listed allergens',
              ),
            ]
          : [];
      }),
      block('contains', 'Contains:', sayAllergens(contains) || 'none of the listed allergens'),
      block('may', 'May contain:', sayAllergens(mayContain)),
    ]),
  );

/** A tag for each order that is handed over: for whom, when, what, and what was ruled out. */
const tags = (plan: Plan): Ticket[] =>
  plan.handOvers.flatMap(({ day, orders }) =>
    orders.map(({ customer, way, place, contents }) =>
      ticket([
        block('name', '', customer),
        block('dates', '', `${sayShortDay(day)}, ${[way, place].filter(Boolean).join(', ')}`),
        ...contents.map(({ boxName, count, changes }) =>
          block('piece', `${String(count)} × ${boxName}`, changes.join(', ') || 'as it is'),
        ),
        block('contains', 'Contains:', sayAllergens([...new Set(contents.flatMap((each) => each.contains))])),
        block('storage', '', contents.some(({ travel }) => travel === 'keep cool') ? 'Keep cool.' : ''),
      ]),
    ),
  );

/** All tickets of one kind, in the order in which they are used. */
export function ticketsOf(kind: TicketKind, plan: Plan, book: Book): Ticket[] {
  switch (kind) {
    case 'tapes':
      return tapes(plan, book);
    case 'shelf':
      return shelf(book);
    case 'allergens':
      return cards(book);
    case 'tags':
      return tags(plan);
  }
}
