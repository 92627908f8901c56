import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, ingredient, line, recipe } from '../../testing/kitchen.js';
import type { Happening, MakingEvent } from './schema.js';
import { endStage, stateOf, timerAt, traceOf } from './state.js';
import { factorFor, weighOut } from './weigh-out.js';

const at = (second: number) => new Date(Date.UTC(2026, 10, 25, 16, 0, second)).toISOString();
let count = 0;
/** An event at a second of the evening. */
const happened = (event: Happening, second = 0): MakingEvent => ({
  id: `e${String(count++)}`,
  at: at(second),
  ...event,
});

const book = bookOf({
  ingredients: [ingredient('butter'), ingredient('sugar'), ingredient('nuts'), ingredient('ghee')],
  recipes: [
    recipe('toffee', [line('butter', 450), line('sugar', 400), { ...line('nuts', 100), afterCook: true }], {
      steps: [
        {
          text: 'Boil.',
          target: { celsius: 149, kind: 'target', boils: true },
          effect: { kind: 'cook' },
        },
        { text: 'Stir in the nuts, pour.' },
      ],
    }),
  ],
});
const facts = (() => {
  const found = book.recipes.get('toffee');
  if (!found) throw new Error('no toffee');
  return found;
})();
const fold = (...events: MakingEvent[]) => stateOf(facts.recipe, events);
const lines = (state: Parameters<typeof weighOut>[2], size = 1) => weighOut(facts, size, state, book, 1);

describe('a batch at the bench', () => {
  it('stands where its events brought it, and can be gone back in', () => {
    expect(fold().stage).toBe(0);
    const there = fold(happened({ kind: 'stage', stage: 1 }, 5), happened({ kind: 'stage', stage: 2 }, 60));
    expect(there.stage).toBe(2);
    expect(there.reached.get(1)).toBe(Date.parse(at(5)));
    expect(fold(happened({ kind: 'stage', stage: 2 }), happened({ kind: 'stage', stage: 1 })).stage).toBe(1);
    expect(fold(happened({ kind: 'stage', stage: 50 })).stage).toBe(endStage(facts.recipe));
  });

  it('counts what came twice once, whatever comes again and in whatever place', () => {
    const events: MakingEvent[] = [
      happened({ kind: 'weighed', line: 0, grams: 451, useBy: null }),
      happened({ kind: 'stage', stage: 1 }),
      happened({ kind: 'note', note: 'stirred', text: '', celsius: 118, stage: 1 }),
      happened({ kind: 'timer', timerId: 't1', name: 'Pecans', stage: 1, seconds: 60 }),
      happened({ kind: 'timer ended', timerId: 't1' }),
      happened({ kind: 'stage', stage: 2 }),
    ];
    fc.assert(
      fc.property(fc.array(fc.nat({ max: events.length - 1 }), { maxLength: 20 }), (again) => {
        const twice = [...events, ...again.flatMap((index) => events[index] ?? [])];
        expect(stateOf(facts.recipe, twice)).toEqual(stateOf(facts.recipe, events));
      }),
    );
  });

  it('keeps timers until they are answered, by a clock that is given', () => {
    const start = happened({ kind: 'timer', timerId: 't1', name: 'Pecans', stage: 1, seconds: 90 }, 10);
    const [timer] = fold(start).timers;
    if (!timer) throw new Error('no timer');
    const now = Date.parse(at(10));
    expect(timerAt(timer, now)).toEqual({ rings: false, leftSeconds: 90, share: 0 });
    expect(timerAt(timer, now + 89_999).rings).toBe(false);
    // Rings on, however late somebody looks.
    expect(timerAt(timer, now + 90_000).rings).toBe(true);
    expect(timerAt(timer, now + 9_000_000)).toMatchObject({ rings: true, share: 1 });
    expect(fold(start, happened({ kind: 'timer ended', timerId: 't1' })).timers).toEqual([]);
    // Also when its end came in before its beginning.
    expect(fold(happened({ kind: 'timer ended', timerId: 't1' }), start).timers).toEqual([]);
  });

  it('gives the readings of a stage in the order of their moments', () => {
    const later = happened({ kind: 'readings', stage: 1, values: [[0, 120, null], [500, null, null]] }, 30); // prettier-ignore
    const sooner = happened({ kind: 'readings', stage: 1, values: [[0, 100, 'jump']] }, 10);
    const other = happened({ kind: 'readings', stage: 2, values: [[0, 40, null]] }, 20);
    expect(traceOf([later, sooner, other], 1).map(({ celsius }) => celsius)).toEqual([100, 120, null]);
    // A second tablet has heard the same.
    const again = happened({ kind: 'readings', stage: 1, values: [[0, 120, null]] }, 30);
    expect(traceOf([later, again], 1)).toHaveLength(2);
  });
});

describe('weighing out', () => {
  it('asks for each line to the scale’s step, and tells the error so far', () => {
    const sheet = lines(fold(happened({ kind: 'weighed', line: 0, grams: 454, useBy: '2027-01-02' })));
    expect(sheet.lines[0]).toMatchObject({ name: 'butter', wanted: 450, error: { grams: 4 }, stage: 1 });
    expect(sheet.lines[2]).toMatchObject({ name: 'nuts', wanted: 100, weighed: null, stage: 2 });
    expect(sheet.running.grams).toBe(4);
    expect(sheet.running.percent).toBeCloseTo(0.889, 3);
    expect(sheet.left).toBe(2);
  });

  it('takes something else at its own ratio', () => {
    const sheet = lines(fold(happened({ kind: 'swapped', line: 0, withId: 'ghee', ratio: 0.8 })));
    expect(sheet.lines[0]).toMatchObject({ name: 'ghee', ingredientId: 'ghee', wanted: 360 });
    const back = lines(
      fold(
        happened({ kind: 'swapped', line: 0, withId: 'ghee', ratio: 0.8 }),
        happened({ kind: 'swapped', line: 0, withId: null, ratio: 1 }),
      ),
    );
    expect(back.lines[0]).toMatchObject({ name: 'butter', wanted: 450 });
  });

  it('keeps the recipe’s shares when the rest is scaled to what was poured', () => {
    fc.assert(
      fc.property(
        fc.nat({ max: 2 }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.double({ min: 0.25, max: 4, noNaN: true }),
        (first, off, size) => {
          const base = facts.lineGrams[first] ?? 0;
          const poured = base * size * off;
          const factor = factorFor(facts, size, fold(), { line: first, poured });
          if (factor === null) throw new Error('no factor');
          const state = fold(
            happened({ kind: 'weighed', line: first, grams: poured, useBy: null }),
            happened({ kind: 'scaled', factor }),
          );
          const sheet = lines(state, size);
          const total = sheet.lines.reduce((sum, { exact }) => sum + exact, 0);
          const recipeTotal = facts.lineGrams.reduce((sum, grams) => sum + grams, 0);
          sheet.lines.forEach(({ exact, line: index }) => {
            expect(exact / total).toBeCloseTo((facts.lineGrams[index] ?? 0) / recipeTotal, 9);
          });
          expect(sheet.lines[first]?.error?.grams).toBeCloseTo(0, 6);
        },
      ),
    );
  });

  it('scales to nothing that weighs nothing', () => {
    expect(factorFor({ lineGrams: [0] }, 1, fold(), { line: 0, poured: 10 })).toBeNull();
    expect(factorFor(facts, 1, fold(), { line: 0, poured: 0 })).toBeNull();
  });
});
