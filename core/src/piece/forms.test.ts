import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { noParts } from '../ingredient/index.js';
import { openRecipeBook } from '../recipe/index.js';
import { batchesForPieces } from './scaling.js';
import { cavityFill, fillCavity, type MouldedForm, type PieceForm } from './forms/index.js';
import { formRecipeIds, piecesPerBatch, workOutPiece } from './makeup.js';
import { pieceComposition } from './composition.js';

const book = openRecipeBook(
  [ingredient('sugar', { contains: ['milk'] }), ingredient('dark', { contains: ['soy'] })],
  [
    recipe('fudge', [line('sugar', 1000)]),
    recipe('filling', [line('sugar', 485)]),
    recipe('shell', [line('dark', 500)]),
  ],
);
const moulded = (more: Partial<MouldedForm> = {}): MouldedForm => ({
  kind: 'moulded',
  cavities: 24,
  cavityMl: 10,
  moulds: 1,
  turnsPerDay: 1,
  shell: { recipeId: 'shell', shellPercent: 30, capPercent: 10, gramsPerMl: 1.25, poolFactor: 3 },
  layers: [
    { recipeId: 'filling', grams: 4.8, gramsPerMl: 1.2 },
    { recipeId: 'fudge', grams: 2.4, gramsPerMl: 1.2 },
  ],
  breakagePercent: 10,
  fill: 'full',
  mostFillingMl: null,
  cavitiesEach: 1,
  finish: null,
  stages: [],
  ...more,
});

describe('moulded', () => {
  it('adds up shell, cap and fillings, and charges what breaks and the pool to those that hold', () => {
    const facts = workOutPiece(piece('dome', moulded()), book);
    expect(facts.findings).toEqual([]);
    expect(facts.weightGrams).toBeCloseTo(4.8 + 2.4 + 5, 9);
    expect(facts.parts).toEqual([
      expect.objectContaining({
        recipeId: 'filling',
        role: 'body',
        grams: 4.8,
        drawnGrams: expect.closeTo(4.8 / 0.9, 9),
      }),
      expect.objectContaining({ recipeId: 'fudge', role: 'layer', drawnGrams: expect.closeTo(2.4 / 0.9, 9) }),
      expect.objectContaining({ recipeId: 'shell', role: 'shell', grams: 5, readyGrams: expect.closeTo(15 / 0.9, 9) }),
    ]);
    expect(facts.contains).toEqual(['milk', 'soy']);
    expect(formRecipeIds(moulded())).toEqual(['filling', 'fudge', 'shell']);
  });

  it('says when the cavity is not filled, and how to fill it', () => {
    const short = moulded({ layers: [{ recipeId: 'filling', grams: 3.6, gramsPerMl: 1.2 }] });
    expect(workOutPiece(piece('dome', short), book).findings.map(({ message }) => message)).toEqual([
      'dome: shell, cap and fillings take 7.0 mL of a cavity of 10.0 mL. Scale the fillings by 2.00.',
    ]);
    expect(cavityFill(fillCavity(short)).filledMl).toBeCloseTo(10, 9);
  });

  it('never says to fill up what may be hollow, and holds a hollow one to its largest filling', () => {
    const spoonful = [{ recipeId: 'filling', grams: 1.5, gramsPerMl: 1.2 }];
    const messages = (more: Partial<MouldedForm>) =>
      workOutPiece(piece('sphere', moulded({ layers: spoonful, ...more })), book).findings.map(
        ({ message }) => message,
      );
    expect(messages({})).toEqual([
      'sphere: shell, cap and fillings take 5.3 mL of a cavity of 10.0 mL. Is it hollow? Then say so; if it is to be full, weigh what one cavity takes.',
    ]);
    expect(messages({ fill: 'hollow' })).toEqual([]);
    expect(messages({ fill: 'hollow', mostFillingMl: 1 })).toEqual([
      'sphere: it is hollow and takes 1.0 mL of fillings at most; 1.3 mL are given.',
    ]);
  });

  it('fills any cavity exactly once the fillings are scaled', () => {
    const grams = fc.double({ min: 0.2, max: 30, noNaN: true });
    fc.assert(
      fc.property(grams, grams, fc.double({ min: 2, max: 60, noNaN: true }), (first, second, cavityMl) => {
        const form = moulded({
          cavityMl,
          layers: [
            { recipeId: 'filling', grams: first, gramsPerMl: 1.1 },
            { recipeId: 'fudge', grams: second, gramsPerMl: 1.3 },
          ],
        });
        expect(cavityFill(fillCavity(form)).filledMl).toBeCloseTo(cavityMl, 6);
      }),
    );
  });
});

it('adds up what a piece is made of, and leaves it open where something is not known', () => {
  const composition = { ...noParts, cocoaButter: 0, milkFat: 0, source: '' };
  const known = openRecipeBook(
    [
      ingredient('sugar', { composition: { ...composition, sucrose: 100 } }),
      ingredient('fat', { composition: { ...composition, fat: 90, ethanol: 10 } }),
    ],
    [recipe('inside', [line('sugar', 100)]), recipe('outside', [line('fat', 100)])],
  );
  const dipped = workOutPiece(
    piece('d', {
      kind: 'dipped',
      centre: { kind: 'rolled', recipeId: 'inside', centreGrams: 15 },
      coatingRecipeId: 'outside',
      coatingPercent: 25,
    }),
    known,
  );
  expect(pieceComposition(dipped, known)).toMatchObject({
    parts: { sucrose: 15, fat: 4.5, ethanol: 0.5 },
    energyKcal: 15 * 4 + 4.5 * 9 + 0.5 * 7,
    abv: expect.closeTo(((0.5 / 20) * 100 * 1.25) / 0.789, 9),
  });
  expect(pieceComposition(workOutPiece(piece('dome', moulded()), book), book)).toBeNull();
});

describe('a sphere of two half shells', () => {
  const hollow = {
    fill: 'hollow' as const,
    mostFillingMl: 3,
    layers: [{ recipeId: 'filling', grams: 2.4, gramsPerMl: 1.2 }],
  };

  it('takes two cavities, with the chocolate of both, and a spoonful between them', () => {
    const [one, two] = [1, 2].map((cavitiesEach) =>
      workOutPiece(piece('ball', moulded({ ...hollow, cavitiesEach })), book),
    );
    const shellOf = (facts: typeof one) => facts?.parts.find(({ role }) => role === 'shell')?.grams ?? 0;
    expect(shellOf(two)).toBeCloseTo(2 * shellOf(one), 9);
    expect(two?.findings).toEqual([]);
  });

  it('that is to be full is full when both halves are', () => {
    const full = moulded({ cavitiesEach: 2, layers: [{ recipeId: 'filling', grams: 7.2, gramsPerMl: 1.2 }] });
    expect(workOutPiece(piece('ball', full), book).findings.map(({ message }) => message)).toEqual([
      'ball: shell, cap and fillings take 14.0 mL of 2 cavities of 20.0 mL. Scale the fillings by 2.00.',
    ]);
    expect(cavityFill(fillCavity(full)).filledMl).toBeCloseTo(20, 9);
  });
});

describe('what comes on at the end', () => {
  const finish = { recipeId: 'shell', gramsEach: 0.5 };

  it('can come on any form, and what it brings is declared', () => {
    const forms: PieceForm[] = [
      { kind: 'piped', recipeId: 'fudge', depositGrams: 8, finish },
      { kind: 'broken', recipeId: 'fudge', crumbsPercent: 0, servingGrams: 10, finish },
      { kind: 'portion', recipeId: 'fudge', fillGrams: 50, layers: [{ recipeId: 'filling', gramsEach: 5 }], finish },
      { kind: 'dipped', centre: { kind: 'rolled', recipeId: 'fudge', centreGrams: 9, finish: null }, coatingRecipeId: 'filling', coatingPercent: 10, poolFactor: 1.5, finish }, // prettier-ignore
      moulded({ finish }),
    ];
    for (const form of forms) {
      const facts = workOutPiece(piece(form.kind, form), book);
      expect(facts.parts.at(-1)).toMatchObject({ recipeId: 'shell', role: 'finish', grams: 0.5, drawnGrams: 0.5 });
      expect(facts.contains).toContain('soy');
      expect(formRecipeIds(form)).toContain('shell');
    }
  });
});

it('pipes and fills by weight', () => {
  expect(piecesPerBatch({ kind: 'piped', recipeId: 'fudge', depositGrams: 8, finish: null }, 1, 1000)).toBe(125);
  expect(
    piecesPerBatch({ kind: 'portion', recipeId: 'fudge', fillGrams: 150, layers: [], finish: null }, 2, 1000),
  ).toBe(13);
  expect(
    workOutPiece(piece('jar', { kind: 'portion', recipeId: 'fudge', fillGrams: 150, layers: [], finish: null }), book)
      .weightGrams,
  ).toBe(150);
});

describe('batches for a number of pieces', () => {
  const facts = book.recipes.get('fudge');
  if (!facts) throw new Error('not worked out');
  const rolled = { kind: 'rolled' as const, recipeId: 'fudge', centreGrams: 20, finish: null };

  it('takes whole batches and says what is over', () => {
    expect(batchesForPieces(rolled, facts, 130)).toMatchObject({
      batches: [{ size: 1, count: 3 }],
      pieces: 150,
      over: 20,
      advice: 'Make 3 single batches: 150 pieces, 20 over.',
    });
  });

  it('cannot be said when no batch gives a piece', () => {
    expect(batchesForPieces({ ...rolled, centreGrams: 5000 }, facts, 10)).toBeNull();
  });
});
