import { brokenBy, type Allergen } from '../ingredient/index.js';
import type { PieceFacts } from '../piece/index.js';
import { workOutBox, type BoxFacts } from './facts.js';

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
  /** Whether nothing in it breaks an exclusion any more. */
  readonly clear: boolean;
}

/**
 * Takes, in each cell that breaks an exclusion, the first stand-in that is clear of all of them. A cell without one keeps its
 * piece: that is for the maker to settle, never silent.
 * @param without exclusions, such as `nuts`
 */
export function resolveBox(
  facts: BoxFacts,
  without: readonly string[],
  pieces: ReadonlyMap<string, PieceFacts>,
): ResolvedBox {
  const breaks = (contains: readonly Allergen[]) => without.some((code) => brokenBy(code, contains).length > 0);
  if (!breaks(facts.contains)) return { facts, standIns: [], clear: true };
  const swaps = new Map<string, StandIn>();
  const cells = facts.box.cells.map((cell) => {
    const piece = cell && pieces.get(cell.pieceId);
    if (!cell || !piece || !breaks(piece.contains)) return cell;
    const toId = cell.standIns.find((id) => {
      const other = pieces.get(id);
      return other?.complete === true && !breaks(other.contains);
    });
    if (toId === undefined) return cell;
    const key = `${cell.pieceId} ${toId}`;
    swaps.set(key, { fromId: cell.pieceId, toId, cells: (swaps.get(key)?.cells ?? 0) + 1 });
    return { ...cell, pieceId: toId };
  });
  if (swaps.size === 0) return { facts, standIns: [], clear: false };
  const resolved = workOutBox({ ...facts.box, cells }, pieces);
  return { facts: resolved, standIns: [...swaps.values()], clear: !breaks(resolved.contains) };
}
