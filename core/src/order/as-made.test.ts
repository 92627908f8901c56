import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  batch,
  batchLog,
  bookOf,
  box,
  firstLine,
  ingredient,
  line,
  order,
  piece,
  recipe,
} from '../../testing/kitchen.js';
import { breachesOf, findingsWhenever, sayBreach } from './findings.js';
import { contentsFor } from './packed.js';

const gift = box('gift', ['fudge', 'bar']);
const cells = gift.cells.map((cell) => cell && { ...cell, standIns: cell.pieceId === 'fudge' ? ['plain'] : [] });
const book = bookOf({
  ingredients: [
    ingredient('butter', { contains: ['milk'] }),
    ingredient('tahini', { contains: ['sesame'] }),
    ingredient('oats'),
  ],
  recipes: [recipe('fudge', [line('butter', 100)]), recipe('bar', [line('oats', 100)])],
  pieces: [
    piece('fudge', { kind: 'rolled', recipeId: 'fudge', centreGrams: 10 }),
    piece('bar', { kind: 'rolled', recipeId: 'bar', centreGrams: 10 }),
    piece('plain', { kind: 'rolled', recipeId: 'bar', centreGrams: 10 }),
  ],
  boxes: [{ ...gift, cells }, box('plainer', ['bar', 'plain']), box('also', ['fudge'])],
  batches: [batch('a', 'fudge', '2026-12-01', { log: batchLog(['butter', 'tahini']) })],
});
const wants = (exclusions: string[], more: object = {}) =>
  order('Ines', { gift: 1 }, '2026-12-20', { exclusions, ...more });
const found = (asked: ReturnType<typeof wants>) =>
  findingsWhenever(asked, book, () => 1).filter(({ code }) => code.startsWith('exclusion-broken'));
const agreed = (exclusion: string) => ({ agreed: [{ boxId: 'gift', exclusion }] });

describe('an order whose batch was made with something else', () => {
  it('is stopped though a stand-in would be clear: what was planned is what is packed', () => {
    const [stop, ...others] = found(wants(['sesame']));
    expect(others).toEqual([]);
    expect(stop).toMatchObject({ code: 'exclusion-broken-as-made', severity: 'stop' });
    expect(stop?.message).toBe(
      'Ines wants no sesame, but something else went into a batch than its recipe says: gift contains sesame (fudge).',
    );
    expect(contentsFor(wants(['sesame']), firstLine(wants(['sesame'])), book)?.contains).toContain('sesame');
  });

  it('is told so on every face: whoever packs, hands over or writes to the customer', () => {
    const [breach] = breachesOf(wants(['sesame']), book);
    expect(breach).toMatchObject({ asMade: true, agreed: false, pieceNames: ['fudge'] });
    if (!breach) throw new Error('no breach');
    expect(sayBreach(breach)).toContain('Do not pack it before that is decided.');
  });

  it('is offered only what is clear as it was made, and can be agreed to', () => {
    const labels = found(wants(['sesame']))[0]?.waysOut.map(({ label }) => label) ?? [];
    expect(labels).toContain('Change to plainer');
    expect(labels).not.toContain('Change to also');
    expect(labels).toContain('The customer knows and agrees');
    expect(found(wants(['sesame'], agreed('sesame')))).toEqual([]);
  });

  it('is asked again where something else was agreed to under the same word', () => {
    const nuts = wants(['milk', 'sesame'], { agreed: [{ boxId: 'gift', exclusion: 'milk' }] });
    expect(found(nuts).map(({ code }) => code)).toEqual(['exclusion-broken-as-made']);
  });

  it('is not stopped for what it does not rule out, or when it is over', () => {
    expect(found(wants(['peanut']))).toEqual([]);
    expect(found(wants(['sesame'], { state: 'handed over' }))).toEqual([]);
  });

  it('is not stopped for a piece that a stand-in was planned for', () => {
    // Milk is in the fudge by its recipe, so that it was never packed.
    expect(found(wants(['milk', 'sesame']))).toEqual([]);
  });
});

describe('a batch in which one thing stood for another, and a third for that', () => {
  const things = {
    milk: ingredient('milk', { contains: ['milk'] }),
    nuts: ingredient('almond-drink', { contains: ['almond'] }),
    soy: ingredient('soy-drink', { contains: ['soy'] }),
  };
  const chained = (...swaps: (readonly [string, string, number?])[]) =>
    bookOf({
      ingredients: Object.values(things),
      recipes: [recipe('fudge', [line('milk', 60), line('almond-drink', 40)])],
      pieces: [piece('fudge', { kind: 'rolled', recipeId: 'fudge', centreGrams: 10 })],
      boxes: [box('gift', ['fudge'])],
      batches: [batch('a', 'fudge', '2026-12-01', { log: batchLog(...swaps) })],
    });
  const contents = (of: ReturnType<typeof chained>) => contentsFor(wants([]), firstLine(wants([])), of)?.contains ?? [];

  it('has what the first put in, whatever went in for what was there before, in any order', () => {
    const there = [['milk', 'almond-drink'], ['almond-drink', 'soy-drink']] as const; // prettier-ignore
    expect([...contents(chained(...there))].sort()).toEqual(['almond', 'soy']);
    expect([...contents(chained(...there.toReversed()))].sort()).toEqual(['almond', 'soy']);
  });

  it('loses no allergen of anything that went in, whatever was swapped for what', () => {
    const names = ['milk', 'almond-drink', 'soy-drink'] as const;
    const allergenOf = { milk: 'milk', 'almond-drink': 'almond', 'soy-drink': 'soy' } as const;
    const swap = fc.tuple(
      fc.constantFrom(...names.slice(0, 2)),
      fc.constantFrom(...names),
      fc.constantFrom(0.25, 0.5, 1),
    );
    fc.assert(
      fc.property(fc.array(swap, { minLength: 1, maxLength: 4 }), (swaps) => {
        const made = new Set<string>(contents(chained(...swaps)));
        for (const name of names.slice(0, 2)) {
          let left = 1;
          for (const [from, to, share = 1] of swaps) {
            if (from !== name) continue;
            expect(made).toContain(allergenOf[to]);
            left -= share;
          }
          if (left > 0) expect(made).toContain(allergenOf[name]);
        }
      }),
    );
  });
});
