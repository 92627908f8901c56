import { Injectable, type BeforeApplicationShutdown, type OnApplicationShutdown } from '@nestjs/common';
import { Subject } from 'rxjs';
import { Database } from './database.js';
import { UnitOfWork } from './unit-of-work.js';

/** How the server stops: streams end, what is being stored is finished, and the database is closed whole. */
@Injectable()
export class Closing implements BeforeApplicationShutdown, OnApplicationShutdown {
  private readonly beginning = new Subject<void>();
  /** Speaks once, when the server begins to stop. */
  readonly begins = this.beginning.asObservable();

  constructor(
    private readonly work: UnitOfWork,
    private readonly database: Database,
  ) {}

  beforeApplicationShutdown(): void {
    this.beginning.next();
  }

  onApplicationShutdown(): Promise<void> {
    return this.work.alone(() => this.database.close());
  }
}
