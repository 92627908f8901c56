import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from '@jest/globals';

const folders = (path: string): string[] =>
  readdirSync(path, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? [entry.name] : []));

/** The part of the map under a heading. */
const partOf = (heading: string): string => {
  const text = readFileSync('docs/architecture.md', 'utf8');
  return text.split(`### ${heading}`)[1]?.split('\n#')[0] ?? '';
};
const inCode = (text: string): string[] => [...text.matchAll(/`([a-z-]+)`/g)].map(([, name]) => name ?? '');

it('the map of core names every room and no other, in the order in which they may use each other', () => {
  const named = [...partOf('core/src').matchAll(/^\| `([a-z-]+)`\s*\|/gm)].map(([, name]) => name);
  expect([...named].sort()).toEqual(folders('core/src').sort());
  const rules = readFileSync('.dependency-cruiser.cjs', 'utf8');
  const layers = /const layers = \[([^\]]+)\]/.exec(rules)?.[1] ?? '';
  expect(named).toEqual([...layers.matchAll(/'([a-z-]+)'/g)].map(([, name]) => name));
});

it.each(['server/src', 'web/src'])('the map of %s names every folder and no other', (part) => {
  const rows = partOf(part)
    .split('\n')
    .map((row) => (row.startsWith('|') ? (row.split('|')[1] ?? '') : ''));
  expect(rows.flatMap(inCode).sort()).toEqual(folders(part).sort());
});
