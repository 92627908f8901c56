import type { BodyForm, CentreForm, PieceForm } from '@usual-pantry/core/piece';

/** A nine-inch square pan in mm. */
const PAN_MM = 229;

/** A centre that can be dipped, as it starts. */
export function freshCentre(kind: CentreForm['kind'], recipeId: string): CentreForm {
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
    case 'piped':
      return { kind, recipeId, depositGrams: 8 };
  }
}

/** A form that decides the count, as it starts. */
export function freshBody(kind: BodyForm['kind'], recipeId: string): BodyForm {
  switch (kind) {
    case 'portion':
      return { kind, recipeId, fillGrams: 150 };
    case 'moulded':
      return {
        kind,
        cavities: 24,
        cavityMl: 9,
        moulds: 1,
        turnsPerDay: 2,
        shell: { recipeId: '', shellPercent: 30, capPercent: 10, gramsPerMl: 1.25, poolFactor: 3 },
        layers: [{ recipeId, grams: 6.2, gramsPerMl: 1.15 }],
        breakagePercent: 3,
        fill: 'full',
        mostFillingMl: null,
      };
    default:
      return freshCentre(kind, recipeId);
  }
}

/** A form as it starts. */
export const freshForm = (kind: PieceForm['kind'], recipeId: string): PieceForm =>
  kind === 'dipped'
    ? {
        kind,
        centre: freshCentre('rolled', recipeId),
        coatingRecipeId: '',
        coatingPercent: 30,
        poolFactor: 1.5,
      }
    : freshBody(kind, recipeId);
