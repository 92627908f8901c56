import { describe, expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import { seeded, simulatedCook, type SimulatedCook } from './simulated-cook.js';
import { fitCook, type Banded } from './cook-fit.js';
import { forecastCook, startSecond, straightLine } from './cook-forecast.js';
import { sinceChange } from './probe-trace.js';

const SEEDS = runs(60, 200);
const goal = (celsius: number) => ({ celsius, carryOverKelvin: 0, reactionSeconds: 5 });
const holds = ({ low, high }: Banded, value: number) => value >= low && value <= high;

const fitOf = ({ setup, readings }: SimulatedCook) => {
  const fit = fitCook(readings, setup);
  if (!fit) throw new Error('no fit');
  return fit;
};

/** The forecast a while before the target: its error and that of a straight line, s. */
function errorsBefore(cook: SimulatedCook, seconds: number) {
  const until = cook.targetAt - seconds;
  const read = cook.readings.filter((reading) => reading.seconds <= until);
  const fit = fitCook(sinceChange(read, cook.changes), cook.setup);
  const last = read.at(-1)?.seconds ?? 0;
  const left = cook.targetAt - last;
  const forecast = fit && forecastCook(fit, goal(cook.target));
  const line = straightLine(read, cook.target);
  return {
    ours: forecast ? Math.abs(forecast.takeOff.value - left) : Infinity,
    line: line === null ? Infinity : Math.abs(line - left),
    inBand: forecast ? holds(forecast.takeOff, left) : false,
  };
}
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

describe('a fit of the pot', () => {
  it('finds power, loss and water inside its own band, 95 times in 100', () => {
    const inside = { watts: 0, lossPerKelvin: 0, water: 0 };
    for (let seed = 0; seed < SEEDS; seed++) {
      const cook = simulatedCook(seeded(seed), false);
      const { watts, lossPerKelvin, water } = fitOf(cook);
      if (holds(watts, cook.truth.heating.watts)) inside.watts++;
      if (holds(lossPerKelvin, cook.truth.heating.lossPerKelvin)) inside.lossPerKelvin++;
      if (holds(water, cook.truth.contents.water)) inside.water++;
    }
    for (const count of Object.values(inside)) expect(count).toBeGreaterThanOrEqual(0.95 * SEEDS);
  });

  it('learns: the band of the power becomes narrower than what was believed', () => {
    const { watts } = fitOf(simulatedCook(seeded(7), false));
    expect(watts.high / watts.low).toBeLessThan(1.3);
  });

  it('says nothing of too few readings', () => {
    const { setup, readings } = simulatedCook(seeded(1), false);
    expect(fitCook(readings.slice(0, 5), setup)).toBeNull();
    expect(fitCook([], setup)).toBeNull();
  });
});

describe('the time to the target', () => {
  it('is told far better than by a straight line two minutes before, with faults and all', () => {
    const errors = Array.from({ length: 60 }, (_, seed) => errorsBefore(simulatedCook(seeded(1000 + seed), true), 120));
    const ours = median(errors.map((each) => each.ours));
    const line = median(errors.map((each) => each.line));
    expect(ours).toBeLessThan(line / 2);
  });

  it('lies in its band nine times in ten where nothing goes wrong', () => {
    const errors = Array.from({ length: 60 }, (_, seed) => errorsBefore(simulatedCook(seeded(3000 + seed), false), 90));
    expect(errors.filter(({ inBand }) => inBand).length).toBeGreaterThanOrEqual(54);
  });

  it('comes with an alarm that leaves the maker’s reaction, and a window around the target', () => {
    const cook = simulatedCook(seeded(5), false);
    const read = cook.readings.filter(({ seconds }) => seconds <= cook.targetAt - 100);
    const fit = fitCook(sinceChange(read, []), cook.setup);
    if (!fit) throw new Error('no fit');
    const plain = forecastCook(fit, goal(cook.target));
    const early = forecastCook(fit, { ...goal(cook.target), carryOverKelvin: 2 });
    if (!plain || !early) throw new Error('no forecast');
    expect(plain.alarmSeconds).toBeCloseTo(plain.takeOff.value - 5, 9);
    expect(early.takeOff.value).toBeLessThan(plain.takeOff.value);
    expect(plain.window.from).toBeLessThan(plain.takeOff.value);
    expect(plain.window.to).toBeGreaterThan(plain.takeOff.value);
    expect(plain.takeOff.low).toBeLessThan(plain.takeOff.value);
    expect(plain.waterToGo).toBeGreaterThan(0);
  });

  it('is nothing where the heat never brings it there', () => {
    const fit = fitOf(simulatedCook(seeded(5), false));
    expect(forecastCook({ ...fit, heating: { ...fit.heating, watts: 10 } }, goal(400))).toBeNull();
  });

  it('tells when the second of two syrups goes on', () => {
    expect(startSecond(300, 120)).toBe(180);
    expect(startSecond(60, 120)).toBe(-60);
  });
});
