import type { OrderDraft } from '../order/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import { indexNames, matchName } from '../reading/index.js';
import { readDay } from './day.js';
import { readExclusion, readWay, type Way } from './words.js';

/** Something that may mean more than one thing. */
export interface QuickQuestion {
  /** Stands for the question when it is answered. */
  readonly key: string;
  readonly text: string;
  readonly choices: readonly { readonly value: string; readonly label: string }[];
}

/** What one typed line says of an order. */
export interface QuickOrder {
  readonly customer: string;
  readonly lines: OrderDraft['lines'];
  readonly on: Day | null;
  readonly way: Way | null;
  readonly place: string;
  readonly exclusions: OrderDraft['exclusions'];
  readonly questions: readonly QuickQuestion[];
  /** What a whole order still lacks: customer, box, day, way. */
  readonly missing: readonly string[];
}

/** A box by its name. */
export interface NamedBox {
  readonly id: string;
  readonly name: string;
}

const countWords: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  dozen: 12,
};
const COUNT = new RegExp(`^(\\d{1,3}|${Object.keys(countWords).join('|')})\\s*(?:x|×)?\\s+(?:of )?(.+)$`, 'i');
const EXCLUDES = /^(?:no|without|free (?:of|from)|must not contain|allergic to)\s+(.+)$/i;
const FREE = /^([a-z ]+)[ -]free$/i;

/** Commas, semicolons, new lines and plus signs part the pieces of a line; `and` only before a number. */
const split = (text: string): string[] =>
  text
    .split(/[,;\n]|\s\+\s|\s&\s|\band\s+(?=\d)|:\s/)
    .map((part) => part.trim())
    .filter((part) => part !== '');

interface Reading {
  customer: string;
  lines: OrderDraft['lines'];
  on: Day | null;
  way: Way | null;
  place: string;
  exclusions: Set<string>;
  questions: QuickQuestion[];
}

function readExclusions(words: string, reading: Reading): void {
  for (const word of words.split(/\s*(?:\/|\bor\b|\band\b|\bno\b)\s*/i).filter(Boolean)) {
    const code = readExclusion(word);
    if (code === null)
      reading.questions.push({
        key: `exclusion ${word}`,
        text: `“no ${word}” is nothing that can be ruled out here.`,
        choices: [],
      });
    else reading.exclusions.add(code);
  }
}

function readBox(
  count: number,
  words: string,
  boxes: readonly NamedBox[],
  answers: ReadonlyMap<string, string>,
  reading: Reading,
): void {
  const key = `box ${words.toLowerCase()}`;
  const index = indexNames(boxes.map((box) => ({ ...box, kind: 'ingredient' as const })));
  const { found, candidates } = matchName(words, index);
  const boxId = answers.get(key) ?? found?.id;
  if (boxId === undefined) {
    const offered = candidates.length > 0 ? candidates : boxes;
    reading.questions.push({
      key,
      text: `Which box is “${words}”?`,
      choices: offered.map(({ id, name }) => ({ value: id, label: name })),
    });
    return;
  }
  const line = reading.lines.find((each) => each.boxId === boxId);
  if (line) line.count += count;
  else reading.lines.push({ boxId, count, edition: null });
}

/** Day, way and place of a hand-over; false when the part holds none of them. */
function readHandOver(part: string, today: Day, answers: ReadonlyMap<string, string>, reading: Reading): boolean {
  const way = readWay(part);
  const rest = way ? part.replace(way.words, ' ') : part;
  const { day, choices, words } = readDay(rest, today);
  if (!way && choices.length === 0) return false;
  if (way) reading.way = way.way;
  if (choices.length > 1) {
    const key = `day ${words}`;
    const answer = answers.get(key);
    if (answer === undefined)
      reading.questions.push({
        key,
        text: `Which day is “${words}”?`,
        choices: choices.map((value) => ({ value, label: sayDay(value) })),
      });
    else reading.on = answer;
  } else if (day !== null) reading.on = day;
  const place = /\b(?:at|to|in)\s+(?:the\s+)?(.{2,})$/i.exec(rest.replace(words, ' ').trim())?.[1];
  if (place !== undefined) reading.place = place.trim();
  return true;
}

/**
 * Reads an order from one typed line: `Odile Marchetti: 3 table box + 1 sampler, pick-up 20 Dec, no sesame`.
 *
 * Nothing is guessed: a word that may mean several boxes or days is a question with its choices.
 * @param answers by the key of a question, what was chosen
 */
export function readQuickOrder(
  text: string,
  boxes: readonly NamedBox[],
  today: Day,
  answers: ReadonlyMap<string, string> = new Map(),
): QuickOrder {
  const reading: Reading = {
    customer: '',
    lines: [],
    on: null,
    way: null,
    place: '',
    exclusions: new Set(),
    questions: [],
  };
  for (const part of split(text)) {
    const excluded = EXCLUDES.exec(part)?.[1] ?? FREE.exec(part)?.[1];
    if (excluded !== undefined) {
      readExclusions(excluded, reading);
      continue;
    }
    const [, number, words] = COUNT.exec(part) ?? [];
    const counted = number !== undefined && words !== undefined;
    // `20 Dec` begins with a number too: a day goes before a box.
    if ((!counted || readDay(part, today).words.startsWith(number)) && readHandOver(part, today, answers, reading))
      continue;
    if (counted) {
      readBox(countWords[number.toLowerCase()] ?? Number(number), words, boxes, answers, reading);
      continue;
    }
    const name = part.replace(/^for\s+/i, '');
    if (reading.customer === '') reading.customer = name;
    else
      reading.questions.push({ key: `words ${part}`, text: `What does “${part}” mean? It is left out.`, choices: [] });
  }
  const missing = [
    ...(reading.customer === '' ? ['the customer'] : []),
    ...(reading.lines.length === 0 ? ['a box'] : []),
    ...(reading.on === null ? ['the day'] : []),
    ...(reading.way === null ? ['pick-up, stall or courier'] : []),
  ];
  return { ...reading, exclusions: [...reading.exclusions], missing };
}
