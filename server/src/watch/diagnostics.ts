import { statSync } from 'node:fs';
import { Injectable } from '@nestjs/common';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { SolverService } from '../solver/solver.service.js';
import { Backups } from '../storage/backups.js';
import { Database } from '../storage/database.js';
import { Disk } from '../storage/disk.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { RequestLog } from './request-log.js';

/** How the server is. */
export interface Health {
  readonly ok: boolean;
  readonly database: 'writable' | 'not writable';
  readonly freeMegabytes: number | null;
  /** Day of the newest backup; null when there is none. */
  readonly newestBackup: string | null;
  readonly solver: 'ready' | 'failed';
}

const MEGABYTE = 1024 * 1024;
const LOGGED = 200;
const LOOK_EVERY_MS = 5_000;

/** What can be told of the server without telling anything of the kitchen. */
@Injectable()
export class Diagnostics {
  private looked: { readonly at: number; readonly health: Promise<Health> } | null = null;

  constructor(
    private readonly work: UnitOfWork,
    private readonly database: Database,
    private readonly disk: Disk,
    private readonly backups: Backups,
    private readonly solver: SolverService,
    private readonly books: BookService,
    private readonly log: RequestLog,
    private readonly clock: Clock,
  ) {}

  /** How the server is, found out no more often than every few seconds: whoever asks may be anybody. */
  health(): Promise<Health> {
    const { looked } = this;
    if (looked && Date.now() - looked.at < LOOK_EVERY_MS) return looked.health;
    const health = this.look();
    this.looked = { at: Date.now(), health };
    return health;
  }

  private async look(): Promise<Health> {
    const free = await this.disk.freeBytes();
    const isWritable = await this.work.canWrite();
    const solves = await this.solves();
    return {
      ok: isWritable && solves,
      database: isWritable ? 'writable' : 'not writable',
      freeMegabytes: free === Infinity ? null : Math.floor(free / MEGABYTE),
      newestBackup: this.backups.newest()?.on ?? null,
      solver: solves ? 'ready' : 'failed',
    };
  }

  /** All of it as one text, for the maker to read before it is sent with a report. */
  async file(): Promise<string> {
    const { data, orders, stored } = await this.books.season();
    const { plan } = await this.books.plan();
    const facts = {
      'what this is': 'How the program is doing. It names no customer, no recipe and no price.',
      written: this.clock.now(),
      program: { node: process.version, system: `${process.platform} ${process.arch}` },
      memoryMegabytes: Math.round(process.memoryUsage().rss / MEGABYTE),
      runsForMinutes: Math.round(process.uptime() / 60),
      health: await this.health(),
      database: {
        megabytes: Math.round((statSync(this.database.file).size / MEGABYTE) * 10) / 10,
        ...(await this.backups.check(null)),
      },
      records: {
        ingredients: data.ingredients.length,
        recipes: data.recipes.length,
        pieces: data.pieces.length,
        boxes: data.boxes.length,
        orders: orders.length,
        batches: data.batches.length,
      },
      plan: { runs: plan.runs.length, days: plan.days.length, solved: stored?.solved ?? null },
      findings: plan.findings.map(({ severity, code }) => `${severity}: ${code}`),
      backups: this.backups.list().map(({ name, bytes }) => ({ name, bytes })),
      requests: this.log.newest(LOGGED),
    };
    return JSON.stringify(facts, null, 2);
  }

  private async solves(): Promise<boolean> {
    // What is solving something can.
    if (this.solver.isBusy) return true;
    try {
      const { status } = await this.solver.solve({
        columns: [{ name: 'one', lower: 0, upper: 1, whole: false, cost: -1 }],
        rows: [],
        offset: 0,
      });
      return status === 'best';
    } catch {
      return false;
    }
  }
}
