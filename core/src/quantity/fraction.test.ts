import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { kitchenFraction, sayMeasure } from './fraction.js';

describe('kitchen fractions', () => {
  it.each([
    [0.25, '1/4'],
    [1.76, '1 3/4'],
    [2.33, '2 1/3'],
    [0.66, '2/3'],
    [2.98, '3'],
    [0.0625, '1/16'],
    [0.03, '1/32'],
    [0.01, '0.01'],
    [0.1, '1/8'],
  ])('%d is %s', (amount, text) => {
    expect(kitchenFraction(amount).text).toBe(text);
  });

  it('are never further than a sixteenth from the truth, nor by half where it is a pinch', () => {
    fc.assert(
      fc.property(fc.double({ min: 3 / 128, max: 40, noNaN: true }), (amount) => {
        const { errorPercent } = kitchenFraction(amount);
        expect(Math.abs((errorPercent / 100) * amount)).toBeLessThanOrEqual(1 / 16 + 1e-9);
        if (amount < 1 / 8) expect(Math.abs(errorPercent)).toBeLessThanOrEqual(34);
      }),
    );
  });

  it('stand only where cups and spoons are meant', () => {
    expect(sayMeasure(1.5, 'cup')).toBe('1 1/2 cup');
    expect(sayMeasure(0.5, 'count')).toBe('1/2');
    expect(sayMeasure(450.126, 'g')).toBe('450.13 g');
    expect(sayMeasure(2, 'australian-tbsp')).toBe('2 Australian tbsp');
  });
});
