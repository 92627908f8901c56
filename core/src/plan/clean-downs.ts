import type { Book } from '../book/index.js';
import {
  allergenCodes,
  allergens,
  coveredBy,
  inLabelOrder,
  namedExclusion,
  ofFamily,
  type Allergen,
} from '../ingredient/index.js';

/** In this order things are made and packed within a day. Common practice, no source. */
export const nutClasses = ['no nuts', 'tree nuts', 'peanut'] as const;
export type NutClass = (typeof nutClasses)[number];

/** To which part of the day something belongs by the nuts in it. */
export function nutClass(contains: readonly Allergen[]): NutClass {
  if (contains.includes('peanut')) return 'peanut';
  return contains.some((code) => allergens[code].family === 'tree nuts') ? 'tree nuts' : 'no nuts';
}

/** Says which allergens the bench is cleaned off for, before something that lacks them. */
export type Minded = ReadonlySet<Allergen>;

/** Some do without these by choice: a trace of them is no danger. */
const byChoice: ReadonlySet<Allergen> = new Set(ofFamily('alcohol', 'animal'));

/** Nuts and peanuts are always cleaned off, whatever the kitchen's rule. Common practice, no source. */
const alwaysMinded: readonly Allergen[] = [...ofFamily('tree nuts'), 'peanut'];

/** Every allergen: the strict rule. */
export const allMinded: Minded = new Set(allergenCodes.filter((code) => !byChoice.has(code)));

/** Gives the allergens that an exclusion is about: those it stands for, or those of the one ingredient that it names. */
function allergensOfExclusion(exclusion: string, { ingredients }: Pick<Book, 'ingredients'>): readonly Allergen[] {
  const named = namedExclusion(exclusion);
  if (!named) return coveredBy(exclusion);
  return named.noun === 'ingredient' ? (ingredients.get(named.id)?.contains ?? []) : [];
}

/**
 * Gives the allergens for which the bench is cleaned between two kinds of work: tree nuts and peanuts always, and by the kitchen's rule what
 * somebody's order rules out, what stands in the maker's own list, or everything. What is not cleaned off is said on the label.
 * @param exclusions codes that open orders rule out
 * @example mindedOf(book, ['gluten']) // tree nuts, peanuts, wheat, barley, rye and oats
 */
export function mindedOf(book: Pick<Book, 'ingredients' | 'kitchen'>, exclusions: Iterable<string>): Minded {
  const { cleanFor, cleanList } = book.kitchen;
  if (cleanFor === 'everything') return allMinded;
  const asked = [...new Set(exclusions)].flatMap((each) => allergensOfExclusion(each, book));
  const more = cleanFor === 'my list' ? cleanList : asked;
  return new Set([...alwaysMinded, ...more].filter((code) => allMinded.has(code)));
}

/** Writes the allergens of something that are cleaned off as one text: things with the same one are made in any order without a clean-down. */
export const profileOf = (contains: readonly Allergen[], minded: Minded): string =>
  inLabelOrder(new Set(contains))
    .filter((code) => minded.has(code))
    .join(' ');

/** The allergens of a profile. */
export const allergensIn = (profile: string): Allergen[] => (profile === '' ? [] : (profile.split(' ') as Allergen[]));

/** Gives the allergens of one profile that another lacks: they are cleaned off between. */
export const cleanOff = (from: string, to: string): Allergen[] => {
  if (from === to) return [];
  const there = allergensIn(to);
  return allergensIn(from).filter((code) => !there.includes(code));
};

const within = new Map<string, boolean>();
/** What is known is forgotten when it is so much. */
const MOST_KNOWN = 20_000;

/** Whether all that one profile has is in another. */
function isWithin(one: string, other: string): boolean {
  const key = `${one}>${other}`;
  const known = within.get(key);
  if (known !== undefined) return known;
  if (within.size > MOST_KNOWN) within.clear();
  const found = cleanOff(one, other).length === 0;
  within.set(key, found);
  return found;
}

/** Of more profiles than this the best order is not looked for by trying each. */
const MOST_TRIED = 12;

const classAt = (profile: string): number => nutClasses.indexOf(nutClass(allergensIn(profile)));

/** What goes before what, by position: what has fewer nuts first, and things with fewer allergens before those that have them too. */
const beforeOf = (profiles: readonly string[]): number[] =>
  profiles.map((profile) =>
    profiles.reduce((mask, other, at) => {
      const isBefore = classAt(other) < classAt(profile) || (other !== profile && isWithin(other, profile));
      return isBefore ? mask | (1 << at) : mask;
    }, 0),
  );

/** An order with the fewest clean-downs, by trying each that puts less before more. */
function bestOrder(profiles: readonly string[]): string[] {
  const before = beforeOf(profiles);
  const all = (1 << profiles.length) - 1;
  const best = new Map<string, { cleans: number; order: number[] }>([['0 -1', { cleans: 0, order: [] }]]);
  for (let done = 0; done < all; done++)
    for (let last = -1; last < profiles.length; last++) {
      const here = best.get(`${done} ${last}`);
      if (!here) continue;
      profiles.forEach((profile, next) => {
        if (done & (1 << next) || ((before[next] ?? 0) & done) !== before[next]) return;
        const cleans = here.cleans + (last >= 0 && !isWithin(profiles[last] ?? '', profile) ? 1 : 0);
        const key = `${done | (1 << next)} ${next}`;
        if (cleans < (best.get(key)?.cleans ?? Infinity)) best.set(key, { cleans, order: [...here.order, next] });
      });
    }
  const ends = profiles.flatMap((_profile, last) => best.get(`${all} ${last}`) ?? []);
  const [first] = ends.sort((a, b) => a.cleans - b.cleans);
  return (first?.order ?? []).map((at) => profiles[at] ?? '');
}

/** An order that puts less before more, going on without a clean-down where that is possible. */
function greedyOrder(profiles: readonly string[]): string[] {
  const left = [...profiles].sort(
    (a, b) => classAt(a) - classAt(b) || allergensIn(a).length - allergensIn(b).length || (a < b ? -1 : 1),
  );
  const order: string[] = [];
  while (left.length > 0) {
    const last = order.at(-1);
    const here = left.filter((each) => classAt(each) === classAt(left[0] ?? ''));
    const able = here.filter((each) => here.every((other) => other === each || !isWithin(other, each)));
    const next = able.find((each) => last !== undefined && isWithin(last, each)) ?? able[0] ?? left[0] ?? '';
    left.splice(left.indexOf(next), 1);
    order.push(next);
  }
  return order;
}

/**
 * Puts a day in turns: without nuts before tree nuts before peanut, within these the fewest, with a clean-down between two of them. Within a
 * turn each thing has all that is cleaned off for of what was made before it, so that nothing gets an allergen that it lacks.
 * @param profiles of all that is made, finished and packed on the day, see {@link profileOf}
 * @returns what can be made one after another without a clean-down, turn by turn
 */
export function turnsOf(profiles: readonly string[]): string[][] {
  const here = [...new Set(profiles)].sort();
  const turns: string[][] = [];
  for (const profile of here.length > MOST_TRIED ? greedyOrder(here) : bestOrder(here)) {
    const open = turns.at(-1);
    if (open && isWithin(open.at(-1) ?? '', profile)) open.push(profile);
    else turns.push([profile]);
  }
  return turns;
}

/** Clean-downs of a day: one between two turns. */
export const cleanDownsOf = (profiles: readonly string[]): number => Math.max(0, turnsOf(profiles).length - 1);

/** A rule of the turns of a day, for a model: so many of these profiles on one day make so many turns. */
export interface TurnRule {
  readonly profiles: readonly string[];
  /** The turns that all of them together make. */
  readonly turns: number;
}

/** Rules are looked for among sets of so many profiles; of smaller ones where there are many to choose from. */
const largestRule = (profiles: number): number =>
  profiles <= 10 ? profiles : profiles <= 14 ? 5 : profiles <= 22 ? 4 : profiles <= 40 ? 3 : 2;

/** Subsets of a list with at most so many in each. */
function* subsets<T>(list: readonly T[], most: number, from = 0, chosen: readonly T[] = []): Generator<readonly T[]> {
  if (chosen.length > 0) yield chosen;
  if (chosen.length === most) return;
  for (let at = from; at < list.length; at++) yield* subsets(list, most, at + 1, [...chosen, list[at] as T]);
}

/**
 * Rules by which a model counts turns: sets of profiles none of which goes on from another, each in a turn of its own; and larger sets that
 * make more turns than that.
 * @param profiles of all that may be on the day
 */
export function turnRules(profiles: readonly string[]): readonly TurnRule[] {
  const sorted = [...profiles].sort();
  const key = sorted.join('|');
  const known = ruled.get(key);
  if (known) return known;
  if (ruled.size > MOST_KNOWN) ruled.clear();
  const rules = rulesOf(sorted);
  ruled.set(key, rules);
  return rules;
}

const ruled = new Map<string, readonly TurnRule[]>();

function rulesOf(profiles: readonly string[]): TurnRule[] {
  const apart = (set: readonly string[]) =>
    set.every((one, at) => set.slice(at + 1).every((other) => !isWithin(one, other) && !isWithin(other, one)));
  const rules: TurnRule[] = [];
  const known = (set: readonly string[]): number =>
    rules.reduce((most, rule) => {
      const missing = rule.profiles.filter((profile) => !set.includes(profile)).length;
      return Math.max(most, apart(rule.profiles) ? rule.turns - missing : missing === 0 ? rule.turns : 0);
    }, 1);
  const all = [...subsets(profiles, largestRule(profiles.length))].sort((a, b) => b.length - a.length);
  // The widest first: what follows from them needs no rule of its own.
  for (const set of all.filter(apart)) if (set.length > known(set)) rules.push({ profiles: set, turns: set.length });
  for (const set of all.filter((each) => !apart(each)).reverse()) {
    const turns = turnsOf(set).length;
    if (turns > known(set)) rules.push({ profiles: set, turns });
  }
  return rules;
}
