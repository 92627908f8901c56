import { expect, it } from '@jest/globals';
import { sayExclusion } from './packedWords';
import { NO_NAMES } from '../data/useSeason';
import { addressOf } from './addresses';
import { sayPercent } from './words';

it('says a share, or that there is none to say', () => {
  expect(sayPercent(56.7)).toBe('57 %');
  expect(sayPercent(-12.2)).toBe('-12 %');
  expect(sayPercent(null)).toBe('–');
});

it('says an exclusion as the customer does', () => {
  expect(sayExclusion('nuts', NO_NAMES)).toBe('no nuts (tree nuts and peanuts)');
  expect(sayExclusion('sesame', NO_NAMES)).toBe('no sesame');
});

it('knows where each record is shown', () => {
  expect(addressOf({ noun: 'piece', id: 'praline' })).toBe('/pieces/praline');
  expect(addressOf({ noun: 'day', id: '2026-12-01' })).toBe('/?day=2026-12-01');
  expect(addressOf({ noun: 'kitchen', id: 'kitchen' })).toBe('/settings');
});
