import { Inject, Injectable } from '@nestjs/common';
import type { SeasonCounts } from '@usual-pantry/core/api';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import type { EntityManager } from 'typeorm';
import { batchMapping } from '../batch/batch.mapping.js';
import { boxMapping } from '../box/box.mapping.js';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { Audit } from '../door/audit.js';
import { readIn, type Reader } from '../http/readers.js';
import { InboxMessageRow } from '../inbox/inbox.entity.js';
import { ingredientMapping } from '../ingredient/ingredient.records.js';
import { loadKitchen, storeKitchen } from '../kitchen/kitchen.records.js';
import { orderMapping } from '../order/order.mapping.js';
import { storePlan } from '../plan/season-plan.js';
import { pieceMapping } from '../piece/piece.records.js';
import { RecipeVersionRow } from '../recipe/recipe.entity.js';
import { recipeMapping } from '../recipe/recipe.records.js';
import { Backups } from '../storage/backups.js';
import { insertRecord, type MainRow, type Mapping } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { letOthersIn } from '../thread/thread.js';
import type { ReadSeason, SeasonHead, SeasonJob, SeasonList } from './season-reader.js';

/** Injection token of the thread that reads. */
export const SEASON_READER = Symbol('SEASON_READER');
const MOST_MS = 60_000;

type Message = SeasonFile['messages'][number];

const filed = <Draft extends object>(records: readonly (Draft & { id: string; version: number })[]) =>
  records.map(({ version: _version, ...record }) => record);

/**
 * Tables that a file replaces, what refers to others first. Messages of the shop stay: one that comes again is known. Earlier changes can
 * no longer be taken back one by one; the copy that is taken first holds what was there.
 */
const replaced = [
  'change_log',
  'season_plan',
  'batch',
  'customer_order',
  'box',
  'piece',
  'recipe_line',
  'recipe',
  'ingredient',
];

@Injectable()
export class SeasonFileService {
  constructor(
    private readonly books: BookService,
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
      const { version: _version, ...kitchen } = data.kitchen;
      const versions = new Map(orders.map(({ id, version }) => [id, version]));
      const messages = await manager.find(InboxMessageRow, { order: { receivedAt: 'ASC', id: 'ASC' } });
      return {
        format: 'usual-pantry-season',
        formatVersion: 1,
        writtenFor: this.clock.today(),
        kitchen: kitchenDraftSchema.parse(kitchen),
        ingredients: filed(data.ingredients),
        recipes: filed(data.recipes),
        pieces: filed(data.pieces),
        boxes: filed(data.boxes),
        orders: filed(orders),
        batches: filed(data.batches),
        recipeVersions: await manager.find(RecipeVersionRow, { order: { recipeId: 'ASC', version: 'ASC' } }),
        messages: messages.map(({ orderVersion, ...message }) => ({
          ...message,
          orderStands: orderVersion !== null && versions.get(message.orderId) === orderVersion,
        })),
        plan: stored?.guide ?? null,
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

  /** Loads a file with its dates moved ahead, when nothing has ever been stored here. */
  async seed(bytes: Uint8Array): Promise<void> {
    if (await this.isEmpty()) await this.replace(bytes, true);
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

  private async store(manager: EntityManager, { head, slices }: ReadSeason): Promise<void> {
    for (const table of replaced) await manager.query(`DELETE FROM ${table}`);
    const { kitchen, plan } = JSON.parse(head) as SeasonHead;
    await storeKitchen(manager, kitchen, (await loadKitchen(manager)).version + 1);
    const storing = new Storing(manager, highestVersions(slices));
    for (const { list, json } of slices) {
      await storing.store[list](JSON.parse(json) as never);
      await letOthersIn();
    }
    if (plan) await storePlan(manager, { guide: plan, solved: null });
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

/** How the records of each list of a file are stored. */
class Storing {
  private readonly orderVersions = new Map<string, number>();

  constructor(
    private readonly manager: EntityManager,
    private readonly highest: ReadonlyMap<string, number>,
  ) {}

  readonly store: { readonly [List in SeasonList]: (records: SeasonFile[List]) => Promise<void> } = {
    ingredients: (records) => this.insertAll(ingredientMapping, records),
    recipes: (records) => this.insertAll(recipeMapping, records),
    pieces: (records) => this.insertAll(pieceMapping, records),
    boxes: (records) => this.insertAll(boxMapping, records),
    orders: (records) => this.insertAll(orderMapping, records),
    batches: (records) => this.insertAll(batchMapping, records),
    recipeVersions: async (records) => {
      for (const record of records) await this.manager.insert(RecipeVersionRow, record);
    },
    messages: async (records) => {
      for (const message of records) await this.storeMessage(message);
    },
  };

  private async insertAll<Draft extends object, Row extends MainRow>(
    mapping: Mapping<Draft, Row>,
    records: readonly (Draft & { readonly id: string })[],
  ): Promise<void> {
    for (const { id, ...draft } of records) {
      const above = this.highest.get(id) ?? 0;
      const version = await insertRecord(this.manager, mapping, { id, draft: draft as unknown as Draft, above });
      if (mapping.noun === 'order') this.orderVersions.set(id, version);
    }
  }

  private async storeMessage({ orderStands, ...message }: Message): Promise<void> {
    const orderVersion = orderStands ? (this.orderVersions.get(message.orderId) ?? null) : null;
    await this.manager.save(InboxMessageRow, { ...message, orderVersion });
  }
}
