import { Module } from '@nestjs/common';
import { threadOf } from '../thread/thread.js';
import { LABEL_PRESS, LabelController } from './label.controller.js';

/** Labels, set in type. */
@Module({
  controllers: [LabelController],
  providers: [{ provide: LABEL_PRESS, useFactory: () => threadOf('label-worker') }],
})
export class LabelModule {}
