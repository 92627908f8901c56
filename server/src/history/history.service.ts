import { AsyncLocalStorage } from 'node:async_hooks';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import { MOST_NAMED, type Change, type ChangePage } from '@usual-pantry/core/api';
import { differenceOf, fieldsOf, sayChange, takeBack, turned, type RecordChange } from '@usual-pantry/core/history';
import { sayList } from '@usual-pantry/core/quantity';
import { chunk } from 'es-toolkit/array';
import { pick } from 'es-toolkit/object';
import { In, IsNull, Not, type EntityManager } from 'typeorm';
import { Clock } from '../clock/clock.js';
import { visitor } from '../door/visitor.js';
import { Refused } from '../refusal/refused.js';
import { insertRows } from '../storage/insert-rows.js';
import { Keepers } from '../storage/keeper.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { letOthersIn } from '../thread/thread.js';
import { ChangePartRow, ChangeRow } from './history.entity.js';

/** So many changes can be taken back, if they are no larger than this together, as characters of JSON. */
const MOST_CHANGES = 200;
const MOST_CHARACTERS = 64_000_000;
/** So many records of a change are written by one statement. */
const AT_ONCE = 500;

export type Direction = 'undo' | 'redo';

/** One request that may change something. */
interface Asked {
  /** What the change is called by who asks for it; null leaves that to the server. */
  readonly label: string | null;
  readonly isTakingBack: boolean;
  made: { readonly id: number; readonly label: string } | null;
}

const asked = new AsyncLocalStorage<Asked>();

/** Runs what answers a request. @returns the request, which knows afterwards what was changed */
export function runAsked(label: string | null, work: () => void): Asked {
  const request: Asked = { label, isTakingBack: false, made: null };
  asked.run(request, work);
  return request;
}

/** As it is read from the database again: what JSON does not know is not there. */
const asStored = <Value>(value: Value): Value => JSON.parse(JSON.stringify(value)) as Value;

const sessionId = (): string => visitor().sessionId ?? '';

/** Keeps what each write has changed, and takes it back. */
@Injectable()
export class HistoryService implements OnModuleInit {
  constructor(
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    private readonly keepers: Keepers,
  ) {}

  onModuleInit(): void {
    this.work.beforeCommit((manager, written, label) => this.keep(manager, written, label));
  }

  /** Forgets every change, when all that is kept is replaced. */
  async forget(manager: EntityManager): Promise<void> {
    await manager.deleteAll(ChangeRow);
  }

  /** A page of changes, the newest first. */
  list(page: number, size: number): Promise<ChangePage> {
    return this.work.read(async (manager) => {
      const rows = await manager.find(ChangeRow, { order: { id: 'DESC' }, skip: (page - 1) * size, take: size });
      return { items: await this.changes(rows, manager), total: await manager.count(ChangeRow), page, size };
    });
  }

  /**
   * Takes a change back, or does it again: everything that it changed, or nothing.
   * @param id of the change; without, the last one that whoever asks has made, or has taken back and changed nothing since
   * @throws Refused 409 when there is none, when a later edit of the same fields stands in the way, or as an edit would be
   */
  turn(direction: Direction, id?: number): Promise<Change> {
    return asked.run({ label: null, isTakingBack: true, made: null }, () =>
      this.work.write(
        async (manager) => {
          const row = await this.which(direction, id, manager);
          const position = direction === 'undo' ? 'DESC' : 'ASC';
          const parts = await manager.find(ChangePartRow, { where: { changeId: row.id }, order: { position } });
          for (const part of parts) await this.turnPart(direction, row, part, manager);
          const undoneOrder = direction === 'undo' ? await this.nextUndone(manager) : null;
          await manager.save(ChangeRow, Object.assign(row, { undoneOrder, isPassed: false }));
          const [change] = await this.changes([row], manager);
          if (!change) throw new Error('A change without a change.');
          return change;
        },
        { part: 'orders' },
      ),
    );
  }

  private async which(direction: Direction, id: number | undefined, manager: EntityManager): Promise<ChangeRow> {
    const isUndone = direction === 'redo';
    if (id !== undefined) {
      const row = await manager.findOneBy(ChangeRow, { id });
      if (!row) throw new Refused('not-in-history', 'This change is not known any more.');
      if ((row.undoneOrder !== null) !== isUndone)
        throw new Refused('not-in-history', isUndone ? 'This has not been undone.' : 'This is undone already.');
      return row;
    }
    const mine = { sessionId: sessionId() };
    const row = isUndone
      ? await manager.findOne(ChangeRow, {
          where: { ...mine, undoneOrder: Not(IsNull()), isPassed: false },
          order: { undoneOrder: 'DESC' },
        })
      : await manager.findOne(ChangeRow, { where: { ...mine, undoneOrder: IsNull() }, order: { id: 'DESC' } });
    if (!row) throw new Refused('not-in-history', isUndone ? 'Nothing to redo.' : 'Nothing to undo.');
    return row;
  }

  private async turnPart(
    direction: Direction,
    row: ChangeRow,
    part: ChangePartRow,
    manager: EntityManager,
  ): Promise<void> {
    const keeper = this.keepers.of(part.noun);
    const current = asStored(await keeper.standing(part.recordId, manager));
    const back = takeBack(direction === 'undo' ? part : turned(part), current, keeper.derived);
    if (back.kind === 'in the way') throw await this.inTheWay(row, part, back.fields, manager);
    const brought = asStored(await keeper.bring(part.recordId, back.record, manager));
    // What the record works out itself may have come out otherwise: the next turn begins from that.
    const stands = brought && part.fields ? pick(brought, [...part.fields]) : brought;
    const stood = direction === 'undo' ? 'before' : 'after';
    await manager.save(ChangePartRow, Object.assign(part, { [stood]: stands }));
  }

  private async nextUndone(manager: EntityManager): Promise<number> {
    const [last]: { undone: number | null }[] = await manager.query(
      'SELECT max(undoneOrder) AS undone FROM change_log',
    );
    return (last?.undone ?? 0) + 1;
  }

  private async inTheWay(
    row: ChangeRow,
    { name, noun }: ChangePartRow,
    fields: readonly string[],
    manager: EntityManager,
  ): Promise<Refused> {
    const later = (await this.laterOf([row.id], manager)).get(row.id);
    const what = noun === 'plan' || fields.length === 0 ? name : `${name} (${sayList(fields)})`;
    const since = later ? ` by “${later.label}” Undo that first.` : '. Nothing of this was undone.';
    return new Refused('in-the-way', `${what} was changed since${since}`);
  }

  /** Writes down what a write has changed, with the write itself. */
  private async keep(manager: EntityManager, written: readonly RecordChange[], called: string | null): Promise<void> {
    const request = asked.getStore();
    if (request?.isTakingBack) return;
    const records = written.flatMap((each) => {
      const { before, after } = asStored({ before: each.before, after: each.after });
      const difference = differenceOf(before, after, this.keepers.of(each.noun).derived);
      return difference ? [{ ...each, ...difference }] : [];
    });
    if (records.length === 0) return;
    const mine = { sessionId: sessionId() };
    const label = request?.label ?? called ?? sayChange(records);
    const row = {
      ...mine,
      at: this.clock.now(),
      deviceName: visitor().name,
      label,
      undoneOrder: null,
      isPassed: false,
    };
    await manager.update(ChangeRow, { ...mine, undoneOrder: Not(IsNull()) }, { isPassed: true });
    const { id } = await manager.save(ChangeRow, row);
    const parts = records.map(({ noun, id: recordId, name, before, after }, position) => {
      return { changeId: id, position, noun, recordId, name, before, after, fields: fieldsOf({ before, after }) };
    });
    for (const some of chunk(parts, AT_ONCE)) {
      await insertRows(manager, ChangePartRow, some);
      await letOthersIn();
    }
    await this.prune(manager);
    if (request) request.made = { id, label };
  }

  /** Forgets the oldest changes where there are too many, or too large ones; the last one stays. */
  private async prune(manager: EntityManager): Promise<void> {
    await manager.query(
      `DELETE FROM change_log WHERE id < (SELECT max(id) FROM change_log) AND id IN (
         SELECT id FROM (
           SELECT changeId AS id, row_number() OVER (ORDER BY changeId DESC) AS place,
             sum(sum(coalesce(length(before), 0) + coalesce(length(after), 0))) OVER (ORDER BY changeId DESC) AS characters
           FROM change_part GROUP BY changeId)
         WHERE place > ? OR characters > ?)`,
      [MOST_CHANGES, MOST_CHARACTERS],
    );
  }

  private async changes(rows: readonly ChangeRow[], manager: EntityManager): Promise<Change[]> {
    const ids = rows.map(({ id }) => id);
    const later = await this.laterOf(ids, manager);
    const counts = new Map(
      (
        await manager
          .createQueryBuilder(ChangePartRow, 'part')
          .select('part.changeId', 'id')
          .addSelect('count(*)', 'count')
          .where({ changeId: In(ids) })
          .groupBy('part.changeId')
          .getRawMany<{ id: number; count: number }>()
      ).map(({ id, count }) => [id, count]),
    );
    const changes: Change[] = [];
    for (const { id, at, sessionId: by, deviceName, label, undoneOrder } of rows) {
      const named = await manager.find(ChangePartRow, {
        select: { changeId: true, position: true, noun: true, recordId: true, name: true },
        where: { changeId: id },
        order: { position: 'ASC' },
        take: MOST_NAMED,
      });
      changes.push({
        id,
        at,
        from: deviceName,
        isMine: by === sessionId(),
        label,
        isUndone: undoneOrder !== null,
        records: named.map(({ noun, recordId, name }) => ({ noun, id: recordId, name })),
        recordCount: counts.get(id) ?? 0,
        inTheWay: undoneOrder === null ? (later.get(id) ?? null) : null,
      });
    }
    return changes;
  }

  /** The first later change of each that stands and has touched the same fields. */
  private async laterOf(
    ids: readonly number[],
    manager: EntityManager,
  ): Promise<Map<number, { id: number; label: string }>> {
    const found: { changeId: number; id: number; label: string }[] = await manager.query(
      `SELECT part.changeId, min(later.changeId) AS id, log.label
       FROM change_part part
       JOIN change_part later
         ON later.noun = part.noun AND later.recordId = part.recordId AND later.changeId > part.changeId
       JOIN change_log log ON log.id = later.changeId AND log.undoneOrder IS NULL
       WHERE part.changeId IN (${ids.map(() => '?').join()}) AND (part.fields IS NULL OR later.fields IS NULL
         OR EXISTS (SELECT 1 FROM json_each(part.fields) mine JOIN json_each(later.fields) its ON mine.value = its.value))
       GROUP BY part.changeId`,
      [...ids],
    );
    return new Map(found.map(({ changeId, id, label }) => [changeId, { id, label }]));
  }
}
