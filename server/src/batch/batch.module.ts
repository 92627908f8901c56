import { Module } from '@nestjs/common';
import { Parts } from '../book/parts.js';
import { Keepers } from '../storage/keeper.js';
import { BatchController } from './batch.controller.js';
import { BatchRow } from './batch.entity.js';
import { batchMapping } from './batch.mapping.js';
import { BatchRecords } from './batch.records.js';

/** Batches that were made. */
@Module({
  controllers: [BatchController],
  providers: [BatchRecords],
  exports: [BatchRecords],
})
export class BatchModule {
  static readonly entities = [BatchRow];

  constructor(parts: Parts, keepers: Keepers, records: BatchRecords) {
    parts.addRecords('batches', batchMapping);
    keepers.add(records);
  }
}
