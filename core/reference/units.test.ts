// Source: NIST Handbook 44 Appendix C and NIST SP 811 (values from memory); oracle: Debian's `units`, run as a separate program.
import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { units, weigh, type UnitCode } from '../src/quantity/index.js';

/** What Debian's units says `one` is in `other`. */
const oracle = (one: string, other: string): number =>
  Number(execFileSync('units', ['-t', '-d', '12', one, other], { encoding: 'utf8' }));

const definitions: readonly (readonly [UnitCode, string, string])[] = [
  ['kg', 'kg', 'g'],
  ['oz', 'ounce', 'g'],
  ['lb', 'pound', 'g'],
  ['l', 'liter', 'ml'],
  ['tsp', 'teaspoon', 'ml'],
  ['tbsp', 'tablespoon', 'ml'],
  ['floz', 'usfluidounce', 'ml'],
  ['cup', 'cup', 'ml'],
  ['pint', 'uspint', 'ml'],
  ['quart', 'usquart', 'ml'],
  ['gallon', 'usgallon', 'ml'],
  ['imperial-floz', 'brfluidounce', 'ml'],
  ['imperial-pint', 'brpint', 'ml'],
  ['imperial-quart', 'brquart', 'ml'],
  ['imperial-gallon', 'brgallon', 'ml'],
  ['dessertspoon', '1|25 metriccup', 'ml'],
  ['metric-tsp', '1|50 metriccup', 'ml'],
  ['metric-tbsp', '3|50 metriccup', 'ml'],
  ['australian-tbsp', 'australiatablespoon', 'ml'],
  ['metric-cup', 'metriccup', 'ml'],
];

describe('units against an independent converter', () => {
  it.each(definitions)('one %s', (code, one, other) => {
    expect(units[code].base).toBeCloseTo(oracle(one, other), 6);
  });

  it('leaves none out but the gram, the millilitre and the count', () => {
    const checked = new Set<string>(definitions.map(([code]) => code));
    expect(Object.keys(units).filter((code) => !checked.has(code))).toEqual(['g', 'ml', 'count']);
  });
});

describe('units against NIST Handbook 44 Appendix C', () => {
  it.each<[UnitCode, number, number]>([
    ['oz', 28.349523125, 9],
    ['lb', 453.59237, 5],
    ['cup', 236.588, 3],
    ['tbsp', 14.787, 3],
    ['tsp', 4.929, 3],
    ['floz', 29.574, 3],
    ['quart', 946.353, 3],
  ])('one %s is %d', (code, value, decimals) => {
    expect(units[code].base).toBeCloseTo(value, decimals);
  });
});

describe('the quart trap (common practice, no source)', () => {
  const sugar = { densities: [{ state: 'level', gramsPerMl: 0.85 }], pieceGrams: null };
  const pounds = (unit: UnitCode) => {
    const weight = weigh(6, unit, sugar, null);
    return 'grams' in weight ? weight.grams / units.lb.base : NaN;
  };

  it('six imperial quarts of sugar are almost 13 lb, six US quarts 10.6 lb', () => {
    expect(pounds('imperial-quart')).toBeCloseTo(12.8, 1);
    expect(pounds('quart')).toBeCloseTo(10.6, 1);
  });
});
