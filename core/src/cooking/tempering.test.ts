import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ganacheAdvice, ganacheSchools, type GanacheSchool } from './balance.js';
import { seedOf, temperingAt, temperingBands, temperingSchools } from './tempering.js';

/** A temperature that goes evenly from one to the next. */
const way = (...stops: readonly number[]): number[] =>
  stops.flatMap((to, index) => {
    const from = stops[index - 1] ?? to;
    return Array.from({ length: 10 }, (_, step) => from + ((to - from) * (step + 1)) / 10);
  });

describe('tempering', () => {
  it('goes from melting through cooling to work', () => {
    expect(temperingAt(way(20, 38), 'dark', 'slab')).toMatchObject({ band: 0, isIn: false });
    expect(temperingAt(way(20, 47), 'dark', 'slab')).toMatchObject({ band: 1 });
    expect(temperingAt(way(20, 47, 27.5), 'dark', 'slab')).toMatchObject({ band: 2, isIn: false });
    expect(temperingAt(way(20, 47, 27.5, 31), 'dark', 'slab')).toMatchObject({ band: 2, isIn: true, isLost: false });
  });

  it('needs no cooling below work where it is seeded', () => {
    expect(temperingAt(way(20, 46, 31.5), 'dark', 'seed')).toMatchObject({ isIn: true, isLost: false });
    expect(temperingBands('milk', 'cocoa butter').map(({ name }) => name)).toEqual(['melt', 'cocoa butter in', 'work']);
  });

  it('is lost when it was worked and gets too warm, until it is melted anew', () => {
    const lost = way(20, 47, 27.5, 31, 34);
    expect(temperingAt(lost, 'dark', 'slab').isLost).toBe(true);
    expect(temperingAt([...lost, ...way(34, 31)], 'dark', 'slab').isLost).toBe(true);
    expect(temperingAt([...lost, ...way(34, 47)], 'dark', 'slab').isLost).toBe(false);
  });

  it.each(temperingSchools)('says something of any readings (%s)', (school) => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -5, max: 70, noNaN: true }), { maxLength: 40 }), (readings) => {
        const state = temperingAt(readings, 'white', school);
        expect(state.advice).not.toBe('');
        expect(state.band).toBeLessThan(temperingBands('white', school).length);
      }),
    );
  });

  it('keeps a share back as seed, or takes one per cent of cocoa butter', () => {
    expect(seedOf('seed', 1000)).toEqual({ least: 200, usual: 250, most: 330 });
    expect(seedOf('cocoa butter', 1000)?.usual).toBe(10);
    expect(seedOf('slab', 1000)).toBeNull();
  });
});

describe('advice on a ganache', () => {
  it('brings any balance into the band of what it is for, with the least that does', () => {
    const schools = Object.keys(ganacheSchools) as GanacheSchool[];
    fc.assert(
      fc.property(
        fc.constantFrom(...schools),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.double({ min: 100, max: 3000, noNaN: true }),
        (school, darkWorthGrams, grams) => {
          const liquidGrams = 1 - darkWorthGrams;
          const balance = { darkWorthGrams, liquidGrams, ratio: darkWorthGrams / liquidGrams };
          const { fits, moreChocolate, moreLiquid } = ganacheAdvice(balance, school, grams);
          const after = (darkWorthGrams * grams + moreChocolate) / (liquidGrams * grams + moreLiquid);
          const [low, high] = ganacheSchools[school];
          expect(after).toBeGreaterThanOrEqual(low - 1e-9);
          expect(after).toBeLessThanOrEqual(high + 1e-9);
          expect(fits).toBe(moreChocolate === 0 && moreLiquid === 0);
        },
      ),
    );
  });
});
