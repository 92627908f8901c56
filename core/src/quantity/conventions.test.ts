import { afterEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { typedNumber } from '../reading/index.js';
import {
  decimalSign,
  lengthUnit,
  sayExact,
  sayGrams,
  sayHeight,
  sayLength,
  sayMoney,
  sayNumber,
  sayTime,
} from './format.js';
import { sayDay, sayShortDay, sayWeekday, weekdays } from './day.js';
import { sayMeasure } from './fraction.js';
import { sayTemperature } from './temperature.js';
import { locales, usualWriting, writeAs, written } from './conventions.js';

const before = written();
afterEach(() => {
  writeAs(before);
});

/** A blank that does not break stands for any blank. */
const plain = (text: string) => text.replace(/[\u00a0\u202f]/g, ' ');

describe('figures, dates and temperatures by place', () => {
  const said = {
    'en-US': ['1,234.5', '$1,234.50', 'Saturday, December 5', 'Sat, Dec 5', '300 F / 149 C', '9 × 9 in', '4,659 ft'],
    'en-GB': ['1,234.5', '$1,234.50', 'Saturday 5 December', 'Sat 5 Dec', '149 C / 300 F', '229 × 229 mm', '1,420 m'],
    'en-AU': ['1,234.5', '$1,234.50', 'Saturday 5 December', 'Sat 5 Dec', '149 C / 300 F', '229 × 229 mm', '1,420 m'],
    'en-CA': ['1,234.5', '$1,234.50', 'Saturday, December 5', 'Sat, Dec 5', '149 C / 300 F', '229 × 229 mm', '1,420 m'],
    'fr-CA': ['1 234,5', '1 234,50 $', 'samedi 5 décembre', 'sam. 5 déc.', '149 C / 300 F', '229 × 229 mm', '1 420 m'],
  } as const;

  it.each(locales)('are written as in %s', (locale) => {
    writeAs(usualWriting[locale]);
    const words = [
      sayNumber(1234.5, 1),
      sayMoney(123450, 'USD'),
      sayDay('2026-12-05'),
      sayShortDay('2026-12-05'),
      sayTemperature(149),
      sayLength(228.6, 228.6),
      sayHeight(1420),
    ];
    expect(words.map(plain)).toEqual(said[locale]);
  });

  it('follow a change at once, and nothing is left of the old way', () => {
    expect(sayDay('2026-12-05')).toBe('Saturday 5 December');
    writeAs(usualWriting['en-US']);
    expect(sayDay('2026-12-05')).toBe('Saturday, December 5');
    expect(sayGrams(1250)).toBe('1,250 g');
    writeAs(usualWriting['fr-CA']);
    expect(plain(sayGrams(1250))).toBe('1 250 g');
    expect(sayMeasure(1.25, 'kg')).toBe('1,25 kg');
  });

  it('begin the week where the kitchen does', () => {
    expect(
      weekdays()
        .map((day) => sayWeekday(day, 'narrow'))
        .join(''),
    ).toBe('MTWTFSS');
    writeAs(usualWriting['en-US']);
    expect(
      weekdays()
        .map((day) => sayWeekday(day, 'short'))
        .join(' '),
    ).toBe('Sun Mon Tue Wed Thu Fri Sat');
  });

  it('say a time on the kitchen’s clock', () => {
    expect([0, 5, 1112, 1445].map((minutes) => sayTime(minutes))).toEqual(['00:00', '00:05', '18:32', '00:05']);
    writeAs(usualWriting['en-US']);
    expect([0, 720, 1112].map((minutes) => plain(sayTime(minutes)))).toEqual(['12:00 AM', '12:00 PM', '6:32 PM']);
  });

  it('leave a text that is no day as it is', () => {
    expect(sayDay('soon')).toBe('soon');
  });
});

describe('a number as it is typed', () => {
  it('has thousands or thousandths as the kitchen writes', () => {
    expect(typedNumber('1,250')).toBe(1250);
    expect(typedNumber('1.250')).toBe(1.25);
    expect(typedNumber('1 250')).toBe(1250);
    expect(typedNumber('0,250')).toBe(0.25);
    writeAs(usualWriting['fr-CA']);
    expect(typedNumber('1,250')).toBe(1.25);
    expect(typedNumber('1 250,5')).toBe(1250.5);
  });

  it('may have fractions, a sign, and a point at its end', () => {
    expect(['1/2', '1 1/2', '½', '-3', '−3,5', '+2', '5.', ',5', '12'].map(typedNumber)).toEqual([
      0.5, 1.5, 0.5, -3, -3.5, 2, 5, 0.5, 12,
    ]);
  });

  it('is none where it is none, or a range', () => {
    for (const text of ['', 'much', '2 to 3', '1.2.3', '3 kg', '1,2,3', '--2']) expect(typedNumber(text)).toBeNaN();
  });

  it('is what was shown, in every way of writing', () => {
    fc.assert(
      fc.property(fc.constantFrom(...locales), fc.integer({ min: 0, max: 99_999_999 }), (locale, thousandths) => {
        writeAs(usualWriting[locale]);
        const value = thousandths / 1000;
        // As it stands in a field, and as it stands in a sentence.
        expect(typedNumber(String(value).replace('.', decimalSign()))).toBe(value);
        expect(Math.abs(typedNumber(sayExact(value)) - value)).toBeLessThanOrEqual(value * 1e-5);
      }),
    );
  });

  it('gives the same length again, in mm and in inches', () => {
    for (const locale of locales) {
      writeAs(usualWriting[locale]);
      const { unit, stored } = lengthUnit();
      expect(typedNumber(sayLength(228.6).replace(` ${unit}`, '')) * stored).toBeCloseTo(228.6, unit === 'in' ? 6 : 0);
    }
  });
});
