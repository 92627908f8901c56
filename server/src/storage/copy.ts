import { chmodSync, closeSync, fsyncSync, openSync, renameSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { LibsqlConnection } from './driver.js';
import { PRIVATE_FILE } from './folder.js';
import { checkDatabase, CLOSED_MARK, type Health } from './inspect.js';

/** Takes a database file away with what belongs to it. */
export function forgetFile(file: string): void {
  for (const end of ['', '-wal', '-shm', '-journal']) rmSync(file + end, { force: true });
}

function sync(path: string): void {
  const handle = openSync(path, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** Renames a file that is written, once it is on the disk; whatever happens, the old one or the new one is there, whole. */
export function putInPlace(aside: string, file: string): void {
  sync(aside);
  renameSync(aside, file);
  sync(dirname(file));
}

/**
 * Copies a database as it is at this moment into one file, while it goes on being written: aside, checked, then renamed.
 * @param file may be open
 * @returns what the copy holds
 * @throws Error when it cannot be written or is not whole; then there is no copy
 */
export function copyDatabase(file: string, copy: string): Health {
  const aside = `${copy}.part`;
  forgetFile(aside);
  try {
    const database = new LibsqlConnection(file, { timeout: 5_000 });
    try {
      database.prepare('VACUUM INTO ?').run(aside);
    } finally {
      database.close();
    }
    const written = new LibsqlConnection(aside);
    try {
      written.prepare(`PRAGMA user_version = ${String(CLOSED_MARK)}`).run();
    } finally {
      written.close();
    }
    chmodSync(aside, PRIVATE_FILE);
    const health = checkDatabase(aside, false);
    if (health.troubles.length > 0) throw new Error(`The copy is not whole: ${health.troubles.join('; ')}.`);
    putInPlace(aside, copy);
    return health;
  } finally {
    forgetFile(aside);
  }
}
