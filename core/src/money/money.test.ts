import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Decimal } from 'decimal.js';
import { bookOf, box, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { toMinor } from '../quantity/index.js';
import { costBasis, costOfBox, costOfBoxes } from './cost.js';

const priced = (id: string, priceMinor: number) =>
  ingredient(id, {
    packs: [
      { name: 'dear', amount: 1, unit: 'kg', priceMinor: priceMinor * 2 },
      { name: 'bag', amount: 2, unit: 'kg', priceMinor: priceMinor * 2 },
    ],
  });

const pantry = {
  ingredients: [priced('sugar', 300), priced('chocolate', 2000)],
  recipes: [
    recipe('fudge', [line('sugar', 1000)], { yield: { by: 'loss', lossPercent: 20 }, handsMinutes: 40 }),
    recipe('coating', [line('chocolate', 500)], { handsMinutes: 10, batchSizes: [1, 2] }),
  ],
  pieces: [
    piece('centre', { kind: 'rolled', recipeId: 'fudge', centreGrams: 30 }, { handSeconds: 30 }),
    piece(
      'dipped',
      {
        kind: 'dipped',
        centre: { kind: 'rolled', recipeId: 'fudge', centreGrams: 15 },
        coatingRecipeId: 'coating',
        coatingPercent: 25,
        poolFactor: 3,
      },
      { handSeconds: 60 },
    ),
  ],
  boxes: [
    box('b', ['centre', 'dipped'], {
      packMinutes: 3,
      packaging: [
        { name: 'tray', costMinor: 90 },
        { name: 'ribbon', costMinor: 15 },
      ],
      priceMinor: 900,
    }),
  ],
};

describe('the cost of a box', () => {
  const [cost] = costOfBoxes(bookOf(pantry));
  // 1,000 g of sugar at 0.3 c/g are 300 c for 26 whole centres of 30 g or 53 of 15 g; a dipped piece carries 5 g of chocolate at 2 c/g
  const sugar = 300 / 26 + 300 / 53;
  const chocolate = 5 * 2;
  // Minutes: 40 a batch shared out the same way, 10 for 1,000 g of coating, each piece, and packing
  const minutes = 40 / 26 + 40 / 53 + (5 * 10) / 1000 + 0.5 + 1 + 3;

  it('charges whole pieces with losses, and the coating that stays on, not the pool', () => {
    expect(cost?.ingredientsMinor).toBe(Math.round(sugar + chocolate));
  });

  it('adds packaging and hands at the rate', () => {
    expect(cost?.packagingMinor).toBe(105);
    expect(cost?.handsMinutes).toBeCloseTo(minutes, 9);
    expect(cost?.handsMinor).toBe(Math.round(minutes * 30));
    expect(cost?.costMinor).toBe(Math.round(sugar + chocolate) + 105 + Math.round(minutes * 30));
  });

  it('tells margin from markup, and what an hour brings', () => {
    expect(cost?.marginPercent).toBeCloseTo(((900 - (cost?.costMinor ?? 0)) / 900) * 100, 9);
    expect(cost?.markupPercent).toBeCloseTo(((900 - (cost?.costMinor ?? 0)) / (cost?.costMinor ?? 1)) * 100, 9);
    expect(cost?.perBenchHourMinor).toBe(Math.round(((900 - (sugar + chocolate) - 105) * 60) / minutes));
  });

  it('names what has no price instead of guessing', () => {
    const book = bookOf({ ...pantry, ingredients: [priced('sugar', 300), ingredient('chocolate')] });
    expect(costOfBoxes(book)[0]?.unpriced).toEqual(['chocolate']);
  });

  it('has no margin without a price and no hourly figure without hands', () => {
    const book = bookOf({
      ...pantry,
      recipes: pantry.recipes.map((each) => ({ ...each, handsMinutes: 0 })),
      pieces: pantry.pieces.map((each) => ({ ...each, handSeconds: 0 })),
      boxes: [box('free', ['centre'], { priceMinor: 0 })],
    });
    expect(costOfBoxes(book)[0]).toMatchObject({ marginPercent: null, perBenchHourMinor: null });
  });
});

it('is the sum of its parts, and twice the pieces cost twice the ingredients within a cent a part', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 1, max: 5000 }), (first, second) => {
      const book = bookOf({
        ...pantry,
        ingredients: [priced('sugar', first), priced('chocolate', second)],
        boxes: [...pantry.boxes, box('double', ['centre', 'dipped', 'centre', 'dipped'])],
      });
      const basis = costBasis(book);
      const [one, two] = ['b', 'double'].map((id) => {
        const facts = book.boxes.get(id);
        if (!facts) throw new Error('no box');
        return costOfBox(facts, book, basis);
      });
      if (!one || !two) throw new Error('no cost');
      expect(one.costMinor).toBe(one.ingredientsMinor + one.packagingMinor + one.handsMinor);
      expect(Math.abs(two.ingredientsMinor - 2 * one.ingredientsMinor)).toBeLessThanOrEqual(2);
    }),
  );
});

it('rounds half to even', () => {
  expect([0.5, 1.5, 2.5, 2.51].map((value) => toMinor(new Decimal(value)))).toEqual([0, 2, 2, 3]);
});
