import { cookUntil, LATENT_JOULES_PER_GRAM, type Addition } from './cook-curve.js';
import type { Banded, CookFit, Reading } from './cook-fit.js';

/** What a cook is to end at. */
export interface CookGoal {
  /** The true temperature of the pot at which it is right, C. */
  readonly celsius: number;
  /** How much warmer the pot still gets when it is off the heat, K. */
  readonly carryOverKelvin: number;
  /** How long the maker needs from the alarm to the pot being off the heat, s. */
  readonly reactionSeconds: number;
}

/** When a cook will be where. */
export interface CookForecast {
  /** Seconds from the last reading until it is to be taken off: its temperature less the carry-over. */
  readonly takeOff: Banded;
  /** Seconds until the alarm: the maker's reaction before. */
  readonly alarmSeconds: number;
  /** From 3 K under the target until 2 K over it, seconds from the last reading. */
  readonly window: { readonly from: number; readonly to: number };
  /** How fast it warms now, K a minute. */
  readonly risePerMinute: number;
  /** Water that still boils off until the target, g. */
  readonly waterToGo: number;
  /** Whether nearly all of the heat goes into the water: it hangs. */
  readonly hangs: boolean;
  /** The way there, for drawing: seconds from the last reading. */
  readonly curve: readonly Reading[];
}

/** From 3 K under to 2 K over a target. */
const WINDOW = { under: 3, over: 2 } as const;
const MOST_SECONDS = 3 * 3600;
/** What no fit knows: how the heat changes from now on, as a share of the time left, and how long a look takes, s. */
const UNKNOWN = { share: 0.08, seconds: 2 } as const;
/** It hangs while so much of the net heat boils water off. */
const HANGS = 0.7;

type Pot = Pick<CookFit, 'now' | 'heating'>;

/** Seconds from now until a temperature; null when the heat never brings it there. */
function secondsTo({ now, heating }: Pot, celsius: number, additions: readonly Addition[]): number | null {
  if (now.celsius >= celsius) return 0;
  let before = now;
  const { state } = cookUntil(
    now,
    heating,
    { step: 1, most: MOST_SECONDS, additions },
    (each) => each.celsius >= celsius,
    (each) => {
      if (each.celsius < celsius) before = each;
    },
  );
  if (state.celsius < celsius) return null;
  const width = state.celsius - before.celsius;
  const part = width > 0 ? (celsius - before.celsius) / width : 1;
  return before.seconds + part * (state.seconds - before.seconds) - now.seconds;
}

/** The way to a temperature in so many points at most. */
function curveTo({ now, heating }: Pot, seconds: number, additions: readonly Addition[]): Reading[] {
  const points: Reading[] = [];
  const step = Math.max(0.5, seconds / 60);
  cookUntil(
    now,
    heating,
    { step, most: seconds, additions },
    () => false,
    (state) => {
      points.push({ seconds: state.seconds - now.seconds, celsius: state.celsius });
    },
  );
  return points;
}

/**
 * When a fitted pot reaches its target, with a band: from what the readings leave open of power, loss and water.
 * @param additions what is still to go in, by the clock of the readings
 * @returns null when this heat never brings it there
 */
export function forecastCook(
  fit: CookFit,
  { celsius, carryOverKelvin, reactionSeconds }: CookGoal,
  additions: readonly Addition[] = [],
): CookForecast | null {
  const off = celsius - carryOverKelvin;
  const seconds = secondsTo(fit, off, additions);
  if (seconds === null) return null;
  const variance = fit.others.reduce(
    (sum, other) => {
      const its = secondsTo(other, off, additions) ?? 2 * seconds;
      return sum + (its - seconds) ** 2;
    },
    (UNKNOWN.share * seconds + UNKNOWN.seconds) ** 2,
  );
  const width = 2 * Math.sqrt(variance);
  const from = secondsTo(fit, celsius - WINDOW.under, additions) ?? seconds;
  const to = secondsTo(fit, celsius + WINDOW.over, additions) ?? MOST_SECONDS;
  const { now, heating } = fit;
  const soon = cookUntil(now, heating, { step: 1, most: 5 }, () => false).state;
  const boiledOff = (now.contents.water - soon.contents.water) / (soon.seconds - now.seconds);
  const there = cookUntil(now, heating, { step: 1, most: seconds, additions }, () => false).state;
  const net = heating.watts - heating.lossPerKelvin * (now.celsius - heating.roomCelsius);
  return {
    takeOff: { value: seconds, low: Math.max(0, seconds - width), high: seconds + width },
    alarmSeconds: Math.max(0, seconds - reactionSeconds),
    window: { from, to },
    risePerMinute: ((soon.celsius - now.celsius) / (soon.seconds - now.seconds)) * 60,
    waterToGo: Math.max(0, now.contents.water - there.contents.water),
    hangs: net > 0 && boiledOff * LATENT_JOULES_PER_GRAM > HANGS * net,
    curve: curveTo(fit, Math.min(to, MOST_SECONDS / 6), additions),
  };
}

/**
 * The forecast of a straight line through the readings of the last minute: what a good one is measured against.
 * @returns seconds until the temperature; null while it does not rise
 */
export function straightLine(readings: readonly Reading[], celsius: number): number | null {
  const last = readings.at(-1);
  if (!last) return null;
  const some = readings.filter(({ seconds }) => seconds >= last.seconds - 60);
  const mean = (of: (reading: Reading) => number) => some.reduce((sum, each) => sum + of(each), 0) / some.length;
  const [x, y] = [mean((each) => each.seconds), mean((each) => each.celsius)];
  const spread = some.reduce((sum, each) => sum + (each.seconds - x) ** 2, 0);
  const slope = some.reduce((sum, each) => sum + (each.seconds - x) * (each.celsius - y), 0) / spread;
  return slope > 0 ? (celsius - (y + slope * (last.seconds - x))) / slope : null;
}

/**
 * When the second of two syrups must go on the heat so that both end together, such as honey and sugar for one foam.
 * @param first seconds that the first one still needs
 * @param second seconds that the second one needs from its beginning
 * @returns seconds to wait; negative when it is too late, by so much
 */
export const startSecond = (first: number, second: number): number => first - second;
