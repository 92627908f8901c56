import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, ingredient, line, recipe } from '../../testing/kitchen.js';
import { gramsIn } from '../cooking/index.js';
import { noParts } from '../ingredient/index.js';
import { contentsAt } from './contents.js';

const parts = (of: object) => ({ composition: { ...noParts, cocoaButter: 0, milkFat: 0, source: '', ...of } });
const boil = (celsius: number) => ({
  text: 'Boil.',
  target: { celsius, kind: 'target' as const, boils: true },
  effect: { kind: 'cook' as const },
});
const ingredients = [
  ingredient('sugar', parts({ sucrose: 100 })),
  ingredient('water', parts({ water: 100 })),
  ingredient('butter', parts({ water: 18, fat: 82 })),
  ingredient('salt', parts({ ash: 100 })),
  ingredient('mystery'),
];
const book = bookOf({
  ingredients,
  recipes: [
    recipe('base', [line('butter', 100)]),
    recipe(
      'caramel',
      [line('sugar', 400), line('water', 200), { ...line(':base', 50), atStep: 1 }, { ...line('salt', 5), atStep: 2 }],
      { yield: { by: 'steps' }, steps: [boil(115), boil(121), { text: 'Pour.' }] },
    ),
    recipe('guess', [line('sugar', 400), { ...line('mystery', 10), atStep: 1 }], {
      steps: [boil(115), { text: 'Stir.' }],
    }),
  ],
});
const factsOf = (id: string) => {
  const facts = book.recipes.get(id);
  if (!facts) throw new Error(id);
  return facts;
};
const contents = (step: number, size = 1) => contentsAt(factsOf('caramel'), step, size, book);

describe('what is in the pot', () => {
  it('is what has gone in by then, sugar apart from water, fat and the rest', () => {
    expect(contents(0)).toEqual({ water: 200, sugars: 400, fat: 0, others: 0 });
    expect(contents(1)).toMatchObject({ sugars: 400, fat: 41 });
    expect(contents(2)?.others).toBeCloseTo(5, 6);
  });

  it('has less water once some has boiled off', () => {
    const boiledOff = factsOf('caramel').stepMasses[0]?.boiledOff ?? 0;
    expect(boiledOff).toBeGreaterThan(50);
    expect(contents(1)?.water).toBeCloseTo(200 - boiledOff + 9, 6);
    expect(contents(2)?.water).toBeLessThan(contents(1)?.water ?? 0);
  });

  it('grows with the batch, each part alike', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.25, max: 8, noNaN: true }), fc.nat(2), (size, step) => {
        const [one, many] = [contents(step), contents(step, size)];
        if (!one || !many) throw new Error('not known');
        expect(gramsIn(many)).toBeCloseTo(size * gramsIn(one), 6);
        expect(many.fat).toBeCloseTo(size * one.fat, 6);
      }),
    );
  });

  it('is not known once something of it is not', () => {
    expect(contentsAt(factsOf('guess'), 0, 1, book)).not.toBeNull();
    expect(contentsAt(factsOf('guess'), 1, 1, book)).toBeNull();
  });
});
