import type { Fields } from '@usual-pantry/core/history';
import type { EntityManager } from 'typeorm';

/** Whatever keeps records that can be brought back to how they stood. */
export interface Keeper {
  readonly noun: string;
  /** Fields that a record works out itself when it is stored. */
  readonly derived: readonly string[];
  /** What a record holds now; null when there is none. */
  standing(id: string, manager: EntityManager): Promise<Fields | null>;
  /**
   * Brings a record to hold what it shall; null deletes it.
   * @returns what it then holds
   * @throws Refused as an edit of it would be
   */
  bring(id: string, to: Fields | null, manager: EntityManager): Promise<Fields | null>;
}

/** Injection token of every keeper. */
export const KEEPERS = Symbol('KEEPERS');
