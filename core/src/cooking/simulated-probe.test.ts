import { describe, expect, it } from '@jest/globals';
import { fairProbe, normal, readProbe, type ProbeFaults } from './simulated-probe.js';
import { seeded } from './simulated-cook.js';

const still: ProbeFaults = { ...fairProbe, noiseKelvin: 0, dropOuts: 0, nonsense: 0 };
/** What a probe shows in so many seconds of a pot that stays as hot. */
function shown(faults: ProbeFaults, celsius: number, seconds: number) {
  const random = seeded(11);
  let bulb = 20;
  return Array.from({ length: seconds }, () => {
    const read = readProbe(bulb, celsius, 1, faults, random);
    ({ bulb } = read);
    return read.reads;
  });
}

describe('a simulated probe', () => {
  it('comes to the pot by two thirds in the time that it lags', () => {
    const reads = shown({ ...still, lagSeconds: 10 }, 120, 60);
    expect(reads[9]).toBeCloseTo(20 + 100 * (1 - Math.exp(-1)), 6);
    expect(reads.at(-1)).toBeGreaterThan(119.5);
  });

  it('scatters as much as it is told', () => {
    const random = seeded(5);
    const draws = Array.from({ length: 4000 }, () => normal(random));
    const mean = draws.reduce((sum, each) => sum + each, 0) / draws.length;
    const spread = Math.sqrt(draws.reduce((sum, each) => sum + (each - mean) ** 2, 0) / draws.length);
    expect(Math.abs(mean)).toBeLessThan(0.06);
    expect(Math.abs(spread - 1)).toBeLessThan(0.06);
  });

  it('leaves readings out, says nonsense, and reads too high where the bulb touches, as often and as much as it is told', () => {
    const gone = shown({ ...still, dropOuts: 0.3 }, 100, 1000).filter((reads) => reads === null).length;
    expect(gone).toBeGreaterThan(220);
    expect(gone).toBeLessThan(380);
    const nonsense = shown({ ...still, nonsense: 1 }, 100, 50);
    expect(nonsense.every((reads) => reads !== null && [-127, 85, 999, 0].includes(reads))).toBe(true);
    const touching = shown({ ...still, touchesKelvin: 10 }, 100, 200).slice(60);
    for (const reads of touching) {
      expect(reads).toBeGreaterThan(105);
      expect(reads).toBeLessThan(111);
    }
  });
});
