import { describe, expect, it } from '@jest/globals';
import type { ListEntry } from '../ingredients.js';
import { quantityInName } from '../quid.js';
import { schools } from './index.js';

const entry = (labelName: string, per100: number, more: Partial<ListEntry> = {}): ListEntry =>
  ({
    ids: [labelName],
    labelName,
    french: '',
    per100,
    isWater: false,
    contains: [],
    parts: [],
    ...more,
  }) as ListEntry;
const listOf = (school: keyof typeof schools, list: readonly ListEntry[], contains: ListEntry['contains'] = []) =>
  Object.fromEntries(
    schools[school]
      .declare({ foodName: 'Sweets', list, contains, mayContain: [] } as never)
      .map(({ kind, spans }) => [kind, spans.map(({ text }) => text).join('')]),
  );

describe('water that is left in the food', () => {
  // Summed up in floating point, five percent is rarely five.
  const five = 0.1 + 0.2 + 4.7;
  const list = (per100: number) => [entry('sugar', 90), entry('water', per100, { isWater: true })];

  it('is listed in the European Union and the United Kingdom above 5 %', () => {
    for (const school of ['eu', 'uk'] as const) {
      expect(listOf(school, list(five))['ingredients']).toBe('sugar');
      expect(listOf(school, list(5.1))['ingredients']).toBe('sugar, water');
    }
  });

  it('is listed in Australia and New Zealand from 5 % on', () => {
    expect(listOf('anz', list(five))['ingredients']).toBe('sugar, water');
    expect(listOf('anz', list(4.9))['ingredients']).toBe('sugar');
  });
});

describe('cereals with gluten in the statement of Australia and New Zealand', () => {
  it('are gluten alone, but for wheat, which is named beside it', () => {
    expect(listOf('anz', [], ['barley', 'milk'])['contains']).toBe('milk, gluten');
    expect(listOf('anz', [], ['oats'])['contains']).toBe('gluten');
    expect(listOf('anz', [], ['wheat', 'rye'])['contains']).toBe('wheat, gluten');
    expect(listOf('anz', [], ['sulfites', 'shrimp'])['contains']).toBe('sulphites, crustacean');
  });
});

describe('how much there is of what the name speaks of', () => {
  it('is to the nearest half below five percent in Australia and New Zealand, and whole above', () => {
    const said = (per100: number) => quantityInName('Cherry fudge', entry('cherries', per100), 'halves below five');
    expect([0.2, 2.3, 4.7, 4.9, 12.4].map(said)).toEqual(['0.5%', '2.5%', '4.5%', '5%', '12%']);
  });

  it('is of every nut where the name speaks of nuts without naming one', () => {
    expect(quantityInName('Nut brittle', entry('roasted peanuts', 31, { contains: ['peanut'] }))).toBe('31%');
    expect(quantityInName('Butter brittle', entry('pecans', 20, { contains: ['pecan'] }))).toBe('20%');
    expect(quantityInName('Nut brittle', entry('sugar', 50))).toBe('');
  });
});
