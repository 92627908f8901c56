import type { BodyForm, PieceForm } from '@usual-pantry/core/piece';

/** A nine-inch square pan in mm. */
const PAN_MM = 229;

/** A centre that decides the count, as it starts. */
export function freshBody(kind: BodyForm['kind'], recipeId: string): BodyForm {
  switch (kind) {
    case 'cut':
      return {
        kind,
        recipeId,
        panLengthMm: PAN_MM,
        panWidthMm: PAN_MM,
        edgeTrimMm: 3,
        kerfMm: 0,
        pieceLengthMm: 27,
        pieceWidthMm: 27,
        pansPerBatch: 1,
      };
    case 'broken':
      return { kind, recipeId, crumbsPercent: 8, servingGrams: 14 };
    case 'rolled':
      return { kind, recipeId, centreGrams: 12, finish: null };
  }
}

/** A form as it starts. */
export const freshForm = (kind: PieceForm['kind'], recipeId: string): PieceForm =>
  kind === 'dipped'
    ? {
        kind,
        centre: freshBody('rolled', recipeId),
        coatingRecipeId: '',
        coatingPercent: 30,
        poolFactor: 1.5,
      }
    : freshBody(kind, recipeId);
