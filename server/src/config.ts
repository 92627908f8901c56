import { resolve } from 'node:path';
import { daySchema } from '@usual-pantry/core/record';
import type { Day } from '@usual-pantry/core/quantity';
import { isThisComputer } from './http/addresses.js';

/** Injection token of the data folder. */
export const DATA_DIR = Symbol('DATA_DIR');

/** How the server is set up. */
export interface Config {
  readonly port: number;
  readonly host: string;
  readonly allowedHosts: readonly string[];
  readonly dataDir: string;
  readonly pagesDir: string;
  /** Whether everybody must sign in: as soon as the server can be reached from beyond this computer, by itself or under further names. */
  readonly isLocked: boolean;
  /** Plain HTTP, a certificate that the server makes for itself, or the maker's own as two files. */
  readonly tls: 'off' | 'own' | { readonly cert: string; readonly key: string };
  /** Starts with a database file although what belongs to it is missing. */
  readonly asItIs: boolean;
  /** A season file that an empty pantry starts with; null for none. */
  readonly seedFile: string | null;
  /** A season file that the example kitchen starts with; null where none is offered. */
  readonly exampleFile: string | null;
  /** With how much work at most a season is planned; about so many seconds on an idle machine. */
  readonly planWork: number;
  /** A day on which the clock stands still; null for the computer's clock. */
  readonly today: Day | null;
}

const DEFAULT_PORT = 4317;
const DEFAULT_PLAN_WORK = 60;
const MOST_PLAN_WORK = 3600;

function readTls(
  { TLS, TLS_CERT, TLS_KEY }: Readonly<Record<string, string | undefined>>,
  isLocal: boolean,
): Config['tls'] {
  if (TLS_CERT !== undefined || TLS_KEY !== undefined) {
    if (!TLS_CERT || !TLS_KEY) throw new Error('TLS_CERT and TLS_KEY belong together: name both files, or none.');
    return { cert: resolve(TLS_CERT), key: resolve(TLS_KEY) };
  }
  if (TLS !== undefined && TLS !== 'off' && TLS !== 'own') throw new Error(`TLS must be own or off, not "${TLS}".`);
  return TLS ?? (isLocal ? 'off' : 'own');
}

/**
 * Reads the set-up from environment variables: PORT, HOST, ALLOWED_HOSTS (comma-separated), TLS, TLS_CERT, TLS_KEY, DATA_DIR, PAGES_DIR,
 * SEED_FILE, EXAMPLE_FILE, TODAY, PLAN_WORK, DATABASE_AS_IT_IS.
 * @throws Error that names the variable and what is wrong with it
 */
export function readConfig(environment: Readonly<Record<string, string | undefined>>): Config {
  const {
    PORT,
    HOST,
    ALLOWED_HOSTS,
    DATA_DIR: data,
    PAGES_DIR,
    SEED_FILE,
    EXAMPLE_FILE,
    TODAY,
    PLAN_WORK,
    DATABASE_AS_IT_IS,
  } = environment;
  const port = PORT === undefined ? DEFAULT_PORT : Number(PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT must be a whole number up to 65535, not "${PORT ?? ''}".`);
  if (TODAY !== undefined && !daySchema.safeParse(TODAY).success)
    throw new Error(`TODAY must be a day such as 2026-12-05, not "${TODAY}".`);
  const planWork = PLAN_WORK === undefined ? DEFAULT_PLAN_WORK : Number(PLAN_WORK);
  if (!(planWork > 0 && planWork <= MOST_PLAN_WORK))
    throw new Error(
      `PLAN_WORK must be a number above 0 and up to ${String(MOST_PLAN_WORK)}, not "${PLAN_WORK ?? ''}".`,
    );
  const host = HOST ?? '127.0.0.1';
  const isLocal = isThisComputer(host);
  const allowedHosts = (ALLOWED_HOSTS ?? '')
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  return {
    port,
    host,
    allowedHosts,
    isLocked: !isLocal || allowedHosts.length > 0,
    tls: readTls(environment, isLocal),
    asItIs: DATABASE_AS_IT_IS === 'yes',
    dataDir: resolve(data ?? 'data'),
    pagesDir: resolve(PAGES_DIR ?? 'web/dist'),
    seedFile: SEED_FILE ? resolve(SEED_FILE) : null,
    exampleFile: EXAMPLE_FILE ? resolve(EXAMPLE_FILE) : null,
    planWork,
    today: TODAY ?? null,
  };
}
