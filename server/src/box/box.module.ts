import { Module } from '@nestjs/common';
import { Parts } from '../book/parts.js';
import { Keepers } from '../storage/keeper.js';
import { BoxFiguresController } from './box-figures.controller.js';
import { BoxController } from './box.controller.js';
import { ComposeController } from './compose.controller.js';
import { BoxRow, BoxCellRow } from './box.entity.js';
import { boxMapping } from './box.mapping.js';
import { BoxRecords } from './box.records.js';
import { SolverModule } from '../solver/solver.module.js';

/** Boxes, what they come to, and boxes that are composed. */
@Module({
  imports: [SolverModule],
  controllers: [BoxFiguresController, BoxController, ComposeController],
  providers: [BoxRecords],
  exports: [BoxRecords],
})
export class BoxModule {
  static readonly entities = [BoxRow, BoxCellRow];

  constructor(parts: Parts, keepers: Keepers, records: BoxRecords) {
    parts.addRecords('boxes', boxMapping);
    keepers.add(records);
  }
}
