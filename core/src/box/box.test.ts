import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { boxDraftSchema } from './schema.js';
import { countPieces } from './facts.js';
import { openBook } from '../book/index.js';
import { wrongInBox } from './check.js';
import { kitchen } from '../../testing/kitchen.js';

const pantry = {
  ingredients: [
    ingredient('milk', { contains: ['milk'] }),
    ingredient('nuts', { contains: ['pecan'], mayContain: ['milk', 'walnut'] }),
  ],
  recipes: [recipe('fudge', [line('milk', 1000)]), recipe('bark', [line('nuts', 500)])],
  pieces: [
    piece('soft', { kind: 'rolled', recipeId: 'fudge', centreGrams: 12 }, { keepsDays: 10, travel: 'keep cool' }),
    piece('crisp', { kind: 'broken', recipeId: 'bark', crumbsPercent: 0, servingGrams: 15 }, { keepsDays: 40 }),
  ],
};

describe('a box', () => {
  it('adds up its pieces and takes the weakest of them', () => {
    const book = bookOf({
      ...pantry,
      boxes: [box('b', ['soft', 'crisp', 'soft', null], { packaging: [{ name: 'tray', costMinor: 90, grams: 40 }] })],
    });
    expect(book.boxes.get('b')).toMatchObject({
      pieceCount: 3,
      weightGrams: 39,
      grossGrams: 79,
      contains: ['milk', 'pecan'],
      mayContain: ['walnut'],
      keeps: { days: 10, pieceName: 'soft' },
      travel: 'keep cool',
      complete: true,
    });
    expect(book.boxes.get('b')?.findings.map((each) => each.message)).toEqual(['b has 1 empty cell.']);
  });

  it('says that it is empty, or that a piece is gone', () => {
    const book = bookOf({ ...pantry, boxes: [box('none', [null]), box('gone', ['soft', 'lost'])] });
    expect(book.boxes.get('none')).toMatchObject({ keeps: null, complete: false, weightGrams: 0 });
    expect(book.findings.filter((each) => each.about.noun === 'box').map((each) => each.code)).toEqual([
      'box-empty',
      'box-unknown-piece',
    ]);
    expect(wrongInBox(box('gone', ['soft', 'lost']), (_noun, id) => id === 'soft')).toEqual([
      { path: ['cells', 1, 'pieceId'], message: 'there is no piece "lost"' },
    ]);
  });

  it('counts pieces over cells', () => {
    const of = (pieceId: string, count: number) => ({ pieceId, count, standIns: [] });
    expect(countPieces([of('a', 2), null, of('b', 1), of('a', 1)])).toEqual([
      { pieceId: 'a', count: 3 },
      { pieceId: 'b', count: 1 },
    ]);
  });

  it('must have a cell for each row and column', () => {
    const { id: _id, ...draft } = box('b', ['soft', 'soft']);
    expect(boxDraftSchema.safeParse({ ...draft, rows: 2 }).error?.issues[0]).toMatchObject({
      path: ['cells'],
      message: 'must have one cell for each row and column of each layer',
    });
  });

  it('is the same book for the same data', () => {
    const data = { kitchen, ...pantry, boxes: [box('b', ['soft'])] };
    expect(openBook(data)).toEqual(openBook(data));
  });
});
