import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { minorDigits, percentOfMinor, splitMinor } from './money.js';

describe('money', () => {
  it('is rounded half to even', () => {
    expect([5, 15, 25, 35].map((minor) => percentOfMinor(minor, 50))).toEqual([2, 8, 12, 18]);
    expect(percentOfMinor(5200, 30)).toBe(1560);
  });

  it('is split without a cent lost or found', () => {
    expect(splitMinor(100, [1, 1, 1])).toEqual([34, 33, 33]);
    const weights = fc
      .array(fc.nat(50), { minLength: 1, maxLength: 8 })
      .filter((list) => list.some((each) => each > 0));
    fc.assert(
      fc.property(fc.nat(1_000_000), weights, (minor, list) => {
        const parts = splitMinor(minor, list);
        const sum = list.reduce((total, weight) => total + weight, 0);
        expect(parts.reduce((total, part) => total + part, 0)).toBe(minor);
        parts.forEach((part, index) => {
          expect(Math.abs(part - (minor * (list[index] ?? 0)) / sum)).toBeLessThan(1);
        });
      }),
    );
  });

  it('has as many decimals as the currency', () => {
    expect(['USD', 'JPY', 'KWD'].map(minorDigits)).toEqual([2, 0, 3]);
  });
});
