/** What a simulated probe does wrong. */
export interface ProbeFaults {
  /** How much single readings scatter, K. */
  readonly noiseKelvin: number;
  readonly lagSeconds: number;
  /** How often a reading does not come, 0 to 1. */
  readonly dropOuts: number;
  /** How often a reading is nonsense, 0 to 1. */
  readonly nonsense: number;
  /** How much hotter the bulb is where it touches the pot, K; 0 when it hangs free. */
  readonly touchesKelvin: number;
}

/** A probe that hangs as it should. */
export const fairProbe: ProbeFaults = {
  noiseKelvin: 0.25,
  lagSeconds: 3,
  dropOuts: 0.01,
  nonsense: 0.002,
  touchesKelvin: 0,
};

/** A number from a normal distribution (Box and Muller 1958). @param random even in 0 to 1 */
export const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * What a probe shows next.
 * @param before what its bulb was at, C
 * @param celsius of the pot
 * @param seconds since then
 * @returns the bulb now, and what is read; null for nothing
 */
export function readProbe(
  before: number,
  celsius: number,
  seconds: number,
  { noiseKelvin, lagSeconds, dropOuts, nonsense, touchesKelvin }: ProbeFaults,
  random: () => number,
): { readonly bulb: number; readonly reads: number | null } {
  const bulb = before + (celsius - before) * (1 - Math.exp(-seconds / Math.max(0.1, lagSeconds)));
  if (random() < dropOuts) return { bulb, reads: null };
  if (random() < nonsense) return { bulb, reads: [-127, 85, 999, 0][Math.floor(random() * 4)] ?? 999 };
  return { bulb, reads: bulb + normal(random) * noiseKelvin + touchesKelvin * (0.6 + 0.4 * random()) };
}
