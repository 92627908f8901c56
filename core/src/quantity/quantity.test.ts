import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { addDays, daysBetween, sayLabelDay, sayShortDay, weekday } from './day.js';
import { roundToStep, sayGrams, sayList, sayMass, sayClock, sayMinutes, sayMoney } from './format.js';
import { sayTemperature, toCelsius, toFahrenheit } from './temperature.js';
import { unitCodes, units, weigh } from './units.js';

const sugar = {
  densities: [
    { state: 'packed', gramsPerMl: 0.93 },
    { state: 'loose', gramsPerMl: 0.61 },
  ],
  pieceGrams: null,
};

describe('weighing a line', () => {
  it('weighs a cup by the density of its state', () => {
    expect(weigh(1, 'cup', sugar, 'packed')).toEqual({ grams: expect.closeTo(220.03, 2) });
    expect(weigh(1, 'cup', sugar, 'loose')).toEqual({ grams: expect.closeTo(144.32, 2) });
  });

  it('takes the first density when no state is named', () => {
    expect(weigh(1, 'cup', sugar, null)).toEqual(weigh(1, 'cup', sugar, 'packed'));
  });

  it('never guesses: no density, no such state, no weight of one', () => {
    expect(weigh(1, 'cup', { densities: [], pieceGrams: null }, null)).toEqual({
      problem: 'no-density',
    });
    expect(weigh(1, 'cup', sugar, 'sifted')).toEqual({ problem: 'no-density-in-state' });
    expect(weigh(2, 'count', sugar, null)).toEqual({ problem: 'no-piece-weight' });
  });

  it('weighs a mass without knowing anything else', () => {
    for (const unit of unitCodes.filter((code) => units[code].measures === 'mass'))
      expect(weigh(3, unit, { densities: [], pieceGrams: null }, null)).toEqual({
        grams: 3 * units[unit].base,
      });
  });

  it('scales there and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1e5, noNaN: true }), fc.constantFrom(...unitCodes), (amount, unit) => {
        const once = weigh(amount, unit, { ...sugar, pieceGrams: 50 }, null);
        const thrice = weigh(amount * 3, unit, { ...sugar, pieceGrams: 50 }, null);
        if (!('grams' in once) || !('grams' in thrice)) throw new Error('must be weighed');
        expect(thrice.grams / 3).toBeCloseTo(once.grams, 6);
      }),
    );
  });
});

describe('saying figures', () => {
  it('rounds to the step of the scale and never makes a pinch nothing', () => {
    expect(sayGrams(4519.6)).toBe('4,520 g');
    expect(sayGrams(4522, 5)).toBe('4,520 g');
    expect(sayGrams(2.46, 0.1)).toBe('2.5 g');
    expect(sayGrams(0.3)).toBe('0.3 g');
    expect(sayGrams(0)).toBe('0 g');
    expect(sayMass(12_407)).toBe('12.4 kg');
    expect(sayMass(940)).toBe('940 g');
  });

  it('is never further than half a step from the truth', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1e5, noNaN: true }), fc.constantFrom(0.1, 1, 5), (grams, step) => {
        expect(Math.abs(roundToStep(grams, step) - grams)).toBeLessThanOrEqual(step / 2 + 1e-6);
      }),
    );
  });

  it('says money, minutes and lists', () => {
    expect(sayMoney(2600, 'USD')).toBe('$26.00');
    expect(sayMoney(2600, 'JPY')).toBe('¥2,600');
    expect([sayClock(0), sayClock(80), sayClock(599.6)]).toEqual(['0:00', '1:20', '10:00']);
    expect(sayMinutes(190)).toBe('3 h 10 min');
    expect(sayMinutes(120)).toBe('2 h');
    expect(sayList(['a', 'b', 'c'])).toBe('a, b and c');
  });

  it('turns temperatures there and back', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 400, noNaN: true }), (celsius) => {
        expect(toCelsius(toFahrenheit(celsius))).toBeCloseTo(celsius, 9);
      }),
    );
    expect(toFahrenheit(149)).toBeCloseTo(300.2, 9);
    expect(sayTemperature(149)).toBe('149 C / 300 F');
    expect(sayTemperature([31, 32], 0, 'F')).toBe('88 to 90 F / 31 to 32 C');
    expect(sayTemperature([45, 45])).toBe('45 C / 113 F');
  });
});

describe('days', () => {
  it('knows weekdays and crosses months, years and the leap day', () => {
    expect(sayShortDay('2026-12-05')).toBe('Sat 5 Dec');
    expect(weekday('1969-12-31')).toBe(3);
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(sayLabelDay('2026-12-05')).toBe('Dec 5, 2026');
  });

  it('adds and takes away the same number of days, clocks going back or not', () => {
    fc.assert(
      fc.property(fc.integer({ min: -4000, max: 40000 }), fc.integer({ min: -4000, max: 4000 }), (start, count) => {
        const from = addDays('2000-01-01', start);
        expect(daysBetween(from, addDays(from, count))).toBe(count);
      }),
    );
  });
});
