import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { batch, batchLog, bookOf, box, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import type { BatchFiled } from '../batch/index.js';
import { bookAsMade } from './as-made.js';

const UNTIL = '2026-12-20';
const bookWith = (...batches: BatchFiled[]) =>
  bookOf({
    ingredients: [
      ingredient('butter', { contains: ['milk'] }),
      ingredient('sugar'),
      ingredient('tahini', { contains: ['sesame'] }),
      ingredient('peanut-butter', { contains: ['peanut'] }),
    ],
    recipes: [
      recipe('base', [line('butter', 100), line('sugar', 100)]),
      recipe('fudge', [line(':base', 150), line('sugar', 50)]),
    ],
    pieces: [piece('cube', { kind: 'rolled', recipeId: 'fudge', centreGrams: 10 })],
    boxes: [box('gift', ['cube'])],
    batches,
  });
const contains = (book: ReturnType<typeof bookWith>) => [...(book.boxes.get('gift')?.contains ?? [])].sort();

describe('the book as its batches were made', () => {
  it('is the same book where nothing else went in', () => {
    const book = bookWith(batch('a', 'base', '2026-12-01'));
    expect(bookAsMade(book, UNTIL)).toBe(book);
  });

  it('has what went in instead, through every component, and no more of what it took the place of', () => {
    const made = bookWith(batch('a', 'base', '2026-12-01', { log: batchLog(['butter', 'tahini']) }));
    expect(contains(bookAsMade(made, UNTIL))).toEqual(['sesame']);
  });

  it('has both where other batches were made as the recipe says, or more is still to be made', () => {
    const odd = batch('a', 'base', '2026-12-01', { log: batchLog(['butter', 'tahini']) });
    expect(contains(bookAsMade(bookWith(odd, batch('b', 'base', '2026-12-02')), UNTIL))).toEqual(['milk', 'sesame']);
    expect(contains(bookAsMade(bookWith(odd), UNTIL, new Set(['base'])))).toEqual(['milk', 'sesame']);
  });

  it('leaves out what was made after the hand-over, what failed, and what was made long ago', () => {
    const swaps = { log: batchLog(['butter', 'tahini']) };
    const later = batch('a', 'base', '2026-12-24', swaps);
    const failed = batch('b', 'base', '2026-12-01', { ...swaps, state: 'failed' });
    // The base keeps 30 days, the fudge of it 30 more, the cube of that 30 more.
    const long = batch('c', 'base', '2026-09-20', swaps);
    expect(contains(bookAsMade(bookWith(later, failed, long), UNTIL))).toEqual(['milk']);
    const old = batch('d', 'base', '2026-09-22', swaps);
    expect(contains(bookAsMade(bookWith(old), UNTIL))).toEqual(['sesame']);
  });

  it('loses no allergen of anything that went in, whatever went in for what, in whatever shares', () => {
    const swaps = fc.array(
      fc.record({
        withId: fc.constantFrom('tahini', 'peanut-butter'),
        share: fc.double({ min: 0.05, max: 1, noNaN: true }),
        size: fc.double({ min: 0.25, max: 4, noNaN: true }),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(swaps, (list) => {
        const batches = list.map(({ withId, share, size }, index) =>
          batch(`b${String(index)}`, 'base', '2026-12-01', { size, log: batchLog(['butter', withId, share]) }),
        );
        const found = contains(bookAsMade(bookWith(...batches), UNTIL));
        for (const { withId } of list) expect(found).toContain(withId === 'tahini' ? 'sesame' : 'peanut');
        const all = list.every(({ share }) => share > 1 - 1e-9);
        if (!all) expect(found).toContain('milk');
      }),
    );
  });
});
