import { createRequire } from 'node:module';

interface Statement {
  run(...parameters: unknown[]): unknown;
  get(...parameters: unknown[]): unknown;
  iterate(...parameters: unknown[]): unknown;
}
interface Connection {
  prepare(sql: string): Statement;
  close(): void;
}
type ConnectionClass = new (path: string, options?: object) => Connection;

const Database = createRequire(import.meta.url)('libsql') as ConnectionClass;

/**
 * libsql behind the interface that TypeORM's better-sqlite3 driver expects.
 *
 * libsql takes a *lone* parameter that is null, a Date or a Buffer for a bag of named parameters and binds nothing. Handing the
 * parameters over as one array makes them positional whatever they are. (`all` goes through `iterate`.)
 */
export class LibsqlConnection extends Database {
  override prepare(sql: string): Statement {
    const statement = super.prepare(sql);
    for (const method of ['run', 'get', 'iterate'] as const) {
      const original = statement[method].bind(statement);
      statement[method] = (...parameters: unknown[]) => (parameters.length === 0 ? original() : original(parameters));
    }
    return statement;
  }
}
