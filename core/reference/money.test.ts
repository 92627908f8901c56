import { describe, expect, it } from '@jest/globals';
import currencyCodes from 'currency-codes';
import { allocate, dinero, halfEven, toSnapshot, transformScale } from 'dinero.js';
import { minorDigits, percentOfMinor, splitMinor } from '../src/quantity/index.js';

const USD = { code: 'USD', base: 10, exponent: 2 };

/** Currencies that the runtime counts without the small coins that ISO 4217 still lists, because nobody uses them. */
const WITHOUT_COINS = 'AFN ALL COP HUF IDR IQD IRR KPW LAK LBP MGA MMK PKR SOS SYP YER'.split(' ');

describe('money against published tables', () => {
  it('has the minor units of ISO 4217 (package currency-codes) for every currency in circulation', () => {
    const checked = currencyCodes.data.filter(({ code }) => !/^X/.test(code) && !WITHOUT_COINS.includes(code));
    expect(checked.length).toBeGreaterThan(140);
    const differs = checked.filter(({ code, digits }) => minorDigits(code) !== digits);
    expect(differs.map(({ code, digits }) => [code, digits, minorDigits(code)])).toEqual([]);
  });

  it('rounds shares half to even as dinero.js does', () => {
    for (let minor = 1; minor < 400; minor += 7)
      for (const percent of [5, 12.5, 25, 30, 33, 50]) {
        const exact = dinero({ amount: Math.round(minor * percent * 10), currency: USD, scale: 5 });
        expect(percentOfMinor(minor, percent)).toBe(toSnapshot(transformScale(exact, 2, halfEven)).amount);
      }
  });

  it('splits equal parts as dinero.js allocates them', () => {
    for (const parts of [2, 3, 7, 12])
      for (const amount of [1, 100, 999, 2601]) {
        const theirs = allocate(dinero({ amount, currency: USD }), new Array<number>(parts).fill(1));
        expect(splitMinor(amount, new Array<number>(parts).fill(1))).toEqual(
          theirs.map((each) => toSnapshot(each).amount),
        );
      }
  });
});
