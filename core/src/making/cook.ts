import {
  boilingPointAt,
  fairProbe,
  fitCook,
  forecastCook,
  sinceChange,
  targetHere,
  thermometerOffset,
  type CookForecast,
  type FitSetup,
  type Reading,
} from '../cooking/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { contentsAt, type RecipeBook, type RecipeFacts, type RecipeStep } from '../recipe/index.js';
import type { NoteKind } from './schema.js';
import type { Stage } from './stages.js';
import { isBelieved, type MakingState, type TracePoint } from './state.js';

/** A usual burner gives a pot so much heat, W, and so much more for a kilogram of sugar in it: a larger pot, a larger flame. Guesses. */
const USUAL_WATTS = { pot: 500, perGram: 0.7 } as const;
/** How unsure that is before anything is read, as standard deviations of the logarithms. */
const UNSURE = { watts: 0.6, loss: 0.4, water: 0.15 } as const;
const LOSS_PER_KELVIN = 0.8;
const POT_JOULES_PER_KELVIN = 550;
const USUAL_ROOM = 21;

type Bench = Pick<KitchenDraft, 'altitudeMetres' | 'boilingReadingCelsius' | 'atBench'>;

/** What is believed of a pot before it is read; null where what is in it is not known, or holds no sugar to boil. */
export function cookSetup(
  facts: RecipeFacts,
  step: number,
  size: number,
  book: Pick<RecipeBook, 'ingredients' | 'recipes'>,
  kitchen: Bench,
  roomCelsius = USUAL_ROOM,
): FitSetup | null {
  const contents = contentsAt(facts, step, size, book);
  if (!contents || contents.sugars <= 0 || contents.water <= 0) return null;
  return {
    contents,
    heating: {
      watts: USUAL_WATTS.pot + USUAL_WATTS.perGram * contents.sugars,
      lossPerKelvin: LOSS_PER_KELVIN,
      roomCelsius,
      waterBoils: boilingPointAt(kitchen.altitudeMetres),
      potJoulesPerKelvin: POT_JOULES_PER_KELVIN,
      elevationFactor: 1,
    },
    additions: [],
    lagSeconds: fairProbe.lagSeconds,
    noiseKelvin: 0.3,
    unsure: UNSURE,
  };
}

/** A forecast as the maker's thermometer shows it. */
export interface BenchForecast extends CookForecast {
  /** What the thermometer shows along the way; seconds from the last reading. */
  readonly curve: readonly Reading[];
}

/** For so long after a change nothing is foretold, s: the readings since then say too little. */
const LEAST_SECONDS = 20;

/**
 * When a cook reaches its target, from what the thermometer of this kitchen has shown.
 * @param good readings as they were shown, in order
 * @param changes seconds at which the heat was changed or something went in
 * @returns null as long as the readings say too little, or when this heat never brings it there
 */
export function forecastAtBench(
  good: readonly Reading[],
  changes: readonly number[],
  step: RecipeStep,
  setup: FitSetup,
  kitchen: Bench,
): BenchForecast | null {
  if (!step.target) return null;
  const offset = thermometerOffset(kitchen);
  const recent = sinceChange(good, changes);
  const [first] = recent;
  const last = recent.at(-1);
  if (!first || !last || last.seconds - first.seconds < LEAST_SECONDS) return null;
  const fit = fitCook(
    recent.map(({ seconds, celsius }) => ({ seconds, celsius: celsius - offset })),
    setup,
  );
  const forecast =
    fit &&
    forecastCook(fit, {
      celsius: targetHere(step.target.celsius, kitchen) - offset,
      carryOverKelvin: kitchen.atBench.carryOverKelvin,
      reactionSeconds: kitchen.atBench.reactionSeconds,
    });
  return (
    forecast && {
      ...forecast,
      curve: forecast.curve.map(({ seconds, celsius }) => ({ seconds, celsius: celsius + offset })),
    }
  );
}

/** Readings over which a temperature is evened out before anything is said of it. */
const EVENED = 4;

/** What the thermometer shows now, evened out over its last readings; null while nothing good was read. */
export function showsNow(good: readonly Reading[]): number | null {
  const last = good.slice(-EVENED);
  return last.length === 0 ? null : last.reduce((sum, { celsius }) => sum + celsius, 0) / last.length;
}

/** What must be done now about a pot that cooks to a target. */
export type CookCall = 'wait' | 'get ready' | 'take it off' | 'too far';

/** It is got ready for so long before, s. */
const READY_SECONDS = 30;
/** Past the target by more than this it is another thing, K. */
const TOO_FAR = 3;

/**
 * What must be done now: by the forecast, and by what the thermometer shows, whichever comes first.
 * @param targetCelsius as this thermometer shows it
 */
export function callAt(
  good: readonly Reading[],
  forecast: Pick<CookForecast, 'alarmSeconds'> | null,
  targetCelsius: number,
  { carryOverKelvin }: KitchenDraft['atBench'],
): CookCall {
  const shows = showsNow(good);
  if (shows === null) return 'wait';
  if (shows > targetCelsius + TOO_FAR) return 'too far';
  if (shows >= targetCelsius - carryOverKelvin || (forecast && forecast.alarmSeconds <= 0)) return 'take it off';
  return forecast && forecast.alarmSeconds <= READY_SECONDS ? 'get ready' : 'wait';
}

/** Notes after which a pot is another. */
const CHANGES: readonly NoteKind[] = ['heat down', 'heat up', 'something went in'];
/** So many of the last readings are looked at for what is wrong with them. */
const LAST = 12;

/** What the readings of a batch that is cooked come to. */
export interface CookState {
  readonly points: readonly TracePoint[];
  /** Readings that are believed, seconds since the first. */
  readonly good: readonly Reading[];
  /** The moment of the first reading, ms since 1970; null before it. */
  readonly from: number | null;
  /** What the thermometer shows now, C; null while nothing was read. */
  readonly shows: number | null;
  /** Its target as this thermometer shows it, C. */
  readonly target: number;
  readonly forecast: BenchForecast | null;
  readonly call: CookCall;
  /** Of the last readings, those that are not believed. */
  readonly doubted: number;
}

/** A batch in a stage, as far as its pot goes. */
export interface InStage {
  readonly facts: RecipeFacts;
  /** Multiple of the base batch. */
  readonly size: number;
  readonly stage: Stage;
  readonly state: Pick<MakingState, 'notes' | 'room'>;
}

/**
 * What the readings of a stage come to.
 * @returns null where nothing is cooked to a temperature
 */
export function cookStateOf(
  { facts, size, stage, state }: InStage,
  points: readonly TracePoint[],
  book: Pick<RecipeBook, 'ingredients' | 'recipes'>,
  kitchen: Bench,
): CookState | null {
  const { step } = stage;
  if (!stage.cooks || !step || !stage.target) return null;
  const from = points[0]?.at ?? null;
  const since = (at: number) => (at - (from ?? 0)) / 1000;
  const good = points.flatMap((point) =>
    isBelieved(point) ? [{ seconds: since(point.at), celsius: point.celsius }] : [],
  );
  const changes = state.notes
    .filter((each) => each.stage === stage.stage && each.note !== null && CHANGES.includes(each.note))
    .map(({ at }) => since(Date.parse(at)));
  const setup = cookSetup(facts, stage.stage - 1, size, book, kitchen, state.room?.celsius);
  const forecast = setup && forecastAtBench(good, changes, step, setup, kitchen);
  const target = stage.target.here[0];
  return {
    points,
    good,
    from,
    shows: showsNow(good),
    target,
    forecast,
    call: callAt(good, forecast, target, kitchen.atBench),
    doubted: points.slice(-LAST).filter((point) => point.celsius !== null && !isBelieved(point)).length,
  };
}
