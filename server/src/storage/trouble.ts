import { noStorage, type Refused } from '../http/errors.js';

/** The code of SQLite that an error carries, its own or that of what it wraps; '' for any other error. */
function codeOf(error: unknown): string {
  if (typeof error !== 'object' || error === null) return '';
  const { code, driverError } = error as { readonly code?: unknown; readonly driverError?: unknown };
  if (typeof code === 'string' && code.startsWith('SQLITE_')) return code;
  return driverError === undefined ? '' : codeOf(driverError);
}

const said: readonly (readonly [code: string, status: 503 | 507, message: string])[] = [
  [
    'SQLITE_FULL',
    507,
    'The disk is full. Nothing was stored, and what was stored before is whole. Make room, then save again.',
  ],
  [
    'SQLITE_READONLY',
    503,
    'The database may only be read. Nothing was stored. Look at who may write to its folder, then save again.',
  ],
  ['SQLITE_BUSY', 503, 'Another program holds the database. Nothing was stored. Close that program, then save again.'],
  [
    'SQLITE_LOCKED',
    503,
    'Another program holds the database. Nothing was stored. Close that program, then save again.',
  ],
  [
    'SQLITE_IOERR',
    503,
    'The disk could not be written or read. Nothing was stored. Look at the disk, then save again.',
  ],
  ['SQLITE_CORRUPT', 503, 'The database file is damaged. Nothing was stored. Stop the program and put a copy back.'],
  ['SQLITE_NOTADB', 503, 'The database file is damaged. Nothing was stored. Stop the program and put a copy back.'],
];

/** What an error of the database means, as a refusal in words; the error itself when it is of another kind. */
export function inWords(error: unknown): unknown {
  const code = codeOf(error);
  const found = said.find(([prefix]) => code.startsWith(prefix));
  return found ? noStorage(found[1], found[2]) : error;
}

export const cannotOpen = (): Refused =>
  noStorage(
    503,
    'The database could not be opened again after an error. Nothing was stored. It is tried anew with every save; if it stays so, look at the disk and start the program again.',
  );
