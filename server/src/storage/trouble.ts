import { Refused } from '../refusal/refused.js';
import type { ProblemCode } from '../refusal/problems.js';

/** The code of SQLite, or of a full disk, that an error carries, its own or that of what it wraps; '' for any other error. */
function codeOf(error: unknown): string {
  if (typeof error !== 'object' || error === null) return '';
  const { code, driverError } = error as { readonly code?: unknown; readonly driverError?: unknown };
  if (typeof code === 'string' && (code.startsWith('SQLITE_') || code === 'ENOSPC')) return code;
  return driverError === undefined ? '' : codeOf(driverError);
}

const said: readonly (readonly [code: string, problem: ProblemCode])[] = [
  ['SQLITE_FULL', 'disk-full'],
  ['ENOSPC', 'disk-full'],
  ['SQLITE_READONLY', 'read-only'],
  ['SQLITE_BUSY', 'database-busy'],
  ['SQLITE_LOCKED', 'database-busy'],
  ['SQLITE_IOERR', 'disk-trouble'],
  ['SQLITE_CORRUPT', 'database-damaged'],
  ['SQLITE_NOTADB', 'database-damaged'],
];

/** What an error of the database means, as a refusal in words; the error itself when it is of another kind. */
export function inWords(error: unknown): unknown {
  const code = codeOf(error);
  const found = said.find(([prefix]) => code.startsWith(prefix));
  return found ? new Refused(found[1]) : error;
}
