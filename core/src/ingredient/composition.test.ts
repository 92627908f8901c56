import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { addParts, energyOf, massOf, noParts, scaleParts, sugarsOf, sweetnessOf, type Parts } from './parts.js';
import { ingredientDraftSchema } from './schema.js';
import { partsOf } from './composition.js';
import { withPriceHistory } from './prices.js';
import { wrongInIngredient } from './check.js';

const parts = (some: Partial<Parts>): Parts => ({ ...noParts, ...some });
const composition = (some: Partial<Parts>) => ({ ...noParts, cocoaButter: 0, milkFat: 0, source: '', ...some });
const draft = (more: object) =>
  ingredientDraftSchema.safeParse({ name: 'Cream', declaration: { labelName: 'cream' }, ...more });

describe('a composition', () => {
  it('gives energy by 4-9-4-7, and sugars and sweetness apart', () => {
    const mixed = parts({ sucrose: 10, lactose: 5, otherCarbohydrate: 5, protein: 10, fat: 20, ethanol: 2, water: 48 });
    expect(energyOf(mixed)).toBe(4 * 30 + 9 * 20 + 7 * 2);
    expect(sugarsOf(mixed)).toBe(15);
    expect(sweetnessOf(mixed)).toBe(11);
  });

  it('is brought to 100 g where its figures add up to a little more or less', () => {
    const cream = partsOf(composition({ water: 58, fat: 36, lactose: 3, protein: 2.2 }));
    expect(massOf(cream)).toBeCloseTo(100, 9);
    expect(cream.fat).toBeCloseTo((36 / 99.2) * 100, 9);
  });

  it('is refused when it does not add up, or has more cocoa butter and milk fat than fat', () => {
    expect(draft({ composition: composition({ water: 60, fat: 30 }) }).error?.issues[0]?.message).toBe(
      'the parts must add up to 100 g within 1 g',
    );
    expect(
      draft({ composition: { ...composition({ water: 60, fat: 40 }), milkFat: 45 } }).error?.issues[0],
    ).toMatchObject({
      path: ['composition', 'cocoaButter'],
      message: 'cocoa butter and milk fat must not be more than the fat',
    });
  });

  it('keeps its mass when it is added and scaled', () => {
    const some = fc.record({
      water: fc.double({ min: 0, max: 100, noNaN: true }),
      fat: fc.double({ min: 0, max: 100, noNaN: true }),
      sucrose: fc.double({ min: 0, max: 100, noNaN: true }),
    });
    fc.assert(
      fc.property(some, some, fc.double({ min: 0, max: 20, noNaN: true }), (a, b, times) => {
        const sum = addParts(parts(a), parts(b), times);
        expect(massOf(sum)).toBeCloseTo(massOf(parts(a)) + times * massOf(parts(b)), 6);
        expect(massOf(scaleParts(sum, times))).toBeCloseTo(massOf(sum) * times, 6);
      }),
    );
  });
});

describe('prices over time', () => {
  const pack = (name: string, priceMinor: number) => ({
    name,
    amount: 1,
    unit: 'lb' as const,
    priceMinor,
    supplier: '',
    leadDays: 0,
  });
  const before = { packs: [pack('bag', 300)], prices: [{ on: '2026-11-01', pack: 'bag', priceMinor: 300 }] };

  it('gain a point when a price changes or a pack is new, and none otherwise', () => {
    const after = withPriceHistory({ ...before, packs: [pack('bag', 340), pack('sack', 1500)] }, before, '2026-11-25');
    expect(after.prices).toEqual([
      ...before.prices,
      { on: '2026-11-25', pack: 'bag', priceMinor: 340 },
      { on: '2026-11-25', pack: 'sack', priceMinor: 1500 },
    ]);
    expect(withPriceHistory(before, before, '2026-11-25').prices).toEqual(before.prices);
  });

  it('keep the last of several changes on one day', () => {
    const first = withPriceHistory({ ...before, packs: [pack('bag', 340)] }, before, '2026-11-25');
    const second = withPriceHistory({ ...first, packs: [pack('bag', 320)] }, first, '2026-11-25');
    expect(second.prices.filter(({ on }) => on === '2026-11-25')).toEqual([
      { on: '2026-11-25', pack: 'bag', priceMinor: 320 },
    ]);
  });
});

it('names a substitute that is not in the pantry', () => {
  const substitutes = [{ ingredientId: 'lost', ratio: 1, note: '' }];
  expect(wrongInIngredient({ substitutes }, () => false)).toEqual([
    { path: ['substitutes', 0, 'ingredientId'], message: 'there is no ingredient "lost"' },
  ]);
});
