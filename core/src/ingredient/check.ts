import { unknownReferences, type Known, type WrongValue } from '../record/index.js';
import type { IngredientDraft } from './schema.js';

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
