import { expect, it } from '@jest/globals';
import type { BookAnswer } from '@usual-pantry/core/api';
import { readFileSync } from 'node:fs';
import { find } from './places';

const demo = JSON.parse(readFileSync('demo/season.json', 'utf8')) as BookAnswer;
const names = (text: string) => find(demo, [], text, 5).flatMap(({ places }) => places.map(({ name }) => name));

it('finds a record by any of its words, accents and case aside', () => {
  expect(names('FUDGE malted')).toEqual(['Malted milk fudge', 'Malted milk fudge']);
  expect(names('sesame-card')).toContain('Sesame-cardamom toffee');
});

it('finds what to do by what it is for', () => {
  expect(names('receipt')).toEqual(['Give prices']);
  expect(names('undo')).toEqual(['What can be undone']);
});

it('puts what begins with the words before what only holds them', () => {
  const [first] = find(demo, [], 'or', 50).find(({ title }) => title === 'Screens')?.places ?? [];
  expect(first?.name).toBe('Orders');
});

it('finds nothing where nothing is called that', () => {
  expect(find(demo, [], 'xyzzy', 5)).toEqual([]);
});

it('shows every kind before anything is typed, and no more of each than there is room for', () => {
  const groups = find(demo, [], '', 3);
  expect(groups.map(({ title }) => title)).toEqual(['Screens', 'To do', 'Boxes and pieces', 'Recipes', 'Pantry']);
  for (const { places } of groups) expect(places.length).toBeLessThanOrEqual(3);
});
