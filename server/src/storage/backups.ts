import { createReadStream, type ReadStream } from 'node:fs';
import { join } from 'node:path';
import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { finding, type Finding } from '@usual-pantry/core/finding';
import { daysBetween } from '@usual-pantry/core/quantity';
import { Clock } from '../clock/clock.js';
import { notFound, Refused } from '../refusal/refused.js';
import { Thread } from '../thread/thread.js';
import {
  backupFolder,
  bytesOf,
  listBackups,
  nextBackup,
  pruneBackups,
  type BackupFile,
  type BackupKind,
} from './backup-files.js';
import { CannotStart } from './cannot-start.js';
import type { CopyJob } from './copy-worker.js';
import { Database } from './database.js';
import type { Health } from './inspect.js';
import { inWords } from './trouble.js';
import { UnitOfWork } from './unit-of-work.js';

/** Injection token of the thread that copies. */
export const COPY_THREAD = Symbol('COPY_THREAD');
const MOST_MS = 10 * 60_000;
const MINUTE_MS = 60_000;
/** The first look is when the start is over, then so often. */
const LOOK_EVERY_MS = 10 * MINUTE_MS;
/** After so long the copy of the day is taken anew, when something was stored. */
const RENEW_MS = 4 * 60 * MINUTE_MS;
/** A newest copy of so many days ago is said to the maker. */
const OLD_DAYS = 3;

/** A copy as Settings lists it. */
export interface Backup extends BackupFile {
  readonly bytes: number;
}

/** Copies of the whole database: taken, listed, looked at and put back. */
@Injectable()
export class Backups implements OnApplicationBootstrap, OnModuleDestroy {
  private looking: NodeJS.Timeout | null = null;
  /** What the newest copy of this run holds, and when it was taken; null while none was: then something may have been stored since the last. */
  private copied: { readonly revision: number; readonly at: number } | null = null;
  private trouble: string | null = null;
  private last: Promise<unknown> = Promise.resolve();
  /** The copy that is being put back. */
  private inUse: string | null = null;

  constructor(
    private readonly database: Database,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    @Inject(COPY_THREAD) private readonly thread: Thread<CopyJob, Health>,
  ) {}

  onApplicationBootstrap(): void {
    const look = (inMs: number) => {
      this.looking = setTimeout(() => {
        void this.takeDaily().finally(() => {
          if (this.looking) look(LOOK_EVERY_MS);
        });
      }, inMs).unref();
    };
    look(MINUTE_MS);
  }

  onModuleDestroy(): void {
    if (this.looking) clearTimeout(this.looking);
    this.looking = null;
  }

  /** All copies, the newest first. */
  list(): Backup[] {
    return listBackups(this.path).map((file) => ({ ...file, bytes: bytesOf(this.path, file) }));
  }

  /** Takes a copy while everything goes on. @throws Refused 507 when the disk is full; Error when it cannot be written or is not whole */
  take(kind: BackupKind): Promise<Backup> {
    // One after another: each takes the next number.
    const taken = this.last.then(() => this.copy(kind));
    this.last = taken.catch(() => undefined);
    return taken;
  }

  private async copy(kind: BackupKind): Promise<Backup> {
    const { revision } = this.work;
    const file = nextBackup(this.path, kind, this.clock.today());
    const job = { kind: 'copy', file: this.database.file, copy: this.pathOf(file) } as const;
    await this.thread.run(job, { mostMs: MOST_MS }).catch((error: unknown) => {
      throw inWords(error);
    });
    this.copied = { revision, at: Date.now() };
    this.trouble = null;
    pruneBackups(this.path, this.inUse);
    return { ...file, bytes: bytesOf(this.path, file) };
  }

  /** Takes the copy of the day, and another some hours later when something was stored since. What goes wrong is said on Today. */
  async takeDaily(): Promise<void> {
    try {
      const { copied } = this;
      const isOfToday = listBackups(this.path)[0]?.on === this.clock.today();
      const isNew = copied?.revision !== this.work.revision;
      const isDue = !isOfToday || (copied !== null && Date.now() - copied.at > RENEW_MS);
      if (isNew && isDue) await this.take('daily');
    } catch (error) {
      this.trouble = (error as Error).message;
      new Logger('Backups').error(this.trouble);
    }
  }

  /** Looks at every page and index of a copy, or of the database itself when no name is given. @throws Refused 404 */
  async check(name: string | null): Promise<Health> {
    const file = name === null ? this.database.file : this.pathOf(this.find(name));
    return this.thread.run({ kind: 'check', file }, { mostMs: MOST_MS });
  }

  /** @throws Refused 404 */
  read(name: string): ReadStream {
    return createReadStream(this.pathOf(this.find(name)));
  }

  /**
   * Puts a copy back, after a copy of what is there now. Nothing else is stored between the two.
   * @throws Refused 404; Refused 422 in words when it cannot be used: then everything is as before
   */
  async restore(name: string): Promise<Backup> {
    const file = this.find(name);
    return this.work.alone(async () => {
      this.inUse = name;
      try {
        const before = await this.take('before-restore');
        await this.database.replaceBy(this.pathOf(file));
        return before;
      } catch (error) {
        if (!(error instanceof CannotStart)) throw error;
        throw new Refused('not-restored', error.message);
      } finally {
        this.inUse = null;
      }
    });
  }

  /** What the maker must know of them. */
  findings(): Finding[] {
    const about = { noun: 'kitchen', id: 'kitchen', name: 'Settings' } as const;
    if (this.trouble !== null) return [finding('no-backup', about, { trouble: this.trouble }, { waysOut: [] })];
    const newest = this.newest();
    const days = newest ? daysBetween(newest.on, this.clock.today()) : 0;
    if (days <= OLD_DAYS) return [];
    return [finding('backup-old', about, { daysOld: days }, { waysOut: [] })];
  }

  /** The newest copy; null when there is none, or when they cannot be looked at. */
  newest(): BackupFile | null {
    try {
      return listBackups(this.path)[0] ?? null;
    } catch {
      return null;
    }
  }

  private get path(): string {
    return this.database.folder.path;
  }

  private pathOf({ name }: BackupFile): string {
    return join(backupFolder(this.path), name);
  }

  private find(name: string): BackupFile {
    const found = listBackups(this.path).find((each) => each.name === name);
    if (!found) throw notFound('backup', name);
    return found;
  }
}
