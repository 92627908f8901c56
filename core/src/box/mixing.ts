import { allergenCodes, type Allergen } from '../ingredient/index.js';
import type { PieceFacts } from '../piece/index.js';
import { sayList } from '../quantity/index.js';
import type { BoxFiled } from './schema.js';

/** The pieces of the filled cells, each with the number of its cell from 1 on. */
const filled = (cells: BoxFiled['cells'], pieces: ReadonlyMap<string, PieceFacts>) =>
  cells.flatMap((cell, at) => {
    const facts = cell && pieces.get(cell.pieceId);
    return facts ? [{ facts, cell: at + 1 }] : [];
  });

/** One allergen of a box and the cells that bring it, from 1 on. */
export interface AllergenCells {
  readonly code: Allergen;
  readonly cells: readonly number[];
}

/** Which cells bring which allergen, in the order of the label. */
export function allergenCells(cells: BoxFiled['cells'], pieces: ReadonlyMap<string, PieceFacts>): AllergenCells[] {
  const inside = filled(cells, pieces);
  return allergenCodes.flatMap((code) => {
    const bring = inside.filter(({ facts }) => facts.contains.includes(code)).map(({ cell }) => cell);
    return bring.length === 0 ? [] : [{ code, cells: bring }];
  });
}

const names = (list: readonly { facts: PieceFacts }[]): string =>
  sayList([...new Set(list.map(({ facts }) => facts.piece.name.toLowerCase()))]);

/**
 * What does not keep well side by side: flavours that migrate, alcohol among them, beside anything without them; crisp beside soft.
 * Common practice, no source.
 * @returns one sentence for each; empty when all of it may lie together
 */
export function mixingWarnings(cells: BoxFiled['cells'], pieces: ReadonlyMap<string, PieceFacts>): string[] {
  const inside = filled(cells, pieces);
  const flavours = new Set(inside.flatMap(({ facts }) => facts.piece.strong));
  const warnings = [...flavours].flatMap((flavour) => {
    const strong = inside.filter(({ facts }) => facts.piece.strong.includes(flavour));
    return strong.length < inside.length
      ? [`The ${flavour} of the ${names(strong)} wanders into the other pieces: wrap it, or give it a box of its own.`]
      : [];
  });
  const spirits = inside.filter(({ facts }) => facts.contains.includes('alcohol'));
  if (spirits.length > 0 && spirits.length < inside.length)
    warnings.push(`The alcohol of the ${names(spirits)} is smelled in the other pieces: wrap it or part it off.`);
  const crisp = inside.filter(({ facts }) => facts.piece.texture === 'crisp');
  const soft = inside.filter(({ facts }) => facts.piece.texture === 'soft');
  if (crisp.length > 0 && soft.length > 0)
    warnings.push(`The ${names(crisp)} draws damp from the ${names(soft)} and goes soft: part them with a barrier.`);
  return warnings;
}
