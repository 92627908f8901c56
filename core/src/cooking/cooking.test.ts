import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { noParts, type Parts } from '../ingredient/index.js';
import {
  abvOf,
  boilingPointAt,
  elevationOf,
  foamings,
  ganacheBalance,
  potCheck,
  readingHere,
  stageAt,
  sugarPercentAt,
  targetHere,
  temperingCurves,
  waterActivity,
  waterLeft,
} from './index.js';

const parts = (some: Partial<Parts>): Parts => ({ ...noParts, ...some });
const anyParts = fc
  .record({
    water: fc.double({ min: 3, max: 90, noNaN: true }),
    sucrose: fc.double({ min: 0, max: 60, noNaN: true }),
    glucose: fc.double({ min: 0, max: 40, noNaN: true }),
    lactose: fc.double({ min: 0, max: 10, noNaN: true }),
  })
  .map(parts);

describe('targets for this kitchen', () => {
  const hill = { altitudeMetres: 1420, boilingReadingCelsius: null };

  it('lowers a boiling target by as much as water boils lower, and adds the thermometer', () => {
    const drop = 100 - boilingPointAt(1420);
    expect(drop).toBeCloseTo(4.7, 1);
    expect(targetHere(149, hill)).toBeCloseTo(149 - drop, 9);
    expect(targetHere(149, { ...hill, boilingReadingCelsius: boilingPointAt(1420) + 1.5 })).toBeCloseTo(
      150.5 - drop,
      9,
    );
  });

  it('leaves what does not boil where it is, but for the thermometer', () => {
    expect(readingHere(31, hill)).toBe(31);
    expect(readingHere(31, { altitudeMetres: 0, boilingReadingCelsius: 98.5 })).toBeCloseTo(29.5, 1);
  });
});

describe('syrup', () => {
  it('never boils lower for more sugar, and its strength is found again', () => {
    const percent = fc.double({ min: 1, max: 99, noNaN: true });
    fc.assert(
      fc.property(percent, percent, (a, b) => {
        if (a < b) expect(elevationOf(a)).toBeLessThanOrEqual(elevationOf(b));
        expect(sugarPercentAt(100 + elevationOf(a))).toBeCloseTo(a, 4);
      }),
    );
  });

  it('leaves less water the further it is cooked, and none too little', () => {
    expect(waterLeft(800, 100 + elevationOf(80))).toBeCloseTo(200, 4);
    expect(waterLeft(800, 99)).toBe(Infinity);
    expect(waterLeft(800, 150)).toBeLessThan(waterLeft(800, 140));
    expect(sugarPercentAt(300)).toBe(99.5);
  });

  it('names the stage of a target', () => {
    expect([100, 113, 117, 149, 157, 180].map(stageAt)).toEqual([
      null,
      'soft ball',
      'between soft ball and firm ball',
      'hard crack',
      'between hard crack and caramel',
      'past caramel',
    ]);
  });
});

describe('the pot', () => {
  const pots = [
    { name: 'large', litres: 7.6 },
    { name: 'small', litres: 2.8 },
  ];

  it('finds the smallest pot with room for the foam', () => {
    expect(potCheck(800, 'boils with dairy', pots)).toMatchObject({
      needsLitres: expect.closeTo(2.333, 3),
      fits: pots[1],
    });
    expect(potCheck(1800, 'boils with dairy', pots)).toMatchObject({ fits: pots[0], share: 1 });
  });

  it('says what share of a batch the largest takes when none fits', () => {
    const check = potCheck(5000, 'foams with bicarbonate', pots);
    expect(check.fits).toBeNull();
    expect(check.share).toBeCloseTo(7.6 / 18.75, 6);
    expect(potCheck(500, 'boils clear', [])).toMatchObject({ fits: null, share: null });
  });

  it('never says that more fits where less does not', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 20_000, noNaN: true }), fc.constantFrom(...foamings), (grams, foaming) => {
        if (potCheck(grams, foaming, pots).fits === null) expect(potCheck(grams * 1.5, foaming, pots).fits).toBeNull();
      }),
    );
  });
});

describe('water activity', () => {
  it('is a range with its uncertainty, and reads the Food Code against its upper end', () => {
    const cream = waterActivity(parts({ water: 30, sucrose: 30, lactose: 3, fat: 37 }), false);
    expect(cream.low).toBeLessThan(cream.high);
    expect(cream.reading).toBe('may be above');
    expect(waterActivity(parts({ water: 12, glucose: 40, sucrose: 30, fat: 18 }), false).reading).toBe('below');
  });

  it('counts no more sugar than dissolves, unless it is a clear boiled one', () => {
    const fudge = parts({ water: 8, sucrose: 80, fat: 12 });
    expect(waterActivity(fudge, false).high).toBeGreaterThan(waterActivity(fudge, true).high + 0.2);
  });

  it('says only that it is dry where there is hardly any water', () => {
    expect(waterActivity(parts({ water: 1, sucrose: 50, fat: 49 }), false)).toEqual({
      norrish: null,
      moneyBorn: null,
      low: 0,
      high: 0.6,
      reading: 'below',
    });
  });

  it('stays between 0 and 1 and never rises with sugar', () => {
    fc.assert(
      fc.property(anyParts, (some) => {
        const { low, high } = waterActivity(some, false);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        expect(waterActivity({ ...some, glucose: some.glucose + 5 }, false).high).toBeLessThanOrEqual(high);
      }),
    );
  });
});

describe('ganache', () => {
  const cream = { grams: 200, parts: parts({ water: 58, fat: 36, lactose: 3, protein: 2, ash: 1 }), chocolate: null };
  const of = (chocolate: 'dark' | 'milk' | 'white', grams: number) => ({
    grams,
    parts: parts({ water: 1, sucrose: 40, fat: 40, otherCarbohydrate: 11, protein: 7, ash: 1 }),
    chocolate,
  });

  it('reads the set by the dark chocolate that it is worth', () => {
    expect(ganacheBalance([cream, of('dark', 200)])?.reads).toBe('pours and glazes');
    expect(ganacheBalance([cream, of('dark', 300)])?.reads).toBe('pipes');
    expect(ganacheBalance([cream, of('dark', 400)])?.reads).toBe('sets to cut or roll');
    expect(ganacheBalance([cream, of('milk', 250)])?.ratio).toBeCloseTo(1, 9);
    expect(ganacheBalance([cream, of('white', 300)])?.ratio).toBeCloseTo(1, 9);
  });

  it('splits the whole into phases that add up', () => {
    const balance = ganacheBalance([cream, of('dark', 300)]);
    expect(balance).toMatchObject({ fat: expect.closeTo((36 * 200 + 40 * 300) / 500, 9) });
    expect((balance?.fat ?? 0) + (balance?.water ?? 0) + (balance?.sugars ?? 0) + (balance?.solids ?? 0)).toBeCloseTo(
      100,
      9,
    );
  });

  it('is no ganache without chocolate or cream', () => {
    expect(ganacheBalance([cream])).toBeNull();
    expect(ganacheBalance([of('dark', 100)])).toBeNull();
  });
});

it('turns ethanol by mass into alcohol by volume', () => {
  expect(abvOf(0)).toBe(0);
  expect(abvOf(0.789)).toBeCloseTo(1.25, 9);
});

it('works each chocolate above where it cools and below where it melts', () => {
  for (const { melt, cool, work } of Object.values(temperingCurves)) {
    expect(work[0]).toBeGreaterThan(cool[1]);
    expect(melt[0]).toBeGreaterThan(work[1]);
  }
});
