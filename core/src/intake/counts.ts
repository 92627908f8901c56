import damerauLevenshtein from 'damerau-levenshtein';
import { numberWords, readNumber } from '../reading/index.js';
import { isUsual } from './customer.js';
import type { Token, TypedLine } from './tokens.js';

/** Words for a number that nobody said. */
const SOME = new Set(['few', 'some', 'several', 'lot', 'load', 'handful', 'bunch']);
/** Words that stand before a number of things. */
const quantity = new Set(['qty', 'quantity', 'qnty']);
const MOST = 500;

const pointing = /^(?:them|those|these|the|which)$/;

interface Number {
  readonly value: number;
  readonly to: number;
  /** Whether the words leave open how many: `2 or 3`. */
  readonly open: boolean;
}

/** Words that are near to a number and are none. */
const noNumbers = new Set([
  'for',
  'give',
  'fine',
  'once',
  'mix',
  'fix',
  'then',
  'here',
  'there',
  'these',
  'tree',
  'live',
]);

/** Tells whether a word may be a number, perhaps misspelled: `tow`, `odzen`. */
const isNearNumber = ({ word, one }: Token): boolean =>
  one.length > 2 &&
  !noNumbers.has(word) &&
  numberWords.some((each) => each.length > 2 && damerauLevenshtein(one, each).steps <= 1);

/** Tells whether words that nothing has read stand right before a place and may say another number: `two nad a half`, `half a odzen`. */
export function followsNumber(line: TypedLine, index: number): boolean {
  let isNext = true;
  for (let at = index - 1; at >= index - 5; at--) {
    const token = line.at(at);
    if (token?.kind === 'mark' && !line.isParting(at)) continue;
    if (!token || !line.isFree(at)) return false;
    if (token.kind === 'number' || isNearNumber(token)) return true;
    if (/^(?:and|of|an?|the|x)$/.test(token.word) || quantity.has(token.word)) continue;
    if (isNext && token.kind === 'word' && !isUsual(token.word) && !/^\p{Lu}/u.test(token.text)) return true;
    isNext = false;
  }
  return false;
}

/** Tells whether a number stands a few words behind a name and counts nothing else: `mug apir x 25`. */
export function precedesNumber(line: TypedLine, index: number, isNamed: (index: number) => boolean): boolean {
  for (let at = index; at < index + 4; at++) {
    const token = line.at(at);
    if (!token || line.isParting(at) || line.readingOf(at) !== null) return false;
    if (token.kind !== 'number') continue;
    for (let next = at + 1; next < at + 4 && !line.isParting(next); next++) if (isNamed(next)) return false;
    return true;
  }
  return false;
}

/**
 * Reads a number as it is read everywhere, by the tokens of a line: `3`, `x3`, `qty 3`, `½`, `two and a half dozen`, `a couple`; null when none
 * begins here. What is read already, and names of boxes, end it.
 */
function numberAt(line: TypedLine, index: number, isName: (index: number) => boolean): Number | null {
  const token = line.at(index);
  if (!token || !line.isFree(index) || isName(index)) return null;
  const next = line.at(index + 1);
  const isSign = (token.word === 'x' && next?.kind === 'number' && !next.apart) || quantity.has(token.word);
  if (isSign) return numberAt(line, line.at(index + 1)?.text === ':' ? index + 2 : index + 1, isName);
  if (token.word === 'another') return { value: 1, to: index + 1, open: false };
  let end = index + 1;
  while (line.at(end)?.kind === 'mark' || (line.isFree(end) && !isName(end))) end++;
  const read = readNumber(line.text.slice(token.from, line.at(end - 1)?.to).toLowerCase());
  if (!read) return null;
  let to = index;
  while (to < end && (line.at(to)?.to ?? Infinity) <= token.from + read.length) to++;
  // A point behind `doz` is its own.
  if (line.at(to - 1)?.word === 'of') to--;
  if (to <= index) return null;
  const open = read.upTo !== null || read.either.length > 0 || followsNumber(line, index);
  return { value: read.value, to, open };
}

export interface Counted {
  readonly to: number;
  readonly count: number | null;
  readonly vague: boolean;
  readonly ofThem: boolean;
  /** A part of one: a half. */
  readonly share: number | null;
  /** Whether the number is a word that may as well be an article: `a`, `one`. */
  readonly article: boolean;
}

/** Skips `of`, `of the`, `more`. */
export function pastOf(line: TypedLine, index: number): number {
  let at = index;
  if (line.at(at)?.word === 'of' || line.at(at)?.word === 'more') at++;
  if (at > index && /^(?:the|those|these|your)$/.test(line.at(at)?.word ?? '')) at++;
  return at;
}

/** A number at the head of what is ordered, with dozens and `of them`. */
export function countAt(line: TypedLine, index: number, isName: (index: number) => boolean): Counted | null {
  const some = /^(?:a|quite)$/.test(line.at(index)?.word ?? '') ? index + 1 : index;
  if (SOME.has(line.at(some)?.one ?? '') && line.isFree(some))
    return { to: pastOf(line, some + 1), count: null, vague: true, ofThem: false, share: null, article: false };
  const number = numberAt(line, index, isName);
  if (!number) return null;
  const { value, open } = number;
  let { to } = number;
  if (/^[x×*]$/.test(line.at(to)?.word ?? '')) to++;
  const of = pastOf(line, to);
  const whole = !open && Math.abs(value - Math.round(value)) < 1e-9 && value >= 1 && value <= MOST;
  return {
    to: of,
    count: whole ? Math.round(value) : null,
    vague: !whole,
    ofThem: of > to + 1 || (of > to && pointing.test(line.at(of)?.word ?? '')),
    share: !open && value > 0 && value < 1 ? value : null,
    article: line.at(index)?.kind === 'word' && to === index + 1 && value <= 1,
  };
}

/** Reads a number behind a name: `sampler x 2`, `sampler (2)`, `sampler: 2`, `sampler qty 2`, `sampler 2`. */
export function countBehind(line: TypedLine, index: number): { count: number; to: number } | null {
  const sign = line.at(index)?.word ?? '';
  const isSign = /^[x×*(:]$/.test(sign) || quantity.has(sign);
  const opens = sign === '(';
  let at = isSign ? index + 1 : index;
  // `sampler (x2)`, `sampler, qty: 2`
  while (isSign && (/^[x×*:]$/.test(line.at(at)?.word ?? '') || quantity.has(line.at(at)?.word ?? ''))) at++;
  const token = line.at(at);
  if (token?.kind !== 'number' || !line.isFree(at) || !/^\d{1,3}$/.test(token.text)) return null;
  const closes = line.at(at + 1)?.text === ')';
  const isLast = line.at(at + 1) === undefined || line.isParting(at + 1);
  if (opens ? !closes : !isSign && !isLast) return null;
  const count = Number(token.text);
  return count >= 1 && count <= MOST ? { count, to: opens ? at + 2 : at + 1 } : null;
}
