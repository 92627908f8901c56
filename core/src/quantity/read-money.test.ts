import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { minorPerUnit, readMoney } from './money.js';

describe('an amount of money', () => {
  it.each([
    ['$3.49', 'USD', 349],
    ['3.49', 'USD', 349],
    ['3,49', 'USD', 349],
    ['$ 3', 'USD', 300],
    ['US$12', 'USD', 1200],
    ['USD 12.5', 'USD', 1250],
    ['12.50 usd', 'USD', 1250],
    ['1,250.00', 'USD', 125000],
    ['1.250,00', 'EUR', 125000],
    ['€4', 'EUR', 400],
    ['.99', 'USD', 99],
    ['3.490', 'EUR', 349000],
    ['¥500', 'JPY', 500],
    ['3.495', 'JPY', 3495],
    ['1.234', 'KWD', 1234],
    ['1,234', 'KWD', 1234000],
    ['-2', 'USD', -200],
  ])('%s in %s', (text, currency, minor) => {
    expect(readMoney(text, currency)).toBe(minor);
  });

  it.each([
    ['', 'USD'],
    ['free', 'USD'],
    ['€3', 'USD'],
    ['3.4567', 'USD'],
    ['3 for 5', 'USD'],
  ])('%s in %s is none', (text, currency) => {
    expect(readMoney(text, currency)).toBeNaN();
  });

  it('is read back as it is written, with its sign and without', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.constantFrom('USD', 'EUR', 'JPY', 'KWD'),
        fc.constantFrom('symbol', 'narrowSymbol', 'code'),
        (minor, currency, currencyDisplay) => {
          const text = new Intl.NumberFormat('en-US', { style: 'currency', currency, currencyDisplay }).format(
            minor / minorPerUnit(currency),
          );
          expect(readMoney(text, currency)).toBe(minor);
        },
      ),
    );
  });
});
