import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { termOfField, terms } from './index.js';

describe('the words', () => {
  it('are each there once, in the order of the alphabet, in one sentence', () => {
    const words = terms.map(({ word }) => word);
    expect(words).toEqual([...words].sort((a, b) => a.localeCompare(b, 'en')));
    expect(new Set(words).size).toBe(words.length);
    for (const { says } of terms) expect(says).toMatch(/^[A-Z].{20,320}\.$/);
  });

  it('explain no field in two ways', () => {
    const fields = terms.flatMap((term) => term.fields ?? []);
    expect(new Set(fields).size).toBe(fields.length);
    expect(termOfField('Kerf')?.word).toBe('Kerf');
    expect(termOfField('Name')).toBeNull();
  });

  it('stand in docs/words.md as they stand in the program', () => {
    const rows = terms.map(({ word, says }) => `**${word}**: ${says}`);
    expect(
      readFileSync('docs/words.md', 'utf8')
        .split('\n\n')
        .slice(2)
        .map((row) => row.trim().replace(/\s+/g, ' ')),
    ).toEqual(rows);
  });
});
