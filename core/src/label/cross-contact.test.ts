import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import type { Book } from '../book/index.js';
import { planSeason } from '../plan/index.js';
import { crossContact } from './cross-contact.js';
import { labelOf } from './label.js';
import { schools } from './schools/index.js';

const rolled = (id: string, recipeId: string) =>
  piece(id, { kind: 'rolled', recipeId, centreGrams: 10 }, { handSeconds: 60 });
const bookWith = (cleanMinutes: number, packMinutes = 4): Book =>
  bookOf({
    kitchen: { ...kitchen, cleanMinutes },
    ingredients: [
      ingredient('cream', { contains: ['milk'] }),
      ingredient('peanuts', { contains: ['peanut'] }),
      ingredient('eggs', { contains: ['egg'] }),
      ingredient('rum', { contains: ['alcohol'] }),
    ],
    recipes: [
      recipe('plain', [line('cream', 100)], { handsMinutes: 20 }),
      recipe('crisp', [line('peanuts', 100), line('rum', 5)], { handsMinutes: 20 }),
      recipe('foam', [line('eggs', 100)], { handsMinutes: 20 }),
    ],
    pieces: [rolled('fudge', 'plain'), rolled('bar', 'crisp'), rolled('kiss', 'foam')],
    boxes: [
      box('mild', ['fudge'], { packMinutes }),
      box('nutty', ['bar'], { packMinutes }),
      box('light', ['kiss'], { packMinutes }),
    ],
  });
const waysInto = (book: Book, boxId: string, exclusions: string[] = []) => {
  const orders = [order('a', { mild: 2, nutty: 1, light: 1 }, '2026-12-05', { exclusions })];
  const plan = planSeason(book, orders, TODAY);
  const run = plan.labels.find((each) => each.boxId === boxId);
  const facts = book.boxes.get(boxId);
  if (!run || !facts) throw new Error('no run');
  return { run, facts, ways: crossContact(run, facts, plan, book) };
};
const allergensOf = (ways: ReturnType<typeof crossContact>) =>
  [...new Set(ways.map(({ allergen }) => allergen))].sort();

describe('what comes from the kitchen itself', () => {
  it('is what comes before it on the bench where nothing is cleaned between, and nothing that comes later', () => {
    // What has no nuts comes first, whether anything is cleaned or not.
    expect(allergensOf(waysInto(bookWith(0), 'nutty').ways)).toEqual(['egg', 'milk']);
    const first = ['mild', 'light'].map((each) => allergensOf(waysInto(bookWith(0), each).ways));
    expect(first.flat()).not.toContain('peanut');
    expect(first.flat().length).toBeGreaterThan(0);
  });

  it('is nothing that somebody rules out, since the bench is cleaned for it, and what nobody minds', () => {
    const ways = (exclusions: string[]) =>
      ['mild', 'light', 'nutty'].flatMap((each) => allergensOf(waysInto(bookWith(20), each, exclusions).ways));
    expect(ways([])).toContain('milk');
    expect(ways(['milk', 'egg'])).toEqual([]);
  });

  it('is everything where it is not known when something is worked on', () => {
    expect(allergensOf(waysInto(bookWith(20, 0), 'mild').ways)).toEqual(['egg', 'peanut']);
  });

  it('is nothing of what is packed before, in no order of one evening’s boxes', () => {
    // Boxes alone on the day of packing: made a day before, packed one after another.
    const { ways } = waysInto(bookWith(20), 'mild');
    expect(ways.filter(({ where, allergen }) => where === 'packing' && allergen === 'peanut')).toEqual([]);
  });

  it('stands with the traces and takes nothing off what is contained', () => {
    const book = bookWith(0);
    const { run, facts, ways } = waysInto(book, 'mild');
    const fromKitchen = [...ways.map(({ allergen }) => allergen), 'milk' as const];
    const { blocks } = labelOf(schools.us, facts, book, { dates: run, fromKitchen, today: TODAY });
    const said = (kind: string) => blocks.filter((each) => each.kind === kind).map(({ text }) => text);
    expect(said('contains')).toEqual(['Milk']);
    expect(said('may')).toEqual(['Egg']);
  });
});
