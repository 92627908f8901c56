import { Inject, Injectable } from '@nestjs/common';
import type { SeasonCounts } from '@usual-pantry/core/api';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import type { EntityManager } from 'typeorm';
import { BookService } from '../book/book.service.js';
import type { Kept } from '../book/kept.js';
import { Parts, Storing, type FileList } from '../book/parts.js';
import { Clock } from '../clock/clock.js';
import { Audit } from '../door/audit.js';
import { HistoryService } from '../history/history.service.js';
import { readIn, type Reader } from '../http/readers.js';
import { Backups } from '../storage/backups.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { letOthersIn } from '../thread/thread.js';
import { seasonLists } from './season-lists.js';
import type { ReadSeason, SeasonHead, SeasonJob } from './season-reader.js';

/** Injection token of the thread that reads. */
export const SEASON_READER = Symbol('SEASON_READER');
const MOST_MS = 60_000;

/** The lists of a file in the order in which they can be stored: what refers to others comes after them. */
const inOrder = ['kitchen', ...seasonLists, 'plan'] as const;

@Injectable()
export class SeasonFileService {
  constructor(
    private readonly books: BookService,
    private readonly parts: Parts,
    private readonly history: HistoryService,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    private readonly backups: Backups,
    private readonly audit: Audit,
    @Inject(SEASON_READER) private readonly reader: Reader<SeasonJob, ReadSeason>,
  ) {}

  /** Everything that is kept, as one file, as it is at one moment. */
  write(): Promise<SeasonFile> {
    return this.work.read(async (manager) => {
      const { data, orders, stored } = await this.books.season();
      const kept: Kept = { ...data, orders, plan: stored };
      const write = <List extends FileList>(list: List) => this.parts.inFile(list).write(manager, kept);
      return {
        format: 'usual-pantry-season',
        formatVersion: 1,
        writtenFor: this.clock.today(),
        kitchen: await write('kitchen'),
        ingredients: await write('ingredients'),
        recipes: await write('recipes'),
        pieces: await write('pieces'),
        boxes: await write('boxes'),
        orders: await write('orders'),
        batches: await write('batches'),
        recipeVersions: await write('recipeVersions'),
        messages: await write('messages'),
        labelPrints: await write('labelPrints'),
        weighings: await write('weighings'),
        makings: await write('makings'),
        practices: await write('practices'),
        plan: await write('plan'),
      };
    });
  }

  /**
   * What a file holds, without changing anything.
   * @throws Refused 422 with the path of every wrong value, 400 when it is no JSON
   */
  async check(bytes: Uint8Array, signal?: AbortSignal): Promise<SeasonCounts> {
    return (await this.read(bytes, false, signal)).counts;
  }

  /**
   * Replaces everything by a file in one transaction, or changes nothing. A copy of the database is taken first, and nothing is stored
   * between the two.
   * @param move whether dates move by whole weeks, so that the season lies ahead
   * @throws Refused 422 with the path of every wrong value, 400 when it is no JSON
   */
  async replace(bytes: Uint8Array, move: boolean, signal?: AbortSignal): Promise<SeasonCounts> {
    const file = await this.read(bytes, move, signal);
    await this.work.write((manager) => this.store(manager, file), { before: () => this.keepCopy() });
    const { counts } = file;
    this.audit.note('imported', `${String(counts.recipes)} recipes, ${String(counts.orders)} orders`);
    return counts;
  }

  /** Loads a file with its dates moved ahead, when nothing has ever been stored here. @returns whether it did */
  async seed(bytes: Uint8Array): Promise<boolean> {
    if (!(await this.isEmpty())) return false;
    await this.replace(bytes, true);
    return true;
  }

  private async isEmpty(): Promise<boolean> {
    const { data, orders } = await this.books.season();
    return data.kitchen.version === 0 && data.ingredients.length + orders.length === 0;
  }

  private async keepCopy(): Promise<void> {
    if (!(await this.isEmpty())) await this.backups.take('before-import');
  }

  private read(bytes: Uint8Array, move: boolean, signal?: AbortSignal): Promise<ReadSeason> {
    return readIn(this.reader, { bytes, moveTo: move ? this.clock.today() : null }, { signal, mostMs: MOST_MS });
  }

  /** Earlier changes can no longer be taken back one by one: the copy that is taken first holds what was there. */
  private async store(manager: EntityManager, { head, slices }: ReadSeason): Promise<void> {
    await this.history.forget(manager);
    for (const list of inOrder.toReversed()) await this.parts.inFile(list).clear?.(manager);
    const storing = new Storing(manager, highestVersions(slices));
    const { kitchen, plan } = JSON.parse(head) as SeasonHead;
    await this.parts.inFile('kitchen').store(storing, kitchen);
    for (const { list, json } of slices) {
      await this.parts.inFile(list).store(storing, JSON.parse(json) as never);
      await letOthersIn();
    }
    await this.parts.inFile('plan').store(storing, plan);
  }
}

/** The highest earlier version of each recipe: the recipe itself comes after it. */
function highestVersions(slices: ReadSeason['slices']): ReadonlyMap<string, number> {
  const highest = new Map<string, number>();
  for (const { list, json } of slices)
    if (list === 'recipeVersions')
      for (const { recipeId, version } of JSON.parse(json) as SeasonFile['recipeVersions'])
        highest.set(recipeId, Math.max(version, highest.get(recipeId) ?? 0));
  return highest;
}
