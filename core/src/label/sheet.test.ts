import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { cellsOf, cornerOf, fitsPaper, ownGrid, placeOnSheets, sheetGrids } from './sheet.js';

const grid = fc.constantFrom(...sheetGrids);

describe('the sheets', () => {
  it('are more than ten, in millimetres and in inches, each on its paper', () => {
    expect(sheetGrids.length).toBeGreaterThan(10);
    expect(new Set(sheetGrids.map(({ paper }) => paper.name)).size).toBe(2);
    expect(sheetGrids.filter((each) => !fitsPaper(each)).map(({ name }) => name)).toEqual([]);
    expect(new Set(sheetGrids.map(({ id }) => id)).size).toBe(sheetGrids.length);
  });

  it('have their cells in the middle of the paper, none over another', () => {
    fc.assert(
      fc.property(grid, (each) => {
        const first = cornerOf(each, 0);
        const last = cornerOf(each, cellsOf(each) - 1);
        expect(first.xMm).toBeCloseTo(each.paper.widthMm - last.xMm - each.widthMm, 9);
        expect(first.yMm).toBeCloseTo(each.paper.heightMm - last.yMm - each.heightMm, 9);
        if (each.columns > 1) expect(cornerOf(each, 1).xMm - first.xMm).toBeGreaterThanOrEqual(each.widthMm - 1e-9);
      }),
    );
  });

  it('take an own one, and know when it is larger than its paper', () => {
    const own = { paper: 'A4', columns: 2, rows: 4, widthMm: 99, heightMm: 67, gapXMm: 2, gapYMm: 0 } as const;
    expect(fitsPaper(ownGrid(own))).toBe(true);
    expect(fitsPaper(ownGrid({ ...own, columns: 3 }))).toBe(false);
  });
});

describe('labels on sheets', () => {
  it('go on from the first free cell, run by run, and none is lost', () => {
    fc.assert(
      fc.property(
        grid,
        fc.nat(200),
        fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 6 }),
        (each, from, counts) => {
          const start = from % cellsOf(each);
          const pages = placeOnSheets(each, start, counts);
          const placed = pages.flat();
          expect(placed.map(({ run }) => run)).toEqual(
            counts.flatMap((count, run) => Array.from({ length: count }, () => run)),
          );
          if (placed[0]) expect(placed[0]).toMatchObject(cornerOf(each, start));
          for (const page of pages) {
            expect(page.length).toBeLessThanOrEqual(cellsOf(each));
            expect(new Set(page.map(({ xMm, yMm }) => `${String(xMm)} ${String(yMm)}`)).size).toBe(page.length);
          }
        },
      ),
    );
  });

  it('are moved by what the printer is off', () => {
    const [first] = sheetGrids;
    if (!first) throw new Error('no sheet');
    const at = cornerOf(first, 0);
    expect(placeOnSheets(first, 0, [1], { xMm: 1.5, yMm: -2 })).toEqual([
      [{ run: 0, xMm: at.xMm + 1.5, yMm: at.yMm - 2 }],
    ]);
  });
});
