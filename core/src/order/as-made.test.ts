import { describe, expect, it } from '@jest/globals';
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
