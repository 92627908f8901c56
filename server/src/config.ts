import { resolve } from 'node:path';
import { daySchema } from '@usual-pantry/core/record';
import type { Day } from '@usual-pantry/core/quantity';

/** Injection token of the data folder. */
export const DATA_DIR = Symbol('DATA_DIR');

/** How the server is set up. */
export interface Config {
  readonly port: number;
  readonly host: string;
  readonly allowedHosts: readonly string[];
  readonly dataDir: string;
  readonly pagesDir: string;
  /** A season file that an empty pantry starts with; null for none. */
  readonly seedFile: string | null;
  /** A day on which the clock stands still; null for the computer's clock. */
  readonly today: Day | null;
}

const DEFAULT_PORT = 4317;

/**
 * Reads the set-up from environment variables: PORT, HOST, ALLOWED_HOSTS (comma-separated), DATA_DIR, PAGES_DIR, SEED_FILE, TODAY.
 * @throws Error that names the variable and what is wrong with it
 */
export function readConfig(environment: Readonly<Record<string, string | undefined>>): Config {
  const { PORT, HOST, ALLOWED_HOSTS, DATA_DIR: data, PAGES_DIR, SEED_FILE, TODAY } = environment;
  const port = PORT === undefined ? DEFAULT_PORT : Number(PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT must be a whole number up to 65535, not "${PORT ?? ''}".`);
  if (TODAY !== undefined && !daySchema.safeParse(TODAY).success)
    throw new Error(`TODAY must be a day such as 2026-12-05, not "${TODAY}".`);
  return {
    port,
    host: HOST ?? '127.0.0.1',
    allowedHosts: (ALLOWED_HOSTS ?? '')
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean),
    dataDir: resolve(data ?? 'data'),
    pagesDir: resolve(PAGES_DIR ?? 'web/dist'),
    seedFile: SEED_FILE ? resolve(SEED_FILE) : null,
    today: TODAY ?? null,
  };
}
