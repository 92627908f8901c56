import { Injectable } from '@nestjs/common';
import type { StoredKitchen } from '@usual-pantry/core/api';
import type { Fields } from '@usual-pantry/core/history';
import { emptyKitchen, kitchenDraftSchema, type KitchenDraft } from '@usual-pantry/core/kitchen';
import type { EntityManager } from 'typeorm';
import { stale } from '../refusal/refused.js';
import type { Keeper } from '../storage/keeper.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { KitchenRow } from './kitchen.entity.js';

const KITCHEN = 'kitchen';

/** Reads the settings; settings that came later than the stored ones take their defaults. */
export async function loadKitchen(manager: EntityManager): Promise<StoredKitchen> {
  const row = await manager.findOneBy(KitchenRow, { id: KITCHEN });
  return row ? { ...kitchenDraftSchema.parse(row.settings), version: row.version } : { ...emptyKitchen, version: 0 };
}

/** Writes the settings over whatever is there. */
export const storeKitchen = async (manager: EntityManager, settings: KitchenDraft, version: number) => {
  await manager.save(KitchenRow, { id: KITCHEN, version, settings });
};

const withoutVersion = ({ version: _version, ...settings }: StoredKitchen): KitchenDraft => settings;

@Injectable()
export class KitchenRecords implements Keeper {
  readonly noun = 'kitchen';
  readonly derived: readonly string[] = [];

  constructor(private readonly work: UnitOfWork) {}

  get(): Promise<StoredKitchen> {
    return this.work.read(loadKitchen);
  }

  /** @throws Refused 409 with the current settings when `version` is stale */
  update(version: number, draft: KitchenDraft): Promise<StoredKitchen> {
    return this.work.write(
      async (manager) => {
        const current = await loadKitchen(manager);
        if (current.version !== version) throw stale('kitchen', current);
        await storeKitchen(manager, draft, version + 1);
        this.work.note({
          noun: this.noun,
          id: KITCHEN,
          name: 'Settings',
          before: withoutVersion(current),
          after: draft,
        });
        return { ...draft, version: version + 1 };
      },
      { part: 'settings' },
    );
  }

  async standing(_id: string, manager: EntityManager): Promise<Fields> {
    return withoutVersion(await loadKitchen(manager));
  }

  /** There are always settings: they cannot be deleted, only be what they were before the first. */
  async bring(_id: string, to: Fields | null, manager: EntityManager): Promise<Fields> {
    const { version } = await loadKitchen(manager);
    return withoutVersion(await this.update(version, kitchenDraftSchema.parse(to ?? emptyKitchen)));
  }
}
