import { describe, expect, it } from '@jest/globals';
import { blocks, catalogue, finding, findingCodes, gravestFirst } from './index.js';

const box = { noun: 'box', id: 'b', name: 'Sampler' } as const;

describe('a finding', () => {
  it('has its severity and its sentence from the catalogue, and opens what it is about when it says no other way out', () => {
    const found = finding('box-gaps', box, { cells: 1 });
    expect(found).toEqual({
      code: 'box-gaps',
      key: 'box-gaps box b',
      severity: 'know',
      about: box,
      message: 'Sampler has 1 empty cell.',
      waysOut: [{ label: 'Open Sampler', action: { kind: 'open', subject: box } }],
      amount: 1,
    });
  });

  it('is told from another of its kind about the same record by its part', () => {
    const keys = [1, 2].map((line) => finding('line-unknown', { ...box, noun: 'recipe' }, { line }, { part: `line ${String(line)}` }).key); // prettier-ignore
    expect(new Set(keys).size).toBe(2);
  });

  it('says what it stands in the way of', () => {
    expect(blocks({ code: 'too-late' }, 'order')).toBe(true);
    expect(blocks({ code: 'too-late' }, 'label')).toBe(false);
    // What stops a label from being printed is never less than a stop.
    for (const code of findingCodes)
      if (blocks({ code }, 'label')) expect([code, catalogue[code].severity]).toEqual([code, 'stop']);
  });

  it('stands behind graver ones, and keeps its place among its like', () => {
    const list = [finding('box-gaps', box, { cells: 2 }), finding('box-unknown-piece', box, {}), finding('box-empty', box, {})]; // prettier-ignore
    expect(gravestFirst(list).map(({ code }) => code)).toEqual(['box-unknown-piece', 'box-empty', 'box-gaps']);
  });
});
