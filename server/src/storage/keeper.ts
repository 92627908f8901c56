import { Injectable } from '@nestjs/common';
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

/** Whoever keeps what can be changed; every noun's module adds its own. */
@Injectable()
export class Keepers {
  private readonly byNoun = new Map<string, Keeper>();

  add(keeper: Keeper): void {
    this.byNoun.set(keeper.noun, keeper);
  }

  /** @throws Error when nobody keeps it */
  of(noun: string): Keeper {
    const keeper = this.byNoun.get(noun);
    if (!keeper) throw new Error(`Nobody keeps a ${noun}.`);
    return keeper;
  }
}
