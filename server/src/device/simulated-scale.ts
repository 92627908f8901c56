import type { Scale } from './scale.js';

/** How far boxes that are packed by hand differ, share of their weight. Common practice, no source. */
const SPREAD = 0.012;

/** The stand-in for a scale: boxes packed by hand, some a little over and some a little under. */
export class SimulatedScale implements Scale {
  read(aboutGrams: number): Promise<number> {
    // The mean of three even draws is near to what happens on a bench: most are close, few are far off.
    const draw = () => Math.random() * 2 - 1;
    const off = ((draw() + draw() + draw()) / 3) * 2 * SPREAD;
    return Promise.resolve(Math.round(aboutGrams * (1 + SPREAD / 2 + off) * 10) / 10);
  }
}
