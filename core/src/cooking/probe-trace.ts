import type { Reading } from './cook-fit.js';

/** What is wrong with a reading: then it is kept, marked, and nothing is done about it. */
export const readingMarks = ['impossible', 'jump', 'late'] as const;
export type ReadingMark = (typeof readingMarks)[number];

/** What is remembered of a probe, so that its next reading can be judged. */
export interface ProbeTrust {
  /** The last good reading. */
  readonly last: Reading | null;
  /** Readings in a row that jumped off the others and agree among themselves. */
  readonly apart: readonly Reading[];
}

/** Nothing has been read yet. */
export const noReadings: ProbeTrust = { last: null, apart: [] };

/** What came of a reading. */
export interface Judged {
  /** What is remembered from now on. */
  readonly trust: ProbeTrust;
  /** What is wrong with it; null for a good one. */
  readonly mark: ReadingMark | null;
  /** Readings that are good from now on: this one, and with it those that jumped and are believed at last. */
  readonly good: readonly Reading[];
}

/** Colder or hotter than this nothing in a kitchen's pot is, C. */
const POSSIBLE = { from: -30, to: 230 } as const;
/** No pot warms or cools faster than this, K a second, beside the scatter of single readings, K. */
const FASTEST = { perSecond: 2.5, beside: 3 } as const;
/** After a longer gap than this a reading is compared with nothing, s. */
const FORGETS_SECONDS = 60;
/** So many readings that agree, over so many seconds, are believed although they jumped: the probe was moved. */
const BELIEVED = { count: 8, seconds: 6 } as const;

const jumps = (from: Reading, to: Reading): boolean => {
  const seconds = to.seconds - from.seconds;
  return (
    seconds <= FORGETS_SECONDS &&
    Math.abs(to.celsius - from.celsius) > FASTEST.beside + FASTEST.perSecond * Math.max(0, seconds)
  );
};

/** Judges the next reading of a probe. */
export function judgeReading(trust: ProbeTrust, reading: Reading): Judged {
  const { celsius, seconds } = reading;
  const { last } = trust;
  if (!Number.isFinite(celsius) || !Number.isFinite(seconds) || celsius < POSSIBLE.from || celsius > POSSIBLE.to)
    return { trust, mark: 'impossible', good: [] };
  if (last && seconds < last.seconds) return { trust, mark: 'late', good: [] };
  if (!last || !jumps(last, reading)) return { trust: { last: reading, apart: [] }, mark: null, good: [reading] };
  const before = trust.apart.at(-1);
  const apart = before && !jumps(before, reading) && seconds >= before.seconds ? [...trust.apart, reading] : [reading];
  const [first] = apart;
  if (first && apart.length >= BELIEVED.count && seconds - first.seconds >= BELIEVED.seconds)
    return { trust: { last: reading, apart: [] }, mark: null, good: apart };
  return { trust: { last, apart }, mark: 'jump', good: [] };
}

/** A fall as deep as this within so many seconds is something cold that went in, K and s. */
const DIP = { kelvin: 1, seconds: 25 } as const;
/** Readings on either side over which single ones are evened out. */
const SMOOTHS = 4;
/** A forecast looks no further back than this, s: what the burner did before says little. */
const LOOKS_BACK = 240;

/**
 * The readings that a forecast rests on: those since something changed, the last four minutes at most. Something has changed where the
 * maker says so, and where the readings fall: whatever went in, the pot is another from the lowest reading on.
 * @param changes seconds at which the maker changed the heat or put something in
 */
export function sinceChange(good: readonly Reading[], changes: readonly number[]): readonly Reading[] {
  const last = good.at(-1);
  if (!last) return good;
  const from = Math.max(last.seconds - LOOKS_BACK, ...changes.filter((each) => each <= last.seconds));
  const since = good.filter(({ seconds }) => seconds >= from);
  const even = smoothed(since);
  // Backwards: the latest reading that lies so far under one shortly before it.
  for (let index = even.length - 1; index > 0; index--) {
    const high = higherBefore(even, index);
    if (high === null) continue;
    const fallen = even.slice(high);
    const lowest = Math.min(...fallen.map(({ celsius }) => celsius));
    return since.slice(high + fallen.findIndex(({ celsius }) => celsius === lowest));
  }
  return since;
}

/** Each reading as the mean of those around it. */
const smoothed = (readings: readonly Reading[]): Reading[] =>
  readings.map(({ seconds }, index) => {
    const around = readings.slice(Math.max(0, index - SMOOTHS), index + SMOOTHS + 1);
    return { seconds, celsius: around.reduce((sum, { celsius }) => sum + celsius, 0) / around.length };
  });

/** Where a reading shortly before another lies much higher; null where none does. */
function higherBefore(readings: readonly Reading[], index: number): number | null {
  const here = readings[index];
  for (let before = index - 1; here && before >= 0; before--) {
    const there = readings[before];
    if (!there || here.seconds - there.seconds > DIP.seconds) return null;
    if (there.celsius - here.celsius > DIP.kelvin) return before;
  }
  return null;
}
