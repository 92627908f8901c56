import type { MakingEvent, MakingFiled } from '@usual-pantry/core/making';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { keptAs } from '../parts/kitchenAt';

/** A batch at the bench as the server last had it. */
export interface KeptMaking {
  readonly events: readonly MakingEvent[];
  readonly place: number;
  readonly making: MakingFiled['state'];
}

/** What this browser keeps, so that the bench goes on without the server. */
interface Shelf extends DBSchema {
  /** What has not reached the server yet, in order. */
  waiting: { key: number; value: { makingId: string; event: MakingEvent }; indexes: { makingId: string } };
  /** Batches as the server last had them, by their ids. */
  makings: { key: string; value: KeptMaking };
  /** Answers of the server as they last were, by name. */
  answers: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Shelf>> | null = null;

/** Opens what this browser keeps. @throws where a browser keeps nothing, as in some private windows */
export const openShelf = (): Promise<IDBPDatabase<Shelf>> =>
  (opened ??= openDB<Shelf>(keptAs('usual-pantry-bench'), 1, {
    upgrade: (db) => {
      db.createObjectStore('waiting', { autoIncrement: true }).createIndex('makingId', 'makingId');
      db.createObjectStore('makings');
      db.createObjectStore('answers');
    },
  }));
