import { ruledOut } from '../ingredient/index.js';
import { closest } from '../reading/index.js';
import {
  between,
  beyondFacts,
  dietWords,
  idioms,
  negators,
  sparing,
  noPictures,
  phraseOf,
  substancePictures,
  substanceSpellings,
  substanceWords,
  suffixes,
  welcome,
} from './lexicon.js';
import { knownThings, once, thingsNamed, thingWords, wordsOfThing, type Known, type Shelf } from './shelf.js';
import { phraseBook, type TypedLine } from './tokens.js';

/** Words that rule something out, and where they stand. */
export interface FoundExclusion {
  readonly from: number;
  readonly to: number;
  /** Codes of what is ruled out; empty where the words name nothing that is known. */
  readonly codes: readonly string[];
  /** `ruled out`: no doubt. `unknown`: it is not known what. `unclear`: it may not be meant. `beyond`: no fact of an ingredient settles it. */
  readonly kind: 'ruled out' | 'unknown' | 'unclear' | 'beyond';
}

/** What was found of a text, and what was taken for granted. */
export interface FoundExclusions {
  readonly found: readonly FoundExclusion[];
  readonly remarks: readonly string[];
}

const negatorBook = phraseBook(negators);
const suffixBook = phraseBook(suffixes);
const idiomBook = phraseBook(idioms);
const welcomeBook = phraseBook(welcome);

const MOST_WORDS = 5;
/** Words that end an exclusion that is not known. */
const stops = new Set(
  'please pls plz thanks thank thx cheers for to on at by and but or in from with of is are if as who which that i we they he she can could will would'.split(
    ' ',
  ),
);
/** Sayings of an allergy that may stand before or behind what it is to, with a colon or a dash between. */
const loose = new Set(['allergy', 'allergic', 'intolerant', 'allergy is', 'allergy are']);
const separators = new Set([',', '/', '&', '+', 'and', 'or', 'nor', 'no', 'plus', 'any', 'also']);

interface Item {
  readonly to: number;
  readonly codes: readonly string[];
  readonly remark: string | null;
}

/** All that can be ruled out, as words. */
interface Vocabulary {
  readonly things: readonly Known[];
  /** Words with which a name may begin. */
  readonly words: ReadonlySet<string>;
  /** Words to which misspelled ones are put right. */
  readonly spellings: readonly string[];
}

const firstWords = [...substanceWords.keys(), ...dietWords.keys()].map((phrase) => phrase.split(' ')[0] ?? '');

const vocabularyOf = once((shelf): Vocabulary => ({
  things: knownThings(shelf),
  words: new Set([...firstWords, ...thingWords(shelf)]),
  spellings: [...new Set([...substanceSpellings, ...knownThings(shelf).flatMap(wordsOfThing)])],
}));
const noThings: Vocabulary = { things: [], words: new Set(firstWords), spellings: substanceSpellings };

const codesOf = (things: readonly Known[]): string[] => things.map(({ noun, id }) => ruledOut(noun, id));

/** The words from a token on, hyphens left out, each with the index after it. */
function wordsFrom(line: TypedLine, index: number): { word: string; to: number }[] {
  const words: { word: string; to: number }[] = [];
  let at = index;
  while (words.length < MOST_WORDS) {
    at = words.length === 0 ? at : line.past(at);
    const token = line.at(at);
    if (token?.kind !== 'word' || !line.isFree(at)) break;
    at++;
    words.push({ word: token.one, to: at });
  }
  return words;
}

/** One thing that can be ruled out, named at a token; the longest name goes first. */
function itemAt(line: TypedLine, index: number, vocabulary: Vocabulary): Item | null {
  const picture = line.at(index)?.kind === 'emoji' ? substancePictures.get(line.at(index)?.text ?? '') : undefined;
  if (picture !== undefined) return { to: index + 1, codes: [picture], remark: null };
  if (!vocabulary.words.has(line.at(index)?.one ?? '')) return null;
  const words = wordsFrom(line, index);
  for (let length = words.length; length > 0; length--) {
    const phrase = words
      .slice(0, length)
      .map(({ word }) => word)
      .join(' ');
    const to = words[length - 1]?.to ?? index;
    const named = thingsNamed(phrase, vocabulary.things);
    const substance = substanceWords.get(phrase) ?? dietWords.get(phrase);
    if (substance !== undefined)
      return { to, codes: [substance, ...(named.exact ? codesOf(named.things) : [])], remark: null };
    if (named.things.length > 0) return { to, codes: codesOf(named.things), remark: null };
  }
  return null;
}

/** The same for a word that may be misspelled. */
function nearItemAt(line: TypedLine, index: number, vocabulary: Vocabulary): Item | null {
  const token = line.at(index);
  if (token?.kind !== 'word' || !line.isFree(index)) return null;
  const meant = closest(token.word, vocabulary.spellings);
  if (meant === null) return null;
  const { word, one } = token;
  token.word = meant;
  token.one = phraseOf(meant);
  const item = itemAt(line, index, vocabulary);
  if (!item) Object.assign(token, { word, one });
  return item && { ...item, remark: `“${token.text}” was read as “${meant}”.` };
}

interface List {
  readonly to: number;
  readonly codes: readonly string[];
  readonly remarks: readonly string[];
}

/**
 * `nuts, sesame or egg`: things that can be ruled out, with what may stand between them.
 * @param mayMend whether a "no" goes before: then a misspelled word is put right, and what has a `free` of its own is no part of it
 */
function listAt(
  line: TypedLine,
  index: number,
  vocabulary: Vocabulary,
  mayMend: boolean,
  isOther: (index: number) => boolean,
): List | null {
  const read = (at: number) => itemAt(line, at, vocabulary) ?? (mayMend ? nearItemAt(line, at, vocabulary) : null);
  const first = read(index);
  if (!first) return null;
  const codes = [...first.codes];
  const remarks = first.remark === null ? [] : [first.remark];
  let { to } = first;
  for (;;) {
    let at = to;
    while (at < line.length && (separators.has(line.at(at)?.word ?? '') || between.has(line.at(at)?.word ?? ''))) at++;
    const next = at === to || at >= line.length || isOther(at) ? null : itemAt(line, at, vocabulary);
    // `no nuts, egg-free` are two wishes.
    const ownSuffix = mayMend && next !== null && line.phraseAt(line.past(next.to), suffixBook) !== null;
    // `no walnuts, pecans are fine`
    const isWelcome = next !== null && line.phraseAt(next.to, welcomeBook) !== null;
    if (!next || ownSuffix || isWelcome) break;
    codes.push(...next.codes);
    ({ to } = next);
  }
  return { to, codes: [...new Set(codes)], remarks };
}

/** Skips the words that may stand between a "no" and what it rules out, and the marks behind `allergies:`. */
function pastBetween(line: TypedLine, index: number, marks: readonly string[]): number {
  let at = index;
  while (
    at < line.length &&
    (between.has(line.at(at)?.word ?? '') || marks.includes(line.at(at)?.text ?? '') || line.past(at) !== at)
  )
    at++;
  return at;
}

/** Words after a "no" that name nothing that is known, up to where something else begins. */
function unknownFrom(line: TypedLine, index: number, isOther: (index: number) => boolean): number {
  let to = index;
  while (
    to < line.length &&
    to - index < MOST_WORDS &&
    line.isFree(to) &&
    line.at(to)?.kind === 'word' &&
    !stops.has(line.at(to)?.word ?? '') &&
    !isOther(to)
  )
    to = line.past(to + 1);
  return to;
}

/** Whether a diet is named at a token. */
const isDiet = (line: TypedLine, index: number): boolean =>
  dietWords.has(line.at(index)?.one ?? '') && !substanceWords.has(line.at(index)?.one ?? '');

/** A "no" and what it rules out. */
function afterNegator(
  line: TypedLine,
  index: number,
  vocabulary: Vocabulary,
  isOther: (index: number) => boolean,
): { found: FoundExclusion; remarks: readonly string[] } | null {
  const token = line.at(index);
  const isPicture = token?.kind === 'emoji' && noPictures.has(token.text.replace(/\uFE0F/g, ''));
  const negator = isPicture ? null : line.phraseAt(index, negatorBook);
  if (!isPicture && !negator) return null;
  const phrase = negator?.phrase ?? '';
  const end = negator?.to ?? index + 1;
  const isLoose = loose.has(phrase);
  const from = pastBetween(line, end, isLoose ? [':', '-', '–', '—', '=', '('] : ['-']);
  if (isLoose && /^(?:none|nil|nothing|no)$/.test(line.at(from)?.word ?? '')) {
    line.claim(index, from + 1, 'courtesy');
    return null;
  }
  // A number after "no" counts a house, not what is ruled out.
  if (line.at(from)?.kind === 'number') return null;
  const list = listAt(line, from, vocabulary, true, isOther);
  if (list) {
    const suffix = line.phraseAt(line.past(list.to), suffixBook)?.to ?? null;
    // `no nut allergy`, `not nut free`, `no vegan ones`, `non-vegan`
    const bare = phrase === 'no' || phrase === 'not' || phrase === 'non';
    const unclear = bare && (suffix !== null || isDiet(line, from));
    return {
      found: {
        from: index,
        to: suffix ?? list.to,
        codes: list.codes,
        kind: unclear ? 'unclear' : 'ruled out',
      },
      remarks: list.remarks,
    };
  }
  if (isLoose || phrase === 'nor' || phrase === 'non' || isPicture) return null;
  const to = unknownFrom(line, from, isOther);
  return to === from ? null : { found: { from: index, to, codes: [], kind: 'unknown' }, remarks: [] };
}

/** The index at which a phrase begins that ends right before a token, or null. */
function precedes(line: TypedLine, index: number, phrase: string): number | null {
  const from = index - phrase.split(' ').length;
  return from >= 0 && line.isFree(from) && line.follows(from, phrase) === index ? from : null;
}

/** `nut free`, `egg and dairy-free`, `sesame allergy`, `nutfree`. */
function beforeSuffix(
  line: TypedLine,
  index: number,
  vocabulary: Vocabulary,
  isOther: (index: number) => boolean,
): FoundExclusion | null {
  const token = line.at(index);
  const [, joined] = /^(.{3,})free$/.exec(token?.word ?? '') ?? [];
  const compound = joined === undefined ? undefined : substanceWords.get(phraseOf(joined));
  if (compound !== undefined) return { from: index, to: index + 1, codes: [compound], kind: 'ruled out' };
  const list = listAt(line, index, vocabulary, false, isOther);
  if (!list) return null;
  const behind = line.past(list.to);
  const next = line.at(behind);
  const meant =
    next?.kind === 'word' && line.isFree(behind) && next.word.length >= 3 && next.word.length <= 5
      ? closest(next.word, ['free'])
      : null;
  const isFreeMisspelt = /^f(?:re|ree|ee|reee)$/.test(next?.word ?? '') || meant === 'free';
  const to = line.phraseAt(behind, suffixBook)?.to ?? (isFreeMisspelt ? behind + 1 : null);
  if (to === null) return null;
  // `does not need to be nut free`
  const spared = sparing.find((phrase) => precedes(line, index, phrase) !== null);
  const from = spared === undefined ? index : (precedes(line, index, spared) ?? index);
  return { from, to, codes: list.codes, kind: spared === undefined ? 'ruled out' : 'unclear' };
}

/** `vegan`, `coeliac`, and what no fact of an ingredient settles. */
function dietAt(line: TypedLine, index: number): FoundExclusion | null {
  const words = wordsFrom(line, index);
  for (let length = Math.min(3, words.length); length > 0; length--) {
    const phrase = words
      .slice(0, length)
      .map(({ word }) => word)
      .join(' ');
    const to = words[length - 1]?.to ?? index;
    const code = dietWords.get(phrase);
    if (code !== undefined) return { from: index, to, codes: [code], kind: 'ruled out' };
    const beyond = beyondFacts.get(phrase);
    if (beyond) return { from: index, to, codes: beyond, kind: 'beyond' };
  }
  return null;
}

/**
 * Finds everything in a typed text that rules something out, wherever it stands, and takes it away from the rest.
 * @param isOther whether something else than an exclusion begins at a token, such as a day
 */
export function findExclusions(line: TypedLine, shelf: Shelf, isOther: (index: number) => boolean): FoundExclusions {
  const vocabulary = vocabularyOf(shelf);
  const found: FoundExclusion[] = [];
  const remarks: string[] = [];
  const take = (each: FoundExclusion) => {
    line.claim(each.from, each.to, 'exclusion');
    found.push(each);
  };
  for (let index = 0; index < line.length; index++) {
    if (!line.isFree(index)) continue;
    const idiom = line.phraseAt(index, idiomBook)?.to ?? null;
    if (idiom !== null && !['to', 'except', 'but', 'apart'].includes(line.at(idiom)?.word ?? '')) {
      line.claim(index, idiom, 'courtesy');
      continue;
    }
    // "no nuts except almonds" is not to be read twice.
    const follows =
      found.at(-1)?.to === index && /^(?:except|but|other|apart|anything|everything)$/.test(line.at(index)?.word ?? '');
    const negated = follows ? null : afterNegator(line, index, vocabulary, isOther);
    if (negated) {
      remarks.push(...negated.remarks);
      take(negated.found);
      continue;
    }
    const item = itemAt(line, index, vocabulary);
    const fine = item && line.phraseAt(item.to, welcomeBook);
    if (fine) {
      line.claim(index, fine.to, 'note');
      continue;
    }
    const each = dietAt(line, index) ?? beforeSuffix(line, index, vocabulary, isOther);
    if (each) take(each);
  }
  // 🥜🚫: the picture before the sign.
  line.tokens.forEach((token, index) => {
    const code = token.kind === 'emoji' ? substancePictures.get(token.text) : undefined;
    const next = line.at(index + 1);
    if (code === undefined || !line.isFree(index) || next?.kind !== 'emoji' || !noPictures.has(next.text)) return;
    take({ from: index, to: index + 2, codes: [code], kind: 'ruled out' });
  });
  return { found: found.sort((a, b) => a.from - b.from), remarks };
}

/** Words of substances that nothing has read and that rule nothing out: they are asked about. */
export function mentionAt(
  line: TypedLine,
  from: number,
  to: number,
): { readonly from: number; readonly to: number; readonly code: string } | null {
  for (let index = from; index < to; index++) {
    const item = line.isFree(index) ? itemAt(line, index, noThings) : null;
    const [code] = item?.codes ?? [];
    if (item && code !== undefined) return { from: index, to: item.to, code };
  }
  return null;
}
