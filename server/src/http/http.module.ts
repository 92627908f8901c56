import { Module } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { ProblemController } from './problem.controller.js';
import { RevisionInterceptor } from './revision.interceptor.js';

/** What every address has in common. */
@Module({
  controllers: [ProblemController],
  providers: [{ provide: APP_INTERCEPTOR, useClass: RevisionInterceptor }],
})
export class HttpModule {}
