import { allergens, declaredIn, type Allergen } from '../ingredient/index.js';
import { plain, warning, type Span } from './span.js';

/** Words by which an allergen is named in a list so that nobody must know what the word is made of. */
const namedAs: Partial<Record<Allergen, RegExp>> = {
  milk: /milk/,
  egg: /^eggs?$/,
  wheat: /^wheat/,
  oats: /^oats?$|^oatmeal$/,
  soy: /^soy/,
  sulfites: /sul(?:f|ph)ites?$|^sul(?:f|ph)ur dioxide$/,
  crustacean: /^crustaceans?$/,
  mollusc: /^mollus[ck]s?$/,
  brazil: /^brazil ?nuts?$/,
  'pine-nut': /^pine ?nuts?$/,
  macadamia: /^macadamias?$/,
  'california-walnut': /^walnuts?$/,
  'black-walnut': /^walnuts?$/,
  heartnut: /^heartnuts?$/,
  lupin: /^lupin/,
};

/** Whether a word of a list names the allergen itself, in the singular or the plural. */
function isNameOf(word: string, code: Allergen): boolean {
  const known = namedAs[code];
  if (known) return known.test(word);
  const name = allergens[code].name.toLowerCase();
  return word === name || `${word}s` === name || word === `${name}s`;
}

interface Emphasised {
  readonly spans: readonly Span[];
  /** Those that are named in it. */
  readonly named: ReadonlySet<Allergen>;
  /** Those that its words only mean, as "butter" means milk: to be named behind it. */
  readonly meant: readonly Allergen[];
}

/**
 * A name of a list with the words that name an allergen standing out.
 * @param contains what the ingredient contains: words that may stand for several are decided by it
 * @param nameOf how the school calls an allergen that must stand out; undefined for one that need not
 * Source: Reg. (EU) 1169/2011 art. 21(1); FSANZ Standard 1.2.3 (as restated in the design; from memory).
 */
export function emphasise(
  name: string,
  contains: readonly Allergen[],
  nameOf: (code: Allergen) => string | undefined,
  ids: readonly string[],
): Emphasised {
  const text = name.replace(/\s+/g, ' ');
  const spans: Span[] = [];
  const named = new Set<Allergen>();
  const meant = new Set<Allergen>();
  let done = 0;
  // Places in the text are only those of the words as long as no letter changes its length in lower case.
  const found = text.toLowerCase().length === text.length ? declaredIn(text).sort((a, b) => a.at - b.at) : [];
  for (const { word, at, anyOf } of found) {
    const codes = anyOf.filter((code) => contains.includes(code) && nameOf(code) !== undefined);
    const own = codes.filter((code) => isNameOf(word, code));
    const [code] = own;
    if (code === undefined) {
      // One word may stand for many, as "nuts" does: then it stands for none by itself.
      if (codes.length === 1) codes.forEach((each) => meant.add(each));
      continue;
    }
    own.forEach((each) => named.add(each));
    if (at < done) continue;
    if (at > done) spans.push(plain(text.slice(done, at), ids));
    spans.push(warning(text.slice(at, at + word.length), code, true, ids));
    done = at + word.length;
  }
  if (done < text.length) spans.push(plain(text.slice(done), ids));
  return { spans, named, meant: [...meant].filter((code) => !named.has(code)) };
}

/** Names of allergens behind something: ` (milk, soya)`; nothing for none. */
export function bracketed(
  codes: readonly Allergen[],
  nameOf: (code: Allergen) => string | undefined,
  ids: readonly string[],
): Span[] {
  if (codes.length === 0) return [];
  const names = new Map(codes.map((code) => [nameOf(code) ?? allergens[code].name.toLowerCase(), code]));
  return [
    plain(' (', ids),
    ...[...names].flatMap(([name, code], index) => [
      ...(index > 0 ? [plain(', ', ids)] : []),
      warning(name, code, true, ids),
    ]),
    plain(')', ids),
  ];
}
