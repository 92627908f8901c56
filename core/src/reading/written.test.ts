import { describe, expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import fc from 'fast-check';
import { habitCount, writtenLines } from '../../testing/written-lines.js';
import { units } from '../quantity/index.js';
import { starterIngredients } from '../starter/index.js';
import { pantryItems, readIngredientLines } from './line.js';

const pantry = pantryItems(starterIngredients(), []);
const RUNS = runs(2_000, 20_000);

describe('written amounts', () => {
  it('are read right or asked about, nine of ten without asking', () => {
    expect(habitCount).toBeGreaterThanOrEqual(60);
    let read = 0;
    fc.assert(
      fc.property(writtenLines, (each) => {
        const found = readIngredientLines(each.text, pantry, each.habit);
        const [first] = found;
        if (found.length !== 1 || !first?.line) return;
        read++;
        const { amount, unit, state, uses } = first.line;
        const { measures, base } = units[unit];
        const isRight =
          uses.id === each.id &&
          measures === each.measures &&
          Math.abs(amount * base - each.base) <= 1e-5 * each.base &&
          (each.state === null || each.state === state);
        if (!isRight) throw new Error(`${JSON.stringify(each)} was read as ${JSON.stringify(first.line)}`);
      }),
      { numRuns: RUNS },
    );
    expect(read / RUNS).toBeGreaterThanOrEqual(0.9);
  });
});
