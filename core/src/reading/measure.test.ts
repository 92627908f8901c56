import { describe, expect, it } from '@jest/globals';
import { readMeasure } from './measure.js';

describe('a measure', () => {
  it.each([
    ['2 cups milk', 'US', 2, 'cup'],
    ['2 cups milk', 'Australia', 2, 'metric-cup'],
    ['1 tbsp milk', 'Australia', 1, 'australian-tbsp'],
    ['1 tbsp milk', 'UK', 1, 'metric-tbsp'],
    ['1 pint milk', 'UK', 1, 'imperial-pint'],
    ['1 pint milk', 'US', 1, 'pint'],
    ['2 US cups milk', 'UK', 2, 'cup'],
    ['1 imperial gallon milk', 'US', 1, 'imperial-gallon'],
    ['1 kg 200 g milk', 'UK', 1200, 'g'],
    ['1 cup 2 tbsp milk', 'US', 18, 'tbsp'],
    ['three milk', 'US', 3, 'count'],
    ['2 dozen milk', 'US', 24, 'count'],
  ] as const)('%s in the habit of %s', (line, habit, amount, unit) => {
    expect(readMeasure(line, habit)).toMatchObject({ amount, unit, rest: 'milk', questions: [] });
  });

  it('keeps both ends of a range, and says what it took for granted', () => {
    expect(readMeasure('about 2-3 cups milk', 'US')).toMatchObject({
      amount: 2,
      upTo: 3,
      remarks: ['“About” was read as the number itself.'],
    });
    expect(readMeasure('a pinch of salt', 'US').remarks).toEqual(['A pinch was read as 1/16 tsp.']);
  });

  it('knows a pack by its word and its size', () => {
    expect(readMeasure('2 (14-oz) cans milk', 'US')).toMatchObject({
      amount: 2,
      pack: 'can',
      size: { amount: 14, unit: 'oz' },
    });
    expect(readMeasure('1 can (354 mL) milk', 'US')).toMatchObject({ pack: 'can', size: { amount: 354, unit: 'ml' } });
    expect(readMeasure('1 jar milk', 'US')).toMatchObject({ pack: 'jar', size: null });
  });

  it.each(['-3 cups milk', '2 heaped tbsp milk', 'a knob of milk', '1 stick milk', 'milk', '0 g milk'])(
    'asks what is meant by "%s"',
    (line) => {
      expect(readMeasure(line, 'US').questions.length).toBeGreaterThan(0);
    },
  );
});
