import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, kitchen, line, order, piece, recipe } from '../../testing/kitchen.js';
import type { Allergen } from '../ingredient/index.js';
import {
  cleanDownsOf,
  cleanOff,
  kindOf,
  kindsOf,
  mindedOf,
  nutClass,
  nutClasses,
  turnRules,
  turnsOf,
} from './clean-downs.js';

const leavesOf = (kind: string) => (kind.split('>')[0] ?? '').split(' ').filter(Boolean) as Allergen[];
const mindsOf = (kind: string) => (kind.split('>')[1] ?? '').split(' ').filter(Boolean) as Allergen[];

const bookWith = (rule: Partial<typeof kitchen> = {}) =>
  bookOf({
    kitchen: { ...kitchen, ...rule },
    ingredients: [
      ingredient('sugar'),
      ingredient('cream', { contains: ['milk'] }),
      ingredient('stout', { contains: ['barley', 'alcohol'] }),
      ingredient('pecans', { contains: ['pecan'] }),
    ],
    recipes: [
      recipe('syrup', [line('sugar', 100)]),
      recipe('fudge', [{ ...line('sugar', 50), uses: { kind: 'recipe', id: 'syrup' } }, line('cream', 50)]),
      recipe('malty', [line('stout', 50), line('cream', 50)]),
      recipe('nutty', [line('pecans', 50), line('cream', 50)]),
    ],
    pieces: ['fudge', 'malty', 'nutty'].map((id) =>
      piece(`${id}-piece`, { kind: 'rolled', recipeId: id, centreGrams: 10 }),
    ),
    boxes: ['fudge', 'malty', 'nutty'].map((id) => box(id, [`${id}-piece`])),
  });

describe('what the bench is cleaned for', () => {
  const on = '2026-12-05';
  const wanting = (lines: Record<string, number>, exclusions: string[]) => [order('a', lines, on, { exclusions })];

  it('is what an order rules out, in whatever goes into that order and nowhere else', () => {
    const minded = mindedOf(wanting({ fudge: 1 }, ['gluten']), bookWith());
    expect(minded.map(({ noun, id }) => `${noun} ${id.split(' ')[0] ?? ''}`)).toEqual([
      'box fudge',
      'piece fudge-piece',
      'recipe fudge',
      'recipe syrup',
    ]);
    for (const { minds } of minded) expect(minds).toEqual(['wheat', 'barley', 'rye', 'oats']);
    // A named ingredient stands for its allergens; what some do without by choice for none.
    expect(mindedOf(wanting({ fudge: 1 }, ['ingredient:stout']), bookWith())[0]?.minds).toEqual(['barley']);
    expect(mindedOf(wanting({ fudge: 1 }, ['any-alcohol', 'honey', 'piece:malty-piece']), bookWith())).toEqual([]);
  });

  it('is nuts in what has none, whatever the rule', () => {
    for (const cleanFor of ['what orders rule out', 'my list', 'everything'] as const) {
      const of = kindsOf([], bookWith({ cleanFor }));
      expect(cleanOff(of.recipe('nutty'), of.recipe('fudge'))).toEqual(['pecan']);
      expect(cleanOff(of.recipe('fudge'), of.recipe('nutty'))).toEqual([]);
    }
  });

  it('is an allergen that nobody rules out only by the maker’s own list, or where everything is', () => {
    const off = (rule: Partial<typeof kitchen>) => {
      const of = kindsOf([], bookWith(rule));
      return cleanOff(of.recipe('malty'), of.recipe('fudge'));
    };
    expect(off({})).toEqual([]);
    expect(off({ cleanFor: 'my list', cleanList: ['barley'] })).toEqual(['barley']);
    expect(off({ cleanFor: 'everything' })).toEqual(['barley']);
    const of = kindsOf(mindedOf(wanting({ fudge: 1 }, ['gluten']), bookWith()), bookWith());
    expect(cleanOff(of.recipe('malty'), of.recipe('fudge'))).toEqual(['barley']);
    expect(cleanOff(of.recipe('malty'), of.recipe('nutty'))).toEqual([]);
  });
});

describe('the turns of a day', () => {
  it('need no clean-down where an order of the work is enough', () => {
    const [malt, plain, nut] = [kindOf(['barley'], ['pecan']), kindOf([], ['barley', 'pecan']), kindOf(['pecan'], [])];
    expect(turnsOf([malt, plain, nut])).toEqual([[plain, malt, nut]]);
  });

  it('need one where each would carry something into the other, or fewer nuts into more that mind it', () => {
    const [malt, sesame] = [kindOf(['barley'], ['sesame']), kindOf(['sesame'], ['barley'])];
    expect(turnsOf([malt, sesame])).toHaveLength(2);
    expect(turnsOf([kindOf(['sesame'], []), kindOf(['pecan'], ['sesame'])])).toHaveLength(2);
    expect(turnsOf([kindOf(['pecan'], []), kindOf(['peanut'], ['pecan'])])).toHaveLength(2);
  });

  const few = ['milk', 'barley', 'sesame', 'hazelnut', 'pecan', 'peanut'] as const satisfies readonly Allergen[];
  const kinds = fc.array(
    fc.tuple(fc.subarray([...few]), fc.subarray([...few])).map(([leaves, minds]) =>
      kindOf(
        leaves,
        minds.filter((code) => !leaves.includes(code)),
      ),
    ),
    { minLength: 1, maxLength: 7 },
  );

  it('never make anything after something that it minds without a clean-down between, and put fewer nuts first', () => {
    fc.assert(
      fc.property(kinds, (list) => {
        const found = turnsOf(list);
        expect(found.flat().sort()).toEqual([...new Set(list)].sort());
        for (const turn of found)
          turn.forEach((kind, at) => {
            const before = turn.slice(0, at).flatMap(leavesOf);
            expect(before.filter((code) => mindsOf(kind).includes(code))).toEqual([]);
          });
        const order = found.flat().map((kind) => nutClasses.indexOf(nutClass(leavesOf(kind))));
        expect(order).toEqual([...order].sort((a, b) => a - b));
      }),
    );
  });

  it('are the fewest of all orders', () => {
    const orders = (list: readonly string[]): string[][] =>
      list.length === 0
        ? [[]]
        : list.flatMap((first, at) =>
            orders([...list.slice(0, at), ...list.slice(at + 1)]).map((rest) => [first, ...rest]),
          );
    const countIn = (list: readonly string[]): number => {
      let turns = 1;
      let there: Allergen[] = [];
      for (const kind of list) {
        if (there.some((code) => mindsOf(kind).includes(code))) {
          turns++;
          there = [];
        }
        there.push(...leavesOf(kind));
      }
      return turns;
    };
    const classAt = (kind: string) => nutClasses.indexOf(nutClass(leavesOf(kind)));
    const inClasses = (list: readonly string[]) =>
      list.every((kind, at) => at === 0 || classAt(list[at - 1] ?? '') <= classAt(kind));
    fc.assert(
      fc.property(
        fc.array(
          kinds.map(([first]) => first ?? ''),
          { minLength: 1, maxLength: 5 },
        ),
        (list) => {
          const all = orders([...new Set(list)]).filter(inClasses);
          expect(turnsOf(list)).toHaveLength(Math.min(...all.map(countIn)));
        },
      ),
    );
  });

  it('are counted by the rules of the model just as they are', () => {
    fc.assert(
      fc.property(kinds, (list) => {
        const counted = turnRules([...new Set(list)]).reduce((most, rule) => Math.max(most, rule.turns), 1);
        expect(counted - 1).toBe(cleanDownsOf(list));
      }),
    );
  });
});
