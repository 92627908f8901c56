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
