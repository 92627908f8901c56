import { cookUntil, startSecond, type FitSetup } from '../cooking/index.js';
import type { BenchForecast } from './cook.js';

/** When the second of two pots goes on the heat so that both end together. */
export interface Together {
  /** Seconds to wait; negative when it is too late by so many. */
  readonly seconds: number;
  /** What the first one shows at that moment; null when it is too late. */
  readonly shows: number | null;
}

const MOST_SECONDS = 3 * 3600;

/**
 * Times two pots for one foam, or one after the other for one pair of hands: the second goes on when the first has still as long to go as
 * the second needs from cold.
 * @param first the forecast of the pot that is on the heat
 * @param second what is believed of the other pot, from cold
 * @param target of the other, a true temperature, C
 * @returns null when the other never comes to its target with what is believed of its heat
 */
export function startTogether(
  first: Pick<BenchForecast, 'takeOff' | 'curve'>,
  { contents, heating }: Pick<FitSetup, 'contents' | 'heating'>,
  target: number,
): Together | null {
  const cold = { seconds: 0, celsius: heating.roomCelsius, contents, boils: false };
  const { state } = cookUntil(cold, heating, { step: 2, most: MOST_SECONDS }, ({ celsius }) => celsius >= target);
  if (state.celsius < target) return null;
  const seconds = startSecond(first.takeOff.value, state.seconds);
  const then = first.curve.find((point) => point.seconds >= seconds);
  return { seconds, shows: seconds < 0 ? null : (then?.celsius ?? null) };
}
