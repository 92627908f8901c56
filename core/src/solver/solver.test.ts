import { describe, expect, it } from '@jest/globals';
import { solver } from '../../testing/solver.js';
import { gapOf, ModelBuilder, smallestClash } from './model.js';
import { relaxed, withHeld } from './held.js';

/** Chairs and tables: 30 and 50 of profit, 40 hours of carpentry, 50 of finishing. */
function workshop(carpentry = 40): ModelBuilder {
  const model = new ModelBuilder();
  const chairs = model.column('chairs', -30, { whole: true });
  const tables = model.column('tables', -50, { whole: true });
  model.atMost('carpentry', [[chairs, 1], [tables, 2]], carpentry); // prettier-ignore
  model.atMost('finishing', [[chairs, 2], [tables, 1]], 50); // prettier-ignore
  return model;
}

describe('the solver', () => {
  it('finds the optimum of a worked example and proves it', async () => {
    expect(await solver(workshop().build())).toMatchObject({
      status: 'best',
      objective: -1100,
      gap: 0,
      values: [20, 10],
    });
  });

  it('adds what is always to be paid, and starts from what it is given', async () => {
    const model = workshop();
    model.always(1000);
    expect(await solver(model.build(), { start: [[0, 20]] })).toMatchObject({ objective: -100, bound: -100 });
  });

  it('starts from what is within the bounds, when what it is given is not', async () => {
    const { columns, ...rest } = workshop().build();
    const model = { ...rest, columns: columns.map((each) => ({ ...each, upper: 15 })) };
    expect(await solver(model, { start: [[0, 20], [1, -3]] })).toMatchObject({ status: 'best', values: [14, 13] }); // prettier-ignore
  });

  it('decides only what is not held, and gains by what need not be whole', async () => {
    const built = workshop(41).build();
    const held = await solver(withHeld(built, [7, 0], (column) => column === 0));
    expect(held).toMatchObject({ status: 'best', values: [7, 17], objective: -1060 });
    const [whole, loose] = [await solver(built), await solver(relaxed(built))];
    expect(loose.values[0]).toBeCloseTo(59 / 3, 6);
    expect(whole.objective).toBe(-1120);
    expect(loose.objective).toBeCloseTo(-1120 - 10 / 3, 6);
    expect(gapOf(whole.objective, loose.objective)).toBeCloseTo(10 / 3 / 1120, 6);
  });

  it('says how far it is while it searches', async () => {
    // Weights and values that lie close together: nothing is decided at first sight.
    const model = new ModelBuilder();
    const items = Array.from({ length: 60 }, (_, index) => {
      const weight = 1000 + ((index * 7919) % 997);
      return { weight, column: model.choice(`item ${String(index)}`, -(weight + 100)) };
    });
    for (const share of [0.41, 0.53])
      model.atMost(
        'holds',
        items.map(({ weight, column }, index): [number, number] => [column, weight + ((index * 31) % 17) * share]),
        30_000 + share * 1000,
      );
    const seen: { objective: number | null; bound: number }[] = [];
    const found = await solver(model.build(), { work: 3, onProgress: (progress) => seen.push(progress) });
    expect(seen.length).toBeGreaterThan(0);
    for (const { objective, bound } of seen) {
      // What is said while it searches holds in the end, too.
      expect(bound).toBeLessThanOrEqual(found.objective + 1e-6);
      if (objective !== null) expect(objective).toBeGreaterThanOrEqual(found.objective - 1e-6);
    }
  });

  it('says which rules cannot hold together, and no others', async () => {
    const model = workshop();
    model.atLeast('promised', [[0, 1]], 30);
    const built = model.build();
    expect((await solver(built)).status).toBe('impossible');
    const clash = await smallestClash(built, [0, 1, 2], solver);
    expect(clash.map((row) => built.rows[row]?.name)).toEqual(['finishing', 'promised']);
  });
});
