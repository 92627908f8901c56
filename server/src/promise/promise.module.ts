import { Module } from '@nestjs/common';
import { PromiseService } from './promise.service.js';

@Module({ providers: [PromiseService], exports: [PromiseService] })
export class PromiseModule {}
