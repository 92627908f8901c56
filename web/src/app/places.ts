import type { BookAnswer } from '@usual-pantry/core/api';
import type { Order } from '@usual-pantry/core/order';
import { sayShortDay } from '@usual-pantry/core/quantity';
import { foldText } from '@usual-pantry/core/record';
import { addressOf } from '../parts/addresses';
import { screens, settingsScreen } from './screens';

/** Something that can be found: a screen, a thing to do, a record. */
export interface Place {
  readonly name: string;
  readonly to: string;
  /** Other words that it is found by, or what tells it from others of its name. */
  readonly beside?: string;
}

/** Places of one kind, under their heading. */
export interface PlaceGroup {
  readonly title: string;
  readonly places: readonly Place[];
}

const toDo: readonly Place[] = [
  { name: 'New order', to: '/orders/new' },
  { name: 'New box', to: '/boxes/new' },
  { name: 'New recipe', to: '/recipes/new' },
  { name: 'New ingredient', to: '/pantry/new' },
  { name: 'Paste a recipe', to: '/recipes/paste', beside: 'import text' },
  { name: 'Give prices', to: '/pantry/prices', beside: 'cost receipt packs' },
  { name: 'Starter pantry', to: '/pantry/starter' },
  { name: 'Orders from a CSV', to: '/orders/import', beside: 'import file spreadsheet' },
  { name: 'Hand-overs', to: '/orders/hand-overs', beside: 'pick-up stall courier' },
  { name: 'Inbox of the shop', to: '/orders/inbox', beside: 'messages' },
  { name: 'Shopping list', to: '/plan/shopping', beside: 'buy' },
  { name: 'Bench sheet', to: '/plan/days', beside: 'days hours strips' },
  { name: 'Manual', to: '/manual', beside: 'help how to tasks' },
  { name: 'Words', to: '/words', beside: 'help glossary terms' },
  { name: 'What can be undone', to: '/changes', beside: 'undo redo history changes' },
];

const ofScreens: readonly Place[] = [...screens, settingsScreen].map(({ name, path }) => ({ name, to: path }));

/** What is in the book and among the orders, by kind. */
const groups = (book: BookAnswer, orders: readonly Order[]): PlaceGroup[] => [
  { title: 'Screens', places: ofScreens },
  { title: 'To do', places: toDo },
  {
    title: 'Orders',
    places: orders.map(({ id, customer, handOver }) => ({
      name: customer.name,
      beside: sayShortDay(handOver.on),
      to: addressOf({ noun: 'order', id }),
    })),
  },
  {
    title: 'Boxes and pieces',
    places: [
      ...book.boxes.map(({ id, name }) => ({ name, to: addressOf({ noun: 'box', id }) })),
      ...book.pieces.map(({ id, name }) => ({ name, to: addressOf({ noun: 'piece', id }), beside: 'piece' })),
    ],
  },
  { title: 'Recipes', places: book.recipes.map(({ id, name }) => ({ name, to: addressOf({ noun: 'recipe', id }) })) },
  {
    title: 'Pantry',
    places: book.ingredients.map(({ id, name }) => ({ name, to: addressOf({ noun: 'ingredient', id }) })),
  },
];

/** How well a place answers what was typed: 0 begins with it, 1 a word of it does, 2 holds every word somewhere; null not at all. */
function rank({ name, beside = '' }: Place, wanted: string): number | null {
  const folded = foldText(name);
  const whole = `${folded} ${foldText(beside)}`;
  if (!wanted.split(' ').every((word) => whole.includes(word))) return null;
  if (folded.startsWith(wanted)) return 0;
  return ` ${folded}`.includes(` ${wanted}`) ? 1 : 2;
}

/**
 * What answers the words that were typed, by kind, the best first; without words what there is to go to and to do.
 * @param most of a kind
 */
export function find(book: BookAnswer, orders: readonly Order[], text: string, most: number): PlaceGroup[] {
  const wanted = foldText(text.trim()).replace(/\s+/g, ' ');
  return groups(book, orders).flatMap(({ title, places }) => {
    const ranked = places
      .flatMap((place) => {
        const at = rank(place, wanted);
        return at === null ? [] : [{ place, at }];
      })
      .sort((a, b) => a.at - b.at);
    return ranked.length === 0 ? [] : [{ title, places: ranked.slice(0, most).map(({ place }) => place) }];
  });
}
