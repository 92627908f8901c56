import { closest } from '../reading/index.js';
import { noPictures, substancePictures, substanceWords } from './lexicon.js';
import { phraseBook, type Reading, type TypedLine } from './tokens.js';

const wordsOf = (text: string): ReadonlySet<string> => new Set(text.split(/\s+/));

/** Words of politeness, and those that hold a sentence together: they say nothing of the order. */
const courtesies = wordsOf(
  `hi hello hey hiya howdy dear good morning afternoon evening day please pls plz plse thanks thank thx thankyou ta tia cheers kind
  regards best wishes love xx xxx x xoxo can could may might would will wd id ill im ive we us i me my mine you u ur your yours he shes hes
  she they his her their its it this that these those the a an get gets have has having got had like likes order orders ordering ordered
  reserve save send book place take need needs want wants wanted buy after looking look put down make makes for from of to with in on at by as is
  are be am was were and also plus just so then again too both all each total if possible box boxes tin tins bag bags them one
  some very much many lovely great yes ok okay do does let know hope well when there here how about up any more around about ready come
  comes coming go going happy merry wonderful yummy delicious name customer quick really`,
);

/** Who an exclusion may be for: polite words where they stand beside one. */
const relations = wordsOf(
  `family daughter son wife husband mum mom dad mother father sister brother partner friend friends kid kids child children someone
  person people guest guests girl boy lad lass niece nephew cousin grandson granddaughter colleague neighbour neighbor hubby toddler baby
  who because since severe severely very strictly badly serious bad contain contains containing careful life threatening`,
);

/** What is said around a telephone number. */
const calling = wordsOf('ring call text phone tel telephone mobile number email mail contact reach whatsapp message');

/** Words that begin a sentence with a capital and are no names. */
const notNames = wordsOf(
  `urgent reminder note new rush asap question update sorry attention important birthday wedding office party re fw fwd extra leave saw
  send give save bring drop keep hold book make pack wrap add include ship post mail deliver collect pick get take buy put set write say
  tell call ring text email remember met love ordered paid deposit no not without also plus sat sun mon tue wed thu fri`,
);

/** Words that give a sentence another meaning: they are never mere politeness. */
const weighty = wordsOf(
  'no not without except but instead only unless or either maybe perhaps allergy allergic never nor',
);

const isCourtesy = (word: string): boolean => courtesies.has(word) && !weighty.has(word);

/** Tells whether a word often stands in an order and says nothing of how much there is. */
export const isUsual = (word: string): boolean =>
  courtesies.has(word) || relations.has(word) || calling.has(word) || notNames.has(word) || weighty.has(word);

/** A polite word, misspelled or not. */
function isPolite(word: string): boolean {
  if (isCourtesy(word)) return true;
  if (weighty.has(word) || substanceWords.has(word) || word.length < 5) return false;
  return (
    closest(word, ['please', 'thanks', 'could', 'would', 'order', 'hello', 'morning', 'evening', 'possible']) !== null
  );
}

const titles = /^(?:mrs?|ms|miss|dr|prof|rev|sir|madam|aunt|auntie|uncle|granny|gran|grandma|grandpa|the)$/;
const particles = /^(?:de|van|von|der|la|le|del|di|al|bin|ap|mac)$/;

/** Somebody who may be the customer. */
export interface Candidate {
  readonly from: number;
  readonly to: number;
  readonly name: string;
  /** How sure it is: 3 said so, 2 stands where names stand, 1 may be one and is asked about, 0 is greeted. */
  readonly weight: 0 | 1 | 2 | 3;
  /** Where the words begin that say so. */
  readonly cue: number;
}

const isCapital = (text: string): boolean => /^\p{Lu}/u.test(text);
const MOST_WORDS = 4;

/** Whether a word can be a part of a name: written large, and no substance but behind another name. */
function isNameWord(line: TypedLine, index: number, start: number): boolean {
  const token = line.at(index);
  if (token?.kind !== 'word' || !line.isFree(index) || !isCapital(token.text)) return false;
  if (notNames.has(token.word) || weighty.has(token.word)) return false;
  return index > start ? true : !isCourtesy(token.word) && !substanceWords.has(token.one);
}

/** Where a name that begins at a token ends; the token itself when none does. */
function nameTo(line: TypedLine, index: number): number {
  let at = index;
  let to = index;
  if (titles.test(line.at(at)?.word ?? '') && line.isFree(at)) {
    at++;
    if (line.at(at)?.text === '.' && !line.isParting(at)) at++;
  }
  while (at - index < 2 * MOST_WORDS) {
    if (isNameWord(line, at, to === index ? at : index)) to = at + 1;
    else {
      // `Anna-Lise`, `J. Smith`, `Jo & Pat`, `Jo van Dyk`
      const token = line.at(at);
      const mark = token?.kind === 'mark' && ['.', '-', '&', '’', "'"].includes(token.text) && !line.isParting(at);
      const joins = token?.word === 'and' || particles.test(token?.word ?? '');
      if (to === index || !(mark || joins) || !isNameWord(line, at + 1, index)) break;
    }
    at++;
  }
  return to;
}

const CUES: ReadonlyMap<string, 2 | 3> = new Map<string, 2 | 3>([
  ['my name is', 3],
  ['name is', 3],
  ['name', 3],
  ['customer', 3],
  ['this is', 3],
  ['it is', 3],
  ['its', 3],
  ['i am', 3],
  ['im', 3],
  ['for', 3],
  ['from', 3],
  ['to', 2],
  ['send', 2],
  ['give', 2],
  ['love', 3],
  ['regards', 3],
  ['wishes', 3],
  ['cheers', 2],
  ['thanks', 2],
  ['thank you', 2],
  ['thx', 2],
  ['ta', 2],
]);
const cueBook = phraseBook(CUES.keys());
/** Behind these even a name in small letters may be one. */
const introduces = /^(?:my name is|name is|name|customer|this is|it is|its|i am|im)$/;
const greetings = /^(?:hi|hello|hey|hiya|dear|morning|afternoon|evening)$/;
/** What a person does who orders: `Jo would like`. */
const wants = /^(?:have|get|would|wants?|needs?|asked|asks|orders?|ordered|here|said|takes|will|gets|has|is|likes?)$/;
/** Words that may stand between a name and the end of what it stands in. */
const behindName = /^(?:please|pls|plz|thanks|thx|x|xx|xxx|and)$/;

/** Whether nothing but polite words stands behind a name, up to what parts it from the rest. */
function standsAlone(line: TypedLine, index: number): boolean {
  let at = index;
  while (line.isFree(at) && behindName.test(line.at(at)?.word ?? '')) at++;
  return at >= line.length || !line.isFree(at);
}

/** Everybody that a typed text names, by words that nothing else has read. */
export function findCandidates(line: TypedLine, customers: readonly string[]): Candidate[] {
  const found: Candidate[] = [];
  const known = new Map(customers.map((name) => [name.toLowerCase(), name]));
  const add = (from: number, to: number, weight: Candidate['weight'], cue = from) => {
    const taken = found.some((each) => from < each.to && to > each.from);
    const said = line.said(from, to).replace(/[’']s$/, '');
    if (to > from && !taken) found.push({ from, to, name: known.get(said.toLowerCase()) ?? said, weight, cue });
  };
  for (let index = 0; index < line.length; index++) {
    if (!line.isFree(index)) continue;
    for (let end = Math.min(line.length, index + MOST_WORDS); end > index; end--)
      if (known.has(line.said(index, end).toLowerCase())) add(index, end, 3);
  }
  for (let index = 0; index < line.length; index++) {
    if (!line.isFree(index)) continue;
    const cue = line.phraseAt(index, cueBook);
    const weight = CUES.get(cue?.phrase ?? '') ?? 2;
    const behind = cue?.to ?? index;
    const passes = line.at(behind)?.text === ':' || (cue && weight === 2 && line.at(behind)?.text === ',');
    const at = passes ? behind + 1 : behind;
    if (greetings.test(line.at(index)?.word ?? '')) add(index + 1, nameTo(line, index + 1), 0, index);
    else if (cue && at > index) {
      add(at, nameTo(line, at), weight, index);
      const lower = line.at(at);
      if (introduces.test(cue.phrase) && lower?.kind === 'word' && line.isFree(at) && !isPolite(lower.word))
        add(at, at + 1, 1, index);
    }
  }
  for (const run of line.freeRuns()) {
    let { from } = run;
    while (
      from < run.to &&
      (line.at(from)?.kind === 'mark' || isPolite(line.at(from)?.word ?? '')) &&
      nameTo(line, from) === from
    )
      from++;
    const to = nameTo(line, from);
    const next = line.at(to);
    const isHead = run.from === 0;
    if (to > from) {
      if ((isHead && next?.text === ':') || wants.test(next?.word ?? '')) add(from, to, 3);
      else if (standsAlone(line, to)) add(from, to, 2);
      else if (isHead) add(from, to, 1);
      continue;
    }
    // In small letters only at the head of a line, and before a colon without being asked about.
    const word = line.at(from);
    if (!isHead || from !== run.from || word?.kind !== 'word' || isPolite(word.word) || weighty.has(word.word))
      continue;
    const end =
      line.at(from + 1)?.kind === 'word' && line.isFree(from + 1) && line.at(from + 2)?.text === ':'
        ? from + 2
        : from + 1;
    if (line.at(end)?.text === ':' && !substanceWords.has(word.one)) add(from, end, 3);
    else if (standsAlone(line, from + 1) && !substanceWords.has(word.one)) add(from, from + 1, 1);
  }
  return found;
}

/** Words of mere politeness: left away from the ends of what is quoted. */
const polite = wordsOf('hi hello hey please pls plz thanks thank thx cheers and also just so');

/** Free words that say something, without the polite ones at their ends; the quote goes on to where the words around it end. */
export function trimmed(
  line: TypedLine,
  from: number,
  to: number,
): { readonly from: number; readonly to: number; readonly quote: readonly [from: number, to: number] } {
  const near = (index: number, step: number): Reading | null => {
    let at = index;
    while (line.at(at)?.kind === 'mark') at += step;
    return line.readingOf(at);
  };
  const beside = (reading: Reading) => near(from - 1, -1) === reading || near(to, 1) === reading;
  const [besideWish, besideContact] = [beside('exclusion'), beside('contact')];
  const says = (index: number) => {
    const token = line.at(index);
    if (!token || !line.isFree(index)) return false;
    if (token.kind === 'emoji') return substancePictures.has(token.text) || noPictures.has(token.text);
    if (token.kind === 'number') return true;
    const empty =
      isPolite(token.word) || (besideWish && relations.has(token.word)) || (besideContact && calling.has(token.word));
    return token.kind === 'word' && !empty;
  };
  let [start, end] = [from, to];
  while (start < end && !says(start)) start++;
  while (end > start && !says(end - 1)) end--;
  if (start >= end) return { from: start, to: start, quote: [start, start] };
  let [first, last] = [from, to];
  const isMere = (index: number) =>
    index !== start && (line.at(index)?.kind !== 'word' || polite.has(line.at(index)?.word ?? ''));
  while (first < start && isMere(first)) first++;
  while (last > end && isMere(last - 1)) last--;
  return { from: start, to: end, quote: [first, last] };
}

/** Takes polite words and pictures that say nothing away from the rest. @param asked what is asked about */
export function claimCourtesies(line: TypedLine, asked: ReadonlySet<number>): void {
  line.tokens.forEach((_token, index) => {
    if (line.isFree(index) && !asked.has(index)) line.claim(index, index + 1, 'courtesy');
  });
}
