import type { Book } from '../book/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { bodyForm, setsOverNight, type PieceFacts } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import type { BatchCount } from '../recipe/index.js';
import { oncePer } from '../record/index.js';
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
}

const mouldKey = ({ cavities, cavityMl }: { readonly cavities: number; readonly cavityMl: number }): string =>
  `${String(cavities)} x ${String(cavityMl)} mL`;

/** What a piece takes of its moulds; null for one that is not moulded. */
export function mouldShareOf({ piece }: PieceFacts): MouldShare | null {
  const form = bodyForm(piece.form);
  if (form.kind !== 'moulded') return null;
  const overNight = setsOverNight(piece);
  const held = form.cavities * (overNight ? 1 : form.turnsPerDay) * (1 - form.breakagePercent / 100);
  return { key: mouldKey(form), perPiece: form.cavitiesEach / held, overNight };
}

/** How many moulds of a kind the kitchen lists; null when it lists none. */
export function mouldsListed(
  kind: { readonly cavities: number; readonly cavityMl: number },
  { moulds }: Pick<KitchenDraft, 'moulds'>,
): number | null {
  const same = moulds.filter((each) => mouldKey(each) === mouldKey(kind));
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

/** Whether pieces have their moulds on a day, or in the night after it: those that set over night until they are knocked out. */
export const hasMoulds = ({ overNight }: MouldShare, begun: Day, last: Day, on: Day): boolean =>
  overNight ? begun <= on && on < last : last === on;

/** Moulds of one kind that are full on a day and in the night after it; a fraction of the last. */
export const mouldsHeld = (
  finishings: readonly Pick<Finishing, 'pieceId' | 'begun' | 'day' | 'count'>[],
  on: Day,
  { key }: Mould,
  book: Book,
): number =>
  finishings.reduce((sum, { pieceId, begun, day, count }) => {
    const facts = begun <= on && on <= day ? book.pieces.get(pieceId) : undefined;
    const share = facts && mouldShareOf(facts);
    return share?.key === key && hasMoulds(share, begun, day, on) ? sum + count * share.perPiece : sum;
  }, 0);

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
