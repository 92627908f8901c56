import { describe, expect, it } from '@jest/globals';
import { cookUntil, type Addition, type Heating, type PotContents, type PotState } from '../src/cooking/index.js';
import { toCelsius } from '../src/quantity/index.js';

// Practice figures: common practice, no source. Compositions from memory of food tables, rounded.

const kitchen: Heating = {
  watts: 0,
  lossPerKelvin: 0.8,
  roomCelsius: 21,
  waterBoils: 100,
  potJoulesPerKelvin: 500,
  elevationFactor: 1,
};
const reaches =
  (celsius: number) =>
  (state: PotState): boolean =>
    state.celsius >= celsius;

/** Seconds at which each temperature is reached. */
function times(contents: PotContents, heating: Heating, celsius: readonly number[], celsiusNow = 21) {
  const start: PotState = { seconds: 0, celsius: celsiusNow, contents, boils: false };
  return celsius.map((target) => cookUntil(start, heating, { step: 0.5, most: 7200 }, reaches(target)).state.seconds);
}

/** The power with which something takes so many seconds, W. */
function powerFor(seconds: (watts: number) => number, wanted: number): number {
  let [low, high] = [100, 20_000];
  for (let turn = 0; turn < 30; turn++) {
    const middle = (low + high) / 2;
    if (seconds(middle) > wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

describe('toffee of a cup of butter and a cup of packed brown sugar', () => {
  // 227 g of butter (18 % water, 81 % fat), 220 g of brown sugar (1.3 % water).
  const contents: PotContents = { water: 43.7, sugars: 217, fat: 184, others: 2.3 };
  const secondsTo300F = (watts: number) => times(contents, { ...kitchen, watts }, [toCelsius(300)])[0] ?? 0;
  const watts = powerFor(secondsTo300F, 8.5 * 60);

  it('takes 8.5 minutes to 300 F with what a burner gives a small pot: 400 to 900 W', () => {
    expect(watts).toBeGreaterThan(400);
    expect(watts).toBeLessThan(900);
  });

  it('hangs while the water goes, then rushes: the last 10 K at least twice as fast as 110 to 120 C', () => {
    const [at110 = 0, at120 = 0, at139 = 0, at149 = 0] = times(contents, { ...kitchen, watts }, [110, 120, 139, 149]);
    expect(at120 - at110).toBeGreaterThan(2 * (at149 - at139));
  });
});

describe('a fudge kettle of some 20 lb', () => {
  // 12.8 lb of sugar, 1.4 kg of glucose syrup (80 % solids), 0.75 L of water, 1 lb of chocolate, 1 lb of butter, 3.5 cans (354 mL) of evaporated milk.
  const contents: PotContents = {
    water: 750 + 280 + 970 + 80,
    sugars: 5806 + 1120 + 220 + 130,
    fat: 150 + 370 + 100,
    others: 300,
  };
  const kettle: Heating = { ...kitchen, lossPerKelvin: 3, potJoulesPerKelvin: 2500 };
  const from227to235 = (watts: number) => {
    const [first = 0, last = 0] = times(contents, { ...kettle, watts }, [toCelsius(227), toCelsius(235)]);
    return last - first;
  };
  const watts = powerFor(from227to235, 5 * 60);

  it('goes from 227 to 235 F in 5 minutes where all of it takes 15, to within a third', () => {
    const [all = 0] = times(contents, { ...kettle, watts }, [toCelsius(235)]);
    expect(all / 60).toBeGreaterThan(10);
    expect(all / 60).toBeLessThan(20);
  });

  it('falls by about 6 F, 3 to 9, when a pound of cold butter goes in at 236 F, and climbs on', () => {
    const start: PotState = {
      seconds: 0,
      celsius: toCelsius(236),
      contents: { ...contents, water: 1330 },
      boils: true,
    };
    const butter: Addition = {
      atSeconds: 5,
      overSeconds: 12,
      celsius: 5,
      contents: { water: 82, sugars: 0, fat: 367, others: 5 },
    };
    const readings: number[] = [];
    const { state } = cookUntil(start, { ...kettle, watts }, { step: 0.5, most: 900, additions: [butter] }, (pot) => pot.seconds > 60 && pot.celsius > toCelsius(240), ({ celsius }) => readings.push(celsius)); // prettier-ignore
    const dip = ((toCelsius(236) - Math.min(...readings)) * 9) / 5;
    expect(dip).toBeGreaterThan(3);
    expect(dip).toBeLessThan(9);
    expect(state.celsius).toBeGreaterThan(toCelsius(240));
  });
});
