import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { BatchRow } from '../batch/batch.entity.js';
import { BoxCellRow, BoxRow } from '../box/box.entity.js';
import { IngredientRow } from '../ingredient/ingredient.entity.js';
import { InboxMessageRow } from '../inbox/inbox.entity.js';
import { KitchenRow } from '../kitchen/kitchen.entity.js';
import { OrderAgreedRow, OrderLineRow, OrderRow } from '../order/order.entity.js';
import { PieceLayerRow, PieceRow } from '../piece/piece.entity.js';
import { SeasonPlanRow } from '../plan/season-plan.entity.js';
import { RecipeLineRow, RecipeRow, RecipeVersionRow } from '../recipe/recipe.entity.js';
import { LibsqlConnection } from './driver.js';
import { migrations } from './migrations/index.js';

/** Name of the database file in the data folder. Its -wal file belongs to it: never copy one without the other. */
export const DATABASE_FILE = 'usual-pantry.db';

/**
 * Opens the database in a folder, brings it up to date and checks it.
 * @param folder made when missing
 * @throws when a migration fails or when foreign keys are not in force
 */
export async function openDatabase(folder: string): Promise<DataSource> {
  mkdirSync(folder, { recursive: true });
  const dataSource = new DataSource({
    type: 'better-sqlite3',
    driver: LibsqlConnection,
    database: join(folder, DATABASE_FILE),
    enableWAL: true,
    entities: [
      KitchenRow,
      IngredientRow,
      RecipeRow,
      RecipeLineRow,
      RecipeVersionRow,
      PieceRow,
      PieceLayerRow,
      BoxRow,
      BoxCellRow,
      OrderRow,
      OrderLineRow,
      OrderAgreedRow,
      InboxMessageRow,
      SeasonPlanRow,
      BatchRow,
    ],
    migrations,
    synchronize: false,
  });
  await dataSource.initialize();
  await dataSource.runMigrations({ transaction: 'each' });
  await enforceKeys(dataSource);
  return dataSource;
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
  dataSource.createQueryRunner().isTransactionActive || below(dataSource).databaseConnection?.inTransaction === true;

/**
 * Rolls back whatever is open and forgets what TypeORM believed; where that is not enough, closes the database and opens it again.
 * @throws when it cannot be opened, or holds a transaction at once
 */
export async function setRight(dataSource: DataSource): Promise<void> {
  const driver = below(dataSource);
  try {
    if (driver.databaseConnection?.inTransaction) driver.databaseConnection.prepare('ROLLBACK').run();
    delete driver.queryRunner;
    await enforceKeys(dataSource);
    if (!isInTransaction(dataSource)) return;
  } catch {
    // Then it is opened anew.
  }
  if (dataSource.isInitialized) await dataSource.destroy();
  // A connection that is closed must not even be asked: the library would end the program.
  delete driver.databaseConnection;
  await dataSource.initialize();
  await enforceKeys(dataSource);
  if (isInTransaction(dataSource)) throw new Error('The database has a transaction open that nobody began.');
}
