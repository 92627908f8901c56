import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, kitchen, line, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { blockKinds } from '../kitchen/index.js';
import { contrastOnWhite } from './contrast.js';
import { frenchFor } from './french.js';
import { labelOf } from './label.js';
import { lotOf } from './lot.js';
import { isInName } from './quid.js';
import { schools } from './schools/index.js';

const bookWith = (label: Partial<typeof kitchen.label> = {}) =>
  bookOf({
    kitchen: { ...kitchen, label: { ...kitchen.label, ...label } },
    ingredients: [ingredient('sugar'), ingredient('pecans', { contains: ['pecan'] })],
    recipes: [recipe('fudge', [line('sugar', 90), line('pecans', 10)]), recipe('plain', [line('sugar', 10)])],
    pieces: [
      piece('fudge', { kind: 'rolled', recipeId: 'fudge', centreGrams: 10 }, { name: 'Pecan fudge' }),
      piece('drop', { kind: 'rolled', recipeId: 'plain', centreGrams: 10 }, { name: 'Sugar drop' }),
    ],
    boxes: [box('b', ['fudge', 'drop'])],
  });
const labelWith = (
  label: Partial<typeof kitchen.label> = {},
  dates = { madeOn: '2026-12-03', bestBefore: '2026-12-24' },
) => {
  const book = bookWith(label);
  const facts = book.boxes.get('b');
  if (!facts) throw new Error('no box');
  return labelOf(schools[book.kitchen.label.school], facts, book, { dates, lot: 'L1', today: TODAY });
};

describe('an assortment', () => {
  it('is declared as one list, piece by piece, or both', () => {
    const kinds = (label: Partial<typeof kitchen.label>) => labelWith(label).blocks.map(({ kind }) => kind);
    expect(kinds({ declared: 'merged' })).not.toContain('piece');
    expect(kinds({ declared: 'by piece' })).not.toContain('ingredients');
    expect(kinds({ declared: 'both' })).toEqual(expect.arrayContaining(['ingredients', 'piece']));
    const pieces = labelWith({ declared: 'by piece' }).blocks.filter(({ kind }) => kind === 'piece');
    expect(pieces.map(({ heading, text }) => `${heading} ${text}`)).toEqual([
      'Pecan fudge: sugar, pecans. Contains: Tree Nuts (Pecans).',
      'Sugar drop: sugar.',
    ]);
    // What the whole box contains is said all the same.
    expect(kinds({ declared: 'by piece' })).toContain('contains');
  });

  it('has its paragraphs in the order that the maker wants, and none is lost', () => {
    const usual = labelWith().blocks.map(({ kind }) => kind);
    const first = labelWith({ order: ['dates', 'maker'] }).blocks.map(({ kind }) => kind);
    expect(first.slice(0, 2)).toEqual(['dates', 'maker']);
    expect([...first].sort()).toEqual([...usual].sort());
    expect(labelWith({ order: [...blockKinds].reverse() }).blocks).toHaveLength(usual.length);
  });
});

describe('the checklist', () => {
  const fieldOf = (key: string, ...of: Parameters<typeof labelWith>) =>
    labelWith(...of).required.find((each) => each.key === key);

  it('says that a day that has not come is planned, and what sets the best-before day', () => {
    expect(fieldOf('dates')).toMatchObject({ state: 'check' });
    expect(fieldOf('dates')?.text).toContain('(planned)');
    expect(fieldOf('dates', {}, { madeOn: '2026-11-20', bestBefore: '2026-12-20' })).toMatchObject({ state: 'there' });
    expect(fieldOf('dates')?.text).toContain('keeps 30 days');
  });

  it('names what is missing, by school', () => {
    expect(fieldOf('storage')).toMatchObject({ state: 'missing' });
    expect(fieldOf('storage', { storage: 'Keep dry.' })).toMatchObject({ state: 'there', text: 'Keep dry.' });
    expect(fieldOf('language', { school: 'eu' })).toMatchObject({ state: 'check' });
    expect(fieldOf('language', { school: 'us' })).toBeUndefined();
    expect(fieldOf('food-french', { school: 'canada' })).toMatchObject({ state: 'missing' });
  });
});

describe('words and figures of a label', () => {
  it('know which ingredient the name of the food names', () => {
    const named = (food: string, labelName: string) => isInName(food, { labelName });
    expect(named('Cherry bark', 'sour cherries')).toBe(true);
    expect(named('Pecan fudge', 'pecans')).toBe(true);
    expect(named('Assorted fudge', 'sugar')).toBe(false);
    expect(named('Bag of bars', 'barley')).toBe(false);
  });

  it('suggest French where they know it', () => {
    expect(frenchFor('Sugar ')).toBe('sucre');
    expect(frenchFor('something of our own')).toBe('');
  });

  it('give each run a lot of its own', () => {
    const run = { boxId: 'b', handOver: '2026-12-05', madeOn: '2026-11-28', key: 'b' };
    expect(lotOf(run)).toMatch(/^L261128-[0-9A-V]{4}$/);
    const lots = Array.from({ length: 60 }, (_, index) => lotOf({ ...run, key: `b ${String(index)}` }));
    expect(new Set(lots).size).toBe(60);
  });

  // WCAG 2.2: black on white is 21, and #767676 the lightest grey that reaches 4.5.
  it('measure contrast as the guidelines do', () => {
    expect(contrastOnWhite('#000000')).toBeCloseTo(21, 9);
    expect(contrastOnWhite('#ffffff')).toBeCloseTo(1, 9);
    expect(contrastOnWhite('#767676')).toBeGreaterThan(4.5);
    expect(contrastOnWhite('#777777')).toBeLessThan(4.5);
  });
});
