import { cookStateOf, type CookState } from '@usual-pantry/core/making';
import type { Bench } from './useBench';
import type { Readings } from './useReadings';

/** A cook as its screen shows it. */
export type Cook = CookState & Readings;

/** The cook of a stage by what was read; null where nothing is cooked to a temperature. */
export function cookOf(bench: Bench, readings: Readings): Cook | null {
  const { book, data } = bench.season;
  const state = cookStateOf(bench, readings.points, book, data.kitchen);
  return state && { ...readings, ...state };
}
