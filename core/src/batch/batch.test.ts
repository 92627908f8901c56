import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { batch, bookOf, ingredient, line, recipe } from '../../testing/kitchen.js';
import { withoutTaken, withPutBack } from '../ingredient/index.js';
import { yieldRecord } from '../recipe/index.js';
import { gramsOf, sharesOfWeight, takenFor, usableGrams, wrongInBatch, wrongInBatchEdit } from './batch.js';

const pantry = (onHandGrams: number, lots: { grams: number; useBy: string }[] = []) => ({
  ingredients: [ingredient('cream', { onHandGrams, lots, keepsDays: 10 }), ingredient('sugar', { onHandGrams: 1000 })],
  recipes: [recipe('caramel', [line('cream', 200), line('sugar', 100), line('cream', 50)])],
});

describe('what a batch takes from the pantry', () => {
  const taken = (onHandGrams: number, lots: { grams: number; useBy: string }[], size = 1) => {
    const book = bookOf(pantry(onHandGrams, lots));
    const facts = book.recipes.get('caramel');
    if (!facts) throw new Error('no caramel');
    const made = batch('one', 'caramel', '2026-12-01', { size });
    return takenFor(made, facts, book.ingredients).filter(({ ingredientId }) => ingredientId === 'cream');
  };

  it('is what must be used first, without what is past its day, and no more than there is', () => {
    const lots = [
      { grams: 100, useBy: '2026-12-09' },
      { grams: 60, useBy: '2026-12-03' },
      { grams: 40, useBy: '2026-11-30' },
    ];
    expect(taken(300, lots)).toMatchObject([
      { grams: 60, useBy: '2026-12-03' },
      { grams: 100, useBy: '2026-12-09' },
      { grams: 90, useBy: null },
    ]);
    expect(taken(80, []).map(({ grams }) => grams)).toEqual([80]);
    expect(taken(0, [])).toEqual([]);
    expect(taken(900, [], 2).map(({ grams }) => grams)).toEqual([500]);
  });

  it('is what was weighed at the bench, of the lot that was picked', () => {
    const lots = [
      { grams: 100, useBy: '2026-12-09' },
      { grams: 160, useBy: '2026-12-15' },
    ];
    const book = bookOf(pantry(400, lots));
    const facts = book.recipes.get('caramel');
    if (!facts) throw new Error('no caramel');
    const weights = [
      { ingredientId: 'cream', grams: 130, useBy: '2026-12-15' },
      { ingredientId: 'cream', grams: 60, useBy: '2026-12-15' },
    ];
    const log = { makingId: 'm', startedAt: '', endedAt: '', weights, swaps: [], pieces: null, rejects: [], grade: null, finalCelsius: null, cookSeconds: null, roomCelsius: null, humidity: null }; // prettier-ignore
    expect(takenFor({ size: 1, on: '2026-12-01', log }, facts, book.ingredients)).toEqual([
      { ingredientId: 'cream', grams: 130, useBy: '2026-12-15' },
      // The lot that was picked was used up: what must be used first follows.
      { ingredientId: 'cream', grams: 30, useBy: '2026-12-15' },
      { ingredientId: 'cream', grams: 30, useBy: '2026-12-09' },
    ]);
  });

  it('counts only what can be given away', () => {
    expect(usableGrams(1000, 45, [{ count: 5 }])).toBe(900);
    expect(usableGrams(1000, null, [{ count: 5 }])).toBe(1000);
    expect(usableGrams(1000, 0, [])).toBe(1000);
    expect(usableGrams(null, 45, [])).toBeNull();
  });

  it('comes back as it was, whatever it was', () => {
    const anyLots = fc.array(
      fc.record({
        grams: fc.double({ min: 1, max: 400, noNaN: true }),
        useBy: fc.constantFrom('2026-11-20', '2026-12-01', '2026-12-08', '2026-12-20'),
      }),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(
        anyLots,
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (lots, loose, size) => {
          const inLots = lots.reduce((sum, { grams }) => sum + grams, 0);
          const parts = taken(inLots + loose, lots, size);
          const cream = ingredient('cream', { onHandGrams: inLots + loose, lots });
          const after = withoutTaken(cream, parts);
          const sum = parts.reduce((all, { grams }) => all + grams, 0);
          expect(sum).toBeLessThanOrEqual(250 * size + 1e-6);
          expect(after.onHandGrams).toBeCloseTo(cream.onHandGrams - sum, 4);
          expect(after.lots.reduce((all, { grams }) => all + grams, 0)).toBeLessThanOrEqual(after.onHandGrams + 1e-6);
          const back = withPutBack(after, parts);
          expect(back.onHandGrams).toBeCloseTo(cream.onHandGrams, 4);
          const byDay = (list: readonly { readonly grams: number; readonly useBy: string }[]) => {
            const days = new Map<string, number>();
            for (const { useBy, grams } of list) days.set(useBy, (days.get(useBy) ?? 0) + grams);
            return [...days].filter(([, grams]) => grams > 1e-5).sort();
          };
          const [was, is] = [byDay(lots), byDay(back.lots)];
          expect(is.map(([day]) => day)).toEqual(was.map(([day]) => day));
          is.forEach(([, grams], index) => {
            expect(grams).toBeCloseTo(was[index]?.[1] ?? 0, 4);
          });
        },
      ),
    );
  });
});

describe('a batch', () => {
  it('gives what was weighed, else what its recipe says, and nothing when it failed', () => {
    const facts = { yieldGrams: 300 };
    expect(gramsOf(batch('a', 'caramel', '2026-12-01', { size: 2 }), facts)).toBe(600);
    expect(gramsOf(batch('a', 'caramel', '2026-12-01', { size: 2, grams: 570 }), facts)).toBe(570);
    expect(gramsOf(batch('a', 'caramel', '2026-12-01', { state: 'failed', grams: 570 }), facts)).toBe(0);
  });

  it('that was weighed with others has its part of the weight, by size', () => {
    expect(sharesOfWeight([2, 1, 1], 3600)).toEqual([1800, 900, 900]);
    expect(sharesOfWeight([2, 1], null)).toEqual([null, null]);
  });

  it('that was weighed counts among the yields of its recipe', () => {
    const record = (grams: (number | null)[]) => {
      const batches = grams.map((each, index) => batch(`b${String(index)}`, 'caramel', '2026-12-01', { grams: each }));
      const facts = bookOf({ ...pantry(0), batches }).recipes.get('caramel');
      return facts ? yieldRecord(facts) : null;
    };
    expect(record([null, 350, 315])).toBeNull();
    expect(record([350, 315, 336, null])).toMatchObject({ batches: 3 });
    expect(record([350, 315, 336])?.mean).toBeCloseTo((350 + 315 + 336) / 3 / 350, 9);
  });

  it('of no recipe, or of a day that is still to come, is refused in words', () => {
    const later = batch('a', 'caramel', '2026-12-02', { finishedOn: '2026-12-04' });
    expect(wrongInBatch(later, () => false)).toEqual([{ path: ['recipeId'], message: 'there is no recipe "caramel"' }]);
    expect(wrongInBatchEdit(later, '2026-12-03')).toEqual([
      { path: ['finishedOn'], message: 'must not be after today, Thursday 3 December' },
    ]);
    expect(wrongInBatchEdit(later, '2026-12-01').map(({ path }) => path)).toEqual([['on'], ['finishedOn']]);
    expect(wrongInBatchEdit(later, '2026-12-04')).toEqual([]);
  });
});
