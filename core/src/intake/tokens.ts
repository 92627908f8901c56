import { closest, singular } from '../reading/index.js';
import { groupBy } from '../record/index.js';

/** What a word of an order can be. */
export const readings = [
  'customer',
  'contact',
  'count',
  'box',
  'way',
  'place',
  'day',
  'exclusion',
  'note',
  'courtesy',
] as const;
export type Reading = (typeof readings)[number];

/** One word, number, sign or picture of a typed text. */
export interface Token {
  readonly kind: 'word' | 'number' | 'emoji' | 'mark';
  /** As it was typed. */
  readonly text: string;
  /** In small letters and without apostrophes; a word that is misspelled may be put right here. */
  word: string;
  /** The same in the singular. */
  one: string;
  /** Where it stands in the text. */
  readonly from: number;
  readonly to: number;
  /** Whether white space goes before it. */
  readonly apart: boolean;
}

/** How words that are written in a short or a joined way are read. */
const written: Readonly<Record<string, string>> = {
  'w/o': 'without',
  'w/out': 'without',
  'g/f': 'gf',
  'd/f': 'df',
  'n/f': 'nf',
  'n/a': 'none',
  nite: 'night',
  nites: 'nights',
  choc: 'chocolate',
  chocs: 'chocolates',
};

const TOKEN =
  /\b(?:w\/out|w\/o|[gdn]\/f|n\/a|e\d{3,4})(?![\p{L}\d])|\p{L}[\p{L}\p{M}]*(?:['’][\p{L}\p{M}]+)*['’]?|\d+(?:[.,]\d+)?|[½⅓⅔¼¾⅛⅜⅝⅞]|\p{Extended_Pictographic}(?:\uFE0F|\u200D\p{Extended_Pictographic}\uFE0F?|\p{Emoji_Modifier})*|\S|\n/giu;

const PICTURE = /^\p{Extended_Pictographic}/u;
const NUMBER = /^[\d½⅓⅔¼¾⅛⅜⅝⅞]/u;
const LETTER = /^\p{L}/u;

const kindOf = (text: string): Token['kind'] =>
  NUMBER.test(text) ? 'number' : LETTER.test(text) ? 'word' : PICTURE.test(text) ? 'emoji' : 'mark';

/** The tokens of a text, in order. White space is left out, but for new lines. */
export function tokensOf(text: string): Token[] {
  return [...text.matchAll(TOKEN)].map((found): Token => {
    const [whole] = found;
    const lower = whole.toLowerCase();
    const word = written[lower] ?? lower.replace(/['’]/g, '');
    const from = found.index;
    return {
      kind: kindOf(whole),
      text: whole,
      word,
      one: singular(word),
      from,
      to: from + whole.length,
      apart: from === 0 || /\s/.test(text.charAt(from - 1)),
    };
  });
}

/** Phrases by the first of their words, the longest first. */
export type PhraseBook = ReadonlyMap<string, readonly string[]>;

export function phraseBook(phrases: Iterable<string>): PhraseBook {
  const byWord = groupBy(phrases, (phrase) => phrase.split(' ')[0] ?? '');
  return new Map(
    [...byWord].map(([word, list]) => [word, list.sort((a, b) => b.split(' ').length - a.split(' ').length)]),
  );
}

/** Marks that part what belongs together from what does not. */
const PARTS = new Set([',', ';', ':', '\n', '(', ')', '[', ']', '+', '!', '?', '—', '–', '|', '/', '•', '*']);

/** Short words that may end with a point: titles and first letters. */
const ABBREVIATED = /^(?:mrs?|ms|dr|st|rev|prof|[a-z])$/;

/**
 * A typed text while it is being read: each of its tokens belongs to one reading or to none yet. Marks belong to none.
 */
export class TypedLine {
  readonly tokens: Token[];
  private readonly owners: (Reading | null)[];

  constructor(readonly text: string) {
    this.tokens = tokensOf(text);
    this.owners = this.tokens.map(() => null);
  }

  get length(): number {
    return this.tokens.length;
  }

  at(index: number): Token | undefined {
    return this.tokens[index];
  }

  readingOf(index: number): Reading | null {
    return this.owners[index] ?? null;
  }

  /** Whether a token carries meaning and nothing has read it yet. */
  isFree(index: number): boolean {
    const token = this.tokens[index];
    return token !== undefined && token.kind !== 'mark' && this.owners[index] === null;
  }

  claim(from: number, to: number, reading: Reading): void {
    for (let index = from; index < to; index++) if (this.tokens[index]?.kind !== 'mark') this.owners[index] = reading;
  }

  /** Takes a reading back. */
  release(from: number, to: number): void {
    for (let index = from; index < to; index++) this.owners[index] = null;
  }

  /** Whether a mark between two things parts them. A hyphen does between spaces, a point at the end of a sentence. */
  isParting(index: number): boolean {
    const token = this.tokens[index];
    if (token?.kind !== 'mark') return false;
    if (PARTS.has(token.text)) return true;
    const next = this.tokens[index + 1];
    if (token.text === '-') return token.apart && (next === undefined || next.apart);
    if (token.text !== '.') return false;
    const before = this.tokens[index - 1];
    return next === undefined || (next.apart && !(before && ABBREVIATED.test(before.word)));
  }

  /** The words as they were typed, from one token up to another. */
  said(from: number, to: number): string {
    const [first, last] = [this.tokens[from], this.tokens[to - 1]];
    return first && last ? this.text.slice(first.from, last.to) : '';
  }

  /** The next token from an index on that is not a hyphen within a word, such as that of `dairy-free`. */
  past(index: number): number {
    let at = index;
    while (this.tokens[at]?.kind === 'mark' && this.tokens[at]?.text === '-' && !this.isParting(at)) at++;
    return at;
  }

  /**
   * Whether words follow each other from an index on, hyphens between them or not.
   * @param phrase words with spaces between
   * @returns the index after them, or null
   */
  follows(index: number, phrase: string): number | null {
    let at = index;
    for (const word of phrase.split(' ')) {
      at = this.past(at);
      const token = this.tokens[at];
      if (token === undefined || (token.word !== word && token.one !== word)) return null;
      at++;
    }
    return at;
  }

  /** The longest phrase of a book that begins at a token and of which nothing has been read. */
  phraseAt(index: number, book: PhraseBook): { readonly phrase: string; readonly to: number } | null {
    const token = this.tokens[index];
    if (!token || token.kind === 'mark') return null;
    const own = book.get(token.word) ?? [];
    const same = token.one === token.word ? [] : (book.get(token.one) ?? []);
    let best: { phrase: string; to: number } | null = null;
    for (const phrase of same.length > 0 ? [...own, ...same] : own) {
      const to = this.follows(index, phrase);
      if (to !== null && to > (best?.to ?? 0) && this.isUnread(index, to)) best = { phrase, to };
    }
    return best;
  }

  private isUnread(from: number, to: number): boolean {
    for (let index = from; index < to; index++) if (this.owners[index] !== null) return false;
    return true;
  }

  /** Runs of tokens that nothing has read, within what marks part. */
  freeRuns(): { readonly from: number; readonly to: number }[] {
    const runs: { from: number; to: number }[] = [];
    let from = -1;
    const close = (to: number) => {
      if (from >= 0) {
        let end = to;
        while (end > from && !this.isFree(end - 1)) end--;
        runs.push({ from, to: end });
      }
      from = -1;
    };
    for (let index = 0; index < this.length; index++) {
      if (this.isFree(index)) {
        if (from < 0) from = index;
      } else if (this.tokens[index]?.kind !== 'mark' || this.isParting(index)) close(index);
    }
    close(this.length);
    return runs;
  }

  /** Finds words that are misspelled, where only one of the known words is near. @returns what each may be, by its place */
  guesses(known: readonly string[], mayBe: (token: Token) => boolean, anyFirst = false): Map<number, string> {
    return new Map(
      this.tokens.flatMap((token, index): [number, string][] => {
        if (token.kind !== 'word' || !this.isFree(index) || !mayBe(token)) return [];
        const meant = closest(token.word, known, anyFirst);
        return meant === null || meant === token.word ? [] : [[index, meant]];
      }),
    );
  }

  /** Reads the line with other words in the place of some of its own, which then stand there again. */
  readAs<Result>(words: ReadonlyMap<number, string>, read: () => Result): Result {
    const own = this.tokens.map(({ word, one }) => ({ word, one }));
    this.spell(words);
    try {
      return read();
    } finally {
      this.tokens.forEach((token, index) => Object.assign(token, own[index]));
    }
  }

  private spell(words: ReadonlyMap<number, string>): void {
    for (const [index, word] of words) {
      const token = this.tokens[index];
      if (token) Object.assign(token, { word, one: singular(word) });
    }
  }

  /** Puts words right that are misspelled. @returns what was read as what */
  mend(known: readonly string[], mayBe: (token: Token) => boolean): string[] {
    const meant = this.guesses(known, mayBe);
    this.spell(meant);
    return [...meant].map(([index, word]) => `“${this.tokens[index]?.text ?? ''}” was read as “${word}”.`);
  }
}
