import { mkdir, readdir, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import { sealOrder } from '@usual-pantry/core/order';
import { moveSeason, readSeasonFile, type SeasonFile } from '@usual-pantry/core/season';
import { batchMapping } from '../batch/batch.mapping.js';
import { boxMapping } from '../box/box.mapping.js';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { DATA_DIR } from '../config.js';
import { wrongValues } from '../http/errors.js';
import { ingredientMapping } from '../ingredient/ingredient.records.js';
import { storeKitchen } from '../kitchen/kitchen.records.js';
import { orderMapping } from '../order/order.mapping.js';
import { storePlan } from '../plan/season-plan.js';
import { pieceMapping } from '../piece/piece.records.js';
import { recipeMapping } from '../recipe/recipe.records.js';
import { insertRecord, type MainRow, type Mapping } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';

/** How many records a file holds. */
export interface SeasonCounts {
  readonly ingredients: number;
  readonly recipes: number;
  readonly pieces: number;
  readonly boxes: number;
  readonly orders: number;
}

const KEPT_COPIES = 10;

const filed = <Draft extends object>(records: readonly (Draft & { id: string; version: number })[]) =>
  records.map(({ version: _version, ...record }) => record);

const countsOf = (file: SeasonFile): SeasonCounts => ({
  ingredients: file.ingredients.length,
  recipes: file.recipes.length,
  pieces: file.pieces.length,
  boxes: file.boxes.length,
  orders: file.orders.length,
});

@Injectable()
export class SeasonFileService {
  constructor(
    private readonly books: BookService,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    @Inject(DATA_DIR) private readonly folder: string,
  ) {}

  /** Everything that is kept, as one file. */
  async write(): Promise<SeasonFile> {
    const { data, orders, stored } = await this.books.season();
    const { version: _version, ...kitchen } = data.kitchen;
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
      plan: stored?.guide ?? null,
    };
  }

  /**
   * What a file holds, without changing anything.
   * @throws Refused 422 with the path of every wrong value
   */
  check(value: unknown): SeasonCounts {
    return countsOf(this.read(value));
  }

  /**
   * Replaces everything by a file in one transaction, or changes nothing. What was there is kept in DATA_DIR/backups first.
   * @param move whether dates move by whole weeks, so that the season lies ahead
   * @throws Refused 422 with the path of every wrong value
   */
  async replace(value: unknown, move: boolean): Promise<SeasonCounts> {
    const read = this.read(value);
    const file = move ? moveSeason(read, this.clock.today()) : read;
    await this.keepCopy();
    await this.work.write(async (manager) => {
      for (const table of [
        'season_plan',
        'batch',
        'inbox_message',
        'customer_order',
        'box',
        'piece',
        'recipe_line',
        'recipe',
        'ingredient',
      ])
        await manager.query(`DELETE FROM ${table}`);
      const insertAll = async <Draft extends object, Row extends MainRow>(
        mapping: Mapping<Draft, Row>,
        records: readonly (Draft & { id: string })[],
      ) => {
        for (const { id, ...draft } of records) await insertRecord(manager, mapping, id, draft as unknown as Draft);
      };
      await storeKitchen(manager, file.kitchen, 1);
      await insertAll(ingredientMapping, file.ingredients);
      await insertAll(recipeMapping, file.recipes);
      await insertAll(pieceMapping, file.pieces);
      await insertAll(boxMapping, file.boxes);
      const boxes = new Map(file.boxes.map((box) => [box.id, { box }]));
      await insertAll(
        orderMapping,
        file.orders.map((order) => sealOrder(order, boxes)),
      );
      await insertAll(batchMapping, file.batches);
      if (file.plan) await storePlan(manager, { guide: file.plan, solved: null });
    });
    return countsOf(file);
  }

  /** Loads a file with its dates moved ahead, when nothing has ever been stored here. */
  async seed(value: unknown): Promise<void> {
    const { data } = await this.books.season();
    if (data.kitchen.version === 0 && data.ingredients.length === 0) await this.replace(value, true);
  }

  private read(value: unknown): SeasonFile {
    const { file, wrong } = readSeasonFile(value);
    if (!file)
      throw wrongValues(wrong, 'The file has wrong values. Nothing was changed: mend them and import it again.');
    return file;
  }

  /** Writes what is there now beside the database, and keeps the newest copies only. */
  private async keepCopy(): Promise<void> {
    const season = await this.write();
    if (season.ingredients.length + season.orders.length === 0) return;
    const folder = join(this.folder, 'backups');
    await mkdir(folder, { recursive: true });
    const name = `before-import-${season.writtenFor}-${String(Date.now())}.json`;
    await writeFile(join(folder, name), JSON.stringify(season, null, 2));
    const copies = (await readdir(folder)).filter((each) => each.startsWith('before-import-')).sort();
    for (const old of copies.slice(0, -KEPT_COPIES)) await rm(join(folder, old));
  }
}
