import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import type { Book } from '../book/index.js';
import { planSeason } from '../plan/index.js';
import { crossContact } from './cross-contact.js';
import { labelOf } from './label.js';
import { schools } from './schools/index.js';

const bookWith = (cleanMinutes: number): Book =>
  bookOf({
    kitchen: { ...kitchen, cleanMinutes },
    ingredients: [
      ingredient('cream', { contains: ['milk'] }),
      ingredient('peanuts', { contains: ['peanut'] }),
      ingredient('eggs', { contains: ['egg'] }),
      ingredient('rum', { contains: ['alcohol'] }),
    ],
    recipes: [
      recipe('plain', [line('cream', 100)]),
      recipe('crisp', [line('peanuts', 100), line('rum', 5)]),
      recipe('foam', [line('eggs', 100)]),
    ],
    pieces: [
      piece('fudge', { kind: 'rolled', recipeId: 'plain', centreGrams: 10 }),
      piece('bar', { kind: 'rolled', recipeId: 'crisp', centreGrams: 10 }),
      piece('kiss', { kind: 'rolled', recipeId: 'foam', centreGrams: 10 }),
    ],
    boxes: [box('mild', ['fudge']), box('nutty', ['bar']), box('light', ['kiss'])],
  });
const waysInto = (book: Book, boxId: string) => {
  const plan = planSeason(book, [order('a', { mild: 2, nutty: 1, light: 1 }, '2026-12-05')], TODAY);
  const run = plan.labels.find((each) => each.boxId === boxId);
  const facts = book.boxes.get(boxId);
  if (!run || !facts) throw new Error('no run');
  return { run, facts, ways: crossContact(run, facts, plan, book) };
};
const allergensOf = (ways: ReturnType<typeof crossContact>) =>
  [...new Set(ways.map(({ allergen }) => allergen))].sort();

describe('what comes from the kitchen itself', () => {
  it('is everything else of the day where nothing is cleaned between', () => {
    expect(allergensOf(waysInto(bookWith(0), 'mild').ways)).toEqual(['egg', 'peanut']);
  });

  it('is what lies beside it at the packing, and no nut, where clean-downs are planned', () => {
    const { ways } = waysInto(bookWith(20), 'mild');
    expect(allergensOf(ways)).toEqual(['egg']);
    expect(ways.every(({ where }) => where === 'packing')).toBe(true);
    // Boxes with peanuts are packed by themselves.
    expect(allergensOf(waysInto(bookWith(20), 'nutty').ways)).toEqual([]);
  });

  it('stands with the traces and takes nothing off what is contained', () => {
    const book = bookWith(0);
    const { run, facts, ways } = waysInto(book, 'mild');
    const fromKitchen = [...ways.map(({ allergen }) => allergen), 'milk' as const];
    const { blocks } = labelOf(schools.us, facts, book, { dates: run, fromKitchen, today: TODAY });
    const said = (kind: string) => blocks.filter((each) => each.kind === kind).map(({ text }) => text);
    expect(said('contains')).toEqual(['Milk']);
    expect(said('may')).toEqual(['Egg, Peanuts']);
  });
});
