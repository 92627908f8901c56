import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CannotStart } from './cannot-start.js';
import { changeAside } from './data-source.js';
import { LibsqlConnection } from './driver.js';

/** What a database is made of: its tables, indices, triggers and views, each as it was written down, by kind and name. */
export type Structure = ReadonlyMap<string, string>;

interface Part {
  readonly type: string;
  readonly name: string;
  readonly sql: string | null;
}

/** Words are compared, not how they are spaced or whether names are quoted. */
const plain = (sql: string): string =>
  sql
    .replace(/["`\s]+/g, ' ')
    .replace(/ ?([(),]) ?/g, '$1')
    .trim();

/** Reads what a database is made of. */
function structureOf(file: string): Structure {
  const database = new LibsqlConnection(file, { readonly: true });
  try {
    const parts = [
      ...(database
        .prepare("SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_%'")
        .iterate() as Iterable<Part>),
    ];
    return new Map(parts.map(({ type, name, sql }) => [`${type} ${name}`, plain(sql ?? '')]));
  } finally {
    database.close();
  }
}

let fresh: Structure | null = null;

/** Gives what a new database of this program is made of; worked out once. */
export async function freshStructure(): Promise<Structure> {
  if (fresh) return fresh;
  const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-structure-'));
  try {
    const file = join(folder, 'new.db');
    await changeAside(file, () => Promise.resolve());
    fresh = structureOf(file);
    return fresh;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** So many differences are named. */
const MOST_NAMED = 5;

/**
 * Makes sure that a database that was brought up to date is made of just what one of this program is: the right tables, with the triggers that
 * guard them, and nothing that would do something of its own.
 * @throws CannotStart that names what is missing, other, or too much
 */
export function assertSameStructure(file: string, wanted: Structure): void {
  const found = structureOf(file);
  const wrong = [
    ...[...wanted].flatMap(([part, sql]) => {
      const there = found.get(part);
      return there === undefined ? [`${part} is missing`] : there === sql ? [] : [`${part} is another`];
    }),
    ...[...found.keys()].flatMap((part) => (wanted.has(part) ? [] : [`${part} does not belong to it`])),
  ];
  if (wrong.length === 0) return;
  const more = wrong.length > MOST_NAMED ? `, and ${String(wrong.length - MOST_NAMED)} more` : '';
  throw new CannotStart(
    `The copy is not made as a database of this program is: ${wrong.slice(0, MOST_NAMED).join(', ')}${more}. Nothing was changed. Take another copy.`,
  );
}
