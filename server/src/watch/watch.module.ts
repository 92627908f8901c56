import { Module } from '@nestjs/common';
import { SolverModule } from '../solver/solver.module.js';
import { BackupController } from './backup.controller.js';
import { Diagnostics } from './diagnostics.js';
import { RequestLog } from './request-log.js';
import { WatchController } from './watch.controller.js';

/** How the program is doing, and the copies of what it keeps. */
@Module({
  imports: [SolverModule],
  controllers: [BackupController, WatchController],
  providers: [RequestLog, Diagnostics],
})
export class WatchModule {}
