import { Module } from '@nestjs/common';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import { Parts } from '../book/parts.js';
import { Keepers } from '../storage/keeper.js';
import { KitchenController } from './kitchen.controller.js';
import { KitchenRow } from './kitchen.entity.js';
import { KitchenRecords, loadKitchen, storeKitchen } from './kitchen.records.js';

/** The settings. */
@Module({ controllers: [KitchenController], providers: [KitchenRecords], exports: [KitchenRecords] })
export class KitchenModule {
  static readonly entities = [KitchenRow];

  constructor(parts: Parts, keepers: Keepers, records: KitchenRecords) {
    parts.add('kitchen', loadKitchen);
    parts.addToFile('kitchen', {
      write: (_manager, { kitchen: { version: _version, ...settings } }) => kitchenDraftSchema.parse(settings),
      store: async ({ manager }, settings) => storeKitchen(manager, settings, (await loadKitchen(manager)).version + 1),
    });
    keepers.add(records);
  }
}
