// Source: 21 CFR 101.9(c)(1), (2), (6) and (7), and the Commission's guidance on tolerances of December 2012, table 4; from memory.
import { describe, expect, it } from '@jest/globals';
import { noParts } from '../src/ingredient/index.js';
import { euRounded, nutritionOf, usRounded } from '../src/label/index.js';

describe('21 CFR 101.9(c): rounding', () => {
  it.each([
    ['kcal', 4.9, '0'],
    ['kcal', 5, '5'],
    ['kcal', 47.4, '45'],
    ['kcal', 47.5, '50'],
    ['kcal', 50, '50'],
    ['kcal', 54.9, '50'],
    ['kcal', 55, '60'],
    ['kcal', 484, '480'],
    ['fat', 0.49, '0 g'],
    ['fat', 0.5, '0.5 g'],
    ['fat', 4.7, '4.5 g'],
    ['fat', 4.75, '5 g'],
    ['fat', 5.4, '5 g'],
    ['fat', 24.6, '25 g'],
    ['carbohydrate', 0.4, '0 g'],
    ['carbohydrate', 0.7, 'less than 1 g'],
    ['carbohydrate', 61.5, '62 g'],
    ['sugars', 0.99, 'less than 1 g'],
    ['sugars', 12.2, '12 g'],
    ['protein', 0.3, '0 g'],
    ['protein', 3.5, '4 g'],
  ] as const)('%s %d as %s', (what, value, text) => {
    expect(usRounded(what, value)).toBe(text);
  });
});

describe('the European guidance: rounding', () => {
  it.each([
    ['energy', 2014.6, '2015'],
    ['grams', 0.4, '<0.5 g'],
    ['grams', 0.55, '0.6 g'],
    ['grams', 9.94, '9.9 g'],
    ['grams', 24.5, '25 g'],
  ] as const)('%s %d as %s', (what, value, text) => {
    expect(euRounded(what, value)).toBe(text);
  });
});

describe('the estimate of 100 g of sugar and of fat', () => {
  it('is 400 and 900 kcal, and 1,700 and 3,700 kJ by the factors of annex XIV of Reg. (EU) 1169/2011 (from memory)', () => {
    const sugar = nutritionOf({ ...noParts, sucrose: 100 });
    const fat = nutritionOf({ ...noParts, fat: 100 });
    expect([sugar.kcal, fat.kcal]).toEqual([400, 900]);
    expect([Math.round(sugar.kj), Math.round(fat.kj)]).toEqual([1700, 3700]);
    expect(sugar).toMatchObject({ carbohydrate: 100, sugars: 100, fat: 0, protein: 0 });
  });
});
