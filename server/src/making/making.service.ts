import { Injectable } from '@nestjs/common';
import type { EndMaking, MakingAnswer, MakingEvents } from '@usual-pantry/core/api';
import type { BatchDraft } from '@usual-pantry/core/batch';
import { draftOfMaking, stateOf, weighOut, type Making, type MakingEvent } from '@usual-pantry/core/making';
import { In, MoreThan, type EntityManager } from 'typeorm';
import { BatchRecords } from '../batch/batch.records.js';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { notFound, Refused } from '../refusal/refused.js';
import type { Stored } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { MakingEventRow, MakingRow } from './making.entity.js';

const answerOf = ({ id, recipeId, size, madeOn, startedAt, state }: MakingRow): MakingAnswer => ({
  id,
  recipeId,
  size,
  on: madeOn,
  startedAt,
  state,
});
/** So many that are over are shown beside those that are not. */
const SHOWN = 10;

/** Batches at the bench. What happened to one is only ever added to: what comes twice is taken once, in the order in which it came. */
@Injectable()
export class MakingService {
  constructor(
    private readonly work: UnitOfWork,
    private readonly books: BookService,
    private readonly batches: BatchRecords,
    private readonly clock: Clock,
  ) {}

  /** Those that are open, the oldest first, then the newest of those that are over. */
  list(): Promise<MakingAnswer[]> {
    return this.work.read(async (manager) => {
      const open = await manager.find(MakingRow, { where: { state: 'open' }, order: { startedAt: 'ASC', id: 'ASC' } });
      const over = await manager.find(MakingRow, {
        where: { state: In(['ended', 'put away']) },
        order: { startedAt: 'DESC', id: 'ASC' },
        take: SHOWN,
      });
      return [...open, ...over].map(answerOf);
    });
  }

  /**
   * Begins a batch; one that is begun again is the same one.
   * @throws Refused 404 when there is no such recipe
   */
  async start({ on, ...making }: Making): Promise<MakingAnswer> {
    const { recipes } = await this.books.stored();
    return this.aside(async (manager) => {
      const known = await manager.findOneBy(MakingRow, { id: making.id });
      if (known) return answerOf(known);
      if (!recipes.has(making.recipeId)) throw notFound('recipe', making.recipeId);
      return answerOf(await manager.save(MakingRow, { ...making, madeOn: on, state: 'open' }));
    });
  }

  /** What happened to a batch after a place in its order. @throws Refused 404 */
  events(id: string, after: number): Promise<MakingEvents> {
    return this.work.read(async (manager) => {
      const { state } = await this.row(manager, id);
      const rows = await manager.find(MakingEventRow, {
        where: { makingId: id, place: MoreThan(after) },
        order: { place: 'ASC' },
      });
      return { state, place: rows.at(-1)?.place ?? after, events: rows.map(({ event }) => event) };
    });
  }

  /**
   * Takes in what happened, in order. What is known is passed over, so that it may be sent again.
   * @returns the place of the last event there is
   * @throws Refused 404; 409 when one of them has the id of what happened to another batch: nothing is taken in then
   */
  add(id: string, events: readonly MakingEvent[]): Promise<MakingEvents> {
    return this.aside(async (manager) => {
      const { state } = await this.row(manager, id);
      const known = await manager.findBy(MakingEventRow, { id: In(events.map((event) => event.id)) });
      const foreign = known.find(({ makingId }) => makingId !== id);
      if (foreign)
        throw new Refused('id-taken', `Something that happened to another batch has the id "${foreign.id}" already.`);
      const ids = new Set(known.map((row) => row.id));
      let place = (await manager.maximum(MakingEventRow, 'place', { makingId: id })) ?? 0;
      const fresh = events.flatMap((event) => {
        if (ids.has(event.id)) return [];
        ids.add(event.id);
        place += 1;
        return [{ id: event.id, makingId: id, place, at: event.at, event }];
      });
      if (fresh.length > 0) await manager.insert(MakingEventRow, fresh);
      return { state, place, events: [] };
    });
  }

  /**
   * Ends a batch: it is written down as made, or failed, with all that was kept of it; the pantry gives for it.
   * @throws Refused 404; 409 when it is over; 422 while it is not said where that came from which the pantry does not have
   */
  async end(id: string, { opened, elsewhere, ...end }: EndMaking): Promise<Stored<BatchDraft>> {
    const book = await this.books.stored();
    return this.work.write(async (manager) => {
      const row = await this.row(manager, id);
      if (row.state !== 'open') throw new Refused('batch-over');
      const facts = book.recipes.get(row.recipeId);
      if (!facts) throw notFound('recipe', row.recipeId);
      const { events } = await this.events(id, 0);
      const state = stateOf(facts.recipe, events);
      const making = answerOf(row);
      const sheet = weighOut(facts, row.size, state, book, book.kitchen.scaleStepGrams);
      const draft = draftOfMaking(making, facts, events, state, sheet, end, this.clock.now());
      const [batch] = await this.batches.createAll([draft], { opened, elsewhere });
      if (!batch) throw new Error('Nothing was written down of a batch.');
      await manager.update(MakingRow, id, { state: 'ended' });
      return batch;
    });
  }

  /** Puts a batch away without an end: it was not made after all. @throws Refused 404; 409 when it is over */
  putAway(id: string): Promise<MakingAnswer> {
    return this.aside(async (manager) => {
      const row = await this.row(manager, id);
      if (row.state === 'ended') throw new Refused('batch-over');
      await manager.update(MakingRow, id, { state: 'put away' });
      return { ...answerOf(row), state: 'put away' };
    });
  }

  private aside<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.work.write(work, { part: 'aside' });
  }

  private async row(manager: EntityManager, id: string): Promise<MakingRow> {
    const row = await manager.findOneBy(MakingRow, { id });
    if (!row) throw notFound('making', id);
    return row;
  }
}
