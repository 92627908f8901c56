import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { cookUntil, type Addition, type Heating, type PotContents, type PotState } from './cook-curve.js';
import type { FitSetup, Reading } from './cook-fit.js';
import { judgeReading, noReadings } from './probe-trace.js';
import { fairProbe, normal, readProbe } from './simulated-probe.js';

/** A cook with its readings and the truth about it. */
export interface SimulatedCook {
  /** What a kitchen that does not know the truth believes. */
  readonly setup: FitSetup;
  readonly truth: { readonly heating: Heating; readonly contents: PotContents };
  readonly target: number;
  /** When the pot was at its target. */
  readonly targetAt: number;
  /** Readings that were found good. */
  readonly readings: readonly Reading[];
  /** When something was said to change. */
  readonly changes: readonly number[];
}

const READS_EVERY = 0.5;
const between = (random: () => number, low: number, high: number): number => low + random() * (high - low);

/** Random numbers from 0 to 1, the same for the same seed. */
export function seeded(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => uniformFloat64(generator);
}

/** What a kitchen believes, which the truth scatters around as it says. */
const unsure = { watts: 0.4, loss: 0.4, water: 0.1 } as const;

/** What stands on the heat somewhere, as its maker believes. */
function someKitchen(random: () => number): { readonly believed: PotContents; readonly heating: Heating } {
  const sugars = between(random, 200, 900);
  const believed: PotContents = {
    sugars,
    water: sugars * between(random, 0.18, 0.45),
    fat: random() < 0.5 ? sugars * between(random, 0.1, 0.9) : 0,
    others: sugars * between(random, 0, 0.1),
  };
  const heating: Heating = {
    watts: between(random, 500, 800) + sugars * between(random, 0.4, 1.2),
    lossPerKelvin: 0.8,
    roomCelsius: 21,
    waterBoils: between(random, 94, 100),
    potJoulesPerKelvin: 550,
    elevationFactor: 1,
  };
  return { believed, heating };
}

/**
 * A cook that nobody has seen.
 * @param faults with faults a kitchen meets: a syrup that boils higher than sucrose, heat that drifts, cold things that go in, a bulb that touches
 */
export function simulatedCook(random: () => number, faults: boolean): SimulatedCook {
  const { believed, heating } = someKitchen(random);
  const truth = {
    heating: {
      ...heating,
      watts: heating.watts * Math.exp(unsure.watts * normal(random)),
      lossPerKelvin: heating.lossPerKelvin * Math.exp(unsure.loss * normal(random)),
      elevationFactor: faults ? between(random, 0.95, 1.12) : 1,
    },
    contents: { ...believed, water: believed.water * Math.exp(unsure.water * normal(random)) },
  };
  const target = between(random, 113, 150) - (100 - heating.waterBoils);
  const additions = faults && random() < 0.6 ? [additionTo(believed, between(random, 150, 420), random)] : [];
  const drift = faults ? between(random, 0, 0.12) : 0;
  const phase = random() * 6;
  const probe = {
    ...fairProbe,
    ...(faults
      ? {
          noiseKelvin: between(random, 0.1, 0.5),
          dropOuts: between(random, 0, 0.1),
          nonsense: 0.01,
          touchesKelvin: random() < 0.1 ? between(random, 2, 6) : 0,
        }
      : { nonsense: 0, dropOuts: 0 }),
  };
  let bulb = 21;
  let trust = noReadings;
  const readings: Reading[] = [];
  let targetAt = 0;
  let since = 0;
  const start: PotState = { seconds: 0, celsius: 21, contents: truth.contents, boils: false };
  cookUntil(
    start,
    (seconds) => ({
      ...truth.heating,
      watts: truth.heating.watts * (1 + drift * Math.sin(seconds / 90 + phase)),
    }),
    { step: READS_EVERY, most: 7200, additions },
    (state) => state.celsius >= target,
    (state) => {
      const read = readProbe(bulb, state.celsius, state.seconds - since, probe, random);
      since = state.seconds;
      bulb = read.bulb;
      targetAt = state.seconds;
      if (read.reads === null) return;
      const judged = judgeReading(trust, { seconds: state.seconds, celsius: read.reads });
      ({ trust } = judged);
      readings.push(...judged.good);
    },
  );
  return {
    setup: {
      contents: believed,
      heating,
      additions: [],
      lagSeconds: fairProbe.lagSeconds,
      noiseKelvin: 0.3,
      unsure,
    },
    truth,
    target,
    targetAt,
    readings,
    // Most of what goes in is said; some is forgotten.
    changes: random() < 0.8 ? additions.map(({ atSeconds, overSeconds }) => atSeconds + overSeconds) : [],
  };
}

const additionTo = (contents: PotContents, atSeconds: number, random: () => number): Addition => ({
  atSeconds,
  overSeconds: between(random, 5, 25),
  celsius: between(random, 4, 20),
  contents: {
    water: contents.sugars * between(random, 0.01, 0.06),
    sugars: 0,
    fat: contents.sugars * between(random, 0.05, 0.2),
    others: contents.sugars * between(random, 0, 0.1),
  },
});
