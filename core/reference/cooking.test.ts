import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import psychrolib from 'psychrolib';
import {
  alcoholKept,
  boilingPointAt,
  boilingPointAtPressure,
  elevationOf,
  moneyBorn,
  norrish,
  potCheck,
  pressureAt,
  stageAt,
} from '../src/cooking/index.js';

const units = (have: string, want: string): number =>
  Number(execFileSync('units', ['-t', '-d', '12', have, want], { encoding: 'utf8' }));

describe('altitude', () => {
  // Oracle: the US Standard Atmosphere 1976 as Debian's `units` defines it, over geometric height; ours takes the height as geopotential.
  it.each([0, 500, 1000, 1420, 2000, 3000])('pressure at %d m', (metres) => {
    expect(Math.abs(pressureAt(metres) / units(`stdatmPH(${metres} m)`, 'kPa') - 1)).toBeLessThan(0.0005);
  });

  // Oracle: psychrolib, the saturation pressure of ASHRAE Handbook Fundamentals 2017.
  it.each([85, 88, 90, 92, 94, 96, 98, 100])('water at %d C stands at its saturation pressure', (celsius) => {
    psychrolib.SetUnitSystem(psychrolib.SI);
    const kilopascal = psychrolib.GetSatVapPres(celsius) / 1000;
    expect(Math.abs(boilingPointAtPressure(kilopascal) - celsius)).toBeLessThan(0.1);
  });

  // Common tables, as restated in the design (from memory): 1,000 m 96.7 C, 1,609 m 94.7 C, 3,000 m 90.0 C.
  it.each([
    [1000, 96.7],
    [1609, 94.7],
    [3000, 90],
  ])('water at %d m boils at %d C', (metres, celsius) => {
    expect(Math.abs(boilingPointAt(metres) - celsius)).toBeLessThan(0.15);
  });

  // Common practice, no source: about 1 F for every 500 ft.
  it('follows the rule of thumb', () => {
    const fall = ((100 - boilingPointAt(1524)) * 9) / 5;
    expect(fall / 10).toBeGreaterThan(0.8);
    expect(fall / 10).toBeLessThan(1.1);
  });
});

describe('sucrose off the grid', () => {
  // Oracle: Debian's `units`, sugar_conc_bpe (Starzak and Peacock's table with its own interpolation).
  it.each([5, 15, 25, 35, 45, 55, 62, 67.5, 72, 77, 81, 84, 86, 88.5, 91, 93, 94.5, 95.5, 96.5, 97.5, 98.5])(
    '%d %% sugar boils as the oracle says',
    (percent) => {
      const oracle = units(`sugar_conc_bpe(${percent})`, 'K');
      expect(Math.abs(elevationOf(percent) - oracle)).toBeLessThan(0.02 + 0.01 * oracle);
    },
  );
});

describe('water activity of one sugar', () => {
  // Norrish 1966 and Money and Born 1951, as restated in the design (from memory).
  it('67.5 % sucrose', () => {
    const syrup = { water: 32.5, sucrose: 67.5 };
    expect(norrish(syrup)).toBeCloseTo(0.847, 2);
    expect(moneyBorn(syrup)).toBeCloseTo(0.859, 2);
  });

  // Robinson and Stokes, osmotic coefficients of sucrose at 25 C: a_w at 1 mol/kg 0.9806, 2 mol/kg 0.9581, 4 mol/kg 0.9026, 6 mol/kg 0.8463 (from memory).
  it.each([
    [1, 0.9806],
    [2, 0.9581],
    [4, 0.9026],
  ])('%d mol sucrose in 1 kg of water', (molal, published) => {
    expect(Math.abs(norrish({ water: 1000, sucrose: molal * 342.3 }) - published)).toBeLessThan(0.006);
  });

  // Saturated sucrose at 25 C (67.4 %): about 0.84 to 0.85 (handbooks, from memory). Saturated glucose monohydrate at 25 C, 51 %: about 0.89 (from memory).
  it('saturated solutions', () => {
    expect(norrish({ water: 32.6, sucrose: 67.4 })).toBeGreaterThan(0.84);
    expect(norrish({ water: 32.6, sucrose: 67.4 })).toBeLessThan(0.855);
    expect(Math.abs(norrish({ water: 49, glucose: 51 }) - 0.89)).toBeLessThan(0.02);
  });

  // Raoult's law: where every constant is nothing, the mole fraction is left.
  it('an ideal solution', () => {
    expect(norrish({ water: 18.015, ethanol: 46.07 })).toBeCloseTo(0.5, 9);
  });
});

// USDA Table of Nutrient Retention Factors, release 6, alcohol (from memory).
it('keeps the alcohol that the table says', () => {
  expect(Object.values(alcoholKept)).toEqual([1, 0.7, 0.85, 0.75, 0.4, 0.35, 0.25, 0.2, 0.1, 0.05]);
});

describe('practice figures (common practice, no source)', () => {
  it('schools of fudge, and both toffees', () => {
    expect([112.5, 115.5].map(stageAt)).toEqual(['soft ball', 'soft ball']);
    expect([143, 149].map(stageAt)).toEqual(['soft crack', 'hard crack']);
  });

  it('a toffee of 450 g butter and 450 g sugar with cream does not fit a quart pot', () => {
    const pots = [{ name: '1 qt', litres: 0.946 }];
    expect(potCheck(1000, 'boils with dairy', pots).fits).toBeNull();
    expect(potCheck(1000, 'boils with dairy', [...pots, { name: '4 qt', litres: 3.785 }]).fits?.name).toBe('4 qt');
  });
});
