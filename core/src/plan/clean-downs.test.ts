import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, ingredient, kitchen } from '../../testing/kitchen.js';
import { allergenCodes, type Allergen } from '../ingredient/index.js';
import {
  allMinded,
  cleanDownsOf,
  cleanOff,
  mindedOf,
  nutClass,
  nutClasses,
  profileOf,
  turnRules,
  turnsOf,
} from './clean-downs.js';

const strict = (contains: readonly Allergen[]) => profileOf(contains, allMinded);
const turns = (...sets: Allergen[][]) => turnsOf(sets.map(strict));
const codesIn = (profile: string) => profile.split(' ').filter(Boolean) as Allergen[];

describe('what the bench is cleaned for', () => {
  const book = (rule: Partial<typeof kitchen>) =>
    bookOf({
      kitchen: { ...kitchen, ...rule },
      ingredients: [ingredient('stout', { contains: ['barley', 'alcohol'] })],
    });
  const more = (rule: Partial<typeof kitchen>, exclusions: string[]) =>
    [...mindedOf(book(rule), exclusions)].filter((code) => nutClass([code]) === 'no nuts');

  it('is nuts always, and what an order rules out: by group, by name, by one ingredient', () => {
    expect([...mindedOf(book({}), [])]).toEqual(expect.arrayContaining(['pecan', 'hazelnut', 'peanut']));
    expect(more({}, [])).toEqual([]);
    expect(more({}, ['sesame', 'gluten'])).toEqual(['sesame', 'wheat', 'barley', 'rye', 'oats']);
    expect(more({}, ['ingredient:stout'])).toEqual(['barley']);
    expect(more({}, ['any-alcohol', 'honey', 'piece:fudge'])).toEqual([]);
  });

  it('is the maker’s own list, or everything, where that is the rule, and nuts all the same', () => {
    expect(more({ cleanFor: 'my list', cleanList: ['milk'] }, ['sesame'])).toEqual(['milk']);
    expect(more({ cleanFor: 'everything' }, [])).toEqual(expect.arrayContaining(['milk', 'egg', 'soy', 'coconut']));
    expect([...mindedOf(book({ cleanFor: 'my list' }), [])]).toContain('walnut');
  });

  it('makes one kind of things that differ only in what nobody rules out', () => {
    const minded = mindedOf(book({}), ['sesame']);
    expect(turnsOf([['milk'], ['soy'], ['egg', 'milk']].map((set) => profileOf(set as Allergen[], minded)))).toEqual([
      [''],
    ]);
  });
});

describe('the turns of a day', () => {
  it('go on without a clean-down as long as nothing lacks what was there before', () => {
    expect(turns(['milk', 'soy'], [], ['milk'])).toEqual([['', 'milk', 'milk soy']]);
    expect(turns(['milk', 'sesame'], ['milk', 'soy'])).toHaveLength(2);
    expect(turns(['milk'], ['soy'], ['milk', 'soy'])).toHaveLength(2);
  });

  it('put what has no nuts before tree nuts before peanut, and part one nut from another', () => {
    const day = turns(['milk', 'peanut'], ['milk'], ['milk', 'pecan'], ['milk', 'hazelnut']);
    // Nothing of what has no nuts is missing in the first of those with nuts: no clean-down between.
    expect(day.map((turn) => turn.map((profile) => nutClass(codesIn(profile))))).toEqual([
      ['no nuts', 'tree nuts'],
      ['tree nuts'],
      ['peanut'],
    ]);
  });

  it('say what is cleaned off between two kinds of work', () => {
    expect(cleanOff(strict(['milk', 'wheat']), strict(['soy', 'milk']))).toEqual(['wheat']);
    expect(cleanOff(strict(['milk', 'alcohol']), strict(['milk']))).toEqual([]);
  });

  it('pay no heed to what is no allergen', () => {
    expect(turns(['alcohol'], ['gelatin'], ['honey'])).toEqual([['']]);
  });

  const sets = fc.array(fc.subarray([...allergenCodes].slice(0, 9).concat('hazelnut', 'pecan', 'peanut', 'sesame')), {
    minLength: 1,
    maxLength: 6,
  });

  it('never make anything after something that has an allergen that it lacks, without a clean-down between', () => {
    fc.assert(
      fc.property(sets, (list) => {
        const found = turnsOf(list.map(strict));
        expect(found.flat().sort()).toEqual([...new Set(list.map(strict))].sort());
        for (const turn of found)
          turn.forEach((profile, at) => {
            for (const earlier of turn.slice(0, at))
              for (const code of codesIn(earlier)) expect(codesIn(profile)).toContain(code);
          });
        const order = found.flat().map((profile) => nutClasses.indexOf(nutClass(codesIn(profile))));
        expect(order).toEqual([...order].sort((a, b) => a - b));
      }),
    );
  });

  it('are counted by the rules of the model just as they are', () => {
    fc.assert(
      fc.property(sets, (list) => {
        const profiles = [...new Set(list.map(strict))];
        const counted = turnRules(profiles).reduce((most, rule) => Math.max(most, rule.turns), 1);
        expect(counted - 1).toBe(cleanDownsOf(profiles));
      }),
    );
  });
});
