import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { openRecipeBook } from '../recipe/index.js';
import { cutGrid, type BodyForm, type CutForm } from './forms/index.js';
import { formRecipeIds, piecesPerBatch, workOutPiece } from './makeup.js';
import { wrongInPiece } from './check.js';

const cut = (more: Partial<CutForm> = {}): CutForm => ({
  kind: 'cut',
  recipeId: 'slab',
  panLengthMm: 200,
  panWidthMm: 100,
  edgeTrimMm: 0,
  kerfMm: 0,
  pieceLengthMm: 20,
  pieceWidthMm: 20,
  pansPerBatch: 1,
  shape: 'rectangle',
  layers: [],
  finish: null,
  ...more,
});
const book = openRecipeBook(
  [ingredient('sugar', { contains: ['milk'] }), ingredient('dark', { contains: ['soy'] })],
  [recipe('slab', [line('sugar', 1000)]), recipe('coating', [line('dark', 500)])],
);

describe('cut', () => {
  it('counts whole pieces between the trimmed edges', () => {
    expect(cutGrid(cut())).toMatchObject({ along: 10, across: 5, count: 50, usedShare: 1 });
    expect(cutGrid(cut({ edgeTrimMm: 1 }))).toMatchObject({ along: 9, across: 4, count: 36 });
    expect(cutGrid(cut({ kerfMm: 1 }))).toMatchObject({ along: 9, across: 4 });
    expect(cutGrid(cut({ pieceLengthMm: 300 })).count).toBe(0);
  });

  it('never cuts more area than the pan has', () => {
    const size = fc.integer({ min: 5, max: 400 });
    fc.assert(
      fc.property(
        size,
        size,
        size,
        size,
        fc.integer({ min: 0, max: 10 }),
        (panLengthMm, panWidthMm, pieceLengthMm, pieceWidthMm, kerfMm) => {
          const grid = cutGrid(cut({ panLengthMm, panWidthMm, pieceLengthMm, pieceWidthMm, kerfMm }));
          expect(grid.usedShare).toBeLessThanOrEqual(1 + 1e-9);
          expect(Number.isInteger(grid.count)).toBe(true);
        },
      ),
    );
  });

  it('weighs its share of the slab by area, and is charged with the trim', () => {
    const facts = workOutPiece(piece('p', cut({ edgeTrimMm: 1 })), book);
    expect(facts.weightGrams).toBeCloseTo((1000 * 400) / 20000, 9);
    expect(facts.parts[0]?.drawnGrams).toBeCloseTo(1000 / 36, 9);
  });

  it('says when not one piece fits', () => {
    const facts = workOutPiece(piece('p', cut({ pieceLengthMm: 300 })), book);
    expect(facts.findings.map((each) => each.code)).toEqual(['piece-does-not-fit']);
    expect(facts.complete).toBe(false);
  });
});

describe('discs cut from a sheet', () => {
  const round = cut({ shape: 'round', pieceLengthMm: 20, pieceWidthMm: 5 });

  it('are as wide as they are long, and what is between them is trim', () => {
    // A sheet of 200 x 100 mm: 10 x 5 discs of 20 mm, each of pi/4 of its square.
    expect(cutGrid(round)).toMatchObject({ along: 10, across: 5, count: 50 });
    expect(cutGrid(round).usedShare).toBeCloseTo(Math.PI / 4, 9);
    const facts = workOutPiece(piece('disc', round), book);
    expect(facts.weightGrams).toBeCloseTo((1000 / 50) * (Math.PI / 4), 9);
    expect(facts.parts[0]?.drawnGrams).toBeCloseTo(1000 / 50, 9);
  });
});

describe('a slab of poured layers', () => {
  it('takes of each layer what stays on it and what is trimmed off', () => {
    const layered = cut({ edgeTrimMm: 10, layers: [{ recipeId: 'coating', gramsEach: 4 }] });
    const facts = workOutPiece(piece('layered', layered), book);
    const { usedShare } = cutGrid(layered);
    expect(facts.parts[1]).toMatchObject({ recipeId: 'coating', role: 'layer', grams: 4 });
    expect(facts.parts[1]?.drawnGrams).toBeCloseTo(4 / usedShare, 9);
    expect(facts.contains).toEqual(['milk', 'soy']);
    expect(formRecipeIds(layered)).toEqual(['slab', 'coating']);
  });
});

describe('whole pieces from a batch', () => {
  it.each<[BodyForm, number, number]>([
    [cut(), 2, 100],
    [cut(), 0.5, 25],
    [{ kind: 'broken', recipeId: 'slab', crumbsPercent: 10, servingGrams: 14, finish: null }, 1, 64],
    [{ kind: 'rolled', recipeId: 'slab', centreGrams: 12, finish: null }, 1, 83],
    [{ kind: 'rolled', recipeId: 'slab', centreGrams: 12, finish: null }, 2, 166],
  ])('%j in %d batches gives %d', (form, multiple, expected) => {
    expect(piecesPerBatch(form, multiple, 1000)).toBe(expected);
  });
});

describe('dipped', () => {
  const truffle = piece('truffle', {
    kind: 'dipped',
    centre: { kind: 'rolled', recipeId: 'slab', centreGrams: 12 },
    coatingRecipeId: 'coating',
    coatingPercent: 25,
  });

  it('coats by the share of the finished weight and keeps a pool ready', () => {
    const facts = workOutPiece(truffle, book);
    expect(facts.weightGrams).toBeCloseTo(16, 9);
    expect(facts.parts[1]).toMatchObject({
      role: 'coating',
      grams: 4,
      drawnGrams: 4,
      readyGrams: 6,
    });
    expect(facts.contains).toEqual(['milk', 'soy']);
  });

  it('names every recipe once, and those that are not there', () => {
    expect(formRecipeIds(truffle.form)).toEqual(['slab', 'coating']);
    expect(wrongInPiece(truffle, (_noun, id) => id === 'slab')).toEqual([
      { path: ['form'], message: 'there is no recipe "coating"' },
    ]);
  });
});

it('carries crumbs to the cost of a broken piece, and a finish to its weight', () => {
  const shard = workOutPiece(
    piece('shard', { kind: 'broken', recipeId: 'slab', crumbsPercent: 20, servingGrams: 16 }),
    book,
  );
  expect(shard.parts[0]).toMatchObject({ grams: 16, drawnGrams: 20 });
  const dusted = workOutPiece(
    piece('dusted', {
      kind: 'rolled',
      recipeId: 'slab',
      centreGrams: 14,
      finish: { recipeId: 'coating', gramsEach: 1 },
    }),
    book,
  );
  expect(dusted.weightGrams).toBe(15);
});
