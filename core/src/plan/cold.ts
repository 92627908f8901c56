import type { Book } from '../book/index.js';
import type { PieceFacts } from '../piece/index.js';
import type { Day } from '../quantity/index.js';
import { coldKinds, litresOf, PIECES_OF_ROOM, type ColdKind } from '../room/index.js';
import type { Finishing } from './needs.js';
import type { Plan } from './shape.js';

/** What there is of one kind of cold place. */
export interface ColdSpace {
  readonly kind: ColdKind;
  readonly litres: number;
}

/** The cold places of the kitchen, by kind; those that are not named are not counted. */
export const coldSpaces = ({ kitchen: { coldPlaces } }: Book): ColdSpace[] =>
  coldKinds.flatMap((kind) => {
    const litres = litresOf(coldPlaces, kind);
    return litres === null ? [] : [{ kind, litres }];
  });

/** Litres that a gram of a recipe takes in a kind of cold place; 0 when it does not stand there. */
export function litresPerGram(recipeId: string, kind: ColdKind, book: Book): number {
  const facts = book.recipes.get(recipeId);
  const stands = facts?.recipe.stands;
  return stands?.kind === kind && facts && facts.yieldGrams > 0 ? stands.litres / facts.yieldGrams : 0;
}

/** Litres that a piece takes in a kind of cold place once it is finished. */
export const litresPerPiece = ({ piece: { stands } }: PieceFacts, kind: ColdKind): number =>
  stands?.kind === kind ? stands.litres / PIECES_OF_ROOM : 0;

/** Litres of each piece's body until it is finished. */
export function litresPerBody(facts: PieceFacts, kind: ColdKind, book: Book): number {
  const body = facts.parts.find(({ role }) => role === 'body');
  return body ? body.drawnGrams * litresPerGram(body.recipeId, kind, book) : 0;
}

/** Whether something stands over the night after a day. */
export const standsOver = (from: Day, until: Day, night: Day): boolean => from <= night && night < until;

/** Litres that pieces of finishings take in the night after a day: their bodies until they are finished, and they themselves until they are handed over. */
export const finishingLitres = (
  finishings: readonly Pick<Finishing, 'pieceId' | 'madeOn' | 'begun' | 'day' | 'handOver' | 'count'>[],
  night: Day,
  kind: ColdKind,
  book: Book,
): number =>
  finishings.reduce((sum, { pieceId, madeOn, begun, day, handOver, count }) => {
    const facts = book.pieces.get(pieceId);
    if (!facts) return sum;
    const body = standsOver(madeOn, begun, night) ? litresPerBody(facts, kind, book) : 0;
    const finished = standsOver(day, handOver, night) ? litresPerPiece(facts, kind) : 0;
    return sum + count * (body + finished);
  }, 0);

/** Litres that finished pieces of batches take in the night after a day until they are handed over. */
export const finishedLitres = (
  made: readonly Pick<Plan['made'][number], 'finishedOn' | 'pegs'>[],
  night: Day,
  kind: ColdKind,
  book: Book,
): number =>
  made.reduce(
    (sum, { finishedOn, pegs }) =>
      sum +
      pegs.reduce((all, { role, id, pieces, handOver }) => {
        const facts = role === 'body' ? book.pieces.get(id) : undefined;
        return facts && finishedOn !== null && standsOver(finishedOn, handOver ?? '', night)
          ? all + pieces * litresPerPiece(facts, kind)
          : all;
      }, 0),
    0,
  );

/**
 * Litres of a kind of cold place that are taken in the night after a day: bodies until they are finished, components until they are used, and
 * pieces until they are handed over. What nobody uses is not counted: it goes where there is room.
 */
export function coldTaken(
  { made, runs, finishings }: Pick<Plan, 'made' | 'runs' | 'finishings'>,
  night: Day,
  kind: ColdKind,
  book: Book,
): number {
  const components = [...made, ...runs].reduce((sum, { recipeId, day, pegs }) => {
    const perGram = litresPerGram(recipeId, kind, book);
    if (perGram === 0) return sum;
    return pegs.reduce(
      (all, { role, on, grams }) => (role !== 'body' && standsOver(day, on, night) ? all + grams * perGram : all),
      sum,
    );
  }, 0);
  return components + finishingLitres(finishings, night, kind, book) + finishedLitres(made, night, kind, book);
}
