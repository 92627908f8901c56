import { Module } from '@nestjs/common';
import { BatchModule } from '../batch/batch.module.js';
import { Parts } from '../book/parts.js';
import { groupBy } from '@usual-pantry/core/record';
import { DeviceModule } from '../device/device.module.js';
import { DeviceLine } from './device-line.js';
import { MakingController } from './making.controller.js';
import { MakingEventRow, MakingRow, PracticeRow } from './making.entity.js';
import { MakingService } from './making.service.js';
import { PracticeController } from './practice.controller.js';

/** Batches at the bench, the line to the devices there, and practice. */
@Module({
  imports: [BatchModule, DeviceModule],
  controllers: [MakingController, PracticeController],
  providers: [MakingService, DeviceLine],
})
export class MakingModule {
  static readonly entities = [MakingRow, MakingEventRow, PracticeRow];

  constructor(parts: Parts) {
    // What happened at the bench stays beside what a file brings.
    parts.addToFile('makings', {
      write: async (manager) => {
        const rows = await manager.find(MakingRow, { order: { startedAt: 'ASC', id: 'ASC' } });
        const events = groupBy(await manager.find(MakingEventRow, { order: { place: 'ASC' } }), (row) => row.makingId);
        return rows.map(({ madeOn, ...row }) => ({
          ...row,
          on: madeOn,
          // Pictures would make the file too large to be brought again: the backups have them.
          events: (events.get(row.id) ?? []).flatMap(({ event }) => (event.kind === 'photo' ? [] : [event])),
        }));
      },
      store: async ({ manager }, makings) => {
        for (const { events, on, ...making } of makings) {
          // What is known here has happened here: it is the whole of it.
          if (await manager.existsBy(MakingRow, { id: making.id })) continue;
          await manager.save(MakingRow, { ...making, madeOn: on });
          const rows = events.map((event, index) => ({
            id: event.id,
            makingId: making.id,
            place: index + 1,
            at: event.at,
            event,
          }));
          await manager.save(MakingEventRow, rows, { chunk: 50 });
        }
      },
    });
    parts.addToFile('practices', {
      write: (manager) => manager.find(PracticeRow, { order: { at: 'ASC', id: 'ASC' } }),
      store: ({ manager }, practices) => manager.save(PracticeRow, practices, { chunk: 100 }),
    });
  }
}
