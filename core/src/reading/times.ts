import { readNumber } from './number.js';

/** A time that a text names, in minutes. */
export interface ReadTime {
  readonly minutes: number;
  /** The other end of a range; the same as `minutes` where there is none. */
  readonly upTo: number;
  /** `at least` is a minimum, `up to` a limit. */
  readonly bound: 'least' | 'most' | null;
  readonly isNight: boolean;
  readonly index: number;
  readonly length: number;
}

const HOUR = 60;
const DAY = 24 * HOUR;
/** A night as it usually goes and as long as is safe to plan for, minutes. */
const NIGHT = { minutes: 8 * HOUR, upTo: 12 * HOUR };

const timeUnits: readonly (readonly [pattern: RegExp, minutes: number])[] = [
  [/^(?:seconds?|secs?)\b\.?/i, 1 / 60],
  [/^(?:minutes?|mins?|min|m)\b\.?/i, 1],
  [/^(?:hours?|hrs?|h)(?![\p{L}])\.?/iu, HOUR],
  [/^days?\b/i, DAY],
  [/^nights?\b/i, DAY],
  [/^(?:weeks?|wks?)\b\.?/i, 7 * DAY],
  [/^months?\b/i, 30 * DAY],
];

const unitAt = (text: string): { minutes: number; length: number } | null => {
  for (const [pattern, minutes] of timeUnits) {
    const found = pattern.exec(text);
    if (found) return { minutes, length: found[0].length };
  }
  return null;
};

const night =
  /\b(?:over ?night|over-night|until (?:the )?(?:next|following) (?:day|morning)|for (?:a|the|one) night)\b/gi;
/** A time that no number says. */
export const vagueTime = /\b(?:a few|several|some|a couple of) (?:more )?(?:seconds?|minutes?|hours?|days?|weeks?)\b/i;

const LEAST = /(?:at least|minimum(?: of)?|not less than|no less than|a good)\s*$/i;
const MOST = /(?:up to|at most|no more than|not more than|no longer than|maximum(?: of)?|within|less than|under)\s*$/i;

/** A number with a unit of time at the head of a text: `1 1/2 hours`, `1 h 30`, `an hour and a half`, `10-12 minutes`. */
function timeAt(text: string): { minutes: number; upTo: number; length: number } | null {
  const number = readNumber(text);
  if (!number) return null;
  const gap = /^(?:\s*-?\s*)(?:more\s+)?/i.exec(text.slice(number.length))?.[0].length ?? 0;
  const said = unitAt(text.slice(number.length + gap));
  // `300 m` is a height.
  const isHeight = said?.length === 1 && /^m/i.test(text.slice(number.length + gap)) && (gap > 0 || number.value > 99);
  const unit = isHeight ? null : said;
  if (!unit) {
    // `2 hours to 3 hours` ends here; `quarter of an hour` does not.
    const ofAn = /^\s*(?:of\s+)?an?\s+/i.exec(text.slice(number.length))?.[0];
    const later = ofAn === undefined ? null : unitAt(text.slice(number.length + ofAn.length));
    if (ofAn === undefined || !later) return null;
    return {
      minutes: number.value * later.minutes,
      upTo: (number.upTo ?? number.value) * later.minutes,
      length: number.length + ofAn.length + later.length,
    };
  }
  let length = number.length + gap + unit.length;
  let more = 0;
  const half = /^ and (?:a half|a quarter|three quarters)\b/i.exec(text.slice(length));
  if (half) {
    more = unit.minutes * (/half/i.test(half[0]) ? 1 / 2 : /three/i.test(half[0]) ? 3 / 4 : 1 / 4);
    length += half[0].length;
  } else if (unit.minutes === HOUR) {
    // `1h30`, `1 h 30`
    const bare = /^ ?(\d{2})(?!\d|[.,/]\d| ?\p{L})|^ ?(\d{2})(?= (?:until|till|or|and|on|over|at|in)\b)/u.exec(
      text.slice(length),
    );
    const join = /^,?\s*(?:and\s+)?/i.exec(text.slice(length))?.[0].length ?? 0;
    const rest = bare ? null : readNumber(text.slice(length + join));
    const restGap = rest ? (/^\s*-?\s*/.exec(text.slice(length + join + rest.length))?.[0].length ?? 0) : 0;
    const restUnit = rest ? unitAt(text.slice(length + join + rest.length + restGap)) : null;
    if (bare) {
      more = Number(bare[1] ?? bare[2]);
      length += bare[0].length;
    } else if (rest && restUnit?.minutes === 1) {
      more = rest.value;
      length += join + rest.length + restGap + restUnit.length;
    }
  }
  const minutes = number.value * unit.minutes + more;
  const upTo = (number.upTo ?? number.value) * unit.minutes + more;
  // `30 minutes to 1 hour`
  const join = /^\s*(?:-|–|—|to|or)\s*/i.exec(text.slice(length))?.[0];
  const end = join !== undefined && number.upTo === null ? timeAt(text.slice(length + join.length)) : null;
  return join !== undefined && end && end.minutes > minutes
    ? { minutes, upTo: end.upTo, length: length + join.length + end.length }
    : { minutes, upTo, length };
}

/** What stands between two ways of saying one time: `overnight, at least 8 hours`, `4 hours or overnight`. */
const SAME_TIME =
  /^[\s,(]*(?:(?:or|preferably|better|ideally|that is)\b[\s,]*)*(?:(?:at least|about|up to|for)\b\s*)*$/i;

function merged(text: string, list: readonly ReadTime[], next: ReadTime): ReadTime[] {
  const last = list.at(-1);
  if (!last || !SAME_TIME.test(text.slice(last.index + last.length, next.index))) return [...list, next];
  const isNight = last.isNight || next.isNight;
  return [
    ...list.slice(0, -1),
    {
      minutes: Math.min(last.minutes, next.minutes),
      upTo: Math.max(last.upTo, next.upTo),
      bound: last.bound ?? next.bound,
      isNight,
      index: last.index,
      length: next.index + next.length - last.index,
    },
  ];
}

/**
 * Every time that a text names, in figures or words, in its order: `10–12 minutes`, `one to two hours`, `half an hour`, `overnight`.
 * @returns minutes; a night is 8 to 12 hours
 */
export function readTimes(text: string): ReadTime[] {
  const found: ReadTime[] = [...text.matchAll(night)].map((each) => ({
    ...NIGHT,
    bound: 'least',
    isNight: true,
    index: each.index,
    length: each[0].length,
  }));
  const isNight = (at: number) =>
    found.some(({ isNight: is, index, length }) => is && at >= index && at < index + length);
  for (let at = 0; at < text.length; at++) {
    const before = text[at - 1];
    if ((before !== undefined && /[\p{L}\d.,/]/u.test(before)) || isNight(at)) continue;
    const time = timeAt(text.slice(at));
    if (!time) continue;
    const lead = text.slice(0, at);
    // `stir every 5 minutes`, `in 30 second bursts`: how often, not how long.
    if (
      /\b(?:every|each)\s+$/i.test(lead) ||
      /^[\s-]*(?:bursts?|intervals?|increments?|pulses?)\b/i.test(text.slice(at + time.length))
    ) {
      at += time.length - 1;
      continue;
    }
    const bound = LEAST.test(lead) ? 'least' : MOST.test(lead) ? 'most' : null;
    found.push({ ...time, bound, isNight: false, index: at });
    at += time.length - 1;
  }
  return found.sort((a, b) => a.index - b.index).reduce<ReadTime[]>((list, next) => merged(text, list, next), []);
}
