import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import type { IngredientDraft } from './schema.js';

const plainName = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

/**
 * A name that another ingredient has already: nobody could tell them apart. One that was so before may stay.
 * @param others names of all other ingredients
 */
export const nameTaken = (name: string, before: string | null, others: readonly string[]): WrongValue[] =>
  (before === null || plainName(before) !== plainName(name)) &&
  others.some((other) => plainName(other) === plainName(name))
    ? [{ path: ['name'], message: `there is already “${name.trim()}” in the pantry: give this one another name` }]
    : [];

/** Substitutes that are not in the pantry. */
export const wrongInIngredient = ({ substitutes }: Pick<IngredientDraft, 'substitutes'>, known: Known): WrongValue[] =>
  unknownReferences(
    substitutes.map(({ ingredientId }, index) => ({
      noun: 'ingredient',
      id: ingredientId,
      path: ['substitutes', index, 'ingredientId'],
    })),
    known,
  );
