import { judgeReading, noReadings, type ProbeTrust } from '../cooking/index.js';
import type { TracePoint } from '../making/index.js';
import { debriefOf, type Debrief } from './debrief.js';
import { actOn, practicePot, practiseFor, type PotAct, type PotSetup, type PracticePot } from './pot.js';

/** A pot that is practised on, with all that was read of it. */
export interface PracticeRun {
  readonly pot: PracticePot;
  /** What the thermometer has shown. */
  readonly points: readonly TracePoint[];
  readonly trust: ProbeTrust;
  /** When it went on the heat, ms since 1970. */
  readonly began: number;
  /** How much higher the thermometer reads than it is, and how much warmer the pot still gets off the heat, K. */
  readonly offsetKelvin: number;
  readonly carryOverKelvin: number;
  readonly highest: number;
  /** When it was to be taken off, and when it was, s from the beginning. */
  readonly dueAt: number | null;
  readonly offAt: number | null;
  /** How it went, once it is at its end. */
  readonly debrief: Debrief | null;
}

/** A pot is looked at so often, s. */
const STEP = 0.5;
/** Off the heat it is followed for so long: it still goes on by itself, s. */
const FOLLOWED = 45;
/** A pot that has not come as far by then never will, s. */
const MOST = 7200;

/** A pot that has come so far by itself: what nobody could stir has not scorched. */
function warmed(setup: PotSetup, fromCelsius: number, random: () => number): PracticePot {
  let pot = practicePot(setup);
  while (pot.pot.celsius < fromCelsius && pot.pot.seconds < MOST) ({ pot } = practiseFor(pot, STEP, random));
  return { ...pot, scorched: 0, separated: 0, boiledOver: false, stirredAt: pot.pot.seconds };
}

/**
 * Puts a pot on the heat.
 * @param fromCelsius where it begins; null for the beginning
 * @param began ms since 1970
 */
export const practiceRun = (
  setup: PotSetup,
  { offsetKelvin, carryOverKelvin }: Pick<PracticeRun, 'offsetKelvin' | 'carryOverKelvin'>,
  fromCelsius: number | null,
  began: number,
  random: () => number,
): PracticeRun => ({
  pot: fromCelsius === null ? practicePot(setup) : warmed(setup, fromCelsius, random),
  points: [],
  trust: noReadings,
  began,
  offsetKelvin,
  carryOverKelvin,
  highest: 0,
  dueAt: null,
  offAt: null,
  debrief: null,
});

/** The run so many seconds later; one that is at its end stays as it is. */
export function runOn(before: PracticeRun, seconds: number, random: () => number): PracticeRun {
  const { began, offsetKelvin, carryOverKelvin, offAt } = before;
  const points: TracePoint[] = [];
  let { pot, trust, highest, dueAt, debrief } = before;
  for (let done = 0; done < seconds && !debrief; done += STEP) {
    const next = practiseFor(pot, STEP, random);
    ({ pot } = next);
    const now = pot.pot.seconds;
    highest = Math.max(highest, pot.pot.celsius);
    if (pot.pot.celsius >= pot.setup.target - carryOverKelvin) dueAt ??= now;
    if (next.reads !== null) {
      const celsius = next.reads + offsetKelvin;
      const judged = judgeReading(trust, { seconds: now, celsius });
      ({ trust } = judged);
      points.push({ at: began + now * 1000, celsius, mark: judged.mark });
    }
    if (offAt !== null && now - offAt > FOLLOWED) debrief = debriefOf(pot, highest, dueAt, offAt);
  }
  return { ...before, pot, trust, highest, dueAt, debrief, points: [...before.points, ...points] };
}

/** The run after somebody has done something to its pot. */
export const actInRun = (before: PracticeRun, act: PotAct): PracticeRun =>
  before.debrief
    ? before
    : {
        ...before,
        pot: actOn(before.pot, act),
        offAt: act === 'take it off' ? (before.offAt ?? before.pot.pot.seconds) : before.offAt,
      };
