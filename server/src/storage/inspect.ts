import { closeSync, existsSync, fstatSync, openSync, readSync } from 'node:fs';
import { CannotStart } from './cannot-start.js';
import { LibsqlConnection } from './driver.js';

const MAGIC = 'SQLite format 3\0';
const HEADER_BYTES = 100;
/** Where SQLite keeps `user_version` in a file's header. */
const MARK_AT = 60;
/** `user_version` while the database is open: part of what was stored may then be in the -wal file alone. */
export const OPEN_MARK = 1;
export const CLOSED_MARK = 0;

/** How a database file was found. */
export interface Found {
  readonly isThere: boolean;
  /** Whether it was closed properly, so that the one file is whole. */
  readonly isClosed: boolean;
}

function header(file: string): { readonly bytes: Buffer; readonly size: number } {
  const handle = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(HEADER_BYTES);
    readSync(handle, bytes, 0, HEADER_BYTES, 0);
    return { bytes, size: fstatSync(handle).size };
  } finally {
    closeSync(handle);
  }
}

const backInPlace = 'To go on, put a backup in its place: docs/deploy.md tells how.';

/**
 * Looks at a database file before it is opened, so that one that is not whole is never taken for an empty pantry.
 * @param asItIs takes a file whose -wal is missing for whole, because the maker says so
 * @throws CannotStart in words: an empty or garbled file, a -wal without its database, a database without its -wal
 */
export function inspectFile(file: string, asItIs = false): Found {
  const hasWal = existsSync(`${file}-wal`);
  if (!existsSync(file)) {
    if (hasWal)
      throw new CannotStart(
        `${file}-wal is there, but ${file} is not: the two belong together. Nothing was touched. Bring the missing file back beside it. ${backInPlace}`,
      );
    return { isThere: false, isClosed: true };
  }
  const { bytes, size } = header(file);
  if (size === 0)
    throw new CannotStart(
      `${file} is empty (0 bytes). It is not started as an empty pantry. Nothing was touched. ${backInPlace} If there has never been anything in it, delete it.`,
    );
  if (bytes.toString('latin1', 0, MAGIC.length) !== MAGIC)
    throw new CannotStart(
      `${file} is no database: it is damaged, or something else. Nothing was touched. Move it aside. ${backInPlace}`,
    );
  const isClosed = bytes.readUInt32BE(MARK_AT) !== OPEN_MARK;
  if (!isClosed && !hasWal && !asItIs)
    throw new CannotStart(
      `${file} was in use when it was copied or when the program ended, and ${file}-wal, which holds what was stored last, is missing. Nothing was touched. Bring that file back beside it. ${backInPlace} To go on with what is in the one file, start once with DATABASE_AS_IT_IS=yes.`,
    );
  return { isThere: true, isClosed };
}

const all = <Row>(database: LibsqlConnection, sql: string): Row[] => [
  ...(database.prepare(sql).iterate() as Iterable<Row>),
];

/** What a database holds and whether it is whole. */
export interface Health {
  /** What is wrong with it, in words; empty when it is whole. */
  readonly troubles: readonly string[];
  /** The changes of its tables, the oldest first. */
  readonly migrations: readonly string[];
  /** Rows by table. */
  readonly counts: Readonly<Record<string, number>>;
}

const MOST_TROUBLES = 10;

/**
 * Checks a database: its pages, its foreign keys, and what it holds. Does not change it.
 * @param full looks at every index too, which takes longer
 */
export function checkDatabase(file: string, full: boolean): Health {
  const database = new LibsqlConnection(file, { readonly: true });
  try {
    const pages = all<Record<string, string>>(database, full ? 'PRAGMA integrity_check' : 'PRAGMA quick_check')
      .map((row) => Object.values(row)[0] ?? '')
      .filter((said) => said !== 'ok');
    if (pages.length > 0) return { troubles: pages.slice(0, MOST_TROUBLES), migrations: [], counts: {} };
    const loose = all<{ table: string; parent: string }>(database, 'PRAGMA foreign_key_check').map(
      ({ table, parent }) => `a row of ${table} refers to a ${parent} that is not there`,
    );
    const tables = new Set(
      all<{ name: string }>(
        database,
        `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`,
      ).map(({ name }) => name),
    );
    if (!tables.has('migrations'))
      return {
        troubles: tables.size > 0 ? ['it is the database of another program'] : [],
        migrations: [],
        counts: {},
      };
    const countOf = (table: string) => all<{ n: number }>(database, `SELECT count(*) AS n FROM "${table}"`)[0]?.n ?? 0;
    return {
      troubles: loose.slice(0, MOST_TROUBLES),
      migrations: all<{ name: string }>(database, 'SELECT name FROM migrations ORDER BY id').map(({ name }) => name),
      counts: Object.fromEntries([...tables].map((table) => [table, countOf(table)])),
    };
  } catch (error) {
    return { troubles: [(error as Error).message], migrations: [], counts: {} };
  } finally {
    database.close();
  }
}
