import { Module } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { ChangePartRow, ChangeRow } from './history.entity.js';
import { HistoryController } from './history.controller.js';
import { HistoryInterceptor } from './history.interceptor.js';
import { HistoryService } from './history.service.js';

/** What was changed, so that it can be taken back. */
@Module({
  controllers: [HistoryController],
  providers: [HistoryService, { provide: APP_INTERCEPTOR, useClass: HistoryInterceptor }],
  exports: [HistoryService],
})
export class HistoryModule {
  static readonly entities = [ChangeRow, ChangePartRow];
}
