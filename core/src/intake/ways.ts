import type { OrderDraft } from '../order/index.js';
import { phraseBook, TypedLine } from './tokens.js';

export type Way = OrderDraft['handOver']['way'];

const phrases: Readonly<Record<Way, readonly string[]>> = {
  'pick-up': [
    'pick up',
    'picked up',
    'picking up',
    'picks up',
    'pickup',
    'pickups',
    'pick it up',
    'pick them up',
    'pick this up',
    'collect',
    'collects',
    'collected',
    'collecting',
    'collection',
    'porch',
    'come by',
    'coming by',
    'swing by',
    'come over',
    'fetch',
    'in person',
  ],
  stall: ['stall', 'market', 'fair', 'fete'],
  courier: [
    'courier',
    'post',
    'posted',
    'posting',
    'postal',
    'ship',
    'shipped',
    'shipping',
    'parcel',
    'mail',
    'mailed',
    'mailing',
    'deliver',
    'delivered',
    'delivery',
    'send it',
    'send them',
    'sent',
  ],
};

const byPhrase: ReadonlyMap<string, Way> = new Map(
  (Object.entries(phrases) as [Way, readonly string[]][]).flatMap(([way, list]) =>
    list.map((phrase) => [phrase, way] as const),
  ),
);
const wayBook = phraseBook(byPhrase.keys());

/** Words of ways, to put misspelled ones right. */
export const waySpellings: readonly string[] = [...byPhrase.keys()].filter(
  (phrase) => !phrase.includes(' ') && phrase.length > 4,
);

const refusing = new Set(['no', 'not', 'cant', 'cannot', 'dont', 'wont', 'without', 'never']);
/** Words around a way that belong to it. */
const around = new Set([
  'by',
  'via',
  'for',
  'will',
  'ill',
  'can',
  'to',
  'at',
  'from',
  'the',
  'well',
  'i',
  'be',
  'please',
  'it',
  'them',
]);

/** A way of a hand-over that a typed text names. */
export interface FoundWay {
  readonly from: number;
  readonly to: number;
  readonly way: Way;
  readonly place: string;
}

/** The way that begins at a token, if one does and is not refused. */
export function wayAt(line: TypedLine, index: number): { way: Way; to: number } | null {
  if (!line.isFree(index) || refusing.has(line.at(index - 1)?.word ?? '')) return null;
  const found = line.phraseAt(index, wayBook);
  const way = byPhrase.get(found?.phrase ?? '');
  return found && way ? { way, to: found.to } : null;
}

const MOST_WORDS = 8;

/** `at the porch`, `to 12 High Row`, `from the school gate`: a place behind a way. */
function placeAt(line: TypedLine, index: number): { place: string; to: number } | null {
  const word = line.at(index)?.word ?? '';
  if (!line.isFree(index) || !['at', 'to', 'from', 'outside', 'near', 'in', 'via'].includes(word)) return null;
  const the = line.at(index + 1);
  const article = /^(?:the|my|our|her|his|their|your)$/.test(the?.word ?? '');
  const from = article && the?.word === 'the' ? index + 2 : index + 1;
  // `to Ada` is a person, `at 5` a time.
  if (word === 'to' && !article && the?.kind !== 'number') return null;
  if (/^(?:you|me|us|them|him|her|there|here|home|\.)$/.test(the?.word ?? '')) return null;
  if (the?.kind === 'number' && word !== 'to') return null;
  let to = from;
  while (
    to < line.length &&
    to - from < MOST_WORDS &&
    line.isFree(to) &&
    !/^(?:for|on|by|please|pls|and|with|no)$/.test(line.at(to)?.word ?? '')
  )
    to++;
  return to > from ? { place: line.said(from, to), to } : null;
}

/** Every way that a typed text names, with its place, taken away from the rest. */
export function findWays(line: TypedLine): FoundWay[] {
  const found: FoundWay[] = [];
  for (let index = 0; index < line.length; index++) {
    const read = wayAt(line, index);
    if (!read) continue;
    let from = index;
    while (from > 0 && line.isFree(from - 1) && around.has(line.at(from - 1)?.word ?? '')) from--;
    line.claim(from, read.to, 'way');
    const named = line.said(index, read.to).toLowerCase();
    const place = placeAt(line, read.to);
    if (place) line.claim(read.to, place.to, 'place');
    // A porch and a stall are places themselves: `at the First Frost stall`.
    const own = /porch/.test(named) ? 'porch' : '';
    found.push({ from, to: place?.to ?? read.to, way: read.way, place: place?.place ?? own });
    index = (place?.to ?? read.to) - 1;
  }
  return found;
}

/** The way that a text names, or null when it names none, or several. */
export function readWay(text: string): Way | null {
  const ways = new Set(findWays(new TypedLine(text)).map(({ way }) => way));
  const [only] = ways;
  return ways.size === 1 && only !== undefined ? only : null;
}
