import { Module } from '@nestjs/common';
import { Beside } from '../book/beside.js';
import { Parts } from '../book/parts.js';
import { DeviceModule } from '../device/device.module.js';
import { threadOf } from '../thread/thread.js';
import { LabelController } from './label.controller.js';
import { LabelPrintRow, WeighingRow } from './label.entity.js';
import { LabelService } from './label.service.js';
import { LABEL_PRESS, PrintService } from './print.service.js';

/** Labels, set in type, and what was printed and weighed. */
@Module({
  imports: [DeviceModule],
  controllers: [LabelController],
  providers: [LabelService, PrintService, { provide: LABEL_PRESS, useFactory: () => threadOf('label-worker') }],
})
export class LabelModule {
  static readonly entities = [LabelPrintRow, WeighingRow];

  constructor(parts: Parts, beside: Beside, labels: LabelService) {
    beside.add(() => labels.findingsOfPrints());
    // What was printed and weighed stays beside what a file brings.
    parts.addToFile('labelPrints', {
      write: (manager) => manager.find(LabelPrintRow, { order: { at: 'ASC', id: 'ASC' } }),
      store: (storing, prints) => storing.manager.save(LabelPrintRow, prints, { chunk: 100 }),
    });
    parts.addToFile('weighings', {
      write: (manager) => manager.find(WeighingRow, { order: { at: 'ASC', id: 'ASC' } }),
      store: (storing, weighings) => storing.manager.save(WeighingRow, weighings, { chunk: 100 }),
    });
  }
}
