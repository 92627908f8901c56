import { Injectable } from '@nestjs/common';
import type { StoredKitchen } from '@usual-pantry/core/api';
import { emptyKitchen, kitchenDraftSchema, type KitchenDraft } from '@usual-pantry/core/kitchen';
import type { EntityManager } from 'typeorm';
import { stale } from '../refusal/refused.js';
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

@Injectable()
export class KitchenRecords {
  constructor(private readonly work: UnitOfWork) {}

  get(): Promise<StoredKitchen> {
    return this.work.read(loadKitchen);
  }

  /** @throws Refused 409 with the current settings when `version` is stale */
  update(version: number, draft: KitchenDraft): Promise<StoredKitchen> {
    return this.work.write(async (manager) => {
      const current = await loadKitchen(manager);
      if (current.version !== version) throw stale('kitchen', current);
      await storeKitchen(manager, draft, version + 1);
      return { ...draft, version: version + 1 };
    });
  }
}
