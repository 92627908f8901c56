import { describe, expect, it } from '@jest/globals';
import { readHolds } from './pack.js';

describe('what a pack holds', () => {
  it.each([
    ['2 lb', 2, 'lb'],
    ['2lb', 2, 'lb'],
    ['1 1/2 kg', 1.5, 'kg'],
    ['500 g', 500, 'g'],
    ['1,5 kg', 1.5, 'kg'],
    ['16 oz', 16, 'oz'],
    ['half a pound', 0.5, 'lb'],
  ])('%s', (text, amount, unit) => {
    expect(readHolds(text, 'US')).toEqual({ amount, unit });
  });

  it.each(['', 'lb', '2 lb sugar', '1-2 lb', '2 lb (900 g)', 'two cans', '-2 lb'])('%s is not read', (text) => {
    expect(readHolds(text, 'US')).toBeNull();
  });
});
