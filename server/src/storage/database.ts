import { copyFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Day } from '@usual-pantry/core/quantity';
import type { DataSource } from 'typeorm';
import { backupFolder, forgetUnfinished, nextBackup, pruneBackups } from './backup-files.js';
import { copyDatabase, forgetFile, putInPlace } from './copy.js';
import {
  assertAlone,
  assertUsable,
  changeAside,
  closeDatabase,
  DATABASE_FILE,
  openAgain,
  openDatabase,
  setRight,
  type Entities,
} from './data-source.js';
import { assertSameStructure, freshStructure } from './structure.js';
import { holdFolder, type HeldFolder } from './folder.js';
import { highestVersion, liftVersions } from './versions.js';

/** How a copy is called that is made ready to be put back. */
const RESTORING = '.restoring';

/** The open database, in the folder that is held for it. */
export class Database {
  readonly file: string;

  private constructor(
    readonly dataSource: DataSource,
    readonly folder: HeldFolder,
  ) {
    this.file = join(folder.path, DATABASE_FILE);
  }

  /**
   * Holds a folder and opens the database in it, checked and up to date; a copy is taken before its tables are changed.
   * @param today by which that copy is named
   * @param entities the tables of all nouns
   * @param asItIs takes a file whose -wal is missing for whole
   * @throws CannotStart in words; then the folder is let go
   */
  static async open(path: string, today: Day, entities: Entities, asItIs = false): Promise<Database> {
    const folder = holdFolder(path);
    try {
      forgetUnfinished(path);
      forgetFile(`${join(path, DATABASE_FILE)}${RESTORING}`);
      const beforeMigration = () => {
        const { name } = nextBackup(path, 'before-migration', today);
        copyDatabase(join(path, DATABASE_FILE), join(backupFolder(path), name));
        pruneBackups(path);
      };
      return new Database(await openDatabase(path, { entities, asItIs, beforeMigration }), folder);
    } catch (error) {
      folder.release();
      throw error;
    }
  }

  /**
   * Puts a copy of the database in the place of what is there. Nothing may use it meanwhile. The copy is brought up to date, and its
   * versions above those that pages show, before it takes the place.
   * @throws CannotStart in words when it cannot be used, Refused 503 while another program uses what is there; then everything is as before
   */
  async replaceBy(copy: string): Promise<void> {
    const aside = `${this.file}${RESTORING}`;
    forgetFile(aside);
    try {
      copyFileSync(copy, aside);
      assertUsable(aside);
      await assertAlone(this.dataSource);
      const shown = await highestVersion(this.dataSource.manager);
      await changeAside(aside, (manager) => liftVersions(manager, shown));
      assertSameStructure(aside, await freshStructure());
      await closeDatabase(this.dataSource);
      // What lies beside it belongs to the file that goes.
      for (const end of ['-wal', '-shm']) rmSync(this.file + end, { force: true });
      putInPlace(aside, this.file);
      await openAgain(this.dataSource);
    } catch (error) {
      await setRight(this.dataSource);
      throw error;
    } finally {
      forgetFile(aside);
    }
  }

  /** Brings everything into the one file, closes it and lets the folder go. */
  async close(): Promise<void> {
    try {
      if (this.dataSource.isInitialized) await closeDatabase(this.dataSource);
    } finally {
      this.folder.release();
    }
  }
}
