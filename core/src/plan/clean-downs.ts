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
import { boxFor, packedAs, packedKey, ruledOutOf, type OrderFiled, type PackedAs } from '../order/index.js';
import { oncePerPair } from '../record/index.js';

/** In this order things are made and packed within a day. Common practice, no source. */
export const nutClasses = ['no nuts', 'tree nuts', 'peanut'] as const;
export type NutClass = (typeof nutClasses)[number];

const treeNuts: readonly Allergen[] = ofFamily('tree nuts');

/** Gives the part of the day to which something belongs by the nuts in it. */
export function nutClass(contains: readonly Allergen[]): NutClass {
  if (contains.includes('peanut')) return 'peanut';
  return contains.some((code) => allergens[code].family === 'tree nuts') ? 'tree nuts' : 'no nuts';
}

/** Some do without these by choice: a trace of them is no danger. */
const byChoice: ReadonlySet<Allergen> = new Set(ofFamily('alcohol', 'animal'));

/** Picks the allergens of a list, in label order: not what some do without by choice. */
export const trueAllergens = (codes: Iterable<Allergen>): Allergen[] =>
  inLabelOrder(codes).filter((code) => !byChoice.has(code));

/** Something made, finished or packed that must not take on some allergens, since somebody's order rules them out. */
export interface Minded {
  readonly noun: 'recipe' | 'piece' | 'box';
  /** Of a box, with the way in which it is packed: see {@link packedKey}. */
  readonly id: string;
  readonly minds: readonly Allergen[];
}

/** Gives the allergens that exclusions are about: those that each stands for, or those of the one ingredient that it names. */
const allergensOf = (exclusions: readonly string[], { ingredients }: Pick<Book, 'ingredients'>): Allergen[] =>
  trueAllergens(
    exclusions.flatMap((exclusion) => {
      const named = namedExclusion(exclusion);
      if (!named) return coveredBy(exclusion);
      return named.noun === 'ingredient' ? (ingredients.get(named.id)?.contains ?? []) : [];
    }),
  );

/** Finds the pieces, and the recipes through all components, that go into an order which rules something out. */
const mindedIn = oncePerPair((book: Book, order: OrderFiled): readonly Minded[] =>
  order.lines.flatMap((line): Minded[] => {
    const minds = allergensOf(ruledOutOf(order, line), book);
    if (minds.length === 0) return [];
    const pieceIds = new Set(boxFor(order, line, book)?.facts.pieces.map(({ pieceId }) => pieceId));
    const recipeIds = new Set<string>();
    const add = (id: string) => {
      if (recipeIds.has(id)) return;
      recipeIds.add(id);
      for (const { uses } of book.recipes.get(id)?.recipe.lines ?? []) if (uses.kind === 'recipe') add(uses.id);
    };
    for (const id of pieceIds) book.pieces.get(id)?.parts.forEach(({ recipeId }) => { add(recipeId); }); // prettier-ignore
    return [
      { noun: 'box', id: packedKey(line.boxId, packedAs(order, line, book)), minds },
      ...[...pieceIds].map((id): Minded => ({ noun: 'piece', id, minds })),
      ...[...recipeIds].map((id): Minded => ({ noun: 'recipe', id, minds })),
    ];
  }),
);

/** Gathers what must not get into what, since open orders rule it out. @returns each piece and recipe once, in the order of their ids */
export function mindedOf(orders: readonly OrderFiled[], book: Book): Minded[] {
  const found = new Map<string, Minded>();
  for (const order of orders)
    for (const each of mindedIn(book, order)) {
      const key = `${each.noun} ${each.id}`;
      const minds = [...(found.get(key)?.minds ?? []), ...each.minds];
      found.set(key, { ...each, minds });
    }
  return [...found]
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .map(([, each]) => ({ ...each, minds: inLabelOrder(each.minds) }));
}

/** Lists the same twice over once. */
export const mindedByEither = (one: readonly Minded[], other: readonly Minded[]): Minded[] => {
  const found = new Map<string, Minded>();
  for (const each of [...one, ...other]) {
    const key = `${each.noun} ${each.id}`;
    found.set(key, { ...each, minds: inLabelOrder([...(found.get(key)?.minds ?? []), ...each.minds]) });
  }
  return [...found.values()];
};

/** Tells the kind of each thing on the bench: what it leaves behind, and what it must not take on. */
export interface Kinds {
  recipe(id: string): string;
  piece(id: string): string;
  pack(pack: { readonly boxId: string } & PackedAs, contains: readonly Allergen[]): string;
}

const listed = (codes: readonly Allergen[]): string => codes.join(' ');
const codesIn = (text: string): Allergen[] => (text === '' ? [] : (text.split(' ') as Allergen[]));

/** Writes a kind as one text. @example kindOf(['milk', 'barley'], ['pecan']) // 'milk barley>pecan' */
export const kindOf = (leaves: readonly Allergen[], minds: readonly Allergen[]): string =>
  `${listed(trueAllergens(leaves))}>${listed(trueAllergens(minds))}`;

/**
 * Tells what must not get into what in a kitchen. Whatever the rule, what has no peanut minds peanuts, and what has no tree nut minds all of
 * them (common practice, no source); then what somebody's order rules out, and by the kitchen's rule what stands in its list, or everything.
 * What is not minded is not cleaned off: the label says it.
 */
export function kindsOf(minded: readonly Minded[], { recipes, pieces, kitchen }: Book): Kinds {
  const asked = new Map<string, readonly Allergen[]>(minded.map(({ noun, id, minds }) => [`${noun} ${id}`, minds]));
  const byRule =
    kitchen.cleanFor === 'everything' ? allergenCodes : kitchen.cleanFor === 'my list' ? kitchen.cleanList : [];
  const cared = new Set<Allergen>([...treeNuts, 'peanut', ...byRule, ...minded.flatMap(({ minds }) => minds)]);
  const known = new Map<string, string>();
  const of = (key: string, contains: readonly Allergen[]): string => {
    const there = known.get(key);
    if (there !== undefined) return there;
    const has = new Set(contains);
    const nuts = contains.some((code) => treeNuts.includes(code)) ? [] : treeNuts;
    const minds = [...nuts, 'peanut' as const, ...(asked.get(key) ?? []), ...byRule].filter((code) => !has.has(code));
    const leaves = contains.filter((code) => cared.has(code));
    const kind = kindOf(leaves, minds);
    known.set(key, kind);
    return kind;
  };
  return {
    recipe: (id) => of(`recipe ${id}`, recipes.get(id)?.contains ?? []),
    piece: (id) => of(`piece ${id}`, pieces.get(id)?.contains ?? []),
    pack: (pack, contains) => of(`box ${packedKey(pack.boxId, pack)}`, contains),
  };
}

/** Splits a kind into what it leaves behind and what it minds. */
const partsOf = (kind: string): { leaves: Allergen[]; minds: Allergen[] } => {
  const [leaves = '', minds = ''] = kind.split('>');
  return { leaves: codesIn(leaves), minds: codesIn(minds) };
};

const carried = new Map<string, readonly Allergen[]>();
/** What is known is forgotten when it is so much. */
const MOST_KNOWN = 20_000;

/**
 * Gives the allergens that one kind of work would carry into another that minds them: they are cleaned off between.
 * @example cleanOff('milk barley>peanut', 'sesame>barley peanut') // ['barley']
 */
export function cleanOff(from: string, to: string): readonly Allergen[] {
  if (from === to) return [];
  const key = `${from}|${to}`;
  const known = carried.get(key);
  if (known) return known;
  if (carried.size > MOST_KNOWN) carried.clear();
  const { minds } = partsOf(to);
  const found = partsOf(from).leaves.filter((code) => minds.includes(code));
  carried.set(key, found);
  return found;
}

const spoils = (from: string, to: string): boolean => cleanOff(from, to).length > 0;
const classAt = (kind: string): number => nutClasses.indexOf(nutClass(partsOf(kind).leaves));

/** Tells whether one kind must come before another: it has fewer nuts, or it minds what the other leaves behind. */
const mustPrecede = (one: string, other: string): boolean =>
  classAt(one) < classAt(other) || (classAt(one) === classAt(other) && spoils(other, one));

/** Tells whether a clean-down must lie between two kinds, in whatever order they come that is allowed. */
const mustPart = (one: string, other: string): boolean => {
  const [first, second] = classAt(one) <= classAt(other) ? [one, other] : [other, one];
  return spoils(first, second) && (classAt(first) < classAt(second) || spoils(second, first));
};

/** Tells whether one kind cannot come after another without a clean-down between. */
const isBefore = (one: string, other: string): boolean =>
  one !== other && (mustPrecede(one, other) || mustPart(one, other));

/** Splits kinds into those that can come first, those that go in circles, and those that can come last. */
function peeled(kinds: readonly string[]): { first: string[]; circling: string[]; last: string[] } {
  const [first, last]: [string[], string[]] = [[], []];
  let circling = [...kinds];
  for (;;) {
    const source = circling.find((each) => !circling.some((other) => isBefore(other, each)));
    const gone = source ?? circling.find((each) => !circling.some((other) => isBefore(each, other)));
    if (gone === undefined) return { first, circling, last };
    if (source === undefined) last.unshift(gone);
    else first.push(source);
    circling = circling.filter((each) => each !== gone);
  }
}

/** Of more kinds than this the best order is not looked for by trying each. */
const MOST_TRIED = 8;

/** Finds the fewest turns by trying every order that puts fewer nuts first. */
function fewestTurns(kinds: readonly string[]): string[][] {
  interface Way {
    readonly done: number;
    readonly turns: readonly (readonly number[])[];
  }
  const all = (1 << kinds.length) - 1;
  let ways = new Map<string, Way>([['', { done: 0, turns: [[]] }]]);
  const at = (place: number) => kinds[place] ?? '';
  for (let placed = 0; placed < kinds.length; placed++) {
    const next = new Map<string, Way>();
    for (const { done, turns } of ways.values())
      kinds.forEach((kind, place) => {
        const isLater = kinds.some((other, index) => !(done & (1 << index)) && classAt(other) < classAt(kind));
        if (done & (1 << place) || isLater) return;
        const open = turns.at(-1) ?? [];
        const goesOn = !open.some((index) => spoils(at(index), kind));
        const after = goesOn ? [...turns.slice(0, -1), [...open, place]] : [...turns, [place]];
        const now = done | (1 << place);
        const key = `${now} ${[...(after.at(-1) ?? [])].sort().join(',')}`;
        if (after.length < (next.get(key)?.turns.length ?? Infinity)) next.set(key, { done: now, turns: after });
      });
    ways = next;
  }
  const [best] = [...ways.values()].filter(({ done }) => done === all).sort((a, b) => a.turns.length - b.turns.length);
  return (best?.turns ?? []).map((turn) => turn.map(at));
}

/** Finds turns by going on as long as something fits: what spoils the least of the rest first. */
function greedyTurns(kinds: readonly string[]): string[][] {
  let left = [...kinds];
  const turns: string[][] = [[]];
  while (left.length > 0) {
    const least = Math.min(...left.map(classAt));
    const here = left.filter((kind) => classAt(kind) === least);
    const spoilt = (kind: string) => left.filter((other) => other !== kind && spoils(kind, other)).length;
    const open = turns.at(-1) ?? [];
    const able = here.filter((kind) => !open.some((there) => spoils(there, kind)));
    const [next = ''] = (able.length > 0 ? able : here).sort((a, b) => spoilt(a) - spoilt(b) || (a < b ? -1 : 1));
    if (able.length > 0) open.push(next);
    else turns.push([next]);
    left = left.filter((kind) => kind !== next);
  }
  return turns;
}

const turned = new Map<string, readonly (readonly string[])[]>();

/**
 * Puts a day in turns, with a clean-down between two of them: without nuts before tree nuts before peanut, and the fewest. Within a turn nothing
 * is made after what leaves something behind that it minds.
 * @param kinds of all that is made, finished and packed on the day, see {@link kindsOf}
 * @returns what can be made one after another without a clean-down, turn by turn; none of an empty day
 */
export function turnsOf(kinds: readonly string[]): readonly (readonly string[])[] {
  const here = [...new Set(kinds)].sort((a, b) => classAt(a) - classAt(b) || (a < b ? -1 : 1));
  if (here.length === 0) return [];
  const key = here.join('|');
  const known = turned.get(key);
  if (known) return known;
  if (turned.size > MOST_KNOWN) turned.clear();
  const { first, circling, last } = peeled(here);
  const middle =
    circling.length === 0 ? [[]] : circling.length > MOST_TRIED ? greedyTurns(circling) : fewestTurns(circling);
  const turns = middle.map((turn, at) => [
    ...(at === 0 ? first : []),
    ...turn,
    ...(at === middle.length - 1 ? last : []),
  ]);
  turned.set(key, turns);
  return turns;
}

/** Counts the clean-downs of a day: one between two turns. */
export const cleanDownsOf = (kinds: readonly string[]): number => Math.max(0, turnsOf(kinds).length - 1);

/** A rule of the turns of a day, for a model: so many of these kinds on one day make so many turns. */
export interface TurnRule {
  readonly kinds: readonly string[];
  /** The turns that all of them together make. */
  readonly turns: number;
}

/** Rules are looked for among sets of so many kinds; of smaller ones where there are many to choose from. */
const largestRule = (kinds: number): number =>
  kinds <= 8 ? kinds : kinds <= 14 ? 5 : kinds <= 22 ? 4 : kinds <= 40 ? 3 : 2;

/** Subsets of a list with at most so many in each. */
function* subsets<T>(list: readonly T[], most: number, from = 0, chosen: readonly T[] = []): Generator<readonly T[]> {
  if (chosen.length > 0) yield chosen;
  if (chosen.length === most) return;
  for (let at = from; at < list.length; at++) yield* subsets(list, most, at + 1, [...chosen, list[at] as T]);
}

const ruled = new Map<string, readonly TurnRule[]>();

/**
 * Finds the rules by which a model counts turns: sets of kinds of which each two must be parted, each in a turn of its own; and larger sets
 * that make more turns than that.
 * @param kinds of all that may be on the day
 */
export function turnRules(kinds: readonly string[]): readonly TurnRule[] {
  const sorted = [...kinds].sort();
  const key = sorted.join('|');
  const known = ruled.get(key);
  if (known) return known;
  if (ruled.size > MOST_KNOWN) ruled.clear();
  const rules = rulesOf(peeled(sorted).circling);
  ruled.set(key, rules);
  return rules;
}

function rulesOf(kinds: readonly string[]): TurnRule[] {
  const apart = (set: readonly string[]) =>
    set.every((one, at) => set.slice(at + 1).every((other) => mustPart(one, other)));
  const rules: TurnRule[] = [];
  const known = (set: readonly string[]): number =>
    rules.reduce((most, rule) => {
      const missing = rule.kinds.filter((kind) => !set.includes(kind)).length;
      return Math.max(most, apart(rule.kinds) ? rule.turns - missing : missing === 0 ? rule.turns : 0);
    }, 1);
  const all = [...subsets(kinds, largestRule(kinds.length))].sort((a, b) => b.length - a.length);
  // The widest first: what follows from them needs no rule of its own.
  for (const set of all.filter(apart)) if (set.length > known(set)) rules.push({ kinds: set, turns: set.length });
  for (const set of all.filter((each) => !apart(each)).reverse()) {
    const turns = turnsOf(set).length;
    if (turns > known(set)) rules.push({ kinds: set, turns });
  }
  return rules;
}
