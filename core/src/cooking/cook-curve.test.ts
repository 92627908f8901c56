import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { cookUntil, gramsIn, heatIn, type Heating, type PotContents, type PotState } from './cook-curve.js';

const toffee: PotContents = { water: 44, sugars: 217, fat: 184, others: 2 };
const heating: Heating = {
  watts: 640,
  lossPerKelvin: 0.8,
  roomCelsius: 21,
  waterBoils: 100,
  potJoulesPerKelvin: 500,
  elevationFactor: 1,
};
const cold = (contents: PotContents): PotState => ({ seconds: 0, celsius: 21, contents, boils: false });
const reaches = (celsius: number) => (state: PotState) => state.celsius >= celsius;
const secondsTo = (celsius: number, step = 1, from = toffee) =>
  cookUntil(cold(from), heating, { step, most: 4000 }, reaches(celsius)).state.seconds;

const pots = fc.record({
  contents: fc.record({
    water: fc.double({ min: 20, max: 900, noNaN: true }),
    sugars: fc.double({ min: 100, max: 2000, noNaN: true }),
    fat: fc.double({ min: 0, max: 500, noNaN: true }),
    others: fc.double({ min: 0, max: 200, noNaN: true }),
  }),
  watts: fc.double({ min: 300, max: 3000, noNaN: true }),
  lossPerKelvin: fc.double({ min: 0, max: 2, noNaN: true }),
  addedAt: fc.double({ min: 0, max: 600, noNaN: true }),
});

describe('a pot on the heat', () => {
  it('keeps the balance of its energy to a thousandth, whatever is in it and whatever goes in', () => {
    fc.assert(
      fc.property(pots, ({ contents, watts, lossPerKelvin, addedAt }) => {
        const hot = { ...heating, watts, lossPerKelvin };
        const start = cold(contents);
        const additions = [{ atSeconds: addedAt, overSeconds: 20, celsius: 5, contents: { ...toffee, sugars: 0 } }];
        const { state, ledger } = cookUntil(start, hot, { step: 1, most: 900, additions }, reaches(175));
        const stored = heatIn(state, hot) - heatIn(start, hot);
        const { heated, lost, latent, carried, added } = ledger;
        expect(Math.abs(heated - lost - latent - carried + added - stored)).toBeLessThan(0.001 * heated);
      }),
    );
  });

  it('loses no sugar, no fat and no more water than it has', () => {
    fc.assert(
      fc.property(pots, ({ contents, watts }) => {
        const { state } = cookUntil(cold(contents), { ...heating, watts }, { step: 2, most: 3000 }, reaches(200));
        expect(state.contents).toMatchObject({ sugars: contents.sugars, fat: contents.fat, others: contents.others });
        expect(state.contents.water).toBeGreaterThanOrEqual(0);
        expect(gramsIn(state.contents)).toBeLessThanOrEqual(gramsIn(contents));
      }),
    );
  });

  it.each([115, 130, 149])('comes to %d C as soon with half the time step, to half a percent', (celsius) => {
    // Crossing a target is known to a step: so the temperature between two steps is compared.
    const at = (step: number) => {
      const seconds = Math.floor(secondsTo(celsius));
      return cookUntil(cold(toffee), heating, { step, most: seconds }, () => false).state.celsius;
    };
    expect(Math.abs(at(0.5) - at(1)) / at(1)).toBeLessThan(0.005);
  });

  it('is warmer every second as long as nothing goes in', () => {
    let last = -1;
    cookUntil(cold(toffee), heating, { step: 1, most: 2000 }, reaches(170), ({ celsius }) => {
      expect(celsius).toBeGreaterThan(last);
      last = celsius;
    });
  });
});
