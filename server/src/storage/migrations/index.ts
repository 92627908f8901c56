import { FirstTables1764000000000 } from './1764000000000-first-tables.js';

/** Every migration, the oldest first. Never change one that has been released: add another. */
export const migrations = [FirstTables1764000000000];
