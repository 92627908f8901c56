import { isClear, type Contents } from '../ingredient/index.js';
import type { PieceFacts } from '../piece/index.js';
import { workOutBox, type BoxFacts } from './facts.js';
import { whyNotInto } from './fit.js';

/** One piece that another takes the place of. */
export interface StandIn {
  readonly fromId: string;
  readonly toId: string;
  /** In how many cells, and how many pieces of it in all. */
  readonly cells: number;
  readonly pieces: number;
}

/** A box as it is packed for somebody who must not have certain things. */
export interface ResolvedBox {
  /** The box itself when nothing has to change. */
  readonly facts: BoxFacts;
  readonly standIns: readonly StandIn[];
  /** Cells, from 1 on, that break an exclusion and have no stand-in that is clear. */
  readonly undecided: readonly number[];
  /** Pieces that are left out of it, by agreement. */
  readonly leftOut: number;
  /** Whether nothing in it breaks an exclusion any more. */
  readonly clear: boolean;
}

/** A piece that one order takes in place of another. */
export interface OwnStandIn {
  readonly pieceId: string;
  readonly withId: string;
}

/** Whether a piece may lie in a cell of a box that is packed without certain things: clear, known in full, and small enough. */
const mayStandIn = (facts: BoxFacts, index: number, without: readonly string[], other: PieceFacts): boolean =>
  other.complete &&
  isClear(without, other) &&
  whyNotInto(facts.box, index, other, facts.box.cells[index]?.count ?? 1) === null;

/**
 * Takes, in each cell that breaks an exclusion, the first stand-in that is clear of all of them. A cell without one keeps its
 * piece: that is for the maker to decide, never silent.
 * @param without exclusions, such as `nuts`
 * @param leaveOut whether the customer has agreed that such a cell stays empty
 * @param own what the order itself puts in place of a piece; it goes before the box's stand-ins
 */
export function resolveBox(
  facts: BoxFacts,
  without: readonly string[],
  pieces: ReadonlyMap<string, PieceFacts>,
  leaveOut = false,
  own: readonly OwnStandIn[] = [],
): ResolvedBox {
  const breaks = (contents: Contents) => !isClear(without, contents);
  if (!breaks(facts)) return { facts, standIns: [], undecided: [], leftOut: 0, clear: true };
  const swaps = new Map<string, StandIn>();
  const undecided: number[] = [];
  let leftOut = 0;
  const cells = facts.box.cells.map((cell, index) => {
    const piece = cell && pieces.get(cell.pieceId);
    if (!cell || !piece || !breaks(piece)) return cell;
    const chosen = own.filter(({ pieceId }) => pieceId === cell.pieceId).map(({ withId }) => withId);
    const toId = [...chosen, ...cell.standIns].find((id) => {
      const other = pieces.get(id);
      return other !== undefined && mayStandIn(facts, index, without, other);
    });
    if (toId === undefined) {
      if (leaveOut) leftOut += cell.count;
      else undecided.push(index + 1);
      return leaveOut ? null : cell;
    }
    const key = `${cell.pieceId} ${toId}`;
    const before = swaps.get(key) ?? { cells: 0, pieces: 0 };
    swaps.set(key, { fromId: cell.pieceId, toId, cells: before.cells + 1, pieces: before.pieces + cell.count });
    return { ...cell, pieceId: toId };
  });
  const changed = swaps.size > 0 || leftOut > 0;
  return {
    facts: changed ? workOutBox({ ...facts.box, cells }, pieces) : facts,
    standIns: [...swaps.values()],
    undecided,
    leftOut,
    clear: undecided.length === 0,
  };
}

/** How far one number is from another: 0 for the same, the more the greater their ratio. */
export const nearness = (a: number, b: number): number => Math.abs(Math.log(Math.max(a, 1e-9) / Math.max(b, 1e-9)));

/** A piece that could take the place of another, where the box has no stand-in for it. */
export interface Proposal {
  readonly fromId: string;
  readonly toId: string;
}

/**
 * For each piece of a box that breaks an exclusion and has no stand-in that is clear: another piece of the same box that is clear and
 * fits into all its cells, the nearest in weight and price.
 * @param costOf what a piece costs, in any unit
 * @returns a proposal a piece where there is one; nothing is taken without the maker
 */
export function proposeStandIns(
  resolved: ResolvedBox,
  without: readonly string[],
  pieces: ReadonlyMap<string, PieceFacts>,
  costOf: (pieceId: string) => number,
): Proposal[] {
  const { facts, undecided } = resolved;
  const cellsOf = new Map<string, number[]>();
  for (const cell of undecided) {
    const id = facts.box.cells[cell - 1]?.pieceId;
    if (id !== undefined) cellsOf.set(id, [...(cellsOf.get(id) ?? []), cell - 1]);
  }
  return [...cellsOf].flatMap(([fromId, cells]) => {
    const from = pieces.get(fromId);
    if (!from) return [];
    const [best] = facts.pieces
      .flatMap(({ pieceId }) => pieces.get(pieceId) ?? [])
      .filter((other) => cells.every((index) => mayStandIn(facts, index, without, other)))
      .map((other) => ({
        id: other.piece.id,
        far: nearness(other.weightGrams, from.weightGrams) + nearness(costOf(other.piece.id), costOf(fromId)),
      }))
      .sort((a, b) => a.far - b.far || (a.id < b.id ? -1 : 1));
    return best ? [{ fromId, toId: best.id }] : [];
  });
}
