import { chmodSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource, type EntityManager } from 'typeorm';
import { Refused } from '../refusal/refused.js';
import { CannotStart } from './cannot-start.js';
import { forgetFile, putInPlace } from './copy.js';
import { LibsqlConnection } from './driver.js';
import { PRIVATE_FILE } from './folder.js';
import { checkDatabase, CLOSED_MARK, inspectFile, OPEN_MARK } from './inspect.js';
import { inWords } from './trouble.js';
import { migrations } from './migrations/index.js';

/** Name of the database file in the data folder. Its -wal file belongs to it: never copy one without the other. */
export const DATABASE_FILE = 'usual-pantry.db';

/** Tables as the nouns register them. */
export type Entities = readonly (new () => unknown)[];

const dataSourceOn = (file: string, enableWAL: boolean, entities: Entities = []): DataSource =>
  new DataSource({
    type: 'better-sqlite3',
    driver: LibsqlConnection,
    database: file,
    enableWAL,
    entities: [...entities],
    migrations,
    synchronize: false,
  });

/** Makes a database aside and puts it in place when it is whole: no file that is there is ever half made. */
async function makeDatabase(file: string): Promise<void> {
  const aside = `${file}.new`;
  forgetFile(aside);
  await changeAside(aside, () => Promise.resolve());
  putInPlace(aside, file);
  forgetFile(aside);
}

/**
 * What keeps a database from being used.
 * @throws CannotStart when it is damaged, of another program, or was written by a newer program
 */
export function assertUsable(file: string): void {
  const { troubles, migrations: known } = checkDatabase(file, false);
  if (troubles.length > 0)
    throw new CannotStart(
      `${file} is damaged: ${troubles.join('; ')}. Nothing was touched. Keep a copy of it and of what lies beside it, then put a backup in its place: docs/deploy.md tells how.`,
    );
  const names = new Set(migrations.map((each) => each.name));
  const newer = known.filter((name) => !names.has(name));
  if (newer.length > 0)
    throw new CannotStart(
      `${file} was written by a newer Usual Pantry (it knows ${newer.join(', ')}). Nothing was touched. Start that one, or put a backup of before in its place: docs/deploy.md tells how.`,
    );
}

/** An error of the database as it is said to the maker. */
function sayProblem(error: unknown): string {
  const said = inWords(error);
  return said instanceof Refused ? `${said.problem.title}. ${said.problem.toDo}` : String(said);
}

/** How a database is opened. */
interface Opening {
  readonly entities?: Entities;
  /** Takes a file whose -wal is missing for whole. */
  readonly asItIs?: boolean;
  /** Takes a copy of the database before its tables are changed. */
  readonly beforeMigration?: () => void;
}

/**
 * Checks the database in a folder, opens it, and brings it up to date; makes it when there is none.
 * @throws CannotStart in words when it is not whole, or cannot be brought up to date
 */
export async function openDatabase(
  folder: string,
  { entities, asItIs, beforeMigration }: Opening = {},
): Promise<DataSource> {
  const file = join(folder, DATABASE_FILE);
  if (inspectFile(file, asItIs).isThere) assertUsable(file);
  else await makeDatabase(file);
  const dataSource = dataSourceOn(file, true, entities);
  await dataSource.initialize();
  if (await dataSource.showMigrations()) {
    beforeMigration?.();
    try {
      await dataSource.runMigrations({ transaction: 'each' });
    } catch (error) {
      await dataSource.destroy();
      throw new CannotStart(
        `${file} could not be brought up to date: ${(error as Error).message}. What was stored is there as before, and in backups/ as a copy. Start the program that wrote it, or report this.`,
      );
    }
  }
  try {
    await enforceKeys(dataSource);
    await mark(dataSource, OPEN_MARK);
  } catch (error) {
    await dataSource.destroy();
    throw new CannotStart(`${file} cannot be used: ${sayProblem(error)} Nothing was touched.`);
  }
  for (const end of ['', '-wal', '-shm']) if (existsSync(file + end)) chmodSync(file + end, PRIVATE_FILE);
  return dataSource;
}

/** Opens a database again that was closed by {@link closeDatabase}. */
export async function openAgain(dataSource: DataSource): Promise<void> {
  await dataSource.initialize();
  await enforceKeys(dataSource);
  await mark(dataSource, OPEN_MARK);
}

/**
 * Brings a database that nobody uses up to date, changes it, and closes it.
 *
 * It is not written ahead: libsql keeps a closed connection until its statements are collected, and with it the shared memory beside the
 * file. Under another name, once the file is renamed, this program would then not see the locks of any other.
 */
export async function changeAside(file: string, change: (manager: EntityManager) => Promise<void>): Promise<void> {
  const dataSource = dataSourceOn(file, false);
  await dataSource.initialize();
  try {
    await dataSource.runMigrations({ transaction: 'each' });
    await enforceKeys(dataSource);
    await dataSource.transaction(change);
    await closeDatabase(dataSource);
  } finally {
    await letGo(dataSource);
  }
}

/** Writes into the file itself whether it is open. */
async function mark(dataSource: DataSource, as: number): Promise<void> {
  await dataSource.query(`PRAGMA user_version = ${String(as)}`);
  await dataSource.query('PRAGMA wal_checkpoint(TRUNCATE)');
}

/**
 * Makes sure that no other program reads or writes the database.
 * @throws Refused 503 while one does
 */
export async function assertAlone(dataSource: DataSource): Promise<void> {
  try {
    const [done] = await dataSource.query<{ busy: number }[]>('PRAGMA wal_checkpoint(TRUNCATE)');
    if (done?.busy === 1) throw new Refused('database-busy');
    await dataSource.query('BEGIN EXCLUSIVE');
    await dataSource.query('ROLLBACK');
  } catch (error) {
    throw inWords(error);
  }
}

/** Lets the connection go. One that is closed must not even be asked afterwards: the library would end the program. */
async function letGo(dataSource: DataSource): Promise<void> {
  try {
    if (dataSource.isInitialized) await dataSource.destroy();
  } finally {
    const driver = below(dataSource);
    delete driver.databaseConnection;
    delete driver.queryRunner;
  }
}

/** Brings everything into the one file and closes it: afterwards that file alone is whole. */
export async function closeDatabase(dataSource: DataSource): Promise<void> {
  try {
    await mark(dataSource, CLOSED_MARK);
  } finally {
    await letGo(dataSource);
  }
}

/** A migration that failed half-way leaves foreign_keys off, so it is set and checked at every opening. */
async function enforceKeys(dataSource: DataSource): Promise<void> {
  await dataSource.query('PRAGMA foreign_keys = ON');
  const [state] = await dataSource.query<{ foreign_keys: number }[]>('PRAGMA foreign_keys');
  if (state?.foreign_keys !== 1) throw new Error('The database does not enforce foreign keys.');
}

/** What lies below TypeORM: the connection, and the runner that believes to know whether a transaction is open. */
interface Below {
  databaseConnection?: {
    readonly inTransaction: boolean;
    prepare(sql: string): { run(): unknown };
  };
  queryRunner?: unknown;
}

const below = (dataSource: DataSource): Below => dataSource.driver as unknown as Below;

/** Whether a transaction is open, by what TypeORM believes or by what the database says. */
export const isInTransaction = (dataSource: DataSource): boolean =>
  dataSource.isInitialized &&
  (dataSource.createQueryRunner().isTransactionActive || below(dataSource).databaseConnection?.inTransaction === true);

/**
 * Rolls back whatever is open and forgets what TypeORM believed; where that is not enough, closes the database and opens it again.
 * @throws when it cannot be opened, or holds a transaction at once
 */
export async function setRight(dataSource: DataSource): Promise<void> {
  const driver = below(dataSource);
  try {
    if (dataSource.isInitialized && driver.databaseConnection?.inTransaction)
      driver.databaseConnection.prepare('ROLLBACK').run();
    delete driver.queryRunner;
    await enforceKeys(dataSource);
    if (!isInTransaction(dataSource)) return;
  } catch {
    // Then it is opened anew.
  }
  await letGo(dataSource);
  await dataSource.initialize();
  await enforceKeys(dataSource);
  if (isInTransaction(dataSource)) throw new Error('The database has a transaction open that nobody began.');
}
