import type { ChocolateKind } from '../ingredient/index.js';

/** A window of temperatures, C. */
export type Window = readonly [low: number, high: number];

/** How a chocolate is tempered: melt, cool, work. */
export interface TemperingCurve {
  readonly melt: Window;
  readonly cool: Window;
  readonly work: Window;
}

/** Tempering curves, C. Common practice, no source; the maker of the chocolate says more. */
export const temperingCurves: Readonly<Record<ChocolateKind, TemperingCurve>> = {
  dark: { melt: [45, 50], cool: [27, 28], work: [31, 32] },
  milk: { melt: [45, 45], cool: [26, 27], work: [29, 30] },
  white: { melt: [40, 45], cool: [25, 26], work: [28, 29] },
};

/** Ways of tempering; the own one goes by the curve alone. */
export const temperingSchools = ['seed', 'slab', 'cocoa butter', 'own curve'] as const;
export type TemperingSchool = (typeof temperingSchools)[number];

/** Dark chocolate is worked anywhere in this, wider than where it is brought to, C. Common practice, no source. */
const WORKS: Readonly<Record<ChocolateKind, Window>> = { dark: [30, 32], milk: [29, 30], white: [28, 29] };
/** Tempered cocoa butter goes in here, C, and so much of it. Common practice, no source. */
const COCOA_BUTTER = { at: [33, 35] as Window, percent: 1 };
/** Of callets, so much is kept back as seed, percent. Common practice, no source. */
const SEED = { least: 20, usual: 25, most: 33 } as const;
/** So far over its working window it has lost its temper, K. Common practice, no source. */
const LOST_OVER = 1;

/** What goes in to temper so much chocolate, g: the seed that is kept back, or the cocoa butter. */
export function seedOf(school: TemperingSchool, grams: number): { least: number; usual: number; most: number } | null {
  const share = (percent: number) => (grams * percent) / 100;
  if (school === 'seed') return { least: share(SEED.least), usual: share(SEED.usual), most: share(SEED.most) };
  if (school !== 'cocoa butter') return null;
  const one = share(COCOA_BUTTER.percent);
  return { least: one, usual: one, most: one };
}

/** The bands that a chocolate goes through in a school, in order. */
export function temperingBands(chocolate: ChocolateKind, school: TemperingSchool) {
  const { melt, cool } = temperingCurves[chocolate];
  const work = { name: 'work', window: WORKS[chocolate] };
  if (school === 'cocoa butter')
    return [{ name: 'melt', window: melt }, { name: 'cocoa butter in', window: COCOA_BUTTER.at }, work];
  if (school === 'seed') return [{ name: 'melt', window: melt }, work];
  return [{ name: 'melt', window: melt }, { name: 'cool', window: cool }, work];
}

/** How far a tempering is. */
export interface TemperingState {
  /** Which band it is on the way to, or in; the last one when it can be worked. */
  readonly band: number;
  readonly isIn: boolean;
  /** It was tempered, and has been too warm for it since. */
  readonly isLost: boolean;
  readonly advice: string;
}

/**
 * How far a tempering is, by what the thermometer has shown.
 * @param readings true temperatures in order, C
 */
export function temperingAt(
  readings: readonly number[],
  chocolate: ChocolateKind,
  school: TemperingSchool,
): TemperingState {
  const bands = temperingBands(chocolate, school);
  const last = bands.length - 1;
  const melted = temperingCurves[chocolate].melt[0];
  const [low, high] = WORKS[chocolate];
  let band = 0;
  let wasWorked = false;
  let isLost = false;
  for (const celsius of readings) {
    if (celsius >= melted) {
      // Melted whole, it is begun anew.
      [band, wasWorked, isLost] = [1, false, false];
      continue;
    }
    const { window } = bands[band] ?? { window: WORKS[chocolate] };
    if (band > 0 && band < last && celsius <= window[1]) band += 1;
    if (band !== last) continue;
    if (celsius >= low && celsius <= high) wasWorked = true;
    if (wasWorked && celsius > high + LOST_OVER) isLost = true;
  }
  const now = readings.at(-1) ?? 20;
  const { name, window } = bands[band] ?? { name: 'work', window: WORKS[chocolate] };
  return {
    band,
    isIn: now >= window[0] && now <= window[1],
    isLost,
    advice: adviceOn(name, window, now, isLost),
  };
}

function adviceOn(name: string, window: Window, now: number, isLost: boolean): string {
  if (isLost) return 'It is too warm and has lost its temper: seed it again, or melt it and begin anew.';
  if (name === 'melt')
    return now < window[0]
      ? 'Melt it all the way: what is left of old crystals spoils it.'
      : 'It is melted: take it off the warmth.';
  if (now > window[1]) return name === 'work' ? 'Stir and let it cool.' : 'Keep it moving until it is there.';
  if (now < window[0])
    return name === 'work' ? 'Too cool to work: warm it by a degree or two, no further.' : 'It is cool enough: go on.';
  return name === 'work'
    ? 'Work it now. Try a knife tip: it sets within five minutes, and shines.'
    : 'It is there: go on.';
}

/** Fillings go into shells below this, C; foamed ones below that. Common practice, no source. */
export const fillBelow = (isFoamed: boolean): number => (isFoamed ? 28 : 30);
/** A moulded filling sets so long before it is capped, h, best over night, at about so many C. Common practice, no source. */
export const fillingSets = { from: 6, to: 8, celsius: 14 } as const;
