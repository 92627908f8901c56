const STANDARD_KILOPASCAL = 101.325;
const MMHG_PER_KILOPASCAL = 760 / STANDARD_KILOPASCAL;

/** Water boils here at sea level, C. */
const SEA_LEVEL_BOIL = 100;

/**
 * Air pressure at an altitude, kPa.
 *
 * @param metres above sea level, -500 to 9,000
 * Source: ICAO / US Standard Atmosphere 1976, p = 101.325 (1 - 2.25577e-5 h)^5.25588 (from memory; checked in core/reference).
 * @example pressureAt(1420) // 85.4
 */
export const pressureAt = (metres: number): number => STANDARD_KILOPASCAL * (1 - 2.25577e-5 * metres) ** 5.25588;

/**
 * The boiling point of water at a pressure, C.
 *
 * @param kilopascal 50 to 110
 * Source: Antoine equation with A 8.07131, B 1730.63, C 233.426 for mmHg below 100 C (common handbooks, from memory; checked in core/reference).
 */
export const boilingPointAtPressure = (kilopascal: number): number =>
  1730.63 / (8.07131 - Math.log10(kilopascal * MMHG_PER_KILOPASCAL)) - 233.426;

/**
 * The boiling point of water at an altitude, C.
 * @param metres above sea level, -500 to 9,000
 * @example boilingPointAt(1609) // 94.7
 */
export const boilingPointAt = (metres: number): number => boilingPointAtPressure(pressureAt(metres));

/** What is known of how a kitchen and its thermometer stand to a recipe's sea-level temperatures. */
export interface Thermometry {
  /** Metres above sea level. */
  readonly altitudeMetres: number;
  /** What the thermometer reads in boiling water, C; null when it was never tried. */
  readonly boilingReadingCelsius: number | null;
}

/** By how much the thermometer reads high, K; 0 when it was never tried in boiling water. */
export const thermometerOffset = ({ altitudeMetres, boilingReadingCelsius }: Thermometry): number =>
  boilingReadingCelsius === null ? 0 : boilingReadingCelsius - boilingPointAt(altitudeMetres);

/**
 * What the thermometer of a kitchen must show for a cooked syrup that a recipe wants at `seaLevelCelsius`, C.
 *
 * A syrup boils as far above water's boiling point as at sea level, so the target falls with that of water:
 * target - (100 - boiling point here) + thermometer offset. Common practice, no source.
 */
export const targetHere = (seaLevelCelsius: number, kitchen: Thermometry): number =>
  seaLevelCelsius - (SEA_LEVEL_BOIL - boilingPointAt(kitchen.altitudeMetres)) + thermometerOffset(kitchen);

/** What the thermometer shows at a true temperature that altitude does not move, such as that of melted chocolate, C. */
export const readingHere = (trueCelsius: number, kitchen: Thermometry): number =>
  trueCelsius + thermometerOffset(kitchen);
