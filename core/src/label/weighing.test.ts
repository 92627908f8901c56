import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { judgeWeights, tolerableError } from './weighing.js';

// Directive 76/211/EEC annex I, 2.4, as restated in the design (from memory).
describe('the tolerable error', () => {
  it.each([
    [20, 1.8],
    [50, 4.5],
    [75, 4.5],
    [100, 4.5],
    [150, 6.8],
    [200, 9],
    [276, 9],
    [300, 9],
    [400, 12],
    [500, 15],
    [800, 15],
    [2000, 30],
  ])('of %d g is %d g', (declared, error) => {
    expect(tolerableError(declared)).toBe(error);
  });

  it('never grows smaller with what is declared', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 9999 }), (grams) => {
        expect(tolerableError(grams + 1)).toBeGreaterThanOrEqual(tolerableError(grams) - 1e-9);
      }),
    );
  });
});

describe('weighed boxes', () => {
  it('are right when their mean is not under what is declared and none is short', () => {
    expect(judgeWeights(276, [277, 275, 276, 278, 276, 277, 275, 276, 277, 276])).toMatchObject({
      verdict: 'right',
      toleranceGrams: 9,
      addGrams: 0,
      short: [],
    });
  });

  it('say what is missing in each when the mean is too low', () => {
    const found = judgeWeights(
      276,
      Array.from({ length: 10 }, () => 274),
    );
    expect(found).toMatchObject({ verdict: 'mean too low', addGrams: 2, meanGrams: 274 });
  });

  it('name those that are short by more than the tolerable error, and by twice as much', () => {
    const ten = [276, 266, 280, 280, 280, 280, 280, 280, 280, 280];
    expect(judgeWeights(276, ten)).toMatchObject({ verdict: 'too many short', short: [1] });
    expect(judgeWeights(276, [257.9, ...ten])).toMatchObject({ verdict: 'one far too short', farTooShort: [0] });
    // The error itself is tolerated.
    expect(judgeWeights(276, [267, ...ten.slice(2), 280])).toMatchObject({ short: [] });
  });

  it('are too few to tell below ten, and nothing is said of none', () => {
    expect(judgeWeights(100, [101, 101])).toMatchObject({ verdict: 'too few', spreadGrams: 0 });
    expect(judgeWeights(100, [])).toBeNull();
  });
});
