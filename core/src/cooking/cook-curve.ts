import { z } from 'zod';
import { elevationOf, elevationWithSlope } from './syrup.js';

const grams = z.number().min(0).max(100_000);

/** What is in a pot, g; fat and other solids take up heat and boil nothing off. */
export const potContentsSchema = z
  .strictObject({
    water: grams,
    /** Dissolved sugars and dextrins. */
    sugars: grams,
    fat: grams,
    others: grams,
  })
  .readonly()
  .meta({ id: 'PotContents' });
export type PotContents = z.infer<typeof potContentsSchema>;

/** What the heat does to a pot in a kitchen. */
export interface Heating {
  /** Heat that reaches the pot, W. */
  readonly watts: number;
  /** Heat that the pot loses to the room, W for each K that it is warmer. */
  readonly lossPerKelvin: number;
  readonly roomCelsius: number;
  /** Water boils here at, C. */
  readonly waterBoils: number;
  /** Heat capacity of the pot itself, J/K. */
  readonly potJoulesPerKelvin: number;
  /** How much higher than sucrose alone the syrup boils, times its elevation: 1 for pure sucrose. */
  readonly elevationFactor: number;
}

/** A pot at a moment. */
export interface PotState {
  readonly seconds: number;
  readonly celsius: number;
  readonly contents: PotContents;
  /** Whether water is boiling off. */
  readonly boils: boolean;
}

/** Something that goes in while it cooks. */
export interface Addition {
  readonly atSeconds: number;
  /** How long it takes to go in and melt. */
  readonly overSeconds: number;
  readonly celsius: number;
  readonly contents: PotContents;
}

/** Latent heat of water, J/g (handbooks, from memory). */
export const LATENT_JOULES_PER_GRAM = 2257;
/** Specific heats, J/(g K): water, dissolved sugar, fat, other solids (handbooks, rounded, from memory). */
const SPECIFIC = { water: 4.186, sugars: 1.25, fat: 2.1, others: 1.6 } as const;
/** Heat that melts the fat of something cold, J/g (handbooks for milk fat, from memory). */
const MELTS_JOULES_PER_GRAM = 70;
/** Fat as cold as this is solid, C. */
const FAT_IS_SOLID = 25;
/** Less water than this is none, g. */
const DRY_GRAMS = 0.01;

/** Where the published elevations end, percent of sugar; beyond, they go on as steeply as they end. */
const LAST_PERCENT = 99.5;
const LAST_SLOPE = (elevationOf(LAST_PERCENT) - elevationOf(99)) / (LAST_PERCENT - 99);

const addContents = (a: PotContents, b: PotContents, share = 1): PotContents => ({
  water: a.water + b.water * share,
  sugars: a.sugars + b.sugars * share,
  fat: a.fat + b.fat * share,
  others: a.others + b.others * share,
});

/** Everything in a pot, g. */
export const gramsIn = ({ water, sugars, fat, others }: PotContents): number => water + sugars + fat + others;

/** Heat capacity of what is in a pot, without the pot, J/K. */
export const joulesPerKelvin = ({ water, sugars, fat, others }: PotContents): number =>
  water * SPECIFIC.water + sugars * SPECIFIC.sugars + fat * SPECIFIC.fat + others * SPECIFIC.others;

/** At what temperature a syrup boils, C, and how much higher for a gram of water less, K/g. */
function boiling(water: number, sugars: number, { waterBoils, elevationFactor }: Heating) {
  const all = sugars + water;
  if (all <= 0) return { celsius: waterBoils, perGram: 0 };
  const percent = (100 * sugars) / all;
  const { kelvin, perPercent } = elevationWithSlope(percent);
  const isBeyond = percent > LAST_PERCENT;
  const elevation = isBeyond ? kelvin + (percent - LAST_PERCENT) * LAST_SLOPE : kelvin;
  return {
    celsius: waterBoils + elevationFactor * elevation,
    perGram: (elevationFactor * (isBeyond ? LAST_SLOPE : perPercent) * percent) / all,
  };
}

/**
 * At what temperature a syrup with so much water boils, C.
 * @param water g, more than 0
 * @param sugars g dissolved in it
 */
export const boilsAt = (water: number, sugars: number, heating: Heating): number =>
  boiling(water, sugars, heating).celsius;

/** Heat that a step brings in and where it goes, J. */
export interface HeatLedger {
  readonly heated: number;
  /** To the room. */
  readonly lost: number;
  /** Into evaporation. */
  readonly latent: number;
  /** What steam takes along as warm water. */
  readonly carried: number;
  /** What came in with what went in, less what melting its fat took. */
  readonly added: number;
}

const nothing: HeatLedger = { heated: 0, lost: 0, latent: 0, carried: 0, added: 0 };

/** Heat that a pot holds above 0 C, J. */
export const heatIn = ({ celsius, contents }: PotState, { potJoulesPerKelvin }: Heating): number =>
  (joulesPerKelvin(contents) + potJoulesPerKelvin) * celsius;

/** Boils off what so much heat boils off: L dw + C (T' - T) = E, T' being the boiling point of what is left. */
function boilOff(state: PotState, joules: number, heating: Heating): PotState {
  const { contents, celsius } = state;
  const { water, sugars } = contents;
  const fixed = joulesPerKelvin({ ...contents, water: 0 }) + heating.potJoulesPerKelvin;
  const capacity = (left: number) => fixed + left * SPECIFIC.water;
  let gone = 0;
  for (let turn = 0; turn < 3 && gone < water; turn++) {
    const left = Math.max(DRY_GRAMS, water - gone);
    const { celsius: boils, perGram } = boiling(left, sugars, heating);
    const excess = LATENT_JOULES_PER_GRAM * gone + capacity(left) * (boils - celsius) - joules;
    gone = Math.min(water, Math.max(0, gone - excess / (LATENT_JOULES_PER_GRAM + capacity(left) * perGram)));
  }
  const left = water - gone;
  // What the heat does is exact, whatever is left to the last turn of the search.
  const warmer = celsius + (joules - LATENT_JOULES_PER_GRAM * gone) / capacity(left);
  return { ...state, celsius: warmer, contents: { ...contents, water: left }, boils: gone > 0 };
}

/** What goes into the pot within a step: the share of an addition that falls into it. */
function mixIn(state: PotState, { contents, celsius }: Addition, share: number, heating: Heating): PotState {
  const cold = joulesPerKelvin(contents) * share;
  const melts = celsius < FAT_IS_SOLID ? contents.fat * share * MELTS_JOULES_PER_GRAM : 0;
  const together = addContents(state.contents, contents, share);
  const heat = heatIn(state, heating) + cold * celsius - melts;
  return { ...state, contents: together, celsius: heat / (joulesPerKelvin(together) + heating.potJoulesPerKelvin) };
}

/** How much of an addition goes in from one moment to another, 0 to 1. */
const shareWithin = ({ atSeconds, overSeconds }: Addition, from: number, to: number): number => {
  if (overSeconds <= 0) return atSeconds >= from && atSeconds < to ? 1 : 0;
  return Math.max(0, Math.min(to, atSeconds + overSeconds) - Math.max(from, atSeconds)) / overSeconds;
};

/**
 * A pot a moment later, by the balance of its energy: below its boiling point dT/dt = (P - U (T - T_room)) / sum(m c); from there on
 * T = T_boil + dT(sugar fraction), and the net power splits between evaporation (2,257 kJ/kg) and warming.
 * Source of the balance: textbook heat transfer, common practice; elevations: see {@link elevationOf}.
 *
 * @param step seconds, 0 to about 5: half of 1 s changes less than 0.5 %
 * @returns the pot, and where the heat of this step went; in minus lost, latent and carried is what the pot holds more
 */
export function cookFor(
  before: PotState,
  heating: Heating,
  step: number,
  additions: readonly Addition[] = [],
): { readonly state: PotState; readonly ledger: HeatLedger } {
  const to = before.seconds + step;
  let state: PotState = before;
  let added = 0;
  for (const addition of additions) {
    const share = shareWithin(addition, before.seconds, to);
    if (share <= 0) continue;
    const mixed = mixIn(state, addition, share, heating);
    added += heatIn(mixed, heating) - heatIn(state, heating);
    state = mixed;
  }
  const lost = heating.lossPerKelvin * (state.celsius - heating.roomCelsius) * step;
  const heated = heating.watts * step;
  const { water, sugars } = state.contents;
  const capacity = joulesPerKelvin(state.contents) + heating.potJoulesPerKelvin;
  const boils = water > DRY_GRAMS ? boilsAt(water, sugars, heating) : Infinity;
  const net = heated - lost;
  const stays = state.celsius + net / capacity < boils;
  const after = stays
    ? { ...state, celsius: state.celsius + net / capacity, boils: false }
    : boilOff(state, net, heating);
  const gone = water - after.contents.water;
  return {
    state: { ...after, seconds: to },
    ledger: {
      heated,
      lost,
      latent: gone * LATENT_JOULES_PER_GRAM,
      carried: gone * SPECIFIC.water * state.celsius,
      added,
    },
  };
}

/**
 * Cooks on until something is so, a step at a time.
 * @param until ends it; the state for which it holds is the last one
 * @param visit called with every state, the first among them
 * @returns the last state, and where all the heat went
 */
export function cookUntil(
  start: PotState,
  heating: Heating | ((seconds: number) => Heating),
  { step, most, additions = [] }: { step: number; most: number; additions?: readonly Addition[] },
  until: (state: PotState) => boolean,
  visit: (state: PotState) => void = () => undefined,
): { readonly state: PotState; readonly ledger: HeatLedger } {
  let state = start;
  let ledger = nothing;
  visit(state);
  const last = start.seconds + most;
  while (!until(state) && state.seconds < last - 1e-9) {
    const here = typeof heating === 'function' ? heating(state.seconds) : heating;
    const next = cookFor(state, here, step, additions);
    state = next.state;
    ledger = {
      heated: ledger.heated + next.ledger.heated,
      lost: ledger.lost + next.ledger.lost,
      latent: ledger.latent + next.ledger.latent,
      carried: ledger.carried + next.ledger.carried,
      added: ledger.added + next.ledger.added,
    };
    visit(state);
  }
  return { state, ledger };
}
