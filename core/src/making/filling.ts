import { fillBelow } from '../cooking/index.js';
import type { Book } from '../book/index.js';
import { bodyForm } from '../piece/index.js';
import type { RecipeFacts } from '../recipe/index.js';

const FOAMED = /\bwhip|\bfoam|\bmousse|\bfold in\b/i;

/** Moulded pieces that a recipe fills, and how cool it must be before it goes into their shells. */
export interface FillingGate {
  readonly pieces: readonly string[];
  /** C, of a thermometer that is true. */
  readonly below: number;
}

/** @returns null for a recipe that fills no shells */
export function fillingGate(
  { recipe }: Pick<RecipeFacts, 'recipe'>,
  { pieces }: Pick<Book, 'pieces'>,
): FillingGate | null {
  const filled = [...pieces.values()].flatMap(({ piece, parts }) =>
    bodyForm(piece.form).kind === 'moulded' &&
    parts.some(({ recipeId, role }) => recipeId === recipe.id && role !== 'shell')
      ? [piece.name]
      : [],
  );
  return filled.length === 0
    ? null
    : { pieces: filled, below: fillBelow(recipe.steps.some(({ text }) => FOAMED.test(text))) };
}
