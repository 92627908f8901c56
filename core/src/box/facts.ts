import { finding, type Finding, type Subject } from '../finding/index.js';
import { inLabelOrder, type Allergen, type Contents } from '../ingredient/index.js';
import type { PieceFacts, Travel } from '../piece/index.js';
import { misfits } from './fit.js';
import type { BoxFiled } from './schema.js';

/** How many of one piece lie in a box. */
export interface PieceCount {
  readonly pieceId: string;
  readonly count: number;
}

/** What follows from a box and its pieces. */
export interface BoxFacts extends Contents {
  readonly box: BoxFiled;
  /** Each piece once, in the order of the cells. */
  readonly pieces: readonly PieceCount[];
  readonly pieceCount: number;
  /** Net weight, g, without packaging. */
  readonly weightGrams: number;
  /** Weight with packaging, g. */
  readonly grossGrams: number;
  readonly mayContain: readonly Allergen[];
  /** The shortest shelf life of its pieces in days, and the piece that sets it; null when it is empty. */
  readonly keeps: { readonly days: number; readonly pieceName: string } | null;
  /** The weakest travel class of its pieces. */
  readonly travel: Travel;
  readonly complete: boolean;
  readonly findings: readonly Finding[];
}

const travelOrder: readonly Travel[] = ['travels', 'keep cool', 'local only'];

/** How many of each piece the cells hold, in the order of first appearance. */
export function countPieces(cells: BoxFiled['cells']): PieceCount[] {
  const counts = new Map<string, number>();
  for (const cell of cells) if (cell) counts.set(cell.pieceId, (counts.get(cell.pieceId) ?? 0) + cell.count);
  return [...counts].map(([pieceId, count]) => ({ pieceId, count }));
}

/**
 * Works out one box from its pieces.
 * @returns findings when it is empty, has empty cells, or names a piece that is not there
 */
export function workOutBox(box: BoxFiled, pieces: ReadonlyMap<string, PieceFacts>): BoxFacts {
  const about: Subject<'box'> = { noun: 'box', id: box.id, name: box.name };
  const findings: Finding[] = [];
  const counts = countPieces(box.cells);
  const known = counts.flatMap(({ pieceId, count }) => {
    const facts = pieces.get(pieceId);
    return facts ? [{ facts, count }] : [];
  });
  const emptyCells = box.cells.filter((cell) => cell === null).length;
  if (counts.length === 0) findings.push(finding('box-empty', about, {}));
  else if (emptyCells > 0) findings.push(finding('box-gaps', about, { cells: emptyCells }));
  if (known.length < counts.length) findings.push(finding('box-unknown-piece', about, {}));
  for (const { index, why } of misfits(box, pieces))
    findings.push(finding('piece-too-big', about, { why }, { part: `cell ${String(index + 1)}` }));
  const weightGrams = known.reduce((sum, { facts, count }) => sum + facts.weightGrams * count, 0);
  const contains = inLabelOrder(known.flatMap(({ facts }) => facts.contains));
  const shortest = known.reduce<PieceFacts | undefined>(
    (least, { facts }) => (least && least.keepsDays <= facts.keepsDays ? least : facts),
    undefined,
  );
  const weakest = Math.max(0, ...known.map(({ facts }) => travelOrder.indexOf(facts.piece.travel)));
  return {
    box,
    pieces: counts,
    pieceCount: counts.reduce((sum, { count }) => sum + count, 0),
    weightGrams,
    grossGrams: weightGrams + box.packaging.reduce((sum, { grams }) => sum + grams, 0),
    contains,
    mayContain: inLabelOrder(known.flatMap(({ facts }) => facts.mayContain)).filter((code) => !contains.includes(code)),
    ingredientIds: new Set(known.flatMap(({ facts }) => [...facts.ingredientIds])),
    pieceIds: new Set(counts.map(({ pieceId }) => pieceId)),
    keeps: shortest ? { days: shortest.keepsDays, pieceName: shortest.piece.name } : null,
    travel: travelOrder[weakest] ?? 'travels',
    complete: counts.length > 0 && known.length === counts.length && known.every(({ facts }) => facts.complete),
    findings,
  };
}
