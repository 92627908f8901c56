import { expect, it } from '@jest/globals';
import { groupBy } from './group.js';

it('puts the members of a list under their keys, each in its place', () => {
  const groups = groupBy([5, 2, 8, 3, 6], (each) => each % 2 === 0);
  expect([...groups]).toEqual([
    [false, [5, 3]],
    [true, [2, 8, 6]],
  ]);
  expect(groupBy([], String).size).toBe(0);
});
