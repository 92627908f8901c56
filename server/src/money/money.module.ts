import { Module } from '@nestjs/common';
import { MoneyController } from './money.controller.js';

/** What boxes and the season bring. */
@Module({ controllers: [MoneyController] })
export class MoneyModule {}
