import { minBy } from 'es-toolkit';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix';
import { boilsAt, cookFor, type Addition, type Heating, type PotContents, type PotState } from './cook-curve.js';

/** What a thermometer that is true showed at a moment. */
export interface Reading {
  readonly seconds: number;
  readonly celsius: number;
}

/** What is believed of a pot before its readings are looked at. */
export interface FitSetup {
  /** What is in the pot at the first of the readings. */
  readonly contents: PotContents;
  readonly heating: Heating;
  /** What goes in while it is read. */
  readonly additions: readonly Addition[];
  /** By how long the probe lags behind, s. */
  readonly lagSeconds: number;
  /** How much single readings scatter, K. */
  readonly noiseKelvin: number;
  /** How unsure power, loss and water are, as standard deviations of their logarithms. */
  readonly unsure: { readonly watts: number; readonly loss: number; readonly water: number };
}

/** A value with the band in which it lies 95 times in 100. */
export interface Banded {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** What the readings say of a pot. */
export interface CookFit {
  readonly watts: Banded;
  readonly lossPerKelvin: Banded;
  /** At the first reading, g. */
  readonly water: Banded;
  /** The pot at the last reading, by the model. */
  readonly now: PotState;
  readonly heating: Heating;
  /** Root mean square of what the model leaves of the readings, in units of their scatter. */
  readonly misfit: number;
  /** The same pot for other values that the readings allow, one standard deviation off, in independent directions. */
  readonly others: readonly { readonly now: PotState; readonly heating: Heating }[];
}

/** So many values are fitted: power, loss and water as multiples of their scatter, and the temperature at the start, in K off. */
const VALUES = 4;
/** So many points at most are fitted: readings between them are averaged. */
const MOST_POINTS = 48;
/** Fewer readings, or a shorter time, say nothing; s. */
const LEAST_READINGS = 6;
const LEAST_SECONDS = 3;
/** What the model itself may be off, K. */
const MODEL_KELVIN = 0.12;
/** How sure the temperature at the start is, K. */
const START_KELVIN = 1;
/** Of a normal distribution, the half-width of the band in standard deviations: a little more than the 1.96 of 95 %. */
const BAND = 2.2;
const MOST_STEPS = 110;
/** A pot that is no warmer than the room by more than this has only just come on the heat, K. */
const COLD_START = 8;
/** Powers from which the search sets out: the best of them, as multiples of their scatter. */
const STARTS = [-2, -1, 0, 1, 2] as const;

interface Point extends Reading {
  readonly count: number;
}

/** Where the readings begin, and what they are fitted at. */
interface Points {
  readonly first: Reading;
  readonly points: readonly Point[];
}

/** Readings that say together how warm it was at the first of them. */
const FIRST_READINGS = 3;

/** Readings in so many points at most, each the mean of its own; null when they span next to no time. */
function thinned(readings: readonly Reading[]): Points | null {
  const [first] = readings;
  const last = readings.at(-1);
  if (!first || !last || readings.length < LEAST_READINGS || last.seconds - first.seconds < LEAST_SECONDS) return null;
  const size = Math.max(1, Math.ceil(readings.length / MOST_POINTS));
  const points: Point[] = [];
  for (let first = 0; first < readings.length; first += size) {
    const some = readings.slice(first, first + size);
    const mean = (of: (reading: Reading) => number) => some.reduce((sum, each) => sum + of(each), 0) / some.length;
    points.push({ seconds: mean((each) => each.seconds), celsius: mean((each) => each.celsius), count: some.length });
  }
  const early = readings.slice(0, FIRST_READINGS);
  const celsius = early.reduce((sum, each) => sum + each.celsius, 0) / early.length;
  return { first: { ...first, celsius }, points };
}

/** Power, loss and water for values of the fit. */
function meant(values: readonly number[], { contents, heating, unsure }: FitSetup) {
  const [watts = 0, loss = 0, water = 0] = values;
  return {
    heating: {
      ...heating,
      watts: heating.watts * Math.exp(unsure.watts * watts),
      lossPerKelvin: heating.lossPerKelvin * Math.exp(unsure.loss * loss),
    },
    contents: { ...contents, water: contents.water * Math.exp(unsure.water * water) },
  };
}

/** The pot at the first reading: what stands warmer than it can boil has boiled off more. */
function startAt(first: Reading, values: readonly number[], setup: FitSetup): { state: PotState; heating: Heating } {
  const { heating, contents } = meant(values, setup);
  const shown = first.celsius + (values[3] ?? 0) * START_KELVIN;
  let { water } = contents;
  if (boilsAt(water, contents.sugars, heating) < shown) {
    let [low, high] = [0, water];
    for (let turn = 0; turn < 30; turn++) {
      water = (low + high) / 2;
      if (boilsAt(water, contents.sugars, heating) < shown) high = water;
      else low = water;
    }
  }
  const state = { seconds: first.seconds, celsius: shown, contents: { ...contents, water }, boils: false };
  // Where nothing is warm yet, nothing lags; later, a probe shows where the pot was.
  if (first.celsius < heating.roomCelsius + COLD_START) return { state, heating };
  const rate = cookFor(state, heating, 1).state.celsius - state.celsius;
  return { state: { ...state, celsius: shown + Math.max(0, rate) * setup.lagSeconds }, heating };
}

/** What the probe shows at each point, and the pot at the last one. */
function run({ first, points }: Points, values: readonly number[], setup: FitSetup) {
  const { state: start, heating } = startAt(first, values, setup);
  const span = (points.at(-1)?.seconds ?? first.seconds) - first.seconds;
  const step = Math.max(0.5, span / MOST_STEPS);
  const lag = Math.max(0.1, setup.lagSeconds);
  const shown: number[] = [];
  let state = start;
  let reads = first.celsius + (values[3] ?? 0) * START_KELVIN;
  let before = { seconds: state.seconds, reads };
  for (const point of points) {
    while (state.seconds < point.seconds - 1e-9) {
      before = { seconds: state.seconds, reads };
      const { celsius } = state;
      state = cookFor(state, heating, step, setup.additions).state;
      // A bulb of the first order behind what rises evenly within a step.
      const behind = ((state.celsius - celsius) / step) * lag;
      reads = state.celsius - behind + (reads - celsius + behind) * Math.exp(-step / lag);
    }
    const width = state.seconds - before.seconds;
    const part = width > 0 ? (point.seconds - before.seconds) / width : 1;
    shown.push(before.reads + (reads - before.reads) * Math.min(1, Math.max(0, part)));
  }
  return { shown, now: state, heating };
}

const sigmaOf = ({ count }: Point, noiseKelvin: number): number =>
  Math.sqrt((noiseKelvin * noiseKelvin) / count + MODEL_KELVIN * MODEL_KELVIN);

/** How the model changes with each value: readings first, then what was believed, all in units of their scatter. */
function jacobian(read: Points, values: readonly number[], setup: FitSetup): Matrix {
  const { points } = read;
  const base = run(read, values, setup).shown;
  const rows = Matrix.zeros(points.length + VALUES, VALUES);
  for (let value = 0; value < VALUES; value++) {
    const step = 0.02;
    const moved = run(
      read,
      values.map((each, index) => (index === value ? each + step : each)),
      setup,
    ).shown;
    points.forEach((point, row) => {
      rows.set(row, value, ((moved[row] ?? 0) - (base[row] ?? 0)) / step / sigmaOf(point, setup.noiseKelvin));
    });
    rows.set(points.length + value, value, 1);
  }
  return rows;
}

/**
 * Fits effective power, loss and water of a pot to the readings of its probe by least squares (Levenberg-Marquardt), with what is
 * believed before as further points: where the readings say nothing, the belief and its whole width stay.
 *
 * @param readings good ones of a thermometer that is true, in order; six or more
 * @returns null for fewer readings, or when they span no time
 */
export function fitCook(readings: readonly Reading[], setup: FitSetup): CookFit | null {
  const read = thinned(readings);
  if (!read) return null;
  const { points } = read;
  const sigmas = points.map((point) => sigmaOf(point, setup.noiseKelvin));
  const x = Array.from({ length: points.length + VALUES }, (_, index) => index);
  const y = [...points.map(({ celsius }, index) => celsius / (sigmas[index] ?? 1)), ...Array<number>(VALUES).fill(0)];
  const model = (values: number[]) => {
    const { shown } = run(read, values, setup);
    return (index: number) =>
      index < points.length ? (shown[index] ?? 0) / (sigmas[index] ?? 1) : (values[index - points.length] ?? 0);
  };
  const miss = (values: number[]) => {
    const of = model(values);
    return y.reduce((sum, value, index) => sum + (value - of(index)) ** 2, 0);
  };
  const starts = STARTS.map((watts) => [watts, 0, 0, 0]);
  const { parameterValues, parameterError } = levenbergMarquardt({ x, y }, model, {
    initialValues: minBy(starts, miss) ?? [0, 0, 0, 0],
    minValues: [-5, -5, -5, -5],
    maxValues: [5, 5, 5, 5],
    gradientDifference: 0.02,
    maxIterations: 6,
    damping: 0.1,
  });
  const misfit = Math.sqrt(parameterError / points.length);
  const rows = jacobian(read, parameterValues, setup);
  const found = inverse(rows.transpose().mmul(rows)).mul(Math.max(1, misfit * misfit));
  // What rounding has made uneven would be no spread at all.
  const spread = Matrix.add(found, found.transpose()).mul(0.5);
  const values = meant(parameterValues, setup);
  const banded = (value: number, index: number, unsure: number): Banded => {
    const width = Math.exp(BAND * unsure * Math.sqrt(spread.get(index, index)));
    return { value, low: value / width, high: value * width };
  };
  const { unsure } = setup;
  const { now, heating } = run(read, parameterValues, setup);
  return {
    watts: banded(values.heating.watts, 0, unsure.watts),
    lossPerKelvin: banded(values.heating.lossPerKelvin, 1, unsure.loss),
    water: banded(values.contents.water, 2, unsure.water),
    now,
    heating,
    misfit,
    others: directions(spread).map((offset) => {
      const moved = parameterValues.map((value, index) => value + (offset[index] ?? 0));
      const other = run(read, moved, setup);
      return { now: other.now, heating: other.heating };
    }),
  };
}

/** Steps of one standard deviation that are independent of each other. */
function directions(spread: Matrix): number[][] {
  const factor = new CholeskyDecomposition(spread).lowerTriangularMatrix;
  return Array.from({ length: VALUES }, (_, column) => factor.getColumn(column));
}
