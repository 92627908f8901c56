import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { addParts, noParts, scaleParts, type Parts } from '../ingredient/index.js';
import { abvOf, keptAfterHeat } from './alcohol.js';
import { boilingPointAt, readingHere, targetHere } from './boiling.js';
import { elevationOf, stageAt, sugarPercentAt, waterLeft } from './syrup.js';
import { foamings, potCheck } from './pot.js';
import { ganacheBalance, type GanachePart } from './balance.js';
import { temperingCurves } from './tempering.js';
import { waterActivity, type EstimatedWaterActivity } from './water-activity.js';

const parts = (some: Partial<Parts>): Parts => ({ ...noParts, ...some });
const anyParts = fc
  .record({
    water: fc.double({ min: 3, max: 90, noNaN: true }),
    sucrose: fc.double({ min: 0, max: 60, noNaN: true }),
    glucose: fc.double({ min: 0, max: 40, noNaN: true }),
    lactose: fc.double({ min: 0, max: 10, noNaN: true }),
    otherCarbohydrate: fc.double({ min: 0, max: 60, noNaN: true }),
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

/** The estimate of what can be estimated. */
function estimated(of: Parts, glassy = false): EstimatedWaterActivity {
  const estimate = waterActivity(of, glassy);
  if (estimate.reading === 'not estimated') throw new Error(estimate.why);
  return estimate;
}

describe('water activity', () => {
  it('is a range with its uncertainty, and reads the Food Code against its upper end', () => {
    const cream = estimated(parts({ water: 30, sucrose: 30, lactose: 3, fat: 37 }));
    expect(cream.low).toBeLessThan(cream.high);
    expect(cream.reading).toBe('may be above');
    expect(estimated(parts({ water: 12, glucose: 40, sucrose: 30, fat: 18 })).reading).toBe('below');
  });

  it('counts no more sugar than dissolves, unless it is a clear boiled one', () => {
    const fudge = parts({ water: 11, sucrose: 77, fat: 12 });
    expect(estimated(fudge).high).toBeGreaterThan(estimated(fudge, true).high + 0.2);
  });

  it('is lower with dextrins, which hold water too', () => {
    const syrup = parts({ water: 20, glucose: 16, maltose: 12 });
    expect(estimated({ ...syrup, dextrin: 52 }).high).toBeLessThan(estimated({ ...syrup, fat: 52 }).low);
  });

  it.each([
    ['cocoa powder', parts({ water: 3, sucrose: 1.8, otherCarbohydrate: 56, fat: 13.7, protein: 19.6, ash: 5.9 })],
    ['shortbread', parts({ water: 5, sucrose: 18, otherCarbohydrate: 42, fat: 29, protein: 6 })],
    ['shortbread that is hardly baked', parts({ water: 14, sucrose: 16, otherCarbohydrate: 40, fat: 25, protein: 5 })],
    ['nougat', parts({ water: 9, sucrose: 40, glucose: 15, fructose: 10, fat: 20, protein: 6 })],
    ['toffee', parts({ water: 1, sucrose: 50, fat: 49 })],
  ])('of %s is not estimated', (_name, dry) => {
    expect(waterActivity(dry, false)).toEqual({ reading: 'not estimated', why: expect.any(String) });
  });

  it('stays between 0 and 1, never rises with sugar, and is no number where the equations do not reach', () => {
    fc.assert(
      fc.property(anyParts, (some) => {
        const estimate = waterActivity(some, false);
        const isOutside = some.water < 10 || some.otherCarbohydrate > 1.5 * some.water;
        expect(estimate.reading === 'not estimated').toBe(isOutside);
        if (estimate.reading === 'not estimated') return;
        expect(estimate.low).toBeGreaterThanOrEqual(0);
        expect(estimate.high).toBeLessThanOrEqual(1);
        expect(estimated({ ...some, glucose: some.glucose + 5 }).high).toBeLessThanOrEqual(estimate.high);
      }),
    );
  });
});

describe('ganache', () => {
  const plain = { chocolate: null, cocoaButter: 0 };
  const cream = { ...plain, grams: 200, parts: parts({ water: 58, fat: 36, lactose: 3, protein: 2, ash: 1 }) };
  const of = (chocolate: 'dark' | 'milk' | 'white', grams: number) => ({
    grams,
    parts: parts({ water: 1, sucrose: 40, fat: 40, otherCarbohydrate: 11, protein: 7, ash: 1 }),
    chocolate,
    cocoaButter: 35,
  });
  const cocoaButter = (grams: number) => ({ ...plain, grams, parts: parts({ fat: 100 }), cocoaButter: 100 });

  /** The balance for ingredients of which so much water has boiled off, g. */
  function balance(all: readonly GanachePart[], boiledOff = 0) {
    const grams = all.reduce((sum, each) => sum + each.grams, 0);
    const whole = all.reduce((sum, each) => addParts(sum, each.parts, each.grams / 100), noParts);
    const left = grams - boiledOff;
    const finished = scaleParts({ ...whole, water: whole.water - boiledOff }, 100 / left);
    return ganacheBalance(
      all.map((each) => ({ ...each, grams: each.grams / left })),
      finished,
    );
  }

  it('reads the set by the dark chocolate that it is worth', () => {
    expect(balance([cream, of('dark', 200)])?.reads).toBe('pours and glazes');
    expect(balance([cream, of('dark', 300)])?.reads).toBe('pipes');
    expect(balance([cream, of('dark', 400)])?.reads).toBe('sets to cut or roll');
    expect(balance([cream, of('milk', 250)])?.ratio).toBeCloseTo(1, 9);
    expect(balance([cream, of('white', 300)])?.ratio).toBeCloseTo(1, 9);
  });

  it('counts cocoa butter with the chocolate, and no water that has boiled off', () => {
    expect(balance([cream, of('dark', 200), cocoaButter(100)])?.ratio).toBeCloseTo(1.5, 9);
    expect(balance([cream, of('dark', 200)], 50)?.ratio).toBeCloseTo(200 / 150, 9);
  });

  it('splits the whole into phases that add up', () => {
    const found = balance([cream, of('dark', 300)]);
    expect(found).toMatchObject({ fat: expect.closeTo((36 * 200 + 40 * 300) / 500, 9) });
    expect((found?.fat ?? 0) + (found?.water ?? 0) + (found?.sugars ?? 0) + (found?.solids ?? 0)).toBeCloseTo(100, 9);
  });

  it('is no ganache without chocolate or liquid, or with much of anything else', () => {
    const paste = { ...plain, grams: 200, parts: parts({ water: 1, sucrose: 50, fat: 35, protein: 14 }) };
    const flour = { ...plain, grams: 200, parts: parts({ water: 12, otherCarbohydrate: 78, protein: 10 }) };
    expect(balance([cream])).toBeNull();
    expect(balance([of('dark', 100)])).toBeNull();
    expect(balance([of('dark', 200), paste])).toBeNull();
    expect(balance([cream, of('dark', 200), flour])).toBeNull();
    expect(balance([{ ...cream, grams: 900 }, of('dark', 100)])).toBeNull();
  });
});

describe('alcohol on the heat', () => {
  it('is kept as the table says at its points, less and less between them', () => {
    expect([0, 15, 30, 60, 90, 120, 150, 600].map(keptAfterHeat)).toEqual([
      0.85, 0.4, 0.35, 0.25, 0.2, 0.1, 0.05, 0.05,
    ]);
    expect(keptAfterHeat(7.5)).toBeCloseTo(0.625, 9);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (a, more) => {
          expect(keptAfterHeat(a + more)).toBeLessThanOrEqual(keptAfterHeat(a));
        },
      ),
    );
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
