import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { shelfOf } from '../intake/index.js';
import { guessMapping, planImport, readCsv, unusedColumns } from './index.js';

const shelf = shelfOf([{ id: 'sampler', name: 'Pinwheel sampler' }]);
const fileWith = (column: string, ...cells: readonly string[]) =>
  readCsv(
    [`Customer,Box,Date,${column}`, ...cells.map((cell) => `Wren Oxley,Pinwheel sampler,2026-12-12,"${cell}"`)].join(
      '\n',
    ),
  );
const unused = (column: string, ...cells: readonly string[]) => {
  const table = fileWith(column, ...cells);
  const used = { customer: 'Customer', box: 'Box', day: 'Date' };
  return unusedColumns(table, new Set(Object.values(used)), {}, shelf);
};

describe('a column of a file of orders that holds no field', () => {
  it.each([
    ['Info', 'no nuts'],
    ['Info', 'peanuts'],
    ['Extra', 'Mia carries epinephrine'],
    ['Extra', 'vegan please'],
    ['Anything else?', 'gluten-free box if you can'],
    ['Anything else?', 'she is allergic to sesame'],
    ['Avoid', 'almonds'],
    ['Dietary needs', 'see my message'],
    ['Comments 2', 'doesn’t eat egg'],
  ])('is asked about where it may rule something out: %s, %s', (column, cell) => {
    expect(unused(column, 'red ribbon', cell)).toMatchObject([{ column, filled: 2, mayRuleOut: true, use: null }]);
  });

  it.each([
    ['Gift wrap', 'yes'],
    ['Gift wrap', 'no'],
    ['Ribbon', 'red'],
    ['Heard of us', 'at the stall'],
  ])('is named and nothing more where it does not: %s, %s', (column, cell) => {
    expect(unused(column, cell)).toMatchObject([{ column, sample: cell, mayRuleOut: false }]);
  });

  it('is passed over where all of it is empty', () => {
    expect(unused('Avoid', '', ' ')).toEqual([]);
  });

  it('is read as exclusions where the maker says so, beside the column of exclusions', () => {
    const table = readCsv(
      'Customer,Box,Date,Allergies,Avoid\nWren Oxley,Pinwheel sampler,2026-12-12,milk,nuts\nIvo Stane,Pinwheel sampler,2026-12-12,,moonbeams',
    );
    const mapping = guessMapping(table.columns);
    expect(mapping.exclusions).toBe('Allergies');
    const { create, report } = planImport(table, [], {
      mapping,
      beside: { Avoid: 'exclusions' },
      shelf,
      today: '2026-11-25',
      dayOrder: 'unknown',
      currency: 'USD',
    });
    expect(create.map(({ exclusions }) => [...exclusions].sort())).toEqual([['milk', 'nuts']]);
    expect(report[1]).toMatchObject({ fate: 'refused', why: '“moonbeams” is nothing that can be ruled out' });
  });

  it('is never dropped in silence, whatever its name and wherever its exclusion stands', () => {
    const ruled = fc.constantFrom(
      'no milk',
      'nut allergy',
      'without egg',
      'dairy free',
      'soy',
      'sesame-free',
      'coeliac',
    );
    const idle = fc.constantFrom('', 'red', 'thanks', 'blue ribbon', 'yes');
    const named = fc.string({ minLength: 1, maxLength: 12 }).map((name) => `Q ${name.replace(/[^a-z ]/gi, '')}`);
    fc.assert(
      fc.property(named, fc.array(idle, { maxLength: 30 }), ruled, fc.nat(), (name, cells, cell, at) => {
        const all: string[] = [...cells];
        all.splice(at % (cells.length + 1), 0, cell);
        expect(unused(name.trim(), ...all)).toMatchObject([{ mayRuleOut: true, use: null, sample: cell }]);
      }),
    );
  });
});
