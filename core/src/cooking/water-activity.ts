import type { Parts } from '../ingredient/index.js';

const WATER_MOL = 18.015;

/**
 * Molar mass, g/mol, and Norrish's constant. Source: Norrish 1966; Chirife and co-workers (from memory).
 * The dextrins of a 42 DE glucose syrup: the number average of the whole syrup is 18016/DE (a definition), less its glucose and maltose;
 * their constant is taken as that of maltose, no source.
 */
const solutes = {
  sucrose: { molar: 342.3, k: 6.47 },
  glucose: { molar: 180.16, k: 2.25 },
  fructose: { molar: 180.16, k: 2.25 },
  lactose: { molar: 342.3, k: 10.2 },
  maltose: { molar: 342.3, k: 4.54 },
  dextrin: { molar: 770, k: 4.54 },
  // Norrish's constant of ethanol is not at hand: it is counted as an ideal solute.
  ethanol: { molar: 46.07, k: 0 },
} as const;
type Solute = keyof typeof solutes;

/** Sugars that crystallise when there is too little water, g dissolved per g of water at 25 C (handbooks, from memory). */
const solubility: Partial<Record<Solute, number>> = { sucrose: 2.07, lactose: 0.216 };

/** What is dissolved in the water of a confection, g. */
export type Solution = { readonly water: number } & Readonly<Partial<Record<Solute, number>>>;

const soluteNames = Object.keys(solutes) as Solute[];
const molesOf = (solution: Solution, name: Solute): number => (solution[name] ?? 0) / solutes[name].molar;

/**
 * Water activity by Norrish's equation for several solutes: a_w = x_w exp(-(sum sqrt(K_i) x_i)^2).
 *
 * @param solution grams of water and of each dissolved solute
 * @returns 0 to 1; 0 without water
 * Source: Norrish 1966.
 * @example norrish({ water: 32.5, sucrose: 67.5 }) // 0.847
 */
export function norrish(solution: Solution): number {
  const water = solution.water / WATER_MOL;
  if (water <= 0) return 0;
  const total = water + soluteNames.reduce((sum, name) => sum + molesOf(solution, name), 0);
  const pull = soluteNames.reduce(
    (sum, name) => sum + Math.sqrt(solutes[name].k) * (molesOf(solution, name) / total),
    0,
  );
  return (water / total) * Math.exp(-(pull * pull));
}

/**
 * Water activity by Money and Born: a_w = 1 / (1 + 0.27 n), n mol of sugars per 100 g of water.
 * @returns 0 to 1; 0 without water
 * Source: Money and Born 1951.
 * @example moneyBorn({ water: 32.5, sucrose: 67.5 }) // 0.859
 */
export function moneyBorn(solution: Solution): number {
  if (solution.water <= 0) return 0;
  const moles = soluteNames.reduce((sum, name) => sum + molesOf(solution, name), 0);
  return 1 / (1 + 0.27 * ((moles * 100) / solution.water));
}

/** Both equations are for syrups: with less water than this they say nothing, percent. */
const TOO_DRY_PERCENT = 10;
/** Starch, fibre and cocoa hold water that is counted as free: so much of them to one part of water is beyond the equations. */
const HELD_BY = 1.5;
/** How far an estimate may be off either way. */
const UNCERTAINTY = 0.03;
/** By Table B of the US FDA Food Code 2022 what is below this is not time/temperature controlled, whatever its pH (from memory). */
export const FOOD_CODE_LIMIT = 0.88;

/** An estimate of water activity: never a measurement. */
export interface EstimatedWaterActivity {
  readonly norrish: number;
  readonly moneyBorn: number;
  /** The range of both, 0.03 wider either way. */
  readonly low: number;
  readonly high: number;
  /** Whether the whole range is below the Food Code's 0.88. */
  readonly reading: 'below' | 'may be above';
}

/** Why there is no estimate: the equations do not reach there. */
export interface NoWaterActivity {
  readonly reading: 'not estimated';
  readonly why: string;
}

export type WaterActivity = EstimatedWaterActivity | NoWaterActivity;

/**
 * Estimates the water activity of a confection.
 *
 * Sucrose and lactose count only as far as they dissolve at 25 C, unless the confection is a clear cooked one, which holds more.
 * Protein and salts are left out, so that the estimate errs upwards.
 * @param parts per 100 g of the finished confection
 * @param glassy true for boiled sugar that does not grain
 * @returns no number where there is too little water for the equations, or where starch and fibre hold it
 */
export function waterActivity(parts: Parts, glassy: boolean): WaterActivity {
  if (parts.water < TOO_DRY_PERCENT)
    return { reading: 'not estimated', why: `Under ${String(TOO_DRY_PERCENT)} % water the equations do not hold.` };
  if (parts.otherCarbohydrate > HELD_BY * parts.water)
    return {
      reading: 'not estimated',
      why: 'Starch, fibre or cocoa hold its water, and the equations know only syrups.',
    };
  const dissolved = (name: Solute): number => {
    const most = glassy ? undefined : solubility[name];
    return most === undefined ? parts[name] : Math.min(parts[name], most * parts.water);
  };
  const solution: Solution = {
    water: parts.water,
    ...Object.fromEntries(soluteNames.map((name) => [name, dissolved(name)])),
  };
  const both = [norrish(solution), moneyBorn(solution)] as const;
  const low = Math.max(0, Math.min(...both) - UNCERTAINTY);
  const high = Math.min(1, Math.max(...both) + UNCERTAINTY);
  return {
    norrish: both[0],
    moneyBorn: both[1],
    low,
    high,
    reading: high < FOOD_CODE_LIMIT ? 'below' : 'may be above',
  };
}
