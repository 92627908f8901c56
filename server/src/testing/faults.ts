import { LibsqlConnection } from '../storage/driver.js';

/** An error as the database gives it. */
export class SqliteFault extends Error {
  constructor(readonly code: string) {
    super(`${code}: injected`);
  }
}

/** What happens to a statement: nothing, an error in its place, or an error after the database has rolled back by itself. */
export type Fault = { readonly error: Error; readonly rollsBack?: boolean } | null;

let decide: ((sql: string) => Fault) | null = null;

const prepare = Reflect.get<LibsqlConnection, 'prepare'>(LibsqlConnection.prototype, 'prepare');

// The driver's own way of preparing, with each call of a statement looked at first.
LibsqlConnection.prototype.prepare = function (this: LibsqlConnection, sql: string) {
  const statement = prepare.call(this, sql);
  for (const method of ['run', 'get', 'iterate'] as const) {
    const original = statement[method];
    statement[method] = (...parameters) => {
      const fault = decide?.(sql) ?? null;
      if (!fault) return original(...parameters);
      if (fault.rollsBack) prepare.call(this, 'ROLLBACK').run();
      throw fault.error;
    };
  }
  return statement;
};

/** Decides of every statement of every database from now on; null lets all of them through. */
export const injectFaults = (next: typeof decide): void => {
  decide = next;
};
