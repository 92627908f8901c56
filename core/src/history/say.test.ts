import { expect, it } from '@jest/globals';
import { sayChange } from './say.js';

const change = (noun: string, name: string, before: object | null, after: object | null) => ({
  noun,
  id: name,
  name,
  before: before as Record<string, unknown> | null,
  after: after as Record<string, unknown> | null,
});

it('says what was done to one record by its name', () => {
  expect(sayChange([change('box', 'Sampler', null, {})])).toBe('Sampler added.');
  expect(sayChange([change('box', 'Sampler', { a: 1 }, { a: 2 })])).toBe('Sampler saved.');
  expect(sayChange([change('box', 'Sampler', {}, null)])).toBe('Sampler deleted.');
});

it('counts several, by their noun where they have one', () => {
  const boxes = [change('box', 'A', null, {}), change('box', 'B', null, {})];
  expect(sayChange(boxes)).toBe('2 boxes added.');
  expect(sayChange([...boxes, change('order', 'Ada', {}, null)])).toBe('3 records changed.');
});
