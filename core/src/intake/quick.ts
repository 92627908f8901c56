import { exclusionName, type NamedThings } from '../ingredient/index.js';
import { lineKey, type OrderDraft } from '../order/index.js';
import { sayDaySeenFrom, type Day } from '../quantity/index.js';
import { findBoxes, isFullName, sureNames, type FoundBox } from './boxes.js';
import { claimCourtesies, findCandidates, trimmed } from './customer.js';
import { dayNames, findDays, type DayOrder, type FoundDay } from './day.js';
import { findExclusions, mentionAt, type FoundExclusion } from './exclusions.js';
import { wordsOfNames, type Shelf } from './shelf.js';
import { findContact, findTimes } from './times.js';
import { phraseBook, TypedLine, type Reading } from './tokens.js';
import { findWays, wayAt, waySpellings, type Way } from './ways.js';

/** Something that may mean more than one thing, or that is not understood. */
export interface QuickQuestion {
  /** Stands for the question when it is answered. */
  readonly key: string;
  readonly text: string;
  readonly choices: readonly { readonly value: string; readonly label: string }[];
}

/** A piece of the typed text and what it was read as; null where it is not understood, '' for white space and marks. */
export interface ReadPart {
  readonly text: string;
  readonly reading: Reading | null | '';
}

/** What one typed line says of an order. */
export interface QuickOrder {
  readonly customer: string;
  readonly contact: string;
  readonly lines: OrderDraft['lines'];
  readonly on: Day | null;
  readonly way: Way | null;
  readonly place: string;
  /** What is ruled out of the whole order; what one box alone must not contain stands with its line. */
  readonly exclusions: OrderDraft['exclusions'];
  /** What was kept as a note: times of a day, and what the maker placed there. */
  readonly notes: string;
  /** Words that a question is still open about: an order that is taken to the form with them keeps them as a note. */
  readonly open: readonly string[];
  /** What was taken for granted. */
  readonly remarks: readonly string[];
  readonly questions: readonly QuickQuestion[];
  /** What a whole order still lacks: customer, box, day, way. */
  readonly missing: readonly string[];
  /** The whole text again, piece by piece. */
  readonly parts: readonly ReadPart[];
}

/** One kind of box that was asked for, and where it stands. */
interface Asked {
  /** Other places of the text that point at it. */
  readonly also: FoundBox[];
  boxId: string;
  count: number;
  readonly found: FoundBox;
  readonly without: Set<string>;
  /** Whether it is a part of what was ordered before: `2 of them`. */
  isPart: boolean;
}

/** Everything that is being put together from one line. */
class Reader {
  readonly line: TypedLine;
  readonly questions: QuickQuestion[] = [];
  readonly notes: { at: number; text: string }[] = [];
  readonly remarks: string[] = [];
  readonly open: string[] = [];
  readonly exclusions = new Set<string>();
  asked: Asked[] = [];

  constructor(
    text: string,
    readonly shelf: Shelf,
    readonly today: Day,
    readonly order: DayOrder,
    private readonly answers: ReadonlyMap<string, string>,
  ) {
    this.line = new TypedLine(text);
  }

  /** Names of what single exclusions stand for. */
  get names(): NamedThings {
    return {
      ingredients: new Map(this.shelf.ingredients.map((each) => [each.id, each])),
      pieces: new Map(this.shelf.pieces.map((piece) => [piece.id, { piece }])),
    };
  }

  say(codes: readonly string[]): string {
    return codes.map((code) => exclusionName(code, this.names)).join(', ');
  }

  /** The answer to a question; while there is none, the question is asked and its words are kept open. */
  ask(key: string, text: string, choices: QuickQuestion['choices'], words = ''): string | null {
    const answer = this.answers.get(key);
    if (answer !== undefined && choices.some(({ value }) => value === answer)) return answer;
    if (!this.questions.some((question) => question.key === key)) this.questions.push({ key, text, choices });
    if (words !== '') this.open.push(words);
    return null;
  }

  note(from: number, to: number): void {
    this.line.claim(from, to, 'note');
    this.notes.push({ at: from, text: this.line.said(from, to) });
  }
}

/** Words that are put right where they are misspelled, wherever they stand. */
const keywords: readonly string[] = [
  'allergic',
  'allergy',
  'allergies',
  'without',
  'intolerant',
  'intolerance',
  'gluten',
  'dairy',
  'lactose',
  'vegan',
  'vegetarian',
  'coeliac',
  'celiac',
  'excluding',
  ...waySpellings,
];

/** Greetings of a season: no day of a hand-over. */
const seasonBook = phraseBook([
  'merry christmas',
  'happy christmas',
  'happy new year',
  'happy holidays',
  'merry xmas',
  'happy xmas',
]);

function findSpelling({ line, shelf, remarks }: Reader): void {
  const names = wordsOfNames(shelf);
  remarks.push(...line.mend(keywords, ({ word, one }) => !names.has(word) && !names.has(one)));
}

/** What is ruled out, and the boxes whose very name says so. */
function readExclusions(reader: Reader): { found: readonly FoundExclusion[]; named: readonly FoundExclusion[] } {
  const { line, shelf, today, order } = reader;
  const whole = sureNames(line, shelf.boxes).filter(({ from, to }) => isFullName(line, from, to, shelf.boxes));
  const others = new Set(
    [...findDays(line, today, order), ...sureNames(line, shelf.boxes)].flatMap(({ from, to }) => range(from, to)),
  );
  const { found, remarks } = findExclusions(line, shelf, (index) => others.has(index) || wayAt(line, index) !== null);
  reader.remarks.push(...remarks);
  const named = found.filter((each) => whole.some(({ from, to }) => each.from < to && each.to > from));
  for (const { from, to } of whole) if (named.some((each) => each.from < to && each.to > from)) line.release(from, to);
  return { found, named };
}

const range = (from: number, to: number): number[] => Array.from({ length: to - from }, (_each, at) => from + at);

/** The answer that words are no day. */
const NO_DAY = 'no day';

/** Finds misspelled words that are near to a day: `20 Decemer`. Where another day is said, only those that stand beside it. */
function nearDay({ line, shelf, today, order }: Reader, days: readonly FoundDay[]): FoundDay | undefined {
  const names = wordsOfNames(shelf);
  const meant = line.guesses(dayNames, ({ word, one }) => !names.has(word) && !names.has(one), true);
  if (meant.size === 0) return undefined;
  return line
    .readAs(meant, () => findDays(line, today, order))
    .find(
      ({ from, to }) =>
        range(from, to).some((index) => meant.has(index)) &&
        (days.length === 0 || days.some((day) => day.from < to && day.to > from)),
    );
}

/** Asks whether words are the day that they are near to. @returns undefined when they are no day */
function guessDay(reader: Reader, { from, to, choices }: FoundDay): Day | null | undefined {
  const { line, today } = reader;
  const words = line.said(from, to);
  const answer = reader.ask(
    `day ${words}`,
    `“${words}”: is that a day?`,
    [
      ...choices.map((value) => ({ value, label: sayDaySeenFrom(value, today) })),
      { value: NO_DAY, label: 'No, something else' },
    ],
    words,
  );
  if (answer === NO_DAY) return undefined;
  line.claim(from, to, 'day');
  return answer;
}

function readDays(reader: Reader): Day | null {
  const { line, today, order } = reader;
  const days = findDays(line, today, order);
  const near = nearDay(reader, days);
  const guess = near && guessDay(reader, near);
  if (guess !== undefined) return guess;
  for (const { from, to } of days) line.claim(from, to, 'day');
  const [first, ...others] = days;
  if (!first) return null;
  const words = days.map(({ from, to }) => line.said(from, to)).join(', ');
  const choices = [...new Set(days.flatMap((day) => day.choices))].sort();
  const same = choices.length === 1 && days.every(({ why }) => why === '');
  if (same) return choices[0] ?? null;
  const why = others.length > 0 ? 'which day is meant?' : first.why;
  return reader.ask(
    `day ${words}`,
    `“${words}”: ${why}${choices.length > 0 ? '' : why.endsWith('?') ? ' Write the day.' : ': write the day.'}`,
    choices.map((value) => ({ value, label: sayDaySeenFrom(value, today) })),
    words,
  );
}

function readWays(reader: Reader): { way: Way | null; place: string } {
  const found = findWays(reader.line);
  const ways = [...new Set(found.map(({ way }) => way))];
  const place = found.map((each) => each.place).find((each) => each !== '') ?? '';
  const [only] = ways;
  if (ways.length <= 1) return { way: only ?? null, place };
  const words = found.map(({ from, to }) => reader.line.said(from, to)).join(', ');
  const way = reader.ask(
    `way ${words}`,
    `“${words}”: which way of hand-over is meant?`,
    ways.map((value) => ({ value, label: value })),
    words,
  );
  return { way: way as Way | null, place };
}

/** Numbers that are offered where none is said. */
const OFFERED = [1, 2, 3, 4, 5, 6, 8, 10, 12];

/** The answer that words are no box. */
const NO_BOX = 'no box';

/** Which box and how many of it, by the words or by an answer. */
function decideBox(reader: Reader, found: FoundBox): Asked | null {
  const { line, shelf } = reader;
  const said = line.said(found.from, found.to);
  const before = [...new Set(reader.asked.map(({ boxId }) => boxId))];
  const referred = found.boxes.length === 0 && found.ofThem ? shelf.boxes.filter(({ id }) => before.includes(id)) : [];
  const choices = found.boxes.length > 0 ? found.boxes : referred.length > 0 ? referred : shelf.boxes;
  const sure = choices.length === 1 && !found.guessed && (found.boxes.length === 1 || referred.length === 1);
  const boxId = sure
    ? (choices[0]?.id ?? null)
    : reader.ask(
        `box ${said.toLowerCase()}`,
        found.guessed
          ? `“${said}”: did you mean ${choices.map(({ name }) => name).join(' or ')}?`
          : `Which box is “${said}”?`,
        [
          ...choices.map(({ id, name }) => ({ value: id, label: name })),
          ...(found.guessed ? [{ value: NO_BOX, label: 'Something else' }] : []),
        ],
        said,
      );
  // What is no box after all is free for another reading.
  if (boxId === NO_BOX) line.release(found.from, found.to);
  if (boxId === null || boxId === NO_BOX) return null;
  if (sure) reader.remarks.push(...found.remarks);
  let { count } = found;
  const part = found.share === null || !found.ofThem ? 0 : found.share * countOf(reader, boxId);
  if (count === null && part >= 1 && Number.isInteger(part)) count = part;
  if (count === null && refersTo(reader, found, boxId) === undefined && (found.plural || found.vague)) {
    const answer = reader.ask(
      `count ${said.toLowerCase()}`,
      `How many is “${said}”?`,
      OFFERED.map((value) => ({ value: String(value), label: String(value) })),
      said,
    );
    if (answer === null) return null;
    count = Number(answer);
  }
  return { boxId, count: count ?? 1, found, also: [], without: new Set(), isPart: false };
}

/** How many there are already of a box. */
const countOf = ({ asked }: Reader, boxId: string): number =>
  asked.reduce((sum, each) => (each.boxId === boxId ? sum + each.count : sum), 0);

/** What was asked for before and may be meant again. */
const refersTo = ({ asked }: Reader, { refers }: FoundBox, boxId: string): Asked | undefined =>
  refers === 'no' ? undefined : asked.findLast((each) => each.boxId === boxId);

/** Whether a box that is named again without a number is one more. */
const askAgain = (reader: Reader, { from, to }: FoundBox): string | null => {
  const said = reader.line.said(from, to);
  return reader.ask(`again ${said.toLowerCase()}`, `“${said}” is named again: one more of it?`, [
    { value: 'same', label: 'No, those above' },
    { value: 'more', label: 'One more' },
  ]);
};

/** Whether as many as were ordered are the same ones. */
const askAll = (reader: Reader, { from, to }: FoundBox): string | null => {
  const said = reader.line.said(from, to);
  return reader.ask(`all ${said.toLowerCase()}`, `“${said}”: are these the ones above, or more boxes?`, [
    { value: 'same', label: 'The ones above' },
    { value: 'more', label: 'More boxes' },
  ]);
};

/** Whether more than are left of what was ordered are that many more. */
const askMore = (reader: Reader, { from, to }: FoundBox): string | null => {
  const said = reader.line.said(from, to);
  return reader.ask(`more ${said.toLowerCase()}`, `“${said}” is more than is left of them: are these more boxes?`, [
    { value: 'more', label: 'Yes, more boxes' },
    { value: 'none', label: 'No, I’ll type it again' },
  ]);
};

function readBoxes(reader: Reader): void {
  const { line, shelf } = reader;
  for (const found of findBoxes(line, shelf.boxes)) {
    const asked = decideBox(reader, found);
    if (!asked) continue;
    const meant = refersTo(reader, found, asked.boxId);
    if (meant && (found.refers === 'surely' || askAgain(reader, found) !== 'more')) {
      meant.also.push(found);
      continue;
    }
    // `3 samplers, one of them without nuts, one without milk`: each one is of the three, never of the one before.
    const whole = found.ofThem
      ? reader.asked.findLast((each) => each.boxId === asked.boxId && !each.isPart)
      : undefined;
    // `2 table boxes, 2 without nuts`: all of them, or two more?
    const isAll =
      whole?.count === asked.count && !/\b(?:of|them|those|these|which)\b/i.test(line.said(found.from, found.to));
    if (isAll) {
      if (askAll(reader, found) !== 'more') {
        whole.also.push(found);
        continue;
      }
    } else if (whole && whole.count >= asked.count) {
      whole.count -= asked.count;
      asked.isPart = true;
    } else if (whole && askMore(reader, found) !== 'more') continue;
    reader.asked.push(asked);
  }
  reader.asked = reader.asked.filter(({ count }) => count > 0);
}

/** The box that words which rule something out stand beside, nothing that parts them between. */
function besideBox({ line, asked }: Reader, { from, to }: FoundExclusion): Asked | null {
  const clear = (start: number, end: number) =>
    range(start, end).every((index) => !line.isParting(index) || line.at(index)?.text === '(');
  const places = asked
    .flatMap((each) => [each.found, ...each.also].map((found) => ({ each, found })))
    .sort((a, b) => a.found.from - b.found.from);
  const after = places.find(({ found }) => found.from >= to);
  const between = after ? range(to, after.found.from).map((index) => line.at(index)?.word ?? '') : [];
  const close = after && clear(to, after.found.from) && !between.some((word) => /^(?:for|and|on)$/.test(word));
  // `no nuts in the sampler`
  if (close && after.found.refers === 'surely' && between.length > 0) return after.each;
  const before = places.findLast(({ found }) => found.to <= from);
  if (before && clear(before.found.to, from) && line.at(before.found.to)?.text !== ')') return before.each;
  return close ? after.each : null;
}

/** What of the order an exclusion holds for. */
function place(reader: Reader, each: FoundExclusion, isNamed: boolean): void {
  const { line, asked, exclusions } = reader;
  const words = line.said(each.from, each.to);
  const inside = asked.find(({ found }) => found.from <= each.from && found.to >= each.to);
  const beside = inside ?? besideBox(reader, each);
  const pointed = beside?.also.some(({ from }) => range(each.to, from).length <= 2 && from >= each.to) ?? false;
  const put = (target: Set<string>) => {
    for (const code of each.codes) target.add(code);
  };
  if (beside && (isNamed || pointed || beside.found.ofThem)) put(beside.without);
  else if (!beside || asked.length < 2) put(exclusions);
  else {
    const name = reader.shelf.boxes.find(({ id }) => id === beside.boxId)?.name ?? beside.boxId;
    const answer = reader.ask(`scope ${words.toLowerCase()}`, `“${words}”: for which boxes does it hold?`, [
      { value: 'all', label: 'The whole order' },
      { value: 'box', label: `${String(beside.count)} × ${name} only` },
    ]);
    put(answer === 'box' ? beside.without : exclusions);
  }
}

/** Every exclusion into the order, or asked about; none is ever dropped. */
function placeExclusions(reader: Reader, all: readonly FoundExclusion[], named: readonly FoundExclusion[]): void {
  const { line } = reader;
  for (const each of all) {
    const words = line.said(each.from, each.to);
    const keep = { value: 'note', label: `Keep “${words}” as a note` };
    const ruledOut = { value: 'rule out', label: `Rule out ${reader.say(each.codes)}` };
    if (each.kind === 'ruled out') {
      place(reader, each, named.includes(each));
      continue;
    }
    const [text, choices] =
      each.kind === 'unknown'
        ? ([`“${words}” names nothing that is in your pantry.`, [keep]] as const)
        : each.kind === 'unclear'
          ? ([`“${words}”: is it to be ruled out?`, [ruledOut, keep]] as const)
          : ([
              `“${words}” is more than the facts of ingredients can settle.`,
              each.codes.length > 0
                ? [{ ...ruledOut, label: `${ruledOut.label}, and keep the words as a note` }, keep]
                : [keep],
            ] as const);
    const answer = reader.ask(`exclusion ${words.toLowerCase()}`, text, choices, words);
    if (answer === 'rule out') place(reader, each, false);
    if (answer !== null && (answer === 'note' || each.kind === 'beyond'))
      reader.notes.push({ at: each.from, text: words });
  }
}

function readCustomer(reader: Reader): string {
  const { line, shelf } = reader;
  const candidates = findCandidates(line, shelf.customers);
  const most = Math.max(0, ...candidates.map(({ weight }) => weight));
  const best = candidates.filter(({ weight }) => weight === most);
  const names = [...new Set(best.map(({ name }) => name))];
  const [only] = names;
  for (const each of candidates) if (each.weight === 0 && most > 1) line.claim(each.from, each.to, 'courtesy');
  if (only === undefined) return '';
  const claim = (name: string) => {
    for (const each of candidates) {
      if (each.name.toLowerCase() !== name.toLowerCase()) continue;
      line.claim(each.cue, each.from, 'courtesy');
      line.claim(each.from, each.to, 'customer');
    }
    return name;
  };
  if (names.length === 1 && most > 1) return claim(only);
  const said = names.join(', ');
  const answer = reader.ask(
    `customer ${said.toLowerCase()}`,
    names.length > 1 ? 'Who is the customer?' : `Is “${only}” the customer?`,
    names.map((value) => ({ value, label: value })),
    said,
  );
  for (const each of best) line.claim(each.from, each.to, 'customer');
  if (answer === null) return '';
  for (const { from, name } of best)
    if (name !== answer && !reader.notes.some(({ text }) => text === name)) reader.notes.push({ at: from, text: name });
  return answer;
}

/** What nothing has read: it stays to be seen, and is asked about. */
function readRest(reader: Reader, customer: string): { customer: string; rest: ReadonlySet<number> } {
  const { line } = reader;
  const rest = new Set<number>();
  let name = customer;
  for (const run of line.freeRuns()) {
    const said = trimmed(line, run.from, run.to);
    if (said.from >= said.to) continue;
    const [from, to] = said.quote;
    const words = line.said(from, to);
    const mention = mentionAt(line, from, to);
    const code = mention?.code;
    const answer = reader.ask(
      `words ${words.toLowerCase()}`,
      code === undefined ? `“${words}” is not understood.` : `“${words}”: is ${reader.say([code])} to be ruled out?`,
      [
        ...(code === undefined ? [] : [{ value: 'rule out', label: `Rule out ${reader.say([code])}` }]),
        ...(name === '' && to - from <= 5 ? [{ value: 'customer', label: 'It is the customer' }] : []),
        { value: 'note', label: 'Keep it as a note' },
      ],
      words,
    );
    if (answer === null) range(from, to).forEach((index) => rest.add(index));
    if (answer === 'rule out' && code !== undefined) {
      reader.exclusions.add(code);
      reader.note(from, to);
    }
    if (answer === 'note') reader.note(from, to);
    if (answer === 'customer') {
      name = words;
      line.claim(from, to, 'customer');
    }
  }
  claimCourtesies(line, rest);
  return { customer: name, rest };
}

/** The boxes that were asked for as lines of an order: alike ones together. */
function linesOf({ asked, exclusions }: Reader): OrderDraft['lines'] {
  const lines = new Map<string, OrderDraft['lines'][number]>();
  for (const { boxId, count, without } of asked) {
    const line = { boxId, count, edition: null, without: [...without].filter((code) => !exclusions.has(code)).sort() };
    const same = lines.get(lineKey(line));
    lines.set(lineKey(line), same ? { ...same, count: same.count + count } : line);
  }
  return [...lines.values()];
}

/** The text in pieces, each with its reading. */
function partsOf(line: TypedLine, rest: ReadonlySet<number>): ReadPart[] {
  const parts: { text: string; reading: ReadPart['reading'] }[] = [];
  let at = 0;
  line.tokens.forEach((token, index) => {
    if (token.from > at) parts.push({ text: line.text.slice(at, token.from), reading: '' });
    const reading = rest.has(index) ? null : token.kind === 'mark' ? '' : line.readingOf(index);
    parts.push({ text: token.text, reading });
    at = token.to;
  });
  if (at < line.text.length) parts.push({ text: line.text.slice(at), reading: '' });
  return parts;
}

/**
 * Reads an order from what people write: `Odile Marchetti: 3 table box + 1 sampler, pick-up 20 Dec, no sesame`, or a whole message.
 *
 * Every word belongs to one reading: customer, contact, number, box, way, place, day, exclusion, note, or mere politeness. What belongs to
 * none is a question, and so is what may mean several things. Words that rule something out are found first, wherever they stand, and
 * every one of them is in the order, whatever the answers are.
 * @param answers by the key of a question, what was chosen
 */
export function readQuickOrder(
  text: string,
  shelf: Shelf,
  today: Day,
  answers: ReadonlyMap<string, string> = new Map(),
  dayOrder: DayOrder = 'unknown',
): QuickOrder {
  const reader = new Reader(text, shelf, today, dayOrder, answers);
  const { line } = reader;
  const contact = findContact(line);
  for (let index = 0; index < line.length; index++) {
    const greeting = line.phraseAt(index, seasonBook);
    if (greeting) line.claim(index, greeting.to, 'courtesy');
  }
  findSpelling(reader);
  const { found, named } = readExclusions(reader);
  for (const { from, to } of findTimes(line)) reader.note(from, to);
  const on = readDays(reader);
  const { way, place: where } = readWays(reader);
  readBoxes(reader);
  placeExclusions(reader, found, named);
  range(0, line.length).forEach((index) => {
    // What is welcome was kept as a note while exclusions were looked for.
    if (line.readingOf(index) === 'note' && line.readingOf(index - 1) !== 'note') {
      let to = index;
      while (line.readingOf(to) === 'note') to++;
      if (!reader.notes.some(({ at }) => at >= index && at < to)) reader.note(index, to);
    }
  });
  const { customer, rest } = readRest(reader, readCustomer(reader));
  const lines = linesOf(reader);
  const missing = [
    ...(customer === '' ? ['the customer'] : []),
    ...(lines.length === 0 ? ['a box'] : []),
    ...(on === null ? ['the day'] : []),
    ...(way === null ? ['pick-up, stall or courier'] : []),
  ];
  return {
    customer,
    contact,
    lines,
    on,
    way,
    place: where,
    exclusions: [...reader.exclusions],
    notes: [...reader.notes]
      .sort((a, b) => a.at - b.at)
      .map((each) => each.text)
      .join('; '),
    open: reader.open,
    remarks: [...new Set(reader.remarks)],
    questions: reader.questions,
    missing,
    parts: partsOf(line, rest),
  };
}
