import { closest, singular } from '../reading/index.js';
import { countAt, countBehind, followsNumber, pastOf, precedesNumber, type Counted } from './counts.js';
import { dietWords, substanceWords } from './lexicon.js';
import type { Named } from './shelf.js';
import type { TypedLine } from './tokens.js';

/** Boxes that a typed text asks for at one place. */
export interface FoundBox {
  readonly from: number;
  readonly to: number;
  /** The boxes that may be meant; none when the words name no box. */
  readonly boxes: readonly Named[];
  /** Null when it is not said. */
  readonly count: number | null;
  /** Whether a number is meant that the words do not say: `a few`. */
  readonly vague: boolean;
  /** Whether they are some of those that were named before: `one of the samplers`, `one of them`. */
  readonly ofThem: boolean;
  /** The share of those that were named before, where it is said so: `half of them`. */
  readonly share: number | null;
  /** Whether the words may point at boxes that were named before: `the sampler`, or a name without a number. */
  readonly refers: 'surely' | 'perhaps' | 'no';
  /** Whether the words stand for more than one. */
  readonly plural: boolean;
  /** What was taken for granted. */
  readonly remarks: readonly string[];
  /** Whether a name was only guessed at, since its spelling is another. */
  readonly guessed: boolean;
}

/** What boxes are called whatever they hold: no name of a box by itself. */
const containers = new Set('box tin bag tray pack packet set case carton jar hamper gift one'.split(' '));
/** Words within a name that do not tell it from others. */
const fillers = new Set(['of', 'the', 'your', 'those', 'these', 'usual', 'more', 'please', 'pls', 'each', 'extra']);
/** Before a name without a number these point at what was named before. */
const referring = /^(?:the|that|this|my|our|his|her|their|each|every|both|all|any)$/;
/** Words that end what a number counts. */
const ends = /^(?:for|to|on|at|by|from|with|please|pls|and|in|is|are|x|thanks)$/;

/** Words that rule something out: they make no name by themselves. */
const sparing = new Set(['without', 'free', 'no', 'non', 'not']);
const isSparing = (word: string): boolean => sparing.has(word) || substanceWords.has(word) || dietWords.has(word);

interface Indexed {
  readonly box: Named;
  /** Every word of its name in order, in the singular. */
  readonly all: readonly string[];
  /** Those that tell it from other boxes. */
  readonly telling: readonly string[];
}

const indexOf = (boxes: readonly Named[]): Indexed[] =>
  boxes.map((box) => {
    const all = box.name
      .toLowerCase()
      .replace(/['’]/g, '')
      .split(/[^\p{L}\d]+/u)
      .filter(Boolean)
      .map(singular);
    const telling = all.filter((word) => !containers.has(word) && !fillers.has(word));
    return { box, all, telling: telling.length > 0 ? telling : all };
  });

/** How far the words from a token on go along with the name of one box. */
interface Walk {
  readonly box: Named;
  readonly to: number;
  /** Words that tell the box from others, and which share of all of them. */
  readonly matched: number;
  readonly share: number;
  readonly plural: boolean;
  readonly mended: readonly string[];
}

/** Walks along a name: its words in their order, some of them left out, containers and small words between. */
function walk(line: TypedLine, index: number, { box, all, telling }: Indexed): Walk | null {
  let at = index;
  let to = index;
  let place = -1;
  let matched = 0;
  let own = 0;
  let walked = 0;
  let plural = false;
  const mended: string[] = [];
  for (;;) {
    at = line.past(at);
    const token = line.at(at);
    if (!token || token.kind === 'mark' || !line.isFree(at)) break;
    const ahead = all.slice(place + 1);
    const word =
      [token.one, token.word].find((each) => ahead.includes(each)) ??
      (token.kind === 'word' && !containers.has(token.one)
        ? closest(
            token.one,
            ahead.filter((each) => telling.includes(each)),
          )
        : null);
    if (word !== null && (matched > 0 || walked > 0 || !fillers.has(word))) {
      place = all.indexOf(word, place + 1);
      walked++;
      plural ||= token.word !== token.one && token.one === word;
      if (telling.includes(word) && !isSparing(word)) own++;
      if (telling.includes(word)) {
        matched++;
        if (token.one !== word && token.word !== word) mended.push(`“${token.text}” was read as “${word}”.`);
      }
      to = at + 1;
    } else if (matched > 0 && containers.has(token.one) && token.one !== 'one') {
      plural ||= token.word !== token.one;
      to = at + 1;
    } else if (!(matched > 0 && fillers.has(token.word))) break;
    at++;
  }
  // `nuts` is no short form of “Box without nuts”: only all of such a name is.
  const names = own > 0 || walked === all.length;
  return matched === 0 || !names ? null : { box, to, matched, share: matched / telling.length, plural, mended };
}

/** A name of a box, or of several that it may be. */
interface FoundName {
  readonly from: number;
  readonly to: number;
  readonly boxes: readonly Named[];
  readonly plural: boolean;
  readonly remarks: readonly string[];
  /** Whether the words can hardly be anything else: all of a name, or two words of it. */
  readonly sure: boolean;
  readonly guessed: boolean;
}

/** The boxes whose name begins at a token: those of whose name there is most. A part that several share says none of them. */
function nameAt(line: TypedLine, index: number, shelf: readonly Indexed[]): FoundName | null {
  const walks = shelf.flatMap((each) => walk(line, index, each) ?? []);
  const rank = ({ matched, share, mended }: Walk) => [-matched, mended.length, -share] as const;
  const [best] = walks.sort((a, b) => {
    const [left, right] = [rank(a), rank(b)];
    return left[0] - right[0] || left[1] - right[1] || left[2] - right[2];
  });
  if (!best) return null;
  const alike = walks.filter(
    ({ matched, mended, share }) =>
      matched === best.matched &&
      mended.length === best.mended.length &&
      // All of a short name goes before a part of a longer one.
      (best.share < 1 || share === 1),
  );
  const boxes = alike.map(({ box }) => box);
  const taken = best.share < 1 && boxes.length === 1;
  return {
    from: index,
    to: best.to,
    boxes,
    plural: best.plural,
    remarks: [...(taken ? [`“${line.said(index, best.to)}” was taken as ${best.box.name}.`] : [])],
    sure: best.mended.length === 0 && (best.share === 1 || best.matched >= 2),
    guessed: best.mended.length > 0,
  };
}

/** Names of boxes that are written out, wherever they stand: all of a name, or two words of it. */
export function sureNames(line: TypedLine, boxes: readonly Named[]): FoundName[] {
  const shelf = indexOf(boxes);
  const found: FoundName[] = [];
  for (let index = 0; index < line.length; index++) {
    const name = line.isFree(index) ? nameAt(line, index, shelf) : null;
    if (!name?.sure) continue;
    found.push(name);
    index = name.to - 1;
  }
  return found;
}

/** Whether the words from one token up to another are, word by word, the name of a box. */
export function isFullName(line: TypedLine, from: number, to: number, boxes: readonly Named[]): boolean {
  const said = line.tokens
    .slice(from, to)
    .filter(({ kind }) => kind !== 'mark')
    .map(({ one }) => one)
    .join(' ');
  return indexOf(boxes).some(({ all }) => all.join(' ') === said);
}

/** Passes over what rules something out between a number and what it counts: `2 nut-free boxes`. */
function pastWishes(line: TypedLine, index: number): number {
  let at = index;
  while (line.readingOf(at) === 'exclusion' || line.past(at) !== at) at = Math.max(at + 1, line.past(at));
  return at;
}

/** Everything that is ordered in a typed text: a number and a box, the one before or behind the other. What is read already is passed over. */
export function findBoxes(line: TypedLine, boxes: readonly Named[]): FoundBox[] {
  const shelf = indexOf(boxes);
  const sure = sureNames(line, boxes);
  const isName = (index: number) => sure.some(({ from, to }) => index >= from && index < to);
  const nameFrom = (index: number) =>
    isName(index)
      ? (sure.find(({ from }) => from === index) ?? null)
      : line.isFree(index)
        ? nameAt(line, index, shelf)
        : null;
  const found: FoundBox[] = [];
  for (let index = 0; index < line.length; index++) {
    if (!line.isFree(index)) continue;
    let each = isName(index) ? named(line, index, null, nameFrom) : boxAt(line, index, isName, nameFrom);
    if (!each) continue;
    // What follows right behind words that name no box may belong to their number: `two nad a half dozen table boxes`.
    const before = found.at(-1);
    if (before?.boxes.length === 0 && !before.ofThem && before.to === each.from)
      each = { ...each, count: null, vague: true, share: null, refers: 'no' };
    found.push(each);
    for (let at = each.from; at < each.to; at++) if (line.isFree(at)) line.claim(at, at + 1, 'box');
    index = each.to - 1;
  }
  return found;
}

/** Tells whether a part of a box's name, without a number, is what somebody is called: `Hi Pinwheel Lane`. */
function isAddressed(line: TypedLine, index: number, { to, sure }: FoundName): boolean {
  if (sure) return false;
  const isCapital = (at: number) => line.at(at)?.kind === 'word' && /^\p{Lu}/u.test(line.at(at)?.text ?? '');
  const greets = /^(?:hi|hello|hey|hiya|dear|to|thanks|thank)$/.test(line.at(index - 1)?.word ?? '');
  return isCapital(index) && (greets || (isCapital(to) && line.isFree(to)));
}

/** A name with its number, which stands before it or behind it. */
function named(
  line: TypedLine,
  index: number,
  counted: Counted | null,
  nameFrom: (index: number) => FoundName | null,
  from = index,
  pluralContainer = false,
): FoundBox | null {
  const name = nameFrom(index);
  if (!name || (!counted && isAddressed(line, index, name))) return null;
  const behind = counted ? null : countBehind(line, name.to);
  const isOpen =
    !counted && !behind && (followsNumber(line, from) || precedesNumber(line, name.to, (at) => nameFrom(at) !== null));
  return {
    from,
    to: behind?.to ?? name.to,
    boxes: name.boxes,
    count: counted ? counted.count : (behind?.count ?? null),
    vague: counted?.vague ?? isOpen,
    ofThem: counted?.ofThem ?? false,
    share: counted?.share ?? null,
    refers: counted || behind || isOpen ? 'no' : referring.test(line.at(index - 1)?.word ?? '') ? 'surely' : 'perhaps',
    plural: name.plural || pluralContainer,
    remarks: name.remarks,
    guessed: name.guessed,
  };
}

/** A number, perhaps a container, and a name, or words that name no box. */
function boxAt(
  line: TypedLine,
  index: number,
  isName: (index: number) => boolean,
  nameFrom: (index: number) => FoundName | null,
): FoundBox | null {
  const counted = countAt(line, index, isName);
  if (!counted) return named(line, index, null, nameFrom);
  const start = pastWishes(line, counted.to);
  let at = start;
  while (containers.has(line.at(at)?.one ?? '') && line.isFree(at) && !isName(at)) at = pastOf(line, at + 1);
  const isPlural = at > start && line.at(start)?.word !== line.at(start)?.one;
  const withName = named(line, at, counted, nameFrom, index, isPlural);
  if (withName) return withName;
  const { count, vague, ofThem, share, article } = counted;
  const none = {
    from: index,
    boxes: [],
    count,
    vague,
    ofThem,
    share,
    refers: 'no' as const,
    plural: false,
    remarks: [],
    guessed: false,
  };
  if (at > start) return { ...none, to: at };
  if (/^(?:them|those|these|which)$/.test(line.at(counted.to)?.word ?? ''))
    return { ...none, to: counted.to + 1, ofThem: true };
  // `one without nuts`, `two nut free`: of those that were named.
  const wished = line.readingOf(counted.to) === 'exclusion' && !/^an?$/.test(line.at(index)?.word ?? '');
  if (ofThem || wished) return { ...none, to: counted.to, ofThem: true };
  // `a` and `one` before other words are no number of boxes.
  if (article || vague) return null;
  let to = start;
  while (
    to < line.length &&
    to - start < 3 &&
    line.isFree(to) &&
    line.at(to)?.kind === 'word' &&
    !ends.test(line.at(to)?.word ?? '')
  )
    to++;
  return to > start || counted.to > index + 1 ? { ...none, to } : null;
}
