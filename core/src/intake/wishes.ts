import { isExclusion, ruledOut } from '../ingredient/index.js';
import { trimmed } from './customer.js';
import { findExclusions } from './exclusions.js';
import { knownThings, thingsNamed, type Shelf } from './shelf.js';
import { TypedLine } from './tokens.js';

/** What a text rules out. */
export interface Wishes {
  readonly codes: readonly string[];
  /** Words that rule something out, or may, and that are not understood. */
  readonly unknown: readonly string[];
  /** The text without what was ruled out in it. */
  readonly rest: string;
}

/**
 * What any text rules out, such as a note or a name with `(nut allergy)` behind it.
 * The same reader as that of a typed line: what it finds there it finds here.
 */
export function wishesIn(text: string, shelf: Shelf): Wishes {
  const line = new TypedLine(text);
  const { found } = findExclusions(line, shelf, () => false);
  const codes = found.filter(({ kind }) => kind === 'ruled out').flatMap((each) => each.codes);
  const unknown = found.filter(({ kind }) => kind !== 'ruled out').map(({ from, to }) => line.said(from, to));
  let rest = '';
  let at = 0;
  for (const { from, to, kind } of found) {
    if (kind !== 'ruled out') continue;
    rest += line.text.slice(at, line.at(from)?.from ?? at);
    at = line.at(to - 1)?.to ?? at;
  }
  rest += line.text.slice(at);
  const tidy = rest
    .replace(/\([\s,;]*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:–—-]+|[\s,;:–—-]+$/g, '');
  return { codes: [...new Set(codes)], unknown, rest: tidy };
}

const NONE = /^(?:none|no|nothing|nil|-+|n\/?a|no (?:known )?(?:allerg(?:y|ies)|exclusions?))\.?$/i;

/** One entry of a list of what is ruled out: a code, a name, or words. */
function entryIn(entry: string, shelf: Shelf): Wishes {
  const lower = entry.toLowerCase();
  if (isExclusion(lower)) return { codes: [lower], unknown: [], rest: '' };
  const named = thingsNamed(entry, knownThings(shelf));
  if (named.exact) return { codes: named.things.map(({ noun, id }) => ruledOut(noun, id)), unknown: [], rest: '' };
  // As it stands, then as something that "no" was left away from.
  for (const text of [entry, `no ${entry}`]) {
    const line = new TypedLine(text);
    const { found } = findExclusions(line, shelf, () => false);
    const left = line.freeRuns().map(({ from, to }) => trimmed(line, from, to));
    const understood = found.every(({ kind }) => kind === 'ruled out') && left.every(({ from, to }) => from >= to);
    if (found.length > 0 && understood) return { codes: found.flatMap((each) => each.codes), unknown: [], rest: '' };
  }
  return { codes: [], unknown: [entry], rest: '' };
}

/**
 * A list of what is ruled out, as a column of a file or a shop's message has it: `nuts; milk free, vegan`.
 * @returns what is understood of it, and each entry that is not
 */
export function wishList(text: string, shelf: Shelf): Pick<Wishes, 'codes' | 'unknown'> {
  const whole = text
    .split(/\s*[;|\n]\s*/)
    .map((entry) => entry.trim())
    .filter((entry) => entry !== '' && !NONE.test(entry))
    .map((entry) => {
      const one = entryIn(entry, shelf);
      if (one.unknown.length === 0) return one;
      // Several in one entry, with commas or `and` between.
      const parts = entry
        .split(/\s*[,/]\s*|\s+(?:and|or|&)\s+/i)
        .filter((part) => part !== '' && !NONE.test(part))
        .map((part) => entryIn(part, shelf));
      return {
        codes: parts.flatMap(({ codes }) => codes),
        unknown: parts.flatMap(({ unknown }) => unknown),
      };
    });
  return {
    codes: [...new Set(whole.flatMap(({ codes }) => codes))],
    unknown: whole.flatMap(({ unknown }) => unknown),
  };
}
