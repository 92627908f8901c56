import type { Book } from '../book/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { bodyForm, setsOverNight, type PieceFacts } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import type { BatchCount } from '../recipe/index.js';
import { oncePer } from '../record/index.js';
import { nutClass, nutClasses, type NutClass } from './clean-downs.js';
import type { Finishing } from './needs.js';

/** Moulds of one kind, for all pieces that are filled in them. */
export interface Mould {
  /** Moulds with as many cavities of the same size are one kind, whichever piece names them. */
  readonly key: string;
  /** How many there are: those that the kitchen lists; where it lists none of the kind, the most that a piece of it says. */
  readonly count: number;
  /** Names of the pieces that share them. */
  readonly pieces: readonly string[];
}

/** What one piece takes of its kind of mould. */
export interface MouldShare {
  readonly key: string;
  /** Moulds a piece: one in all the cavities of a mould that hold; for what is finished in a day, as often as it can be filled in one. */
  readonly perPiece: number;
  /** Whether it stands in its mould over night. */
  readonly overNight: boolean;
  /** In which part of a day its moulds are filled, and emptied. */
  readonly nuts: NutClass;
}

interface MouldSize {
  readonly cavities: number;
  readonly cavityMl: number;
}

const mouldKey = ({ cavities, cavityMl }: MouldSize): string => `${String(cavities)} x ${String(cavityMl)} mL`;

/** Whether moulds are of one kind. */
export const isSameMould =
  (kind: MouldSize) =>
  (other: MouldSize): boolean =>
    mouldKey(kind) === mouldKey(other);

/** What a piece takes of its moulds; null for one that is not moulded. */
export function mouldShareOf({ piece, contains }: PieceFacts): MouldShare | null {
  const form = bodyForm(piece.form);
  if (form.kind !== 'moulded') return null;
  const overNight = setsOverNight(piece);
  const held = form.cavities * (overNight ? 1 : form.turnsPerDay) * (1 - form.breakagePercent / 100);
  return { key: mouldKey(form), perPiece: form.cavitiesEach / held, overNight, nuts: nutClass(contains) };
}

/** How many moulds of a kind the kitchen lists; null when it lists none. */
export function mouldsListed(kind: MouldSize, { moulds }: Pick<KitchenDraft, 'moulds'>): number | null {
  const same = moulds.filter(isSameMould(kind));
  return same.length > 0 ? same.reduce((sum, { count }) => sum + count, 0) : null;
}

/** The moulds of the house, by kind. */
export const mouldsOf = oncePer((book: Book): readonly Mould[] => {
  const kinds = new Map<string, { count: number; pieces: string[] }>();
  for (const facts of book.pieces.values()) {
    const share = mouldShareOf(facts);
    const form = bodyForm(facts.piece.form);
    if (!share || form.kind !== 'moulded') continue;
    const kind = kinds.get(share.key) ?? { count: 0, pieces: [] };
    kinds.set(share.key, {
      count: mouldsListed(form, book.kitchen) ?? Math.max(kind.count, form.moulds),
      pieces: [...kind.pieces, facts.piece.name],
    });
  }
  return [...kinds].map(([key, kind]) => ({ key, ...kind }));
});

/**
 * Whether pieces have their moulds in one part of a day. Those that set over night have them from their own part of the day on which they are
 * begun until they are knocked out, which is in their own part of another day: in the parts before that they have them still. Within one part
 * what is knocked out goes before what is filled. All others count for the whole day.
 * @param part the last of them is the night after the day, too
 */
export function hasMoulds({ overNight, nuts }: MouldShare, begun: Day, last: Day, on: Day, part: NutClass): boolean {
  if (!overNight) return last === on;
  const [own, now] = [nutClasses.indexOf(nuts), nutClasses.indexOf(part)];
  if (begun === on) return on < last && own <= now;
  return begun < on && (on < last || (on === last && own > now));
}

/**
 * Moulds of one kind that are full on a day and in the night after it; a fraction of the last.
 * @param parts of the day, of which the one with the most counts
 */
export function mouldsHeld(
  finishings: readonly Pick<Finishing, 'pieceId' | 'begun' | 'day' | 'count'>[],
  on: Day,
  { key }: Mould,
  book: Book,
  parts: readonly NutClass[] = nutClasses,
): number {
  const ours = finishings.flatMap(({ pieceId, begun, day, count }) => {
    const facts = begun <= on && on <= day ? book.pieces.get(pieceId) : undefined;
    const share = facts && mouldShareOf(facts);
    return share?.key === key ? [{ share, begun, day, count }] : [];
  });
  return Math.max(
    ...parts.map((part) =>
      ours.reduce(
        (sum, { share, begun, day, count }) =>
          hasMoulds(share, begun, day, on, part) ? sum + count * share.perPiece : sum,
        0,
      ),
    ),
  );
}

/** Pans of one length and width. */
export interface PanKind {
  readonly key: string;
  readonly name: string;
  readonly count: number;
}

/** Tells sizes apart; it is never shown. */
const sizeKey = (lengthMm: number, widthMm: number): string => `${String(lengthMm)} x ${String(widthMm)} mm`;

/** The pans of the kitchen, by kind. */
export function panKinds({ pans }: KitchenDraft): PanKind[] {
  const kinds = new Map<string, PanKind>();
  for (const { name, lengthMm, widthMm, count } of pans) {
    const key = sizeKey(lengthMm, widthMm);
    const before = kinds.get(key);
    kinds.set(key, { key, name: before?.name ?? name, count: count + (before?.count ?? 0) });
  }
  return [...kinds.values()];
}

/** In which pans a recipe rests over night. */
export interface PanShare {
  readonly key: string;
  readonly restDays: number;
  /** Pans that one batch of a size takes. */
  readonly pansFor: (size: number) => number;
}

const shared = new WeakMap<Book, Map<string, PanShare>>();

function panShares(book: Book): Map<string, PanShare> {
  const there = shared.get(book);
  if (there) return there;
  const kinds = new Set(panKinds(book.kitchen).map(({ key }) => key));
  const shares = new Map<string, PanShare>();
  for (const { piece } of book.pieces.values()) {
    const form = bodyForm(piece.form);
    if (form.kind !== 'cut') continue;
    const restDays = book.recipes.get(form.recipeId)?.recipe.restDays ?? 0;
    const key = sizeKey(form.panLengthMm, form.panWidthMm);
    if (restDays > 0 && kinds.has(key) && !shares.has(form.recipeId))
      shares.set(form.recipeId, { key, restDays, pansFor: (size) => Math.ceil(form.pansPerBatch * size - 1e-9) });
  }
  shared.set(book, shares);
  return shares;
}

/** The pans of the kitchen in which a recipe rests over night before it is cut; null when it does not, or they are not in the kitchen's list. */
export const panShareOf = (recipeId: string, book: Book): PanShare | null => panShares(book).get(recipeId) ?? null;

/** Whether what is made on a day is in its pan in the night after another. */
export const isInPan = ({ restDays }: PanShare, madeOn: Day, night: Day): boolean =>
  madeOn <= night && addDays(madeOn, restDays) > night;

/** Pans of one kind that are full in the night after a day. */
export const pansTaken = (
  runs: readonly { readonly recipeId: string; readonly day: Day; readonly batches: readonly BatchCount[] }[],
  night: Day,
  { key }: PanKind,
  book: Book,
): number =>
  runs.reduce((sum, { recipeId, day, batches }) => {
    const share = panShareOf(recipeId, book);
    if (share?.key !== key || !isInPan(share, day, night)) return sum;
    return sum + batches.reduce((all, { size, count }) => all + share.pansFor(size) * count, 0);
  }, 0);
