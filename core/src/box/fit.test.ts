import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { saySize, sizeOfPiece } from '../piece/index.js';
import { boxDraftSchema } from './schema.js';
import { goesInto, misfits, mostIn, whyNotInto } from './fit.js';
import { resolveBox } from './stand-ins.js';
import { wrongInBoxEdit } from './check.js';

const cut = {
  kind: 'cut' as const,
  recipeId: 'slab',
  panLengthMm: 200,
  panWidthMm: 200,
  pieceLengthMm: 25,
  pieceWidthMm: 20,
};
const tray = (mm: number, depthMm = 25) => ({ columnsMm: [mm, mm], rowsMm: [mm], depthMm });
const book = bookOf({
  ingredients: [ingredient('sugar'), ingredient('nut', { contains: ['pecan'] })],
  recipes: [recipe('slab', [line('sugar', 1000)]), recipe('nutty', [line('nut', 1000)])],
  pieces: [
    piece('square', cut),
    piece('ball', { kind: 'rolled', recipeId: 'slab', centreGrams: 10 }),
    piece('dipped', {
      kind: 'dipped',
      centre: { kind: 'rolled', recipeId: 'slab', centreGrams: 10 },
      coatingRecipeId: 'slab',
      coatingPercent: 30,
    }),
    piece('shard', { kind: 'broken', recipeId: 'slab', crumbsPercent: 0, servingGrams: 16 }),
    piece('jar', { kind: 'portion', recipeId: 'slab', fillGrams: 100 }),
    piece('bar', { ...cut, recipeId: 'nutty' }, { sizeMm: { lengthMm: 60, widthMm: 20, heightMm: 15 } }),
  ],
  boxes: [
    box('snug', ['square', 'bar'], { tray: tray(26) }),
    box('tall', ['bar', 'ball'], {
      tray: { columnsMm: [62, 30], rowsMm: [25], depthMm: 30 },
      cells: [
        { pieceId: 'bar', count: 1, standIns: ['jar', 'square'] },
        { pieceId: 'ball', count: 1, standIns: [] },
      ],
    }),
  ],
});
const facts = (id: string) => {
  const found = book.pieces.get(id);
  if (!found) throw new Error(id);
  return found;
};
const size = (id: string) => sizeOfPiece(facts(id));

describe('the size of a piece', () => {
  it('is worked out from its form and weight where it was not entered', () => {
    // 1,000 g over 200 x 200 mm at 1.25 g/mL stand 20 mm high
    expect(size('square')).toMatchObject({ lengthMm: 25, widthMm: 20, estimated: true });
    expect(size('square')?.heightMm).toBeCloseTo(20, 6);
    // 10 g at 1.25 g/mL are 8 mL: a ball of 24.8 mm
    expect(size('ball')?.lengthMm).toBeCloseTo(24.81, 1);
    // 30 % of coating: the ball grows by the cube root of 1 / 0.7
    expect((size('dipped')?.lengthMm ?? 0) / (size('ball')?.lengthMm ?? 1)).toBeCloseTo(Math.cbrt(1 / 0.7), 6);
    // 16 g are 12.8 mL: 40 x 40 mm at 8 mm
    expect(size('shard')).toMatchObject({ lengthMm: 40, widthMm: 40, heightMm: 8 });
    expect(size('jar')).toBeNull();
    expect(size('bar')).toEqual({ lengthMm: 60, widthMm: 20, heightMm: 15, estimated: false });
    const bar = size('bar');
    expect(bar && saySize(bar)).toBe('60 × 20 × 15 mm');
  });
});

describe('how many lie in a cell', () => {
  const flat = { lengthMm: 36, widthMm: 36, heightMm: 8, estimated: false };

  it('is counted by how they lie, not by their volume', () => {
    // Eight have the volume for it; three lie on top of each other.
    const cell = { lengthMm: 45, widthMm: 75, depthMm: 25 };
    expect(8 * 36 * 36 * 8).toBeLessThan(cell.lengthMm * cell.widthMm * (cell.depthMm + 1));
    expect(mostIn(flat, { ...cell, widthMm: 40 })).toBe(3);
    expect(mostIn(flat, cell)).toBe(6);
    expect(goesInto(flat, { ...cell, widthMm: 40 }, 8)).toBe(false);
  });

  it('turns some of them where that makes room', () => {
    // 30 x 20 in 50 x 30: one lies along, one across.
    expect(
      mostIn({ lengthMm: 30, widthMm: 20, heightMm: 10, estimated: false }, { lengthMm: 50, widthMm: 30, depthMm: 10 }),
    ).toBe(2);
  });

  it('is never more than the room, and never less in a larger cell', () => {
    const side = fc.integer({ min: 5, max: 80 });
    fc.assert(
      fc.property(side, side, side, side, side, side, fc.integer({ min: 0, max: 20 }), (a, b, c, l, w, d, more) => {
        const size = { lengthMm: a, widthMm: b, heightMm: c, estimated: false };
        const most = mostIn(size, { lengthMm: l, widthMm: w, depthMm: d });
        expect(most * a * b * c).toBeLessThanOrEqual(l * w * d);
        expect(mostIn(size, { lengthMm: w, widthMm: l, depthMm: d })).toBe(most);
        expect(mostIn(size, { lengthMm: l, widthMm: w, depthMm: d + more })).toBeGreaterThanOrEqual(most);
      }),
    );
  });
});

describe('a piece that does not fit', () => {
  const snug = book.boxes.get('snug');

  it('is turned away with the sizes, and never where a size is not known', () => {
    const why = 'bar does not fit: it is 60 × 20 × 15 mm, cell 2 is 26 × 26 mm, 25 mm deep.';
    expect(snug && whyNotInto(snug.box, 1, facts('bar'))).toBe(why);
    expect(snug?.findings.map((each) => each.message)).toContain(why);
    expect(snug && whyNotInto({ ...snug.box, tray: null }, 1, facts('bar'))).toBeNull();
    expect(snug && whyNotInto(snug.box, 1, facts('jar'))).toBeNull();
    expect(snug && whyNotInto(snug.box, 0, facts('square'), 3)).toMatch(
      /^3 of square do not fit: each is about .* and 1 lies in it\.$/,
    );
  });

  it('is refused by an edit that puts it there, and left alone where it lay before', () => {
    if (!snug) throw new Error('no box');
    expect(wrongInBoxEdit(snug.box, null, book.pieces).map(({ path }) => path)).toEqual([['cells', 1]]);
    expect(wrongInBoxEdit(snug.box, snug.box, book.pieces)).toEqual([]);
  });

  it('is no stand-in for one that does', () => {
    const tall = book.boxes.get('tall');
    if (!tall) throw new Error('no box');
    expect(tall.findings).toEqual([]);
    expect(resolveBox(tall, ['nuts'], book.pieces).standIns).toEqual([
      { fromId: 'bar', toId: 'jar', cells: 1, pieces: 1 },
    ]);
  });

  it('may be turned, and the more room there is the more goes in', () => {
    const side = fc.integer({ min: 5, max: 60 });
    fc.assert(
      fc.property(side, side, side, side, side, side, fc.integer({ min: 1, max: 5 }), (a, b, c, x, y, z, count) => {
        const piece = { lengthMm: a, widthMm: b, heightMm: c, estimated: false };
        const cell = { lengthMm: x, widthMm: y, depthMm: z };
        const fits = goesInto(piece, cell, count);
        expect(goesInto({ ...piece, lengthMm: b, widthMm: a }, cell, count)).toBe(fits);
        if (fits) expect(goesInto(piece, { lengthMm: x + 3, widthMm: y + 1, depthMm: z + 2 }, count)).toBe(true);
        if (fits) expect(count * a * b * c).toBeLessThanOrEqual(x * y * z);
      }),
    );
  });
});

it('has a width for each column, a length for each row, and cells for each layer', () => {
  const { id: _id, ...draft } = box('b', ['square', 'square']);
  const paths = (more: object) =>
    boxDraftSchema.safeParse({ ...draft, ...more }).error?.issues.map(({ path }) => path.join('.'));
  expect(paths({ tray: tray(30) })).toBeUndefined();
  expect(paths({ tray: { ...tray(30), columnsMm: [30] } })).toEqual(['tray']);
  expect(paths({ layers: 2 })).toEqual(['cells']);
  expect(misfits(box('open', ['bar']), book.pieces)).toEqual([]);
});
