import { Injectable } from '@nestjs/common';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import type { EntityManager } from 'typeorm';
import { insertRecord, loadAll, loadSome, type MainRow, type Mapping, type Stored } from '../storage/records.js';
import type { Drafts, Kept } from './kept.js';

/** A list of the season file. */
export type FileList = Exclude<keyof SeasonFile, 'format' | 'formatVersion' | 'writtenFor'>;

/** How a list goes into the season file, and comes back. */
export interface FilePart<List extends FileList> {
  readonly write: (manager: EntityManager, kept: Kept) => SeasonFile[List] | Promise<SeasonFile[List]>;
  /** Makes room for what a file holds; nothing where what is there stays beside it. */
  readonly clear?: (manager: EntityManager) => Promise<unknown>;
  readonly store: (storing: Storing, value: SeasonFile[List]) => Promise<unknown>;
}

/** How a list is read. */
interface Shelf<Value> {
  readonly load: (manager: EntityManager) => Promise<Value>;
  readonly loadSome?: (manager: EntityManager, ids: readonly string[]) => Promise<Value>;
}

/** A season file while it is being stored. */
export class Storing {
  private readonly versions = new Map<string, number>();

  /** @param above the highest earlier version of each record: it comes after that */
  constructor(
    readonly manager: EntityManager,
    private readonly above: ReadonlyMap<string, number>,
  ) {}

  async insert<Draft, Row extends MainRow>(
    mapping: Mapping<Draft, Row>,
    records: readonly { readonly id: string }[],
  ): Promise<void> {
    for (const { id, ...draft } of records) {
      const above = this.above.get(id) ?? 0;
      const version = await insertRecord(this.manager, mapping, { id, draft: draft as unknown as Draft, above });
      this.versions.set(`${mapping.noun} ${id}`, version);
    }
  }

  /** The version that a record of the file was stored with; null when there was none. */
  versionOf(noun: string, id: string): number | null {
    return this.versions.get(`${noun} ${id}`) ?? null;
  }
}

const filed = (records: readonly Stored<object>[]): object[] =>
  records.map(({ version: _version, ...record }) => record);

async function emptyTables<Draft, Row extends MainRow>(
  manager: EntityManager,
  { children, entity }: Mapping<Draft, Row>,
): Promise<void> {
  for (const table of [...children.map((child) => child.entity), entity])
    await manager.createQueryBuilder().delete().from(table).execute();
}

/** What each noun keeps: how it is read, and how it goes into the season file. Every noun's module adds its own. */
@Injectable()
export class Parts {
  private readonly shelves = new Map<keyof Kept, Shelf<unknown>>();
  private readonly fileParts = new Map<FileList, FilePart<FileList>>();

  /** Adds a list of records: they are read whole or some of them, and go into the file as they are. */
  addRecords<List extends keyof Drafts, Row extends MainRow>(list: List, mapping: Mapping<Drafts[List], Row>): void {
    this.shelves.set(list, {
      load: (manager) => loadAll(manager, mapping),
      loadSome: (manager, ids) => loadSome(manager, mapping, ids),
    });
    this.addToFile(list, {
      write: (_manager, kept) => filed(kept[list]) as unknown as SeasonFile[List],
      clear: (manager) => emptyTables(manager, mapping),
      store: (storing, records) => storing.insert(mapping, records),
    });
  }

  /** Adds what is read in a way of its own. */
  add<List extends keyof Kept>(list: List, load: (manager: EntityManager) => Promise<Kept[List]>): void {
    this.shelves.set(list, { load });
  }

  addToFile<List extends FileList>(list: List, part: FilePart<List>): void {
    this.fileParts.set(list, part as unknown as FilePart<FileList>);
  }

  load<List extends keyof Kept>(list: List, manager: EntityManager): Promise<Kept[List]> {
    return this.shelf(list).load(manager);
  }

  /** The records of a list with some ids, in no order. */
  loadSome<List extends keyof Drafts>(list: List, manager: EntityManager, ids: readonly string[]): Promise<Kept[List]> {
    const { loadSome: load } = this.shelf(list);
    if (!load) throw new Error(`Of the ${list}, some cannot be read by themselves.`);
    return load(manager, ids);
  }

  inFile<List extends FileList>(list: List): FilePart<List> {
    const part = this.fileParts.get(list);
    if (!part) throw new Error(`Nothing keeps the ${list} of a season file.`);
    return part as unknown as FilePart<List>;
  }

  private shelf<List extends keyof Kept>(list: List): Shelf<Kept[List]> {
    const shelf = this.shelves.get(list);
    if (!shelf) throw new Error(`Nothing keeps the ${list}.`);
    return shelf as Shelf<Kept[List]>;
  }
}
