import { Global, Module, type DynamicModule } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { Clock } from '../clock/clock.js';
import { DATA_DIR } from '../config.js';
import { threadOf } from '../thread/thread.js';
import { Backups, COPY_THREAD } from './backups.js';
import { Closing } from './closing.js';
import { Database } from './database.js';
import { Disk } from './disk.js';
import { Keepers } from './keeper.js';
import { UnitOfWork } from './unit-of-work.js';

const open = [Database, DataSource, Clock, DATA_DIR, Disk, UnitOfWork, Closing, Keepers, Backups];

/** The one door to the open database, its copies, and the day. */
@Global()
@Module({})
export class StorageModule {
  static around(database: Database, clock: Clock): DynamicModule {
    return {
      module: StorageModule,
      providers: [
        { provide: Database, useValue: database },
        { provide: DataSource, useValue: database.dataSource },
        { provide: Clock, useValue: clock },
        { provide: DATA_DIR, useValue: database.folder.path },
        { provide: COPY_THREAD, useFactory: () => threadOf('copy-worker') },
        Disk,
        UnitOfWork,
        Closing,
        Keepers,
        Backups,
      ],
      exports: open,
    };
  }
}
