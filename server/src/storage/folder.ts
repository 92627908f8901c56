import { chmodSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CannotStart } from './cannot-start.js';
import { LibsqlConnection } from './driver.js';

/** The folder is the maker's alone, and so is every file in it. */
export const PRIVATE_FOLDER = 0o700;
export const PRIVATE_FILE = 0o600;

/** The file whose lock says that the folder is in use; the system lets it go when the program ends, however it ends. */
const LOCK = 'in-use.lock';
/** Who holds the lock: only for the words of a refusal. */
const HOLDER = 'in-use.json';

/** The data folder, held by this program alone. */
export interface HeldFolder {
  readonly path: string;
  /** Writes down at which address it is served. */
  readonly servedAt: (address: string) => void;
  readonly release: () => void;
}

function sayHolder(folder: string): string {
  try {
    const { pid, since, address } = JSON.parse(readFileSync(join(folder, HOLDER), 'utf8')) as Record<string, unknown>;
    const at = typeof address === 'string' ? `, at ${address}` : '';
    return `process ${String(pid)}, started ${String(since)}${at}`;
  } catch {
    return 'another process';
  }
}

/**
 * Makes the folder when it is missing, makes it private, and holds it.
 * @throws CannotStart when another program holds it, saying which, or when it cannot be written
 */
export function holdFolder(folder: string): HeldFolder {
  let lock: LibsqlConnection | null = null;
  try {
    mkdirSync(folder, { recursive: true, mode: PRIVATE_FOLDER });
    chmodSync(folder, PRIVATE_FOLDER);
    lock = new LibsqlConnection(join(folder, LOCK), { timeout: 0 });
    lock.prepare('BEGIN EXCLUSIVE').run();
  } catch (error) {
    lock?.close();
    const { code, message } = error as Error & { readonly code?: string };
    throw new CannotStart(
      code === 'SQLITE_BUSY'
        ? `The folder ${folder} is in use: ${sayHolder(folder)} has it. Nothing was touched. Stop that one first, or give this one a folder of its own (DATA_DIR).`
        : `The folder ${folder} cannot be used: ${message}. Nothing was touched. Look at who may write to it, or name another one (DATA_DIR).`,
    );
  }
  const held = lock;
  const since = new Date().toISOString();
  const note = (address: string | null) => {
    writeFileSync(join(folder, HOLDER), JSON.stringify({ pid: process.pid, since, address }), { mode: PRIVATE_FILE });
  };
  note(null);
  return {
    path: folder,
    servedAt: note,
    release: () => {
      rmSync(join(folder, HOLDER), { force: true });
      held.prepare('ROLLBACK').run();
      held.close();
    },
  };
}
