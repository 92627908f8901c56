/** How far a batch rises while it boils: its volume times this. Common practice, no source. */
export const foamFactors = {
  'does not boil': 1,
  'boils clear': 1.5,
  'boils with dairy': 3.5,
  'foams with bicarbonate': 4.5,
} as const;

/** How a batch behaves in the pot. */
export type Foaming = keyof typeof foamFactors;
export const foamings = Object.keys(foamFactors) as [Foaming, ...Foaming[]];

/** A cooked sugar mass, g/mL: between a hot syrup (1.3) and melted butter (0.9). Common practice, no source. */
const BATCH_GRAMS_PER_ML = 1.2;

/** A pot that the maker owns. */
export interface PotSize {
  readonly name: string;
  readonly litres: number;
}

/** Whether a batch has room to boil. */
export interface PotCheck<P extends PotSize> {
  /** The room that the boiling batch takes, L. */
  readonly needsLitres: number;
  /** The smallest pot that is big enough; null when none is. */
  readonly fits: P | null;
  /** The largest pot; null when there is none. */
  readonly largest: P | null;
  /** How much of one batch the largest pot takes, 0 to 1; null when there is no pot. */
  readonly share: number | null;
}

/**
 * Checks a batch against the pots: its volume times the foaming factor must fit.
 * @param rawGrams everything that goes into the pot, g
 * @example potCheck(910, 'boils with dairy', [{ name: 'small', litres: 2.8 }]).needsLitres // 2.65
 */
export function potCheck<P extends PotSize>(rawGrams: number, foaming: Foaming, pots: readonly P[]): PotCheck<P> {
  const needsLitres = (rawGrams / BATCH_GRAMS_PER_ML / 1000) * foamFactors[foaming];
  const bySize = [...pots].sort((a, b) => a.litres - b.litres);
  const largest = bySize.at(-1) ?? null;
  return {
    needsLitres,
    fits: bySize.find(({ litres }) => litres >= needsLitres) ?? null,
    largest,
    share: largest && needsLitres > 0 ? Math.min(1, largest.litres / needsLitres) : null,
  };
}
