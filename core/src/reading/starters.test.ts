import { describe, expect, it } from '@jest/globals';
import { starterGroups, starterPantry } from '../starter/index.js';
import { searchStarters, starterCalled } from './index.js';

const found = (text: string) => searchStarters(text).flatMap(({ starters }) => starters.map(({ name }) => name));

describe('the starter pantry', () => {
  it('has each of its ingredients in one group', () => {
    const grouped = starterGroups.flatMap(({ names }) => names);
    expect([...grouped].sort()).toEqual(starterPantry.map(({ name }) => name).sort());
    expect(found('')).toHaveLength(starterPantry.length);
  });

  it.each([
    ['powdered', 'Icing sugar'],
    ['all-purpose', 'Plain flour'],
    ['chips', 'Dark chocolate 55 %'],
    ['bicarb', 'Baking soda'],
    ['confectioners', 'Icing sugar'],
    ['PEPITA', 'Pumpkin seeds'],
    ['dark choc', 'Dark chocolate 70 %'],
  ])('is found by "%s"', (text, name) => {
    expect(found(text)).toContain(name);
  });

  it('finds nothing by what nobody calls it', () => {
    expect(searchStarters('xyzzy')).toEqual([]);
  });

  it('knows what a name is a name of only where there is no doubt', () => {
    expect(starterCalled('powdered sugar')?.name).toBe('Icing sugar');
    expect(starterCalled('chocolate')).toBeNull();
  });
});
