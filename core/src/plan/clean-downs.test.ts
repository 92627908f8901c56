import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { allergenCodes, type Allergen } from '../ingredient/index.js';
import { cleanDownsOf, cleanOff, nutClass, nutClasses, profileOf, turnRules, turnsOf } from './clean-downs.js';

const turns = (...sets: Allergen[][]) => turnsOf(sets.map(profileOf)).map(({ profiles }) => profiles);

describe('the turns of a day', () => {
  it('go on without a clean-down as long as nothing lacks what was there before', () => {
    expect(turns(['milk', 'soy'], [], ['milk'])).toEqual([['', 'milk', 'milk soy']]);
    expect(turns(['milk', 'sesame'], ['milk', 'soy'])).toHaveLength(2);
    expect(turns(['milk'], ['soy'], ['milk', 'soy'])).toHaveLength(2);
  });

  it('put what has no nuts before tree nuts before peanut, and part one nut from another', () => {
    const day = turnsOf(
      [['milk', 'peanut'], ['milk'], ['milk', 'pecan'], ['milk', 'hazelnut']].map((set) =>
        profileOf(set as Allergen[]),
      ),
    );
    expect(day.map(({ nuts }) => nuts)).toEqual(['no nuts', 'tree nuts', 'tree nuts', 'peanut']);
  });

  it('say what is cleaned off between two kinds of work', () => {
    expect(cleanOff(profileOf(['milk', 'wheat']), profileOf(['soy', 'milk']))).toEqual(['wheat']);
    expect(cleanOff(profileOf(['milk', 'alcohol']), profileOf(['milk']))).toEqual([]);
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
        const found = turnsOf(list.map(profileOf));
        expect(found.flatMap(({ profiles }) => profiles).sort()).toEqual([...new Set(list.map(profileOf))].sort());
        for (const { profiles, nuts } of found) {
          profiles.forEach((profile, at) => {
            expect(nutClass(profile.split(' ').filter(Boolean) as Allergen[])).toBe(nuts);
            for (const earlier of profiles.slice(0, at))
              for (const code of earlier.split(' ').filter(Boolean)) expect(profile.split(' ')).toContain(code);
          });
        }
        const order = found.map(({ nuts }) => nutClasses.indexOf(nuts));
        expect(order).toEqual([...order].sort((a, b) => a - b));
      }),
    );
  });

  it('are counted by the rules of the model just as they are', () => {
    fc.assert(
      fc.property(sets, (list) => {
        const profiles = [...new Set(list.map(profileOf))];
        let counted = 0;
        for (const nuts of nutClasses) {
          const own = profiles.filter((each) => nutClass(each.split(' ').filter(Boolean) as Allergen[]) === nuts);
          if (own.length === 0) continue;
          counted += turnRules(own).reduce((most, rule) => Math.max(most, rule.turns), 1);
        }
        expect(Math.max(0, counted - 1)).toBe(cleanDownsOf(profiles));
      }),
    );
  });
});
