import type { RecipeLine } from '../recipe/index.js';
import { singular } from './names.js';

/** A line of a recipe as the steps speak of it. */
export interface NamedLine {
  /** The name as it is written, without measure and notes. */
  readonly name: string;
  readonly line: RecipeLine;
}

/** When a line, or a share of it, goes in. */
interface GoesIn {
  /** The step, from 0. */
  readonly step: number;
  readonly share: number;
}

const EVERYTHING =
  /\b(?:all (?:of )?(?:the |your )?(?:other |remaining )?ingredients|everything|the (?:remaining|other) ingredients)\b/i;
const PARTS: readonly (readonly [words: string, share: number])[] = [
  ['two[- ]thirds', 2 / 3],
  ['three[- ]quarters', 3 / 4],
  ['(?:a|one)[- ]third', 1 / 3],
  ['(?:a|one)[- ]quarter', 1 / 4],
  ['(?:one[- ])?half', 1 / 2],
];
const REST = '(?:remaining|rest of|other half of|reserved|leftover)';

/** Words that tell nothing of what something is: how it is cut, and how fresh. */
const plainWords = new Set(
  'fresh dried chopped ground whole large small medium fine coarse soft cold warm hot raw toasted roasted sliced diced unsalted salted melted softened pure good best quality plus extra'.split(
    ' ',
  ),
);

/** Nouns that say what kind of thing something is: `add the vanilla` is the vanilla extract. */
const kinds = new Set(
  'extract essence powder paste syrup sugar flour oil salt seed nut juice zest peel chip piece crumb flake granule leaf'.split(
    ' ',
  ),
);
/** What the pot holds is called so, too: alone it names no ingredient. */
const mixtures = new Set(['syrup', 'caramel', 'mixture', 'ganache', 'fudge', 'toffee', 'paste', 'powder', 'piece']);

const plain = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[’']s\b|[’']/g, '')
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean)
    .map(singular);

const wordsOf = (name: string): string[] =>
  plain(name.replace(/[(,].*$/, '')).filter((word) => word.length > 2 && !plainWords.has(word));

/** Counts the words of a name that stand in a step; 0 where those do not that tell what it is. */
function named(words: readonly string[], step: ReadonlySet<string>): number {
  const head = words.at(-1);
  if (head === undefined) return 0;
  const hits = words.filter((word) => step.has(word)).length;
  if (step.has(head)) return mixtures.has(head) && words.length > 1 && hits < 2 ? 0 : hits;
  return kinds.has(head) && words.length > 1 && words.slice(0, -1).every((word) => step.has(word)) ? hits : 0;
}

/** Finds the share of something that a step takes, and whether it takes what is left; null where it says neither. */
function shareIn(step: string, words: readonly string[]): number | 'rest' | null {
  const heads = words.filter((_word, at) => at === words.length - 1 || kinds.has(words.at(-1) ?? ''));
  const noun = `(?:\\p{L}+ ){0,3}?(?:${heads.join('|')})`;
  if (new RegExp(`\\b${REST} (?:of )?(?:the |your )?${noun}`, 'iu').test(step)) return 'rest';
  for (const [words, share] of PARTS)
    if (new RegExp(`\\b${words}(?: of)?(?: the| your)? ${noun}`, 'iu').test(step)) return share;
  return null;
}

const PREPARES =
  /\b(?:toast|roast|chop|grind|crush|sift|grease|line|measure|weigh|prepare|soften|soak|bloom|zest|peel|halve|pit|drain|wash)\w*\b/i;
const PUTS_IN =
  /\b(?:add|stir|mix|pour|combine|fold|put|place|melt|boil|cook|heat|whisk|beat|scatter|sprinkle|spread)\w*\b/i;

/** Tells whether a step only gets something ready: `toast the almonds`. */
const isPreparing = (step: string, head: string): boolean =>
  step
    .split(/[.;]\s|,\s(?:then|and)\s|\sand\s/)
    .filter((part) => plain(part).includes(head))
    .every((part) => PREPARES.test(part) && !PUTS_IN.test(part));

/** Finds when a line goes in by the steps that name it. @returns empty where none does: then it is there from the beginning */
function goesIn(own: readonly string[], others: readonly (readonly string[])[], steps: readonly string[]): GoesIn[] {
  const head = own.at(-1) ?? '';
  const mentions = steps.flatMap((text, step) => {
    const words = new Set(plain(text));
    const hits = named(own, words);
    // `the brown sugar` is not the white one, and `salt` not the flaked one.
    const isAnothers = others.some((other) => {
      const theirs = other.some((word) => own.includes(word)) ? named(other, words) : 0;
      return theirs > hits || (theirs === hits && theirs / other.length > hits / own.length);
    });
    if (hits > 0 && !isAnothers)
      return [{ step, share: shareIn(text, own), isNamed: true, prepares: isPreparing(text, head) }];
    return EVERYTHING.test(text) ? [{ step, share: null, isNamed: false, prepares: false }] : [];
  });
  // `everything` is what was not named before, and what is only made ready goes in later.
  const told = mentions.filter(({ isNamed }, at) => isNamed || at === 0);
  const used = told.some(({ prepares }) => !prepares) ? told.filter(({ prepares }) => !prepares) : told;
  const parted = used.some(({ share }) => share !== null)
    ? used.filter(({ share }) => share !== null)
    : used.slice(0, 1);
  let left = 1;
  const found = parted.flatMap(({ step, share }): GoesIn[] => {
    const taken = typeof share === 'number' ? Math.min(share, left) : left;
    left -= taken;
    return taken > 1e-9 ? [{ step, share: taken }] : [];
  });
  // What is never spoken of again goes in with the first of it.
  const [first, ...later] = found;
  return first && left > 1e-9 ? [{ ...first, share: first.share + left }, ...later] : found;
}

/**
 * Says of every line of a recipe before which step it goes in, by the first step that names it. `half of the almonds` and `the remaining
 * almonds` are two lines.
 * @param steps texts of the steps, in their order
 */
export function withSteps(lines: readonly NamedLine[], steps: readonly string[]): RecipeLine[] {
  const words = lines.map(({ name }) => wordsOf(name));
  return lines.flatMap(({ line }, index) => {
    const own = words[index] ?? [];
    const others = words.filter((_each, at) => at !== index);
    const found = own.length === 0 ? [] : goesIn(own, others, steps);
    if (found.length === 0) return [line];
    return found.map(({ step, share }): RecipeLine => ({
      ...line,
      amount: share === 1 ? line.amount : Number((line.amount * share).toPrecision(6)),
      atStep: step === 0 ? null : step,
    }));
  });
}
