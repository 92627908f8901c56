import type { Book } from '../book/index.js';
import type { IngredientFiled } from '../ingredient/index.js';
import { nameWords, singular, synonymWords } from '../reading/index.js';

/** Something by its name. */
export interface Named {
  readonly id: string;
  readonly name: string;
}

/** What the words of an order can name. */
export interface Shelf {
  readonly boxes: readonly Named[];
  readonly pieces: readonly Named[];
  readonly ingredients: readonly Pick<IngredientFiled, 'id' | 'name' | 'declaration'>[];
  /** Names of customers who have ordered before. */
  readonly customers: readonly string[];
}

/** A shelf of boxes alone. */
export const shelfOf = (boxes: readonly Named[], more: Partial<Shelf> = {}): Shelf => ({
  boxes,
  pieces: [],
  ingredients: [],
  customers: [],
  ...more,
});

/**
 * What the words of an order can name, from a book: boxes that hold pieces, since an empty one cannot be sold.
 * @param customers names of customers who have ordered before
 */
export const shelfOfBook = (
  { boxes, pieces, ingredients }: Pick<Book, 'boxes' | 'pieces' | 'ingredients'>,
  customers: readonly string[] = [],
): Shelf => ({
  boxes: [...boxes.values()].filter(({ pieceCount }) => pieceCount > 0).map(({ box: { id, name } }) => ({ id, name })),
  pieces: [...pieces.values()].map(({ piece: { id, name } }) => ({ id, name })),
  ingredients: [...ingredients.values()],
  customers,
});

/** A named thing with the words by which it is known. */
export interface Known {
  readonly noun: 'ingredient' | 'piece';
  readonly id: string;
  readonly name: string;
  /** The words of its name alone, in any order. */
  readonly key: string;
  /** The words of its name, of its name on the label and of each of its own ingredients. */
  readonly written: readonly ReadonlySet<string>[];
}

/** The words of a text as they stand, in the singular. */
const plainWords = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/['’]/g, '')
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean)
    .map(singular);

const keyOf = (words: readonly string[]): string => [...words].sort().join(' ');

/** What is worked out once of a shelf. */
export function once<T>(work: (shelf: Shelf) => T): (shelf: Shelf) => T {
  const kept = new WeakMap<Shelf, T>();
  return (shelf) => {
    let done = kept.get(shelf);
    if (done === undefined) kept.set(shelf, (done = work(shelf)));
    return done;
  };
}

/** Every word of a name of the shelf, in small letters. */
export const wordsOfNames = once(
  ({ boxes, pieces, ingredients, customers }): ReadonlySet<string> =>
    new Set(
      [...boxes, ...pieces, ...ingredients]
        .map(({ name }) => name)
        .concat(customers)
        .flatMap((name) => name.toLowerCase().split(/[^\p{L}]+/u)),
    ),
);

/** Every word by which a thing is known. */
export const wordsOfThing = ({ written }: Known): string[] => written.flatMap((words) => [...words]);

/** Ingredients and pieces with the words by which an order may name them. */
export const knownThings = once(({ ingredients, pieces }): readonly Known[] => [
  ...ingredients.map(({ id, name, declaration }): Known => {
    const written = [name, declaration.labelName, ...declaration.parts.map((part) => part.name)];
    return {
      noun: 'ingredient',
      id,
      name,
      key: keyOf(nameWords(name)),
      written: written.map((text) => new Set(plainWords(text))),
    };
  }),
  ...pieces.map(({ id, name }): Known => {
    return { noun: 'piece', id, name, key: keyOf(nameWords(name)), written: [new Set(plainWords(name))] };
  }),
]);

/** Every word with which the name of a thing may begin, in the singular. */
export const thingWords = once(
  (shelf): ReadonlySet<string> => new Set([...synonymWords, ...knownThings(shelf).flatMap(wordsOfThing)]),
);

/** The things that a phrase names: by their very name, or else all that have all its words; ingredients go before pieces. */
export function thingsNamed(phrase: string, things: readonly Known[]): { exact: boolean; things: readonly Known[] } {
  const words = nameWords(phrase);
  if (words.length === 0) return { exact: false, things: [] };
  const key = keyOf(words);
  const exact = things.filter((thing) => thing.key === key);
  if (exact.length > 0) return { exact: true, things: exact };
  const plain = plainWords(phrase);
  const having = things.filter((thing) => thing.written.some((words) => plain.every((word) => words.has(word))));
  const ingredients = having.filter(({ noun }) => noun === 'ingredient');
  return { exact: false, things: ingredients.length > 0 ? ingredients : having };
}
