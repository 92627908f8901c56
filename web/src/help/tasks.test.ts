import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { screens } from '../app/screens';
import { tasksOf } from './tasks';

const text = readFileSync('docs/manual.md', 'utf8');

describe('the manual', () => {
  it('has a task under each heading, each at a place of its own, with something to do', () => {
    const tasks = tasksOf(text);
    expect(tasks.length).toBeGreaterThan(9);
    expect(new Set(tasks.map(({ place }) => place)).size).toBe(tasks.length);
    for (const { body } of tasks) expect(body).toMatch(/\*\*/);
  });

  it('shows pictures that there are, each with words for those who do not see it', () => {
    const pictures = [...text.matchAll(/!\[(.*?)\]\((.*?)\)/g)];
    expect(pictures.length).toBeGreaterThan(9);
    for (const [, words, path] of pictures) {
      expect(words).not.toBe('');
      expect(existsSync(`docs/${path ?? ''}`)).toBe(true);
    }
  });

  it('links to documents that there are', () => {
    for (const [, path] of text.matchAll(/(?<!!)\[[^\]]*\]\(([^)]*)\)/g))
      expect(existsSync(`docs/${path ?? ''}`)).toBe(true);
  });

  it('tells of every screen', () => {
    for (const { name } of screens) expect(text).toContain(`**${name}`);
  });
});
