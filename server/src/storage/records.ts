import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { foldText, type WrongValue } from '@usual-pantry/core/record';
import type { Fields } from '@usual-pantry/core/history';
import { chunk } from 'es-toolkit/array';
import {
  In,
  type EntityManager,
  type EntityTarget,
  type FindOptionsOrder,
  type FindOptionsRelations,
  type FindOptionsWhere,
  type ObjectLiteral,
} from 'typeorm';
import type { z } from 'zod';
import { letOthersIn } from '../thread/thread.js';
import { idTaken, inUse, notFound, stale, wrongValues, type User } from '../refusal/refused.js';
import { insertRows } from './insert-rows.js';
import type { Keeper } from './keeper.js';
import { UnitOfWork, type Part } from './unit-of-work.js';
import { versionFloor } from './versions.js';

/** So many rows are written or looked for by one statement. */
const AT_ONCE = 200;

/** What every main row has. */
export interface MainRow extends ObjectLiteral {
  id: string;
  version: number;
  /** The name without case and accents. */
  searchText: string;
}

/** A table whose rows belong to a main row and are written with it. */
interface ChildTable<Draft> {
  readonly entity: EntityTarget<ObjectLiteral>;
  readonly key: string;
  readonly relation: string;
  /** The child rows of a draft, without the key. */
  readonly rowsOf: (draft: Draft) => ObjectLiteral[];
}

/** How a noun is kept in tables. */
export interface Mapping<Draft, Row extends MainRow> {
  readonly noun: string;
  readonly entity: EntityTarget<Row>;
  readonly children: readonly ChildTable<Draft>[];
  /** Column that a list is searched in and sorted by when nothing else is asked. */
  readonly nameColumn: keyof Row & string;
  /** Columns that a list can be sorted by. */
  readonly sortable: readonly (keyof Row & string)[];
  /** What a draft is, so that one which was stored long ago is brought up to today. */
  readonly schema: z.ZodType<Draft>;
  readonly toRow: (draft: Draft) => Partial<Row>;
  readonly toDraft: (row: Row) => Draft;
}

/** A draft as it is stored. */
export type Stored<Draft> = Draft & { readonly id: string; readonly version: number };

/** Which part of a list is wanted. */
export interface ListQuery {
  readonly page: number;
  readonly size: number;
  readonly sort?: string | undefined;
  readonly direction: 'asc' | 'desc';
  readonly search?: string | undefined;
}

/** A part of a list and the length of the whole. */
export interface Listing<Draft> {
  readonly items: Stored<Draft>[];
  readonly total: number;
  readonly page: number;
  readonly size: number;
}

const relationsOf = <Draft, Row extends MainRow>(mapping: Mapping<Draft, Row>) =>
  Object.fromEntries(mapping.children.map((child) => [child.relation, true])) as FindOptionsRelations<Row>;

const storedOf = <Draft, Row extends MainRow>(mapping: Mapping<Draft, Row>, row: Row): Stored<Draft> => {
  for (const { relation } of mapping.children)
    (row[relation] as { position: number }[]).sort((a, b) => a.position - b.position);
  return { ...mapping.toDraft(row), id: row.id, version: row.version };
};

/** The records of a noun with these ids, in no order. */
export const loadSome = async <Draft, Row extends MainRow>(
  manager: EntityManager,
  mapping: Mapping<Draft, Row>,
  ids: readonly string[],
): Promise<Stored<Draft>[]> => {
  const found: Stored<Draft>[] = [];
  for (const part of chunk(ids, AT_ONCE)) {
    const rows = await manager.find(mapping.entity, {
      where: { id: In([...part]) } as unknown as FindOptionsWhere<Row>,
      relations: relationsOf(mapping),
      relationLoadStrategy: 'query',
    });
    found.push(...rows.map((row) => storedOf(mapping, row)));
  }
  return found;
};

/** Every record of a noun, by id. */
export async function loadAll<Draft, Row extends MainRow>(
  manager: EntityManager,
  mapping: Mapping<Draft, Row>,
): Promise<Stored<Draft>[]> {
  const rows = await manager.find(mapping.entity, { order: { id: 'ASC' } as FindOptionsOrder<Row> });
  // Each table is read once and put together here: the relations of thousands of rows would be compared pair by pair.
  for (const { entity, key, relation } of mapping.children) {
    const groups = new Map<unknown, ObjectLiteral[]>();
    for (const child of await manager.find(entity)) {
      const group = groups.get(child[key]);
      if (group) group.push(child);
      else groups.set(child[key], [child]);
    }
    for (const row of rows) Object.assign(row, { [relation]: groups.get(row.id) ?? [] });
  }
  return rows.map((row) => storedOf(mapping, row));
}

async function writeChildren<Draft, Row extends MainRow>(
  manager: EntityManager,
  mapping: Mapping<Draft, Row>,
  id: string,
  draft: Draft,
): Promise<void> {
  for (const child of mapping.children) {
    const rows = child.rowsOf(draft).map((row) => ({ ...row, [child.key]: id }));
    if (rows.length > 0) await manager.insert(child.entity, rows);
  }
}

/** What a main row is searched by. */
const searchable = <Draft, Row extends MainRow>({ nameColumn }: Mapping<Draft, Row>, row: Partial<Row>) => ({
  searchText: foldText(String(row[nameColumn])),
});

/**
 * Writes a new record.
 * @param above versions that are taken already
 * @returns its version: higher than that of anything that was ever deleted, so that a page which still shows that cannot change this
 */
export async function insertRecord<Draft, Row extends MainRow>(
  manager: EntityManager,
  mapping: Mapping<Draft, Row>,
  { id, draft, above = 0 }: { readonly id: string; readonly draft: Draft; readonly above?: number },
): Promise<number> {
  const version = Math.max(await versionFloor(manager), above) + 1;
  const row = mapping.toRow(draft);
  await manager.insert(mapping.entity, { ...row, ...searchable(mapping, row), id, version });
  await writeChildren(manager, mapping, id, draft);
  return version;
}

/** Whether a draft comes from an edit, or stood here before. */
type Prepared = 'edited' | 'put back';

/** What a record holds, without what addresses it. */
function fieldsOf(record: object): Fields {
  const { id: _id, version: _version, ...fields } = record as Record<string, unknown>;
  return fields;
}

/**
 * The records of one noun: listed, read, written and deleted the same way for every noun.
 * A noun adds what keeps an edit from being saved, and what uses a record.
 */
@Injectable()
export abstract class Records<Draft, Row extends MainRow> implements Keeper {
  abstract readonly mapping: Mapping<Draft, Row>;

  readonly derived: readonly string[] = [];

  /** What a write of this noun changes. */
  protected readonly part: Part = 'book';

  constructor(readonly work: UnitOfWork) {}

  /** What keeps a draft from being saved although each value is well formed. */
  abstract wrongIn(
    draft: Draft,
    id: string,
    before: Stored<Draft> | null,
    manager: EntityManager,
  ): Promise<WrongValue[]>;

  /** What uses a record, so that it cannot be deleted. */
  abstract usersOf(id: string, manager: EntityManager): Promise<User[]>;

  /** What a draft is called in a message. */
  abstract nameOf(draft: Draft): string;

  /** What a record is called in the list of changes. */
  protected titleOf(draft: Draft): string {
    return this.nameOf(draft);
  }

  /** What is stored of a draft; a noun may add what follows from the change itself. */
  protected prepare(
    draft: Draft,
    _before: Stored<Draft> | null,
    _id: string,
    _manager: EntityManager,
  ): Draft | Promise<Draft> {
    return draft;
  }

  /** What is stored of a draft that stood here before and is put back: all of it, unless a noun has more than its own records to mind. */
  protected prepareAgain(
    draft: Draft,
    _before: Stored<Draft> | null,
    _id: string,
    _manager: EntityManager,
  ): Draft | Promise<Draft> {
    return draft;
  }

  private prepared(how: Prepared, ...draft: Parameters<Records<Draft, Row>['prepare']>): Draft | Promise<Draft> {
    return how === 'edited' ? this.prepare(...draft) : this.prepareAgain(...draft);
  }

  /** Keeps what an edit replaces, where a noun has versions. */
  protected supersede(_current: Stored<Draft>, _manager: EntityManager): Promise<void> {
    return Promise.resolve();
  }

  /** What a deletion takes with it, where a noun has changed more than its own records. */
  protected discard(_current: Stored<Draft>, _manager: EntityManager): Promise<void> {
    return Promise.resolve();
  }

  /** Further conditions of a list; a noun with filters of its own adds to them. */
  protected whereOf(query: ListQuery): string[] {
    return query.search ? [`row.searchText LIKE :search ESCAPE '\\'`] : [];
  }

  list(query: ListQuery): Promise<Listing<Draft>> {
    const { mapping } = this;
    const sort = mapping.sortable.find((column) => column === query.sort) ?? mapping.nameColumn;
    return this.work.read(async (manager) => {
      const search = `%${foldText(query.search ?? '').replace(/[\\%_]/g, '\\$&')}%`;
      const found = manager
        .createQueryBuilder(mapping.entity, 'row')
        .select('row.id')
        .where(this.whereOf(query).join(' AND ') || '1 = 1', { ...query, search })
        .orderBy(
          sort === mapping.nameColumn ? 'row.searchText' : `row.${sort}`,
          query.direction === 'desc' ? 'DESC' : 'ASC',
        )
        .addOrderBy('row.id', 'ASC');
      const [rows, total] = await found
        .skip((query.page - 1) * query.size)
        .take(query.size)
        .getManyAndCount();
      const items = await this.byIds(
        rows.map((row) => row.id),
        manager,
      );
      return { items, total, page: query.page, size: query.size };
    });
  }

  get(id: string): Promise<Stored<Draft>> {
    return this.work.read((manager) => this.find(id, manager));
  }

  get noun(): string {
    return this.mapping.noun;
  }

  async standing(id: string, manager: EntityManager): Promise<Fields | null> {
    const [found] = await this.byIds([id], manager);
    return found ? fieldsOf(found) : null;
  }

  async bring(id: string, to: Fields | null, manager: EntityManager): Promise<Fields | null> {
    const [current] = await this.byIds([id], manager);
    if (to === null) {
      if (current) await this.remove(id, current.version);
      return null;
    }
    const draft = this.mapping.schema.parse(to);
    const brought = current
      ? await this.replace(id, current.version, draft, 'put back')
      : await this.insert(draft, id, 'put back');
    return fieldsOf(brought);
  }

  /** @throws Refused 422 with every wrong value; 409 when the id is taken */
  create(draft: Draft, id: string = randomUUID()): Promise<Stored<Draft>> {
    return this.insert(draft, id, 'edited');
  }

  private insert(draft: Draft, id: string, how: Prepared): Promise<Stored<Draft>> {
    return this.work.write(
      async (manager) => {
        const [taken] = await this.byIds([id], manager);
        if (taken) throw idTaken(this.mapping.noun, id, taken);
        const prepared = await this.prepared(how, draft, null, id, manager);
        await this.check(prepared, id, null, manager);
        const version = await insertRecord(manager, this.mapping, { id, draft: prepared });
        this.note(id, null, prepared);
        return { ...prepared, id, version };
      },
      { part: this.part },
    );
  }

  /**
   * Writes many new records, all of them or none, in few statements.
   * @throws Refused as {@link create} does, for the first that is wrong
   */
  createMany(records: readonly { readonly id: string; readonly draft: Draft }[]): Promise<void> {
    const { mapping } = this;
    return this.work.write(
      async (manager) => {
        const version = (await versionFloor(manager)) + 1;
        for (let at = 0; at < records.length; at += AT_ONCE) {
          const part = records.slice(at, at + AT_ONCE);
          const [taken] = await this.byIds(
            part.map(({ id }) => id),
            manager,
          );
          if (taken) throw idTaken(mapping.noun, taken.id, taken);
          const rows: ObjectLiteral[] = [];
          const children = mapping.children.map((): ObjectLiteral[] => []);
          for (const { id, draft } of part) {
            const prepared = await this.prepare(draft, null, id, manager);
            await this.check(prepared, id, null, manager);
            const row = mapping.toRow(prepared);
            rows.push({ ...row, ...searchable(mapping, row), id, version });
            mapping.children.forEach((child, index) => {
              children[index]?.push(...child.rowsOf(prepared).map((each) => ({ ...each, [child.key]: id })));
            });
            this.note(id, null, prepared);
          }
          await insertRows(manager, mapping.entity, rows);
          for (const [index, { entity }] of mapping.children.entries())
            await insertRows(manager, entity, children[index] ?? []);
          await letOthersIn();
        }
      },
      { part: this.part },
    );
  }

  /** @throws Refused 404, 409 with the current record when `version` is stale, 422 with every wrong value */
  update(id: string, version: number, draft: Draft): Promise<Stored<Draft>> {
    return this.replace(id, version, draft, 'edited');
  }

  private replace(id: string, version: number, draft: Draft, how: Prepared): Promise<Stored<Draft>> {
    const { mapping } = this;
    return this.work.write(
      async (manager) => {
        const current = await this.find(id, manager);
        if (current.version !== version) throw stale(mapping.noun, current);
        const prepared = await this.prepared(how, draft, current, id, manager);
        await this.check(prepared, id, current, manager);
        await this.supersede(current, manager);
        const row = mapping.toRow(prepared);
        await manager.update(mapping.entity, id, { ...row, ...searchable(mapping, row), version: version + 1 });
        for (const child of mapping.children) await manager.delete(child.entity, { [child.key]: id });
        await writeChildren(manager, mapping, id, prepared);
        this.note(id, current, prepared);
        return { ...prepared, id, version: version + 1 };
      },
      { part: this.part },
    );
  }

  /**
   * Changes several records, all of them or none.
   * @returns them as they are stored now
   * @throws Refused as {@link update} does, for the first that cannot be changed
   */
  updateAll(
    records: readonly { readonly id: string; readonly version: number }[],
    change: (record: Stored<Draft>, place: number) => Stored<Draft>,
  ): Promise<Stored<Draft>[]> {
    return this.work.write(
      async () => {
        const changed: Stored<Draft>[] = [];
        for (const [place, { id, version }] of records.entries()) {
          const { id: _id, version: _version, ...draft } = change(await this.get(id), place);
          changed.push(await this.update(id, version, draft as unknown as Draft));
        }
        return changed;
      },
      { part: this.part },
    );
  }

  /** Deletes several records, all of them or none. @throws Refused as {@link remove} does */
  removeAll(records: readonly { readonly id: string; readonly version: number }[]): Promise<void> {
    return this.work.write(
      async () => {
        for (const { id, version } of records) await this.remove(id, version);
      },
      { part: this.part },
    );
  }

  /** @throws Refused 404, 409 with the users when something uses it, 409 when `version` is stale */
  remove(id: string, version: number): Promise<void> {
    return this.work.write(
      async (manager) => {
        const current = await this.find(id, manager);
        if (current.version !== version) throw stale(this.mapping.noun, current);
        const users = await this.usersOf(id, manager);
        if (users.length > 0) throw inUse(this.nameOf(current), users);
        await this.discard(current, manager);
        await manager.delete(this.mapping.entity, id);
        this.note(id, current, null);
      },
      { part: this.part },
    );
  }

  private note(id: string, before: Draft | null, after: Draft | null): void {
    const { noun } = this.mapping;
    const [stood, stands] = [before && fieldsOf(before), after && fieldsOf(after)];
    const named = after ?? before;
    this.work.note({ noun, id, name: named ? this.titleOf(named) : id, before: stood, after: stands });
  }

  private async check(draft: Draft, id: string, before: Stored<Draft> | null, manager: EntityManager): Promise<void> {
    const wrong = await this.wrongIn(draft, id, before, manager);
    if (wrong.length > 0) throw wrongValues(wrong);
  }

  private async find(id: string, manager: EntityManager): Promise<Stored<Draft>> {
    const [found] = await this.byIds([id], manager);
    if (!found) throw notFound(this.mapping.noun, id);
    return found;
  }

  /** The records with these ids, in that order. */
  private async byIds(ids: readonly string[], manager: EntityManager): Promise<Stored<Draft>[]> {
    const found = await loadSome(manager, this.mapping, ids);
    const byId = new Map(found.map((each) => [each.id, each]));
    return ids.flatMap((id) => byId.get(id) ?? []);
  }
}
