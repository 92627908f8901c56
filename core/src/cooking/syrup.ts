/**
 * Boiling-point elevation of sucrose in water at 1 atm: % sugar by mass, K.
 * Source: Starzak and Peacock 1997, values rounded (from memory; between the points checked against Debian's `units`).
 */
const elevations: readonly (readonly [percent: number, kelvin: number])[] = [
  [0, 0],
  [10, 0.17],
  [20, 0.39],
  [30, 0.7],
  [40, 1.15],
  [50, 1.82],
  [60, 2.94],
  [65, 3.79],
  [70, 4.99],
  [75, 6.74],
  [80, 9.46],
  [82.5, 11.42],
  [85, 14],
  [87.5, 17.49],
  [90, 22.36],
  [92, 27.69],
  [94, 34.81],
  [95, 39.16],
  [96, 44],
  [97, 49.1],
  [98, 54],
  [99, 58.6],
  [99.5, 66.1],
];

/** Slopes at the points that keep the curve monotone (Fritsch and Carlson 1980, the harmonic mean of the neighbours). */
const slopes = elevations.map(([x, y], index) => {
  const before = elevations[index - 1];
  const after = elevations[index + 1];
  const left = before ? (y - before[1]) / (x - before[0]) : 0;
  const right = after ? (after[1] - y) / (after[0] - x) : 0;
  if (!before) return right;
  if (!after) return left;
  const wLeft = 2 * (after[0] - x) + (x - before[0]);
  const wRight = after[0] - x + 2 * (x - before[0]);
  return (wLeft + wRight) / (wLeft / left + wRight / right);
});

const [MOST_PERCENT, MOST_KELVIN] = elevations.at(-1) ?? [0, 0];

/** All points lie on halves of a percent: in which stretch of the table each half begins. */
const stretchOf = Array.from({ length: 2 * MOST_PERCENT + 1 }, (_, half) =>
  Math.max(
    0,
    elevations.findLastIndex(([x]) => x <= half / 2),
  ),
);

/**
 * By how much a syrup boils above water, K, and by how much more for a percent more of sugar.
 * @param sugarPercent sugar by mass of sugar and water, 0 to 99.5; what lies outside takes the nearest end
 */
export function elevationWithSlope(sugarPercent: number): { readonly kelvin: number; readonly perPercent: number } {
  const percent = Math.min(MOST_PERCENT, Math.max(0, sugarPercent));
  const index = stretchOf[Math.floor(2 * percent)] ?? 0;
  const [x0, y0] = elevations[index] ?? [0, 0];
  const next = elevations[index + 1];
  if (!next) return { kelvin: y0, perPercent: slopes[index] ?? 0 };
  const width = next[0] - x0;
  const t = (percent - x0) / width;
  const slopeHere = (slopes[index] ?? 0) * width;
  const slopeThere = (slopes[index + 1] ?? 0) * width;
  const rest = 1 - t;
  return {
    kelvin:
      y0 * (1 + 2 * t) * rest * rest +
      slopeHere * t * rest * rest +
      next[1] * t * t * (3 - 2 * t) +
      slopeThere * t * t * (t - 1),
    perPercent: (6 * t * rest * (next[1] - y0) + slopeHere * rest * (1 - 3 * t) + slopeThere * t * (3 * t - 2)) / width,
  };
}

/**
 * By how much a syrup boils above water, K.
 * @param sugarPercent sugar by mass of sugar and water, 0 to 99.5; what lies outside takes the nearest end
 * @returns K above the boiling point of water, monotone cubic between the published points
 * @example elevationOf(80) // 9.46
 */
export const elevationOf = (sugarPercent: number): number => elevationWithSlope(sugarPercent).kelvin;

const HALVINGS = 60;

/**
 * The strength of a syrup that boils at a temperature: % sugar by mass of sugar and water.
 * @param seaLevelCelsius 100 or more at 1 atm; below 100 nothing is dissolved, above 166 takes the end of the table
 * @example sugarPercentAt(112) // 83.1
 */
export function sugarPercentAt(seaLevelCelsius: number): number {
  const kelvin = seaLevelCelsius - 100;
  if (kelvin <= 0) return 0;
  if (kelvin >= MOST_KELVIN) return MOST_PERCENT;
  let low = 0;
  let high = MOST_PERCENT;
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2;
    if (elevationOf(middle) < kelvin) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Water left in a syrup cooked to a temperature, g; fat and other solids are taken as inert.
 * @param sugarGrams dissolved sugars and dextrins in the pot: weight for weight a 42 DE syrup boils near to sucrose (common practice, no source)
 * @param seaLevelCelsius at 1 atm
 * Cooks' tables stand 1-3 K higher at the same strength, because milk, fat and other sugars shift it: an estimate, to be replaced by weighing.
 */
export function waterLeft(sugarGrams: number, seaLevelCelsius: number): number {
  const percent = sugarPercentAt(seaLevelCelsius);
  return percent <= 0 ? Infinity : (sugarGrams * (100 - percent)) / percent;
}

/** A stage of cooked sugar, C at sea level. */
export interface Stage {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  /** What a drop of it does in cold water. */
  readonly coldWater: string;
}

/** The stages of cooked sugar, C at sea level. Common practice, no source; schools differ inside a stage. */
export const stages: readonly Stage[] = [
  { name: 'thread', from: 106, to: 112, coldWater: 'spins a thread between the fingers, gathers to nothing' },
  { name: 'soft ball', from: 112, to: 116, coldWater: 'gathers to a soft ball that flattens when it is taken out' },
  { name: 'firm ball', from: 118, to: 121, coldWater: 'gathers to a ball that keeps its shape until it is pressed' },
  { name: 'hard ball', from: 121, to: 130, coldWater: 'gathers to a hard ball that gives a little' },
  { name: 'soft crack', from: 132, to: 143, coldWater: 'draws to threads that bend before they break' },
  { name: 'hard crack', from: 146, to: 154, coldWater: 'draws to brittle threads that snap' },
  { name: 'caramel', from: 160, to: 177, coldWater: 'tells nothing any more: go by the colour and the smell' },
];

/** What a drop does in cold water at a sea-level temperature; null between stages and below them. */
export const coldWaterAt = (seaLevelCelsius: number): string | null =>
  stages.findLast(({ from, to }) => seaLevelCelsius >= from && seaLevelCelsius <= to)?.coldWater ?? null;

/**
 * The stage in which a sea-level target falls, in words.
 * @returns the later stage on a border, `between A and B` in a gap, null below thread
 */
export function stageAt(seaLevelCelsius: number): string | null {
  const inside = stages.findLast(({ from, to }) => seaLevelCelsius >= from && seaLevelCelsius <= to);
  if (inside) return inside.name;
  const below = stages.findLast(({ to }) => seaLevelCelsius > to);
  const above = stages.find(({ from }) => seaLevelCelsius < from);
  if (!below) return null;
  return above ? `between ${below.name} and ${above.name}` : `past ${below.name}`;
}
