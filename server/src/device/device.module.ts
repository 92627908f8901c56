import { Module } from '@nestjs/common';
import { devices } from './devices.js';

/** What stands in for each device. */
@Module({ providers: [...devices], exports: [...devices] })
export class DeviceModule {}
