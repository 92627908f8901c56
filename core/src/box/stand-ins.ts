import { brokenBy, type Allergen } from '../ingredient/index.js';
import type { PieceFacts } from '../piece/index.js';
import { workOutBox, type BoxFacts } from './facts.js';
import { whyNotInto } from './fit.js';

/** One piece that another takes the place of. */
export interface StandIn {
  readonly fromId: string;
  readonly toId: string;
  /** In how many cells. */
  readonly cells: number;
}

/** A box as it is packed for somebody who must not have certain things. */
export interface ResolvedBox {
  /** The box itself when nothing has to change. */
  readonly facts: BoxFacts;
  readonly standIns: readonly StandIn[];
  /** Cells, from 1 on, that break an exclusion and have no stand-in that is clear. */
  readonly unsettled: readonly number[];
  /** Pieces that are left out of it, by agreement. */
  readonly leftOut: number;
  /** Whether nothing in it breaks an exclusion any more. */
  readonly clear: boolean;
}

/**
 * Takes, in each cell that breaks an exclusion, the first stand-in that is clear of all of them. A cell without one keeps its
 * piece: that is for the maker to settle, never silent.
 * @param without exclusions, such as `nuts`
 * @param leaveOut whether the customer has agreed that such a cell stays empty
 */
export function resolveBox(
  facts: BoxFacts,
  without: readonly string[],
  pieces: ReadonlyMap<string, PieceFacts>,
  leaveOut = false,
): ResolvedBox {
  const breaks = (contains: readonly Allergen[]) => without.some((code) => brokenBy(code, contains).length > 0);
  if (!breaks(facts.contains)) return { facts, standIns: [], unsettled: [], leftOut: 0, clear: true };
  const swaps = new Map<string, StandIn>();
  const unsettled: number[] = [];
  let leftOut = 0;
  const cells = facts.box.cells.map((cell, index) => {
    const piece = cell && pieces.get(cell.pieceId);
    if (!cell || !piece || !breaks(piece.contains)) return cell;
    const toId = cell.standIns.find((id) => {
      const other = pieces.get(id);
      return (
        other?.complete === true && !breaks(other.contains) && whyNotInto(facts.box, index, other, cell.count) === null
      );
    });
    if (toId === undefined) {
      if (leaveOut) leftOut += cell.count;
      else unsettled.push(index + 1);
      return leaveOut ? null : cell;
    }
    const key = `${cell.pieceId} ${toId}`;
    swaps.set(key, { fromId: cell.pieceId, toId, cells: (swaps.get(key)?.cells ?? 0) + 1 });
    return { ...cell, pieceId: toId };
  });
  const changed = swaps.size > 0 || leftOut > 0;
  return {
    facts: changed ? workOutBox({ ...facts.box, cells }, pieces) : facts,
    standIns: [...swaps.values()],
    unsettled,
    leftOut,
    clear: unsettled.length === 0,
  };
}
