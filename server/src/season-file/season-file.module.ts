import { Module } from '@nestjs/common';
import { HistoryModule } from '../history/history.module.js';
import { threadOf } from '../thread/thread.js';
import { SeasonFileController } from './season-file.controller.js';
import { SEASON_READER, SeasonFileService } from './season-file.service.js';

/** Everything that is kept, as one file. */
@Module({
  imports: [HistoryModule],
  controllers: [SeasonFileController],
  providers: [SeasonFileService, { provide: SEASON_READER, useFactory: () => threadOf('season-reader') }],
})
export class SeasonFileModule {}
