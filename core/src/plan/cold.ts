import type { Book } from '../book/index.js';
import type { PieceFacts } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
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

/** Whether something stands over the night after a day. */
export const standsOver = (from: Day, until: Day, night: Day): boolean => from <= night && night < until;

/** From when until when something stands in a kind of cold place. */
export interface ColdStay {
  readonly kind: ColdKind;
  readonly from: Day;
  readonly until: Day;
  /** What one piece takes of it. */
  readonly litres: number;
}

/** The day on which a piece is taken out of the freezer to thaw for a hand-over; null for one that does not thaw. */
export const thawsFrom = (
  { piece: { stands, thawNights } }: PieceFacts,
  finishedOn: Day,
  handOver: Day,
): Day | null => {
  if (stands?.kind !== 'freezer' || thawNights === 0) return null;
  const out = addDays(handOver, -thawNights);
  return out > finishedOn ? out : finishedOn;
};

/** Where a finished piece stands cold until it is handed over: what thaws stands in the fridge for its last nights. */
export function coldStays(facts: PieceFacts, finishedOn: Day, handOver: Day): ColdStay[] {
  const { stands } = facts.piece;
  if (!stands) return [];
  const litres = stands.litres / PIECES_OF_ROOM;
  const thaws = thawsFrom(facts, finishedOn, handOver);
  const stay = { kind: stands.kind, from: finishedOn, until: thaws ?? handOver, litres };
  return thaws === null ? [stay] : [stay, { kind: 'fridge', from: thaws, until: handOver, litres }];
}

/** Litres that a finished piece takes in a kind of cold place in the night after a day. */
function litresOfPiece(facts: PieceFacts, finishedOn: Day, handOver: Day, night: Day, kind: ColdKind): number {
  const stay = coldStays(facts, finishedOn, handOver).find(({ from, until }) => standsOver(from, until, night));
  return stay?.kind === kind ? stay.litres : 0;
}

/** Litres of each piece's body until it is finished. */
export function litresPerBody(facts: PieceFacts, kind: ColdKind, book: Book): number {
  const body = facts.parts.find(({ role }) => role === 'body');
  return body ? body.drawnGrams * litresPerGram(body.recipeId, kind, book) : 0;
}

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
    return sum + count * (body + litresOfPiece(facts, day, handOver, night, kind));
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
        return facts && finishedOn !== null && handOver !== null
          ? all + pieces * litresOfPiece(facts, finishedOn, handOver, night, kind)
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
