import { clamp } from 'es-toolkit';
import {
  cookFor,
  fairProbe,
  foamFactors,
  gramsIn,
  readProbe,
  type Addition,
  type Foaming,
  type Heating,
  type PotContents,
  type PotState,
  type ProbeFaults,
} from '../cooking/index.js';

/** What can go wrong with a pot that is practised on. */
export const potFaults = [
  'too hot',
  'power too low',
  'pot too small',
  'crystals from stirring',
  'wet day',
  'probe on the bottom',
  'butter too fast',
] as const;
export type PotFault = (typeof potFaults)[number];

/** What is practised on. */
export interface PotSetup {
  readonly contents: PotContents;
  readonly foaming: Foaming;
  readonly potLitres: number;
  /** What the burner gives at its middle, W. */
  readonly watts: number;
  /** Water boils here at, C. */
  readonly waterBoils: number;
  /** True temperature at which it is right, C. */
  readonly target: number;
  /** Relative humidity of the room, percent. */
  readonly humidity: number;
  readonly faults: readonly PotFault[];
  /** What goes in at a moment of its own; null for nothing. */
  readonly goesIn: PotContents | null;
}

/** A pot that is practised on, at a moment. */
export interface PracticePot {
  readonly setup: PotSetup;
  readonly pot: PotState;
  readonly heating: Heating;
  readonly probe: ProbeFaults;
  readonly bulb: number;
  /** The flame, as a share of its middle. */
  readonly flame: number;
  readonly isOff: boolean;
  /** How high it stands, as a share of the pot's height; above 1 it boils over. */
  readonly height: number;
  /** 0 none to 1 spoiled. */
  readonly crystals: number;
  readonly scorched: number;
  readonly separated: number;
  readonly boiledOver: boolean;
  readonly stirredAt: number;
  readonly additions: readonly Addition[];
}

/** A cooked sugar mass, g/mL. Common practice, no source. */
const GRAMS_PER_ML = 1.2;
/** It scorches when it is this hot, C, and nobody has stirred for so long, s. Guesses. */
const SCORCHES = { celsius: 118, seconds: 60, takes: 150 } as const;
/** Fat parts from sugar when it warms faster than this, K a minute. Guess from practice: fast cooks separate more often. */
const SEPARATES = { perMinute: 16, takes: 60 } as const;
/** Each stirring of a syrup without fat that is this hot puts crystals into it. Guesses. */
const GRAINS = { celsius: 108, each: 0.28, unlucky: 0.5 } as const;
const OFF_LOSS = 6;

const has = ({ faults }: PotSetup, fault: PotFault): boolean => faults.includes(fault);

/** Sets a pot on the heat. */
export function practicePot(setup: PotSetup): PracticePot {
  const watts = setup.watts * (has(setup, 'too hot') ? 1.8 : has(setup, 'power too low') ? 0.45 : 1);
  return {
    setup,
    pot: { seconds: 0, celsius: 35, contents: setup.contents, boils: false },
    heating: {
      watts,
      lossPerKelvin: 0.8,
      roomCelsius: 21,
      waterBoils: setup.waterBoils,
      potJoulesPerKelvin: 550,
      elevationFactor: 1,
    },
    probe: { ...fairProbe, touchesKelvin: has(setup, 'probe on the bottom') ? 9 : 0 },
    bulb: 35,
    flame: 1,
    isOff: false,
    height: 0,
    crystals: 0,
    scorched: 0,
    separated: 0,
    boiledOver: false,
    stirredAt: 0,
    additions: [],
  };
}

const isFatty = ({ fat, sugars }: PotContents): boolean => fat > 0.15 * sugars;

function heightOf({ setup, heating, flame }: PracticePot, { contents, boils }: PotState, isOff: boolean): number {
  const litres = gramsIn(contents) / GRAMS_PER_ML / 1000;
  const power = clamp((heating.watts * flame) / (setup.watts || 1), 0, 1.6);
  const rise = boils && !isOff ? (foamFactors[setup.foaming] - 1) * Math.min(1.1, power) : 0;
  return (litres * (1 + rise)) / (setup.potLitres * (has(setup, 'pot too small') ? 0.5 : 1));
}

/**
 * The pot a moment later, and what its thermometer reads; null for nothing.
 * @param seconds 0 to about 1
 */
export function practiseFor(
  before: PracticePot,
  seconds: number,
  random: () => number,
): { readonly pot: PracticePot; readonly reads: number | null } {
  const { heating, flame, isOff, additions } = before;
  const now: Heating = isOff
    ? { ...heating, watts: 0, lossPerKelvin: OFF_LOSS }
    : { ...heating, watts: heating.watts * flame };
  const { state } = cookFor(before.pot, now, seconds, additions);
  const perMinute = ((state.celsius - before.pot.celsius) / seconds) * 60;
  const since = state.seconds - before.stirredAt;
  const scorches = !isOff && state.celsius > SCORCHES.celsius && since > SCORCHES.seconds;
  const parts = !isOff && isFatty(state.contents) && state.celsius > 112 && perMinute > SEPARATES.perMinute;
  const read = readProbe(before.bulb, state.celsius, seconds, before.probe, random);
  const height = heightOf(before, state, isOff);
  return {
    reads: read.reads,
    pot: {
      ...before,
      pot: state,
      bulb: read.bulb,
      height,
      boiledOver: before.boiledOver || height > 1,
      scorched: Math.min(1, before.scorched + (scorches ? (seconds * flame) / SCORCHES.takes : 0)),
      separated: Math.min(1, before.separated + (parts ? seconds / SEPARATES.takes : 0)),
    },
  };
}

/** What somebody does to the pot. */
export type PotAct = 'stir' | 'flame lower' | 'flame higher' | 'add' | 'take it off';

/** Does something to the pot. */
export function actOn(before: PracticePot, act: PotAct): PracticePot {
  const { setup, pot, flame } = before;
  switch (act) {
    case 'stir': {
      const grains = !isFatty(pot.contents) && pot.celsius > GRAINS.celsius;
      const more = grains ? (has(setup, 'crystals from stirring') ? GRAINS.unlucky : GRAINS.each) : 0;
      return { ...before, stirredAt: pot.seconds, crystals: Math.min(1, before.crystals + more) };
    }
    case 'flame lower':
      return { ...before, flame: Math.max(0.2, flame - 0.2) };
    case 'flame higher':
      return { ...before, flame: Math.min(1.6, flame + 0.2) };
    case 'add': {
      if (!setup.goesIn) return before;
      const fast = has(setup, 'butter too fast');
      const addition = {
        atSeconds: pot.seconds,
        overSeconds: fast ? 1 : 15,
        celsius: fast ? 4 : 15,
        contents: setup.goesIn,
      };
      return {
        ...before,
        additions: [...before.additions, addition],
        separated: Math.min(1, before.separated + (fast ? 0.5 : 0)),
      };
    }
    case 'take it off':
      return { ...before, isOff: true };
  }
}

/** How a pot looks: what a maker sees without a thermometer. */
export interface PotLook {
  /** 0 small to 1 large. */
  readonly bubbles: number;
  readonly colour: string;
  readonly words: string;
}

const looks: readonly {
  readonly from: number;
  readonly bubbles: number;
  readonly colour: string;
  readonly words: string;
}[] = [
  { from: -50, bubbles: 0, colour: '#f6ecd2', words: 'It is melting together: no bubbles yet.' },
  { from: 95, bubbles: 0.15, colour: '#f4e6bf', words: 'Small quick bubbles, thin as water, a lot of steam.' },
  {
    from: 108,
    bubbles: 0.3,
    colour: '#f2dfab',
    words: 'The bubbles are larger and slower; a thread hangs from the spoon.',
  },
  { from: 116, bubbles: 0.45, colour: '#eed694', words: 'Thick and glossy, the bubbles burst lazily.' },
  { from: 124, bubbles: 0.6, colour: '#e9ca7c', words: 'Heavy bubbles that plop; it moves like honey.' },
  { from: 134, bubbles: 0.72, colour: '#dfb35b', words: 'The colour of straw; less steam, a smell of toffee begins.' },
  { from: 146, bubbles: 0.82, colour: '#cd8f3a', words: 'Amber; it darkens as one looks, and smells of nuts.' },
  { from: 158, bubbles: 0.9, colour: '#ad661f', words: 'Deep amber, nearly no bubbles, a wisp of smoke is not far.' },
  { from: 175, bubbles: 1, colour: '#5f3212', words: 'Dark brown and smoking: it is bitter.' },
];

/** @param seaLevelCelsius what it would be at sea level: a stage is a strength, wherever the kitchen is */
export function lookOf(seaLevelCelsius: number): PotLook {
  const { bubbles, colour, words } = looks.findLast(({ from }) => seaLevelCelsius >= from) ?? {
    bubbles: 0,
    colour: '#f6ecd2',
    words: '',
  };
  return { bubbles, colour, words };
}
