import { AsyncLocalStorage } from 'node:async_hooks';
import { Injectable, Logger } from '@nestjs/common';
import type { RecordChange } from '@usual-pantry/core/history';
import { Mutex } from 'async-mutex';
import { BehaviorSubject } from 'rxjs';
import { DataSource, type EntityManager } from 'typeorm';
import { Refused } from '../refusal/refused.js';
import { isInTransaction, setRight } from './data-source.js';
import { Disk } from './disk.js';
import { inWords } from './trouble.js';

/**
 * What a write can change: what no figure rests on and nobody else shows, the orders and what was decided about their days, the settings,
 * or anything of the maker's book, on which everything rests. A write of the orders or the settings notes each record that it writes.
 */
export type Part = 'aside' | 'orders' | 'settings' | 'book';

/** A write is of the widest part that anything in it is of. */
const width: Readonly<Record<Part, number>> = { aside: 0, orders: 1, settings: 2, book: 3 };

/** A database that another program holds is tried again so often and so long; then it is said. */
const AGAIN_MS = 50;
const PATIENCE_MS = 3_000;

/** What one chain of calls holds while it has the connection. */
interface Turn {
  readonly manager: EntityManager;
  readonly writes: boolean;
  /** What has been written so far: the book, as soon as anything in it was. */
  part: Part;
  /** Records that were written so far, each once: as it stood before the first of its writes and after the last. */
  readonly written: Map<string, RecordChange>;
  /** What the write is called; null leaves that to others. */
  label: string | null;
  /** How many rows this connection had changed before. */
  readonly changesBefore: number;
}

/** Which records a committed write changed, by noun; null when it may have changed anything. */
type Changed = ReadonlyMap<string, ReadonlySet<string>> | null;

function idsByNoun(written: ReadonlyMap<string, RecordChange>): Map<string, Set<string>> {
  const ids = new Map<string, Set<string>>();
  for (const { noun, id } of written.values()) ids.set(noun, (ids.get(noun) ?? new Set()).add(id));
  return ids;
}

/** So many committed writes are remembered. */
const MOST_REMEMBERED = 500;

/** How many rows this connection has changed since it was opened. */
async function changesOf(manager: EntityManager): Promise<number> {
  const [row]: { changes: number }[] = await manager.query('SELECT total_changes() AS changes');
  return row?.changes ?? 0;
}

/** Is told what a write has changed, within the same transaction. */
type BeforeCommit = (manager: EntityManager, written: readonly RecordChange[], label: string | null) => Promise<void>;

/** How a write is done. */
export interface WriteOptions {
  /** What it changes; only figures that rest on that are worked out again. */
  readonly part?: Part;
  /** Comes first, in the same turn: nothing else is stored between it and the write. */
  readonly before?: () => Promise<unknown>;
}

/**
 * The one door to the database.
 *
 * TypeORM shares a single SQLite connection: two transactions at once throw, and anything outside a transaction joins whichever is
 * open. So every read and every write waits for its turn, the entity manager travels with the call, and nested calls join. Acknowledged
 * means committed: after any error it is proven that no transaction is open.
 */
@Injectable()
export class UnitOfWork {
  private readonly turns = new AsyncLocalStorage<Turn>();
  private readonly mutex = new Mutex();
  /** Turns that are not over yet. */
  private waiting = 0;
  private readonly revisions = new BehaviorSubject(1);
  private bookChangedAt = 1;
  /** What each of the last writes changed, the newest last. */
  private readonly committed: { readonly revision: number; readonly changed: Changed }[] = [];
  private tellBeforeCommit: BeforeCommit = () => Promise.resolve();
  /** After an error that left the connection in doubt, until it has been opened anew. */
  private isInDoubt = false;

  constructor(
    private readonly dataSource: DataSource,
    private readonly disk: Disk,
  ) {}

  /** Counts committed writes since the start: figures made at one revision are true until the next. */
  get revision(): number {
    return this.revisions.value;
  }

  /** The revision at which anything but orders was last stored. */
  get bookRevision(): number {
    return this.bookChangedAt;
  }

  /** Whether anything is being read or stored, or waits for it. */
  get isBusy(): boolean {
    return this.waiting > 0;
  }

  /** Whether this chain of calls is inside a write. */
  get isWriting(): boolean {
    return this.turns.getStore()?.writes === true;
  }

  /** Says that a record is being written: figures that rest on it alone are worked out again, and it can be taken back. */
  note(change: RecordChange): void {
    const written = this.turns.getStore()?.written;
    const key = `${change.noun} ${change.id}`;
    const earlier = written?.get(key);
    written?.set(key, earlier ? { ...change, before: earlier.before } : change);
  }

  /** Says what the write at hand is called, for the list of changes. */
  entitle(label: string): void {
    const turn = this.turns.getStore();
    if (turn) turn.label = label;
  }

  /** Calls `tell` at the end of every write that has noted a record. */
  beforeCommit(tell: BeforeCommit): void {
    this.tellBeforeCommit = tell;
  }

  /**
   * Which records of a noun were written since a revision, where only orders were.
   * @returns null when it may be any of them
   */
  changedSince(revision: number, noun: string): ReadonlySet<string> | null {
    const since = this.committed.filter((each) => each.revision > revision);
    if (since.length !== this.revision - revision) return null;
    const ids = new Set<string>();
    for (const { changed } of since) {
      if (changed === null) return null;
      for (const id of changed.get(noun) ?? []) ids.add(id);
    }
    return ids;
  }

  /** Whether the write that this call is in has not changed anything yet: then all is as it was last committed. */
  async isUntouched(): Promise<boolean> {
    const turn = this.turns.getStore();
    return !turn?.writes || (await changesOf(turn.manager)) === turn.changesBefore;
  }

  /** The revision now, and every later one. */
  readonly changes = this.revisions.asObservable();

  /**
   * Runs `work` in one transaction: all of it is stored, or nothing. It is run again when another program held the database.
   * @throws whatever `work` throws, after everything is rolled back
   */
  write<T>(work: (manager: EntityManager) => Promise<T>, { part = 'book', before }: WriteOptions = {}): Promise<T> {
    const turn = this.turns.getStore();
    if (turn) {
      if (!turn.writes) throw new Error('A write cannot start inside a read.');
      if (before) throw new Error('What comes first in a write cannot come in the middle of another.');
      if (width[part] > width[turn.part]) turn.part = part;
      return work(turn.manager);
    }
    return this.inTurn(async () => {
      await this.disk.assertRoom();
      if (before) await this.reading(before);
      const done = await this.patiently(() =>
        this.proven(() =>
          this.dataSource.transaction(async (manager) => {
            const own: Turn = {
              manager,
              writes: true,
              part,
              written: new Map(),
              label: null,
              changesBefore: await changesOf(manager),
            };
            const result = await this.turns.run(own, async () => {
              const made = await work(manager);
              if (own.written.size > 0) await this.tellBeforeCommit(manager, [...own.written.values()], own.label);
              return made;
            });
            return { result, own };
          }),
        ),
      );
      this.tell(done.own.part, idsByNoun(done.own.written));
      return done.result;
    });
  }

  /**
   * Runs something that needs the database for itself, outside any transaction: nothing is read or stored meanwhile, and everything is
   * read anew afterwards.
   */
  alone<T>(work: () => Promise<T>): Promise<T> {
    return this.inTurn(async () => {
      const result = await work();
      this.tell('book', null);
      return result;
    });
  }

  /** Whether something could be stored at this moment. */
  async canWrite(): Promise<boolean> {
    try {
      await this.inTurn(async () => {
        await this.disk.assertRoom();
        await this.proven(() =>
          this.dataSource.transaction((manager) => manager.query('UPDATE version_floor SET version = version')),
        );
      });
      return true;
    } catch {
      return false;
    }
  }

  private tell(part: Part, changed: Changed): void {
    if (part === 'aside') return;
    const revision = this.revisions.value + 1;
    if (part !== 'orders') this.bookChangedAt = revision;
    this.committed.push({ revision, changed: part === 'book' ? null : changed });
    if (this.committed.length > MOST_REMEMBERED) this.committed.shift();
    this.revisions.next(revision);
  }

  /** Runs `work` when no transaction is open, so that it sees only what is stored. */
  read<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    const turn = this.turns.getStore();
    if (turn) return work(turn.manager);
    return this.inTurn(() => this.reading(work));
  }

  private reading<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.proven(() => {
      const { manager } = this.dataSource;
      return this.turns.run(
        { manager, writes: false, part: 'orders', written: new Map(), label: null, changesBefore: 0 },
        () => work(manager),
      );
    });
  }

  /**
   * Runs something on the connection, and proves after an error that no transaction is left open: what is answered later would be stored
   * in it and be gone with it. Otherwise the database is closed and opened anew.
   * @throws what the database said, in words where it is one of its own troubles; Refused 503 while it cannot be opened
   */
  private async proven<T>(use: () => Promise<T>): Promise<T> {
    if (this.isInDoubt) await this.openAnew();
    try {
      return await use();
    } catch (error) {
      if (isInTransaction(this.dataSource)) {
        this.isInDoubt = true;
        // When it cannot be opened now, the next that needs it tries again.
        await this.openAnew().catch(() => undefined);
      }
      throw inWords(error);
    }
  }

  /** Does something again while another program holds the database, for some seconds: it was rolled back whole each time. */
  private async patiently<T>(use: () => Promise<T>): Promise<T> {
    const until = Date.now() + PATIENCE_MS;
    for (;;)
      try {
        return await use();
      } catch (error) {
        const isBusy = error instanceof Refused && error.problem.code === 'database-busy';
        if (!isBusy || Date.now() > until) throw error;
        await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
      }
  }

  private async openAnew(): Promise<void> {
    try {
      await setRight(this.dataSource);
    } catch (error) {
      new Logger('Storage').error(error instanceof Error ? error.message : error);
      throw new Refused('database-away');
    }
    this.isInDoubt = false;
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    this.waiting += 1;
    return this.mutex.runExclusive(work).finally(() => {
      this.waiting -= 1;
    });
  }
}
