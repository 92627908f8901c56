import { expect, it } from '@jest/globals';
import { lotOfCode } from './lot.js';

const lots = [
  { grams: 454, useBy: '2027-01-02' },
  { grams: 900, useBy: '2026-12-20' },
];

it.each([
  ['2027-01-02', '2027-01-02'],
  [' 270102 ', '2027-01-02'],
  ['(01)09501101530003(17)270102(10)AB-12', '2027-01-02'],
  ['0109501101530003152612200710', '2026-12-20'],
  ['2027-01-03', undefined],
  ['a code of somebody else', undefined],
  ['', undefined],
])('a code %s means the lot to use by %s', (code, day) => {
  expect(lotOfCode(code, { lots })?.useBy).toBe(day);
});
